import { indexLimbs, type Limb } from '@mortisect/core/tree';
import { placeOnTape, rulerMarks, tapePath, tapeWindow } from './tapePath';

const limb = (id: string, parentId: string | null, jointCm: number, lengthCm: number): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm,
  baseMm: 60,
  tipMm: 10,
  ageYears: 8,
  kind: parentId === null ? 'trunk' : 'branch',
  bearingDeg: 0,
  inclinationDeg: 30,
});
const index = indexLimbs([limb('T', null, 0, 300), limb('S', 'T', 90, 220), limb('L', 'S', 140, 90)]);

test('a measure that runs 18 cm past the joint lies 18 cm before the limb’s base', () => {
  const line = tapePath(index, 'L', [{ limbId: 'S', atCm: 122 }]);
  expect(placeOnTape(line, 'S', 122)).toBe(-18);
  expect(placeOnTape(line, 'L', 12)).toBe(12);
  expect(placeOnTape(line, 'T', 60)).toBeNull();
  expect(Math.min(...line.map((tapeStretch) => tapeStretch.fromU))).toBeLessThan(-18);
});

test('the line goes on through two joints when the cut lies there', () => {
  const line = tapePath(index, 'L', [{ limbId: 'T', atCm: 65.5 }]);
  expect(line.map((tapeStretch) => tapeStretch.limb.id)).toEqual(['L', 'S', 'T']);
  // 140 cm down S from L's joint, then from 90 to 65.5 on the stem
  expect(placeOnTape(line, 'T', 65.5)).toBeCloseTo(-(140 + 24.5));
});

test('a closer look stays on the wood', () => {
  const line = tapePath(index, 'L', []);
  expect(tapeWindow(line, 30, 88)).toEqual({ fromU: 60, toU: 90 });
  expect(tapeWindow(line, 500, 40).toU).toBe(90);
});

test('labels of the ruler stand apart and on round figures', () => {
  expect(rulerMarks(0, 100, 3, 40, 'metric')).toEqual([0, 20, 40, 60, 80, 100]);
  expect(rulerMarks(-3, 31, 3, 40, 'us').map((cm) => Math.round(cm / 2.54))).toEqual([0, 6, 12]);
});
