// What a tree asks for, derived from what was recorded.
import { detail, did, finding, limbs, site, today } from '../testing/index';
import {
  decisionOn,
  judgedAsMade,
  judgedAt,
  openDecisions,
  siteToday,
  standingCuts,
  treeView,
} from './index';

const canker = finding('1', 'S', 'FB_CANK_A');
const onTrunk = finding('2', 'T', 'NEO', { fromCm: 20, toCm: 30 });
const made = did({
  kind: 'cutMade',
  at: '2026-11-21T09:00:00Z',
  treeId: 'a',
  blade: 'Blade 1',
  findingIds: ['1'],
  cut: {
    limbId: 'S',
    limbName: 'S',
    atCm: 40,
    kind: 'heading',
    diameterMm: 30,
    clearanceCm: 30,
    shortfallCm: 0,
    sentence: 'Cut.',
  },
});
const decided = (choice: 'watch' | 'excise', undone = false) =>
  did(
    { kind: 'decided', at: '2026-11-21T09:00:00Z', treeId: 'a', findingIds: ['2'], choice, note: '' },
    undone,
  );

test.each([
  [null, null, 'dormant', 'metric'],
  ['summer', null, 'summer', 'metric'],
  [null, 'us', 'dormant', 'us'],
] as const)('season by hand %s and units of the device %s', (season, units, expected, shown) => {
  expect(siteToday({ ...site, season }, units, '2026-11-24')).toMatchObject({
    season: expected,
    units: shown,
  });
});

test.each([
  ['metric', null, 'metric'],
  ['us', null, 'us'],
  ['language', null, 'metric'],
  ['language', 'us', 'us'],
  ['us', 'metric', 'metric'],
] as const)('a site in %s on a device in %s is shown in %s', (units, own, shown) => {
  expect(siteToday({ ...site, units }, own, '2026-11-24').units).toBe(shown);
});

test('a cut that was made shortens the limb and takes its findings off the list; taken back, it all stands again', () => {
  const after = treeView(detail([canker], {}, [made]), today);
  expect(after.limbs.find((limb) => limb.id === 'S')?.lengthCm).toBe(40);
  expect(after.findings).toEqual([]);
  const back = treeView(detail([canker], {}, [{ ...made, undone: true }]), today);
  expect(back.limbs).toEqual(limbs);
  expect(standingCuts(back)).toHaveLength(1);
});

test('limbs keep their names when the tree is cut', () => {
  const before = treeView(detail([]), today).names;
  expect(treeView(detail([], {}, [made]), today).names).toEqual(before);
});

test('a finding that is being marked takes the place of the one it changes', () => {
  const draft = { ...canker, fromCm: 150, toCm: 160 };
  const view = treeView(detail([canker]), today, [draft]);
  expect(view.considered).toEqual([draft]);
  expect(view.cuts.cuts[0]?.because[0]?.edgeCm).toBe(150);
});

test('the newest word decides, and a word taken back leaves the question open', () => {
  expect(openDecisions(treeView(detail([onTrunk]), today))).toHaveLength(1);
  const view = treeView(detail([onTrunk], {}, [decided('watch'), decided('excise')]), today);
  expect(decisionOn(view, '2')?.choice).toBe('excise');
  expect(openDecisions(view)).toEqual([]);
  expect(openDecisions(treeView(detail([onTrunk], {}, [decided('watch', true)]), today))).toHaveLength(1);
});

test('height of a kerf: joint on the stem, then up the limb at its inclination', () => {
  const view = treeView(detail([canker]), today);
  // 60 cm up the stem, then 100 cm at 30°: 60 + 100 · sin 30° = 110
  expect(judgedAt(view, { limbId: 'S', atCm: 100 }, today).handling.kerfHeightCm).toBeCloseTo(110);
});

describe('a cut on record, judged on the tree as it stood before it', () => {
  const later = { ...canker, id: '9', fromCm: 20, toCm: 30, seenAt: '2026-11-21T09:05:00Z' };
  const asMade = (atCm: number, findings = [canker]) => {
    if (made.action.kind !== 'cutMade') throw new Error('No cut.');
    const action = { ...made.action, cut: { ...made.action.cut, atCm } };
    return judgedAsMade(detail(findings, {}, [{ ...made, action }]), made.id, today);
  };

  test('its findings are open again, on wood that is there again', () => {
    expect(asMade(40)).toMatchObject({ kerf: { limbId: 'S', atCm: 40 }, shortfallCm: { 1: 0 } });
    expect(asMade(85)).toMatchObject({ shortfallCm: { 1: 15 }, left: [{ findingId: '1', distanceCm: 15 }] });
  });

  test('what was seen on the face afterwards is not part of it', () => {
    expect(asMade(10, [canker, later])?.left.map(({ findingId }) => findingId)).toEqual(['1']);
  });

  test('a cut that is not on record, and one on a limb that is not on the map any more', () => {
    expect(judgedAsMade(detail([canker]), made.id, today)).toBeNull();
    const gone = { ...detail([canker], {}, [made]), limbs: limbs.filter(({ id }) => id !== 'S') };
    expect(judgedAsMade(gone, made.id, today)).toBeNull();
  });
});
