// The stem that the tests of limb maps hang their limbs on.
import type { Limb } from '../limbMap';

export const stem: Limb = {
  id: 'T',
  parentId: null,
  jointCm: 0,
  lengthCm: 300,
  baseMm: 110,
  tipMm: 30,
  ageYears: 12,
  kind: 'trunk',
  bearingDeg: 0,
  inclinationDeg: 90,
};
