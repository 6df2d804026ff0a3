// What a record takes and what it refuses, at the boundaries: a record that is let in is in every copy for ever.
import {
  ActionBody,
  FindingBody,
  isTimeZone,
  JobBody,
  Site,
  TreeBody,
  TreeSummary,
  treeBodyOf,
} from './index';

const ID = '0193f000-0000-7000-8000-000000000001';
const AT = '2026-11-24T10:00:00Z';
const many = (count: number) => 'x'.repeat(count);

const finding = {
  treeId: 'a',
  limbId: 'S',
  limbName: '3 o’clock, low',
  fromCm: 10,
  toCm: 20,
  disorder: 'DEAD',
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: AT,
  withdrawn: false,
};
const somewhere = { hour: 3, heightCm: 200 };

test.each<[string, object, boolean]>([
  ['as it is', {}, true],
  ['a point', { fromCm: 20 }, true],
  ['that ends before it begins', { fromCm: 20.1 }, false],
  ['from the collar', { fromCm: 0 }, true],
  ['from below it', { fromCm: -0.1 }, false],
  ['to thirty metres', { toCm: 3000 }, true],
  ['beyond', { toCm: 3000.1 }, false],
  ['with a note of 500', { note: many(500) }, true],
  ['with a longer note', { note: many(501) }, false],
  ['with a disorder that nobody knows', { disorder: 'NOBODY' }, false],
  ['seen at no moment', { seenAt: 'yesterday' }, false],
  ['with twelve widths', { widthsCm: Array(12).fill(1) }, true],
  ['with thirteen', { widthsCm: Array(13).fill(1) }, false],
  ['with a width of nothing', { widthsCm: [0] }, false],
  ['with eight photos', { photoIds: Array(8).fill(ID) }, true],
  ['with nine', { photoIds: Array(9).fill(ID) }, false],
  ['somewhere in the crown, not measured', { measured: false, somewhere }, true],
  ['somewhere in the crown, and measured', { measured: true, somewhere }, false],
  ['somewhere at one o’clock', { measured: false, somewhere: { ...somewhere, hour: 1 } }, true],
  ['somewhere at twelve', { measured: false, somewhere: { ...somewhere, hour: 12 } }, true],
  ['somewhere at none', { measured: false, somewhere: { ...somewhere, hour: 0 } }, false],
  ['somewhere at thirteen', { measured: false, somewhere: { ...somewhere, hour: 13 } }, false],
  ['somewhere at half past', { measured: false, somewhere: { ...somewhere, hour: 3.5 } }, false],
  ['somewhere under the ground', { measured: false, somewhere: { ...somewhere, heightCm: -1 } }, false],
  ['with a field of its own', { mood: 'good' }, false],
])('a finding %s', (_said, more, taken) => {
  expect(FindingBody.safeParse({ ...finding, ...more }).success).toBe(taken);
});

test('a finding of before, without what came later, means what it meant: measured, on its limb', () => {
  expect(FindingBody.parse(finding)).toMatchObject({
    measured: true,
    somewhere: null,
    place: 'span',
    fault: null,
  });
});

const tree = {
  code: 'A',
  plot: 'P',
  row: 'R',
  place: 1,
  species: 'apple',
  form: 'fan',
  heightCm: 200,
  spreadCm: 200,
};

