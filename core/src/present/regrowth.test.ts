// Shoots that came at cuts: counted in early summer, they are wood of the tree until they come off, and ask for that by themselves.
import { ActionBody } from '../records/index';
import { detail, did, plansOf, today } from '../testing/index';
import { LimbMap } from '../tree/index';
import { regrown } from './regrowth';
import { standingLimbs } from './standing';
import { treeView } from './treeView';

const CUT = '0193f000-0000-7000-8000-0000000000c1';
const cutAt = (limbId: string, atCm: number) => ({
  ...did({
    kind: 'cutMade',
    at: '2026-02-10T09:00:00Z',
    treeId: 'a',
    blade: 'saw-1',
    findingIds: [],
    disorders: [],
    cut: {
      ...{ limbId, limbName: limbId, atCm, kind: atCm === 0 ? 'collar' : 'reduction', diameterMm: 40 },
      ...{ clearanceCm: 0, shortfallCm: 0, sentence: '' },
    } as never,
  }),
  id: CUT,
});
let seen = 0;
const counted = (
  shoots: number | null,
  stay: number | undefined,
  at = '2026-06-12T09:00:00Z',
  undone = false,
) => ({
  ...did(
    {
      ...{
        kind: 'recheckDone',
        at,
        treeId: 'a',
        cutId: CUT,
        recheck: 'early summer',
        outcome: 'regrown',
        distanceCm: null,
        shoots,
        note: '',
      },
      ...(stay !== undefined && { stay }),
    } as ActionBody,
    undone,
  ),
  id: `0193f000-0000-7000-8000-0000000000d${seen++ % 10}`,
});
const tree = (...actions: ReturnType<typeof did>[]) => detail([], {}, actions);
const shown = (...actions: ReturnType<typeof did>[]) =>
  regrown(tree(...actions)).map(({ limb: { parentId, jointCm, bundle, kind }, goes }) => [
    parentId,
    jointCm,
    bundle?.about ?? 1,
    kind,
    goes,
  ]);

test.each<[string, ReturnType<typeof did>[], unknown[]]>([
  [
    'below a cut back',
    [cutAt('S', 120), counted(7, 2)],
    [
      ['S', 112, 2, 'shoot', false],
      ['S', 112, 5, 'sprout', true],
    ],
  ],
  ['where a limb went, on what it stood on', [cutAt('S', 0), counted(3, 0)], [['T', 60, 3, 'sprout', true]]],
  [
    'close to the collar',
    [cutAt('S', 10), counted(2, 1)],
    [
      ['S', 5, 1, 'shoot', false],
      ['S', 5, 1, 'sprout', true],
    ],
  ],
  ['all of them stay', [cutAt('S', 120), counted(4, 4)], [['S', 112, 4, 'shoot', false]]],
  ['none came', [cutAt('S', 120), counted(0, 0)], []],
  ['nobody counted', [cutAt('S', 120), counted(null, undefined)], []],
  ['nobody was asked which stay', [cutAt('S', 120), counted(4, undefined)], []],
  ['taken back', [cutAt('S', 120), counted(4, 0, undefined, true)], []],
  ['before the map was drawn', [cutAt('S', 120), counted(4, 0, '2020-01-01T00:00:00Z')], []],
  [
    'counted twice, the last word holds',
    [cutAt('S', 120), counted(4, 0), counted(2, 1, '2026-07-01T09:00:00Z')],
    [
      ['S', 112, 1, 'shoot', false],
      ['S', 112, 1, 'sprout', true],
    ],
  ],
  ['at a cut that nobody knows', [counted(4, 0)], []],
  ['on a limb that is on no map', [cutAt('gone', 40), counted(4, 0)], []],
])('shoots %s', (_, actions, expected) => {
  expect(shown(...actions)).toEqual(expected);
});

test('they stand on the tree, the map with them is sound, and a cut nearer the stem takes them', () => {
  const limbs = standingLimbs(tree(cutAt('S', 120), counted(7, 2)));
  expect(limbs.map(({ id }) => id)).toEqual(['T', 'S', 'R', `stay-${CUT}`, `regrown-${CUT}`]);
  expect(LimbMap.safeParse(limbs).success).toBe(true);
  const deeper = { ...cutAt('S', 60), id: '0193f000-0000-7000-8000-0000000000c2' };
  expect(standingLimbs(tree(cutAt('S', 120), counted(7, 2), deeper)).map(({ id }) => id)).toEqual([
    'T',
    'S',
    'R',
  ]);
});

test('those that are to go stand in the plan with what they are for, and once cut they are gone', () => {
  const planOf = (...actions: ReturnType<typeof did>[]) => {
    const view = treeView(tree(...actions), today);
    return { view, plan: plansOf([view], today).get('a')?.plan };
  };
  const { view, plan } = planOf(cutAt('S', 120), counted(7, 2));
  expect(plan?.steps).toMatchObject([
    { candidateId: `regrown-${CUT} collar 0`, serves: ['regrowth'], solves: [] },
  ]);
  expect(view.names.get(`regrown-${CUT}`)).toBe('A2 · about 5, 112 cm out');
  const made = { ...cutAt(`regrown-${CUT}`, 0), id: '0193f000-0000-7000-8000-0000000000c3' };
  expect(planOf(cutAt('S', 120), counted(7, 2), made).plan?.steps).toEqual([]);
});

test.each([
  [5, 5, true],
  [5, 6, false],
  [null, 1, false],
  [null, 0, true],
])('of %p shoots %d may stay: %s', (shoots, stay, taken) => {
  const { action } = counted(shoots, stay);
  expect(ActionBody.safeParse(action).success).toBe(taken);
});
