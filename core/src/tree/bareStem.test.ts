// A tree of which nobody has drawn a limb: every figure of it makes a map that is taken.
import { bareStem, LimbMap } from './index';

const unknown = { heightCm: 250, girthCm: null, graftUnionCm: null, ageYears: null };

test.each([
  // Diameter is girth over π
  ['its girth is known', { girthCm: 31.4 }, { baseMm: 100 }],
  ['a whip', { girthCm: 1 }, { baseMm: 8, tipMm: 8 }],
  ['nothing is known', {}, { baseMm: 40, tipMm: 8, ageYears: 5, lengthCm: 250 }],
  ['a stump', { heightCm: 4, graftUnionCm: 90 }, { lengthCm: 30, graftUnionCm: 30 }],
  ['grafted below its top', { graftUnionCm: 20 }, { graftUnionCm: 20 }],
  ['planted this year', { ageYears: 0 }, { ageYears: 1 }],
  ['planted earlier', { ageYears: 12 }, { ageYears: 12 }],
])('%s', (_, known, stem) => {
  const limb = bareStem({ ...unknown, ...known });
  expect(limb).toMatchObject({ id: 'T', kind: 'trunk', inclinationDeg: 90, ...stem });
  expect('graftUnionCm' in limb).toBe('graftUnionCm' in known);
  expect(LimbMap.safeParse([limb]).error).toBeUndefined();
});
