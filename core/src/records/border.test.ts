// Border of the round’s records: what a phone, a file or somebody else’s program may send.
import { thresholds } from '../faults/index';
import { ActionBody, defaultSchools, FindingBody, JobBody, Site, sampleLabel, TreeBody } from './index';

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
const finding = {
  treeId: 't',
  limbId: 'S',
  limbName: 'S',
  fromCm: 1,
  toCm: 2,
  disorder: 'NEO',
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: '2026-11-24T09:00:00Z',
  withdrawn: false,
};
const id = '0193f000-0000-7000-8000-000000000001';
const at = '2026-11-24T09:00:00Z';
const site = {
  name: 'A',
  latitude: 0,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
};

test('the least that a tree must say is enough, and the rest is filled in as unknown', () => {
  expect(TreeBody.parse(tree)).toMatchObject({
    cultivar: null,
    habit: 'unknown',
    vigour: 'unknown',
    status: 'keep',
    hazards: [],
    girthCm: null,
  });
});

test.each<[string, object, string]>([
  ['no code', { code: '  ' }, 'code'],
  ['a species that is not known', { species: 'gooseberry' }, 'species'],
  ['place nought', { place: 0 }, 'place'],
  ['higher than any fruit tree', { heightCm: 99_999 }, 'heightCm'],
  ['a danger that is not known', { hazards: ['dragons'] }, 'hazards.0'],
  ['beyond the pole', { latitude: 91 }, 'latitude'],
  ['a field that nobody knows', { colour: 'red' }, ''],
])('a tree with %s is refused at %s', (_, part, path) => {
  expect(TreeBody.safeParse({ ...tree, ...part }).error?.issues[0]?.path.join('.')).toBe(path);
});

test('a finding of the first version is read as it was meant', () => {
  expect(FindingBody.parse(finding)).toMatchObject({
    place: 'span',
    activity: 'unknown',
    signs: {},
    scratches: [],
    photoIds: [],
  });
});

test.each<[string, object, string]>([
  ['a sign that is not in the tables', { signs: { XX_NONE: 'present' } }, 'signs'],
  ['an answer that is neither seen nor absent', { signs: { BK_SUNK: 'maybe' } }, 'signs.BK_SUNK'],
  ['a scratch before the base', { scratches: [{ atCm: -1, reads: 'green' }] }, 'scratches.0.atCm'],
  ['a width of nothing', { widthsCm: [0] }, 'widthsCm.0'],
  ['a photo that is a path', { photoIds: ['../x'] }, 'photoIds.0'],
  ['a place that a tree does not have', { place: 'cellar' }, 'place'],
])('a finding with %s is refused at %s', (_, part, path) => {
  expect(FindingBody.safeParse({ ...finding, ...part }).error?.issues[0]?.path.join('.')).toBe(path);
});

test.each<[string, object, boolean]>([
  [
    'a tree seen from the ground',
    { kind: 'treeSeen', at, treeId: 't', verdict: 'sound', seen: 'from the ground' },
    true,
  ],
  [
    'a tree seen in a dream',
    { kind: 'treeSeen', at, treeId: 't', verdict: 'sound', seen: 'in a dream' },
    false,
  ],
  ['a question to nobody', { kind: 'asked', at, treeId: 't', findingId: id, of: '', question: '' }, false],
  ['half a hat', { kind: 'hatThrown', at, treeId: 't', throws: 2, passed: 0.5 }, false],
  ['a round of one plot by tag', { kind: 'roundStarted', at, order: 'tag', plotIds: ['p'] }, true],
])('%s', (_, action, good) => expect(ActionBody.safeParse(action).success).toBe(good));

test('a job has a day, not a moment', () => {
  const job = { treeId: 't', job: 'guard', dueOn: '2026-11-30', note: '', doneAt: null, withdrawn: false };
  expect(JobBody.safeParse(job).success).toBe(true);
  expect(JobBody.safeParse({ ...job, dueOn: at }).error?.issues[0]?.path).toEqual(['dueOn']);
  expect(JobBody.safeParse({ ...job, job: 'dance' }).error?.issues[0]?.path).toEqual(['job']);
});

test('a site of the first version starts with every limit where the table starts; limits keep their bounds', () => {
  const { limits } = Site.parse(site);
  for (const { key, start, least, most } of thresholds) {
    expect(limits[key]).toBe(start);
    expect(start).toBeGreaterThanOrEqual(least);
    expect(start).toBeLessThanOrEqual(most);
    expect(Site.safeParse({ ...site, limits: { ...limits, [key]: most + 1 } }).success).toBe(false);
  }
});

test('a sample’s label is short, plain and its own', () => {
  expect(sampleLabel(id)).toBe('S-000001');
  expect(sampleLabel('0193f000-0000-7000-8000-00000000abcd')).toBe('S-00ABCD');
});