test.each<[string, object, boolean]>([
  ['as it is', {}, true],
  ['without a code', { code: '' }, false],
  ['with a code of blanks', { code: '   ' }, false],
  ['with a code of 40', { code: many(40) }, true],
  ['with one of 41', { code: many(41) }, false],
  ['at place one', { place: 1 }, true],
  ['at none', { place: 0 }, false],
  ['between two', { place: 1.5 }, false],
  ['at the last', { place: 99_999 }, true],
  ['beyond it', { place: 100_000 }, false],
  ['thirty metres high', { heightCm: 3000 }, true],
  ['higher', { heightCm: 3001 }, false],
  ['planted in 1500', { plantedYear: 1500 }, true],
  ['before', { plantedYear: 1499 }, false],
  ['with a girth of a centimetre', { girthCm: 1 }, true],
  ['with less', { girthCm: 0.9 }, false],
  ['with a girth of eight metres', { girthCm: 800 }, true],
  ['with more', { girthCm: 801 }, false],
  ['at the pole', { latitude: 90 }, true],
  ['beyond it', { latitude: 90.1 }, false],
  ['at the date line', { longitude: -180 }, true],
  ['beyond it', { longitude: -180.1 }, false],
  ['that nobody reaches', { reachCm: 49 }, false],
  ['reached from the ground', { reachCm: 50 }, true],
  ['with eight neighbours', { neighbours: Array(8).fill({ code: 'B', how: 'meets' }) }, true],
  ['with nine', { neighbours: Array(9).fill({ code: 'B', how: 'meets' }) }, false],
  ['of a species that nobody knows', { species: 'gooseberry' }, false],
])('a tree %s', (_said, more, taken) => {
  expect(TreeBody.safeParse({ ...tree, ...more }).success).toBe(taken);
});

test('what a caretaker wrote down comes out of the register as it went in', () => {
  const body = TreeBody.parse({ ...tree, nickname: 'Old Anna', hazards: ['slope'] });
  const stamp = { revision: 3, by: 'Wall crew', receivedAt: AT };
  const kept = TreeSummary.parse({
    id: 'a',
    plotId: 'p',
    rowId: 'r',
    ...body,
    ...stamp,
    openFindings: 2,
    lastSeenAt: AT,
  });
  expect(treeBodyOf(kept)).toEqual(body);
});

test.each<[string, object, boolean]>([
  [
    'a blade that was clean already',
    { kind: 'bladeCleaned', blade: 'saw-1', agentId: 'alcohol-70', before: true },
    true,
  ],
  [
    'a blade that was not clean before',
    { kind: 'bladeCleaned', blade: 'saw-1', agentId: 'alcohol-70', before: false },
    false,
  ],
  ['a blade without a name', { kind: 'bladeCleaned', blade: '', agentId: 'alcohol-70' }, false],
  [
    'two hours of contact',
    { kind: 'bladeWetted', blade: 'b', agentId: 'a', method: 'wipe', seconds: 7200 },
    true,
  ],
  ['longer', { kind: 'bladeWetted', blade: 'b', agentId: 'a', method: 'wipe', seconds: 7201 }, false],
  ['less than none', { kind: 'bladeWetted', blade: 'b', agentId: 'a', method: 'wipe', seconds: -1 }, false],
  ['a run of one tree', { kind: 'runStarted', treeIds: ['a'], bladeIds: [], checked: [] }, true],
  ['a run of none', { kind: 'runStarted', treeIds: [], bladeIds: [], checked: [] }, false],
  ['a run of 2000', { kind: 'runStarted', treeIds: Array(2000).fill('a'), bladeIds: [], checked: [] }, true],
  ['a run of 2001', { kind: 'runStarted', treeIds: Array(2001).fill('a'), bladeIds: [], checked: [] }, false],
  [
    '200 shoots',
    {
      kind: 'recheckDone',
      treeId: 'a',
      cutId: ID,
      recheck: 'month',
      outcome: 'clean',
      distanceCm: null,
      shoots: 200,
      note: '',
    },
    true,
  ],
  [
    '201 shoots',
    {
      kind: 'recheckDone',
      treeId: 'a',
      cutId: ID,
      recheck: 'month',
      outcome: 'clean',
      distanceCm: null,
      shoots: 201,
      note: '',
    },
    false,
  ],
  [
    'a crop of this year',
    { kind: 'cropSeen', treeId: 'a', year: Number(AT.slice(0, 4)), crop: 'good', thinned: false },
    true,
  ],
  [
    'a crop of next year',
    { kind: 'cropSeen', treeId: 'a', year: Number(AT.slice(0, 4)) + 1, crop: 'good', thinned: false },
    false,
  ],
  ['one stick', { kind: 'scionTaken', treeId: 'a', limbName: 'x', label: 'x', sticks: 1 }, true],
  ['no stick', { kind: 'scionTaken', treeId: 'a', limbName: 'x', label: 'x', sticks: 0 }, false],
  [
    'a cut not made, with a reason',
    { kind: 'cutNotMade', treeId: 'a', findingIds: [ID], reason: 'Weather' },
    true,
  ],
  ['one without', { kind: 'cutNotMade', treeId: 'a', findingIds: [ID], reason: '' }, false],
  ['one of no finding', { kind: 'cutNotMade', treeId: 'a', findingIds: [], reason: 'Weather' }, false],
  [
    'one of sound wood',
    { kind: 'cutNotMade', treeId: 'a', findingIds: [], candidateId: 'T heading 55', reason: 'Weather' },
    true,
  ],
  [
    'a must lifted until a day',
    { kind: 'mustLifted', treeId: 'a', findingId: ID, why: 'watched', until: '2027-03-01', note: '' },
    true,
  ],
  [
    'until no day',
    { kind: 'mustLifted', treeId: 'a', findingId: ID, why: 'watched', until: 'spring', note: '' },
    false,
  ],
  [
    'a clearance of five metres',
    { kind: 'clearanceSet', treeId: 'a', findingId: ID, clearanceCm: 500 },
    true,
  ],
  ['more', { kind: 'clearanceSet', treeId: 'a', findingId: ID, clearanceCm: 501 }, false],
  [
    'a clearance by the school again',
    { kind: 'clearanceSet', treeId: 'a', findingId: ID, clearanceCm: null },
    true,
  ],
  ['a hat thrown once', { kind: 'hatThrown', treeId: 'a', throws: 1, passed: 0 }, true],
  ['never', { kind: 'hatThrown', treeId: 'a', throws: 0, passed: 0 }, false],
  [
    'a stage past bloom',
    { kind: 'stageSeen', species: 'apple', cultivar: null, stage: 'petal fall', share: 2 },
    true,
  ],
  [
    'one beyond all stages',
    { kind: 'stageSeen', species: 'apple', cultivar: null, stage: 'petal fall', share: 2.1 },
    false,
  ],
  ['a kind that nobody knows', { kind: 'danced' }, false],
])('an action: %s', (_said, action, taken) => {
  expect(ActionBody.safeParse({ at: AT, ...action }).success).toBe(taken);
});

