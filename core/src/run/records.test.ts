// A cut as it goes on record, and what its face shows as a finding toward the trunk.
import { bladesOf, siteToday, treeView } from '../present/index';
import { detail, finding, limbs, listedTreesOf, site } from '../testing/index';
import { cutAtHand, cutMade, findingAt, placedAt, type RunItem, runOf, workOf } from './index';

const on = siteToday(site, null, '2026-11-24');
const tree = detail([finding('1', 'S', 'FB_CANK_A')]);
const view = treeView(tree, on);
const [item] = runOf({ work: workOf(listedTreesOf([view], on)), actions: [], today: on }).left as [RunItem];
const [blade] = bladesOf(site.plan.kit);
if (!blade) throw new Error('The kit is empty.');
const AT = '2026-11-24T09:00:00Z';

describe('a cut on record', () => {
  const made = (atCm: number, of = item) =>
    cutMade(view, of, { limbId: 'S', atCm, kind: 'heading' }, blade, AT, on);

  test('says where it was made, with what, and what came off', () => {
    expect(made(60)).toMatchObject({
      kind: 'cutMade',
      at: AT,
      treeId: 'a',
      blade: blade.id,
      findingIds: ['1'],
      disorders: ['FB_CANK_A'],
      cut: { limbId: 'S', atCm: 60, kind: 'heading', clearanceCm: 30, shortfallCm: 0, tool: blade.tool.name },
    });
    // 40 mm at the base, 8 at 180 cm: 40 − 32 · 60/180
    expect(made(60).cut.diameterMm).toBeCloseTo(29.3, 1);
    expect(made(60).cut.sentence).toBe(`${view.names.get('S')}, 60 cm from the collar.`);
    expect(made(60.04).cut.sentence).toContain(', 60 cm');
    expect(made(60).cut.massKg).toBeGreaterThan(made(120).cut.massKg ?? 0);
  });

  test.each([
    [70, 0],
    [71, 1],
    [99, 29],
    [100, 30],
    [150, 30],
  ])('at %i cm with the canker from 100 and 30 cm asked for: %i cm short', (atCm, short) => {
    expect(made(atCm).cut.shortfallCm).toBe(short);
  });

  test('for findings that ask for no distance none is on record', () => {
    expect(made(60, { ...item, findingIds: ['unheard of'] }).cut).toMatchObject({
      clearanceCm: 0,
      shortfallCm: 0,
    });
  });
});

test('as planned: where a bud is still to be found, the outermost place', () => {
  expect(placedAt({ ...cutAtHand(item), limbId: 'S', atCm: 12, kind: 'heading' })).toEqual({
    limbId: 'S',
    atCm: 12,
    kind: 'heading',
  });
  expect(placedAt({ ...cutAtHand(item), atCm: 12, upToCm: 30 }).atCm).toBe(30);
});

describe('what the face shows', () => {
  const at = (limbId: string, atCm: number, reachCm: number, disorder = 'FB_CANK_A') =>
    findingAt(
      { tree: tree.tree, limbs },
      { limbId, atCm },
      reachCm,
      { disorder, note: 'seen', seenAt: AT },
      on,
    );

  test.each([
    // On the same limb, toward the trunk, not beyond its base
    ['S', 50, 12, { limbId: 'S', fromCm: 38, toCm: 50 }],
    ['S', 50, 80, { limbId: 'S', fromCm: 0, toCm: 50 }],
    ['S', 50, 0.2, { limbId: 'S', fromCm: 49.8, toCm: 50.8 }],
    ['S', 2, 5, { limbId: 'S', fromCm: 0, toCm: 2 }],
    // Cut at the collar it goes on in the stem, which the limb leaves at 60
    ['S', 1.9, 12, { limbId: 'T', fromCm: 48, toCm: 62 }],
    ['S', 0, 80, { limbId: 'T', fromCm: 0, toCm: 62 }],
  ])('limb %s cut at %p, %p toward the trunk', (limbId, atCm, reachCm, expected) => {
    expect(at(limbId, atCm, reachCm)).toMatchObject({ ...expected, treeId: 'a', place: 'span', seenAt: AT });
  });

  test('disease on a fresh face goes now; dead wood is not active', () => {
    expect(at('S', 50, 12)).toMatchObject({ kind: 'diseased', activity: 'active' });
    expect(at('S', 50, 12, 'DEAD')).toMatchObject({ kind: 'dead', activity: 'unknown' });
  });

  test('no wood is left to mark it on under a stem cut at the ground, or on a limb that is not there', () => {
    expect(at('T', 0, 5)).toBeNull();
    expect(at('Z', 50, 5)).toBeNull();
  });

  test('a short limb ends it', () => {
    const low = limbs.map((limb) => (limb.id === 'S' ? { ...limb, jointCm: 179.5 } : limb));
    const given = findingAt(
      { tree: tree.tree, limbs: low },
      { limbId: 'S', atCm: 0 },
      5,
      { disorder: 'NEO', note: 'seen', seenAt: AT },
      on,
    );
    expect(given).toMatchObject({ limbId: 'T', fromCm: 174.5, toCm: 180, note: 'seen', seenAt: AT });
  });
});
