// The tree as it stands: cuts made before the map was drawn are drawn in it, later ones come off it.

import { type Action, FindingBody, type TreeDetail } from '../records/index';
import type { Limb } from '../tree/index';
import { forCut, standingLimbs } from './index';
import { standingFindings } from './standing';

const limb = (id: string, parentId: string | null): Limb => ({
  id,
  parentId,
  jointCm: parentId === null ? 0 : 60,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 10,
  ageYears: 9,
  kind: parentId === null ? 'trunk' : 'scaffold',
  bearingDeg: 0,
  inclinationDeg: 40,
});
const cut = (at: string, atCm: number, undone = false) =>
  ({
    id: at,
    action: { kind: 'cutMade', at, cut: { limbId: 'S', atCm } },
    undone,
    by: 'x',
    receivedAt: at,
  }) as unknown as Action;
const tree = (actions: Action[], surveyedAt = '2026-03-01T00:00:00.000Z') =>
  ({
    limbs: [limb('T', null), limb('S', 'T')],
    limbsRevision: 1,
    actions,
    surveyedAt,
    findings: [],
  }) as unknown as TreeDetail;
const lengthOf = (detail: TreeDetail) => standingLimbs(detail).find(({ id }) => id === 'S')?.lengthCm;

test.each<[string, Action[], number | undefined]>([
  ['no cut', [], 200],
  ['before the survey', [cut('2026-02-28T23:59:59.000Z', 80)], 200],
  ['at the very moment of it', [cut('2026-03-01T00:00:00.000Z', 80)], 200],
  ['after it', [cut('2026-03-01T00:00:01.000Z', 80)], 80],
  ['after it, taken back', [cut('2026-04-01T00:00:00.000Z', 80, true)], 200],
  ['twice after it', [cut('2026-04-01T00:00:00.000Z', 80), cut('2026-05-01T00:00:00.000Z', 60)], 60],
  ['at the collar', [cut('2026-04-01T00:00:00.000Z', 0)], undefined],
])('%s', (_, actions, cm) => {
  expect(lengthOf(tree(actions))).toBe(cm);
});

test.each([
  [3, 80],
  [2, 200],
  [undefined, 200],
])(
  'a phone whose clock is a year behind cut by map %s of which the third stands: %s cm are left',
  (onMap, cm) => {
    const behind = cut('2025-03-01T00:00:00.000Z', 80);
    const action = { ...behind.action, ...(onMap && { onMap }) } as Action['action'];
    const detail = { ...tree([{ ...behind, action }]), limbsRevision: 3 };
    expect(lengthOf(detail)).toBe(cm);
  },
);

test('a survey in another zone is the same moment', () => {
  const detail = tree([cut('2026-03-01T01:00:00.000Z', 80)], '2026-03-01T02:30:00+01:00');
  expect(lengthOf(detail)).toBe(200);
});

const found = (id: string, fromCm: number, more: object = {}) => ({
  id,
  state: 'open' as const,
  ...FindingBody.parse({
    treeId: 'a',
    limbId: 'S',
    limbName: 'S',
    fromCm,
    toCm: fromCm + 5,
    disorder: 'NEO',
    edge: 'definite',
    growthRapid: false,
    note: '',
    seenAt: '2026-03-01T00:00:00.000Z',
    withdrawn: false,
    ...more,
  }),
  revision: 1,
  by: 'x',
  receivedAt: '2026-03-01T00:00:00.000Z',
});

test('a finding on wood that was cut away stands no more; at the kerf nothing is left of it', () => {
  const detail = {
    ...tree([cut('2026-04-01T00:00:00.000Z', 80)]),
    findings: [found('near', 79.9), found('at', 80), found('beyond', 120)],
  } as TreeDetail;
  expect(standingFindings(detail, standingLimbs(detail)).map(({ id }) => id)).toEqual(['near']);
});

test('what is told to the position rule: healed, held, measured, a clearance by hand', () => {
  const asked = {
    id: 'q',
    action: { kind: 'asked', findingId: 'f', at: '' },
    undone: false,
    by: 'x',
    receivedAt: '',
  };
  const set = (cm: number | null) => ({
    id: `c${cm}`,
    action: { kind: 'clearanceSet', findingId: 'f', clearanceCm: cm },
    undone: false,
    by: 'x',
    receivedAt: '',
  });
  const told = (actions: object[], more: object = {}) =>
    forCut(found('f', 10, more), actions as unknown as Action[]);
  expect(told([])).toMatchObject({ healed: false, held: false, measured: true });
  expect(told([])).not.toHaveProperty('clearanceCm');
  expect(told([asked]).held).toBe(true);
  expect(told([], { activity: 'healed', measured: false })).toMatchObject({ healed: true, measured: false });
  expect(told([set(12), set(20)]).clearanceCm).toBe(20);
  expect(told([set(12), set(null)])).not.toHaveProperty('clearanceCm');
});

test('a bundle stands as those that go first and those that may stay; cut apart, the rest stands; spoken of as one, it is one', () => {
  const sprouts = {
    ...limb('u', 'S'),
    kind: 'sprout' as const,
    jointCm: 100,
    lengthCm: 90,
    inclinationDeg: 85,
  };
  const bundled = (actions: Action[], findings: object[] = []) => {
    const detail = tree(actions) as TreeDetail;
    const limbs = [...detail.limbs, { ...sprouts, bundle: { about: 12, overCm: 120 } }];
    return standingLimbs({ ...detail, limbs, findings: findings as TreeDetail['findings'] })
      .slice(2)
      .map(({ id, bundle }) => `${id} ${bundle?.about}`);
  };
  const off = (limbId: string, undone = false) => {
    const made = cut('2026-04-01T00:00:00.000Z', 0, undone);
    return { ...made, action: { ...made.action, cut: { limbId, atCm: 0 } } } as unknown as Action;
  };
  const both = ['u~steepest 8', 'u~flattest 4'];
  expect(bundled([])).toEqual(both);
  expect(bundled([off('u~steepest')])).toEqual(['u~flattest 4']);
  expect(bundled([off('u~steepest'), off('u~flattest')])).toEqual([]);
  expect(bundled([off('u')])).toEqual([]);
  expect(bundled([off('u', true)])).toEqual(both);
  expect(bundled([], [{ limbId: 'u' }])).toEqual(['u 12']);
  expect(bundled([], [{ limbId: 'us' }])).toEqual(both);
  const waved = { action: { kind: 'wavedOff', faultKey: 'upright sprout:u' }, undone: false };
  expect(bundled([waved as unknown as Action])).toEqual(['u 12']);
  const pin = { kind: 'goes', candidateId: 'u collar 0', season: 1 };
  expect(bundled([{ action: { kind: 'planPinned', pin }, undone: false } as unknown as Action])).toEqual([
    'u 12',
  ]);
});
