// Faults that may be noted together.

import type { Limb } from '../tree/index';
import type { Fault } from './fault';
import { faultGroups } from './index';

const limb = (id: string, parentId: string | null): Limb => ({
  ...{ id, parentId, jointCm: 10, lengthCm: 100, baseMm: 20, tipMm: 5, ageYears: 5 },
  ...{ kind: parentId === null ? 'trunk' : 'branch', bearingDeg: 0, inclinationDeg: 30 },
});
const limbs = [
  limb('T', null),
  limb('A', 'T'),
  limb('a', 'A'),
  limb('aa', 'a'),
  limb('B', 'T'),
  limb('b', 'B'),
];
const fault = (kind: Fault['kind'], ...limbIds: string[]): Fault => ({
  ...{ kind, limbIds, atCm: 0, measured: 1, limit: 0, unit: '°', severity: 1 },
});

test('by kind and by the main limb that carries them, two and more, the largest first', () => {
  const faults = [
    fault('inward', 'A'),
    fault('upright sprout', 'a'),
    fault('upright sprout', 'aa'),
    fault('upright sprout', 'b'),
    fault('rubbing', 'b', 'aa'),
    fault('lopsided', 'T'),
  ];
  const { kinds, limbs: byLimb } = faultGroups(faults, limbs);
  expect(kinds).toEqual([{ kind: 'upright sprout', faults: [faults[1], faults[2], faults[3]] }]);
  // A fault of two limbs counts where it is shown
  expect(byLimb).toEqual([
    { limbId: 'A', faults: [faults[0], faults[1], faults[2]] },
    { limbId: 'B', faults: [faults[3], faults[4]] },
  ]);
  expect(faultGroups([fault('inward', 'A'), fault('rubbing', 'B')], limbs)).toEqual({ kinds: [], limbs: [] });
  // A limb that is gone stands by itself
  expect(faultGroups([fault('inward', 'x'), fault('rubbing', 'x')], limbs).limbs).toMatchObject([
    { limbId: 'x' },
  ]);
});
