// Minutes of a run against what was reckoned. The formula is the brief’s: (Σ actual + 60) / (Σ estimate + 60); the rest common practice, no source.
import { paceBeside, paceByKind, paceOverall, startingKit, type WorkPace } from '../handling/index';
import type { Action, ActionBody } from '../records/index';
import { workPaces } from './workPace';

let count = 0;
const at = (minute: number) => new Date(Date.parse('2026-11-20T09:00:00Z') + minute * 60_000).toISOString();
function did(minute: number, action: object, by = 'Wall crew', more: Partial<Action> = {}): Action {
  return {
    id: `0193f000-0000-7000-8000-${String(++count).padStart(12, '0')}`,
    action: { at: at(minute), ...action } as ActionBody,
    undone: false,
    by,
    receivedAt: at(minute),
    ...more,
  };
}
const started = (minute: number) =>
  did(minute, { kind: 'runStarted', treeIds: ['a'], bladeIds: [], checked: [] });
const closed = (minute: number) => did(minute, { kind: 'runClosed', bladeIds: [], checked: [] });
const stands = (minute: number, treeId = 'a', by?: string) =>
  did(minute, { kind: 'stationTaken', treeId, station: 'ground' }, by);
const cut = (
  minute: number,
  estimatedMinutes: number | undefined,
  { treeId = 'a', blade = 'saw-1', by = 'Wall crew' } = {},
) => did(minute, { kind: 'cutMade', treeId, blade, findingIds: [], cut: { estimatedMinutes } }, by);
const paces = (...actions: Action[]) => workPaces(actions, startingKit);

test('two cuts that took twice as long: (12 + 60) / (6 + 60), the same for the person who made them', () => {
  const all = paces(started(0), stands(1), cut(7, 3), cut(13, 3), closed(20));
  expect(all).toMatchObject([
    { by: null, kind: 'hand saw', cuts: 2, actualMinutes: 12, estimateMinutes: 6, factor: 1.1 },
    { by: 'Wall crew', kind: 'hand saw', cuts: 2, factor: 1.1 },
  ]);
  // Residuals 6 − 1.0909 · 3 twice, and 18 of the prior: √(2 · 2.727² + 18²) / 66 = 0.279; × 1.2816 = 0.357
  expect(all[0]?.range).toEqual([0.75, 1.45]);
  expect(paceByKind(all)).toEqual({ 'hand saw': 1.1 });
  expect(paceOverall(all)).toBe(1.1);
  expect(paceOverall([])).toBe(1);
  // Alone they are as all together; who was never timed is too
  expect([paceOverall(all, 'Wall crew'), paceBeside(all, 'Wall crew'), paceBeside(all, 'Boat crew')]).toEqual(
    [1.1, 1, 1],
  );
});

test.each<[string, Action[], number]>([
  ['a run that is open', [started(0), stands(1), cut(5, 3)], 0],
  ['what was done outside of a run', [stands(1), cut(5, 3), closed(9)], 0],
  ['the first thing done on a tree', [started(0), cut(5, 3), closed(9)], 0],
  ['another tree', [started(0), stands(1, 'b'), cut(5, 3), closed(9)], 0],
  ['another person', [started(0), stands(1, 'a', 'Boat crew'), cut(5, 3), closed(9)], 0],
  ['a cut that nobody reckoned', [started(0), stands(1), cut(5, undefined), closed(9)], 0],
  [
    'a blade that is none of the kit',
    [started(0), stands(1), cut(5, 3, { blade: 'arborist' }), closed(9)],
    0,
  ],
  ['six times and ten minutes', [started(0), stands(1), cut(29, 3), closed(40)], 28],
  ['longer than that: a break', [started(0), stands(1), cut(29.1, 3), closed(40)], 0],
  [
    'a tree that comes back',
    [started(0), stands(1), cut(3, 3), stands(4, 'b'), stands(6), cut(9, 3), closed(20)],
    5,
  ],
])('%s', (_, actions, minutes) => {
  expect(paces(...actions)[0]?.actualMinutes ?? 0).toBeCloseTo(minutes, 6);
});

test('paused time does not count, and what was taken back never was', () => {
  const paused = [
    started(0),
    stands(1),
    did(3, { kind: 'runPaused' }),
    did(23, { kind: 'runResumed' }),
    cut(25, 4),
    closed(30),
  ];
  expect(paces(...paused)[0]?.actualMinutes).toBe(4);
  const undone = [started(0), stands(1), { ...cut(5, 3), undone: true }, closed(9)];
  expect(paces(...undone)).toEqual([]);
});

test('each kind of tool and each person has a pace; everybody’s stands first', () => {
  const all = paces(
    started(0),
    stands(0),
    stands(0, 'a', 'Boat crew'),
    cut(60, 60),
    cut(30, 60, { blade: 'lopper-1', by: 'Boat crew' }),
    cut(90, 60, { by: 'Boat crew' }),
    closed(200),
  );
  expect(all.map(({ by, kind, factor }) => [kind, by, factor])).toEqual([
    ['lopper', null, 0.75],
    ['lopper', 'Boat crew', 0.75],
    ['hand saw', null, 1],
    ['hand saw', 'Boat crew', 1],
    ['hand saw', 'Wall crew', 1],
  ]);
});

test('somebody beside all together, over all tools', () => {
  const pace = (by: string | null, actualMinutes: number, estimateMinutes: number) =>
    ({ by, actualMinutes, estimateMinutes }) as WorkPace;
  const all = [pace(null, 90, 60), pace('Wall crew', 60, 30), pace('Boat crew', 30, 30)];
  // (60 + 60) / (30 + 60) is told as 1.35, (90 + 60) / (60 + 60) as 1.25: 1.08, told as 1.1. And 1 beside 1.25 is 0.8
  expect(['Wall crew', 'Boat crew', 'nobody'].map((who) => paceBeside(all, who))).toEqual([1.1, 0.8, 1]);
});
