// What keeps a flat form. Three leaves on espaliers and three buds on cordons in summer, ribs 15 cm apart: common practice, no source.
import type { Bud, Limb } from '../tree/index';
import { formKept } from './index';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm: 60, lengthCm: 150, baseMm: 30, tipMm: 8, ageYears: 6, bearingDeg: 90 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'branch',
  inclinationDeg: parentId === null ? 90 : 0,
  ...more,
});
const frame = [limb('T', null, { baseMm: 60 }), limb('A', 'T')];
const bud = (atCm: number, live = true): Bud => ({ atCm, points: 'out', kind: 'leaf', live });
const shoot = (more: Partial<Limb> = {}) =>
  limb('s', 'A', {
    kind: 'shoot',
    ageYears: 1,
    lengthCm: 40,
    baseMm: 6,
    tipMm: 2,
    inclinationDeg: 80,
    ...more,
  });
const placeOf = (form: 'espalier' | 'cordon' | 'fan' | 'open centre', ...more: Limb[]) =>
  formKept({ limbs: [...frame, ...more], form }).map(({ limbId, why, cut: { atCm, upToCm } }) => [
    limbId,
    why,
    upToCm ?? atCm,
  ]);
const buds = [bud(2), bud(4, false), bud(5), bud(8.4), bud(12)];

test.each<[string, ReturnType<typeof placeOf>, unknown[]]>([
  ['an upright on a tier of an espalier, no bud mapped', placeOf('espalier', shoot()), [['s', 'shoot', 10]]],
  // Above the third live bud, at 8.4 cm
  ['with its buds', placeOf('espalier', shoot({ buds, budsComplete: true })), [['s', 'shoot', 9]]],
  ['as steep as 45°', placeOf('espalier', shoot({ inclinationDeg: 45 })), []],
  ['steeper', placeOf('espalier', shoot({ inclinationDeg: 45.1 })), [['s', 'shoot', 10]]],
  ['5 cm longer than three leaves', placeOf('espalier', shoot({ lengthCm: 15 })), [['s', 'shoot', 10]]],
  ['hardly longer', placeOf('espalier', shoot({ lengthCm: 14.9 })), []],
  ['of two years', placeOf('espalier', shoot({ ageYears: 2 })), []],
  ['cut back before', placeOf('espalier', shoot({ uncutLengthCm: 90 })), []],
  ['one on the stem goes on', placeOf('espalier', shoot({ parentId: 'T', jointCm: 120 })), []],
  ['on a cordon all of them', placeOf('cordon', shoot({ inclinationDeg: 10 })), [['s', 'shoot', 10]]],
  ['on its stem too', placeOf('cordon', shoot({ parentId: 'T' })), [['s', 'shoot', 10]]],
  ['where nothing is trained flat', placeOf('open centre', shoot()), []],
])('%s', (_said, found, expected) => {
  expect(found.map(([id, why, at]) => [id, why, Math.round(at as number)])).toEqual(
    expected.map((each) => each),
  );
});

test.each<[string, number, Partial<Limb>, string[]]>([
  ['14.9 cm apart on one side: the thinner goes', 74.9, {}, ['thin']],
  ['a hand apart', 75, {}, []],
  ['on the other side of the rib', 70, { inclinationDeg: -20 }, []],
  ['a spur is no rib', 70, { kind: 'spur' }, []],
])('ribs of a fan, %s', (_said, jointCm, more, gone) => {
  const ribs = [
    limb('stout', 'A', { jointCm: 60, baseMm: 20, inclinationDeg: 30 }),
    limb('thin', 'A', { jointCm, baseMm: 12, inclinationDeg: 30, ...more }),
  ];
  expect(placeOf('fan', ...ribs).map(([id]) => id)).toEqual(gone);
});
