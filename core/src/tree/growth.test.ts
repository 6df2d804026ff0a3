// How strongly a tree grows: under 20 cm a year weak, over 60 strong (common practice, no source); the median of its shoots of two years.
import { type Limb, treeVigour } from './index';

const shoot = (lengthCm: number, more: Partial<Limb> = {}): Limb => ({
  ...{ id: `s${lengthCm}`, parentId: 'A', jointCm: 0, lengthCm, baseMm: 8, tipMm: 3, bearingDeg: 0 },
  ageYears: 1,
  kind: 'shoot',
  inclinationDeg: 30,
  ...more,
});
const of = (...limbs: Limb[]) => treeVigour(limbs);
const four = (cm: number, more: Partial<Limb> = {}) =>
  of(...[cm, cm, cm, cm].map((each) => shoot(each, more)));

test.each<[string, ReturnType<typeof treeVigour>, object | null]>([
  ['nothing is mapped', of(), null],
  ['three shoots', of(shoot(70), shoot(70), shoot(70)), null],
  [
    'a bundle of four',
    of(shoot(70, { bundle: { about: 4, overCm: 60 } })),
    { vigour: 'strong', readings: 4 },
  ],
  ['60 cm', four(60), { vigour: 'moderate', medianCm: 60 }],
  ['longer', four(60.1), { vigour: 'strong' }],
  ['20 cm', four(20), { vigour: 'moderate' }],
  ['shorter', four(19.9), { vigour: 'weak' }],
  ['70° from level', four(70, { inclinationDeg: 70 }), { vigour: 'strong' }],
  ['steeper is not read', four(70, { inclinationDeg: 70.1 }), null],
  ['nor what shot up', four(70, { kind: 'sprout' }), null],
  ['nor what was guessed', four(70, { guessed: true }), null],
  ['nor what was cut back', four(70, { uncutLengthCm: 90 }), null],
  ['nor older wood without rings', four(70, { ageYears: 2 }), null],
  [
    'half of them are shorter',
    of(shoot(10), shoot(15), shoot(70), shoot(80)),
    { medianCm: 15, vigour: 'weak' },
  ],
  [
    'a bundle counts as many',
    of(shoot(10), shoot(15), shoot(70, { bundle: { about: 3, overCm: 60 } })),
    { medianCm: 70, readings: 5 },
  ],
  [
    // 30, 25 and then 40: the two last years of each limb
    'rings of two years',
    of(...[0, 1].map(() => shoot(95, { kind: 'branch', ageYears: 3, yearMarksCm: [40, 65] }))),
    { medianCm: 25, readings: 4 },
  ],
])('%s', (_said, vigour, expected) => {
  if (expected === null) expect(vigour).toBeNull();
  else expect(vigour).toMatchObject(expected);
});