test.each([
  ['UTC', true],
  ['Europe/Lisbon', true],
  ['Australia/Adelaide', true],
  ['Orrin/Bight', false],
  ['', false],
  ['GMT+99', false],
])('“%s” is a time zone: %s', (zone, known) => {
  expect(isTimeZone(zone)).toBe(known);
  const site = {
    name: 'S',
    latitude: 0,
    longitude: 0,
    timeZone: zone,
    twelveBearingDeg: 0,
    units: 'metric',
    season: null,
    schools: { clearance: {}, cleaning: 'every', finish: 'as the tree' },
    agentId: 'alcohol-70',
  };
  const faults = Site.safeParse(site).error?.issues.map(({ path }) => path.join('.')) ?? [];
  expect(faults.includes('timeZone')).toBe(!known);
});

describe('a job in own words', () => {
  const job = {
    treeId: 'a',
    job: 'own',
    dueOn: '2026-12-31',
    note: '',
    doneAt: null,
    withdrawn: false,
  };
  const faults = (more: object) =>
    JobBody.safeParse({ ...job, ...more }).error?.issues.map(({ path }) => path.join('.')) ?? [];

  test('says what is to be done; a usual one need not', () => {
    expect(faults({})).toEqual(['title']);
    expect(faults({ title: '  ' })).toEqual(['title']);
    expect(faults({ title: 'Mend the gate' })).toEqual([]);
    expect(faults({ job: 'guard' })).toEqual([]);
    expect(faults({ job: 'nothing' })).toEqual(['job']);
  });

  test.each([
    [0, false],
    [1, true],
    [10_000, true],
    [10_001, false],
    [2.5, false],
  ])('%s minutes: %s', (minutes, fits) => {
    expect(faults({ title: 'Mend the gate', minutes })).toEqual(fits ? [] : ['minutes']);
  });
});
