// Limits of self-help as the trade gives them (common practice, no source); 10 ft from lines: OSHA 29 CFR 1910.333(c)(3).
import { type CutAtHand, cautions, dangersOf, type Hazard, hazards, strokes } from './index';

const easy: CutAtHand = { hazards: [], treeHeightCm: 250, kerfHeightCm: 120, kerfMm: 18 };

test.each<[string, Partial<CutAtHand>, string[]]>([
  ['a thin limb at breast height', {}, []],
  ['a thick limb', { kerfMm: 50 }, ['care']],
  ['a limb above reach', { kerfHeightCm: 200 }, ['care']],
  ['a limb above 3 m', { kerfHeightCm: 301 }, ['hand over', 'care']],
  ['wood over 15 cm', { kerfMm: 151 }, ['hand over', 'care']],
  ['a tree over 6 m', { treeHeightCm: 610 }, ['hand over']],
  ['a hanging limb', { hazards: ['hanging limb'] }, ['hand over']],
  ['a power line', { hazards: ['power line'] }, ['hand over']],
  ['a slope', { hazards: ['slope'] }, ['care']],
  // Each limit from both sides
  ['a limb of just under 5 cm', { kerfMm: 49.9 }, []],
  ['a limb at 1.8 m', { kerfHeightCm: 180 }, []],
  ['a limb over 1.8 m', { kerfHeightCm: 180.1 }, ['care']],
  ['a limb at 3 m', { kerfHeightCm: 300 }, ['care']],
  ['a limb over 3 m', { kerfHeightCm: 300.1 }, ['hand over', 'care']],
  ['wood of 15 cm', { kerfMm: 150 }, ['care']],
  ['wood over 15 cm by a hair', { kerfMm: 150.1 }, ['hand over', 'care']],
  ['a tree of 6 m', { treeHeightCm: 600 }, []],
  ['a tree over 6 m by a hair', { treeHeightCm: 600.1 }, ['hand over']],
  ['50 kg at most', { massKg: 50 }, ['care']],
  ['more than 50 kg', { massKg: 50.1 }, ['hand over']],
  ['23 kg for one', { massKg: 23 }, []],
  ['more than 23 kg', { massKg: 23.1 }, ['care']],
  ['a split stem', { hazards: ['split stem'] }, ['hand over']],
  ['a hollow', { hazards: ['cavity'] }, ['hand over']],
  ['a lean', { hazards: ['lean'] }, ['hand over']],
  ['metal in the stem', { hazards: ['metal in the stem'] }, ['care']],
  ['a boundary mark', { hazards: ['boundary mark'] }, ['care']],
  ['a heritage tree', { hazards: ['heritage tree'] }, ['care']],
])('%s', (_, given, kinds) => {
  expect(cautions({ ...easy, ...given }).map((caution) => caution.kind)).toEqual(kinds);
});

test('over 30 kg above reach it comes down on a rope, from 30 kg down two people lift it', () => {
  const said = (massKg: number, kerfHeightCm: number) =>
    cautions({ ...easy, massKg, kerfHeightCm })[0]?.because.code;
  expect(said(30.1, 181)).toBe('down on a rope');
  expect(said(30, 181)).toBe('two to lift');
  expect(said(30.1, 180)).toBe('two to lift');
});

// Common practice, no source: what may fall, open or touch a line; a mark on the stem hurts nobody
test('a boundary mark, a protected tree, a slope and metal are notes, the rest is danger', () => {
  const notes: Hazard[] = ['slope', 'metal in the stem', 'heritage tree', 'boundary mark'];
  expect(dangersOf(hazards)).toEqual(hazards.filter((hazard) => !notes.includes(hazard)));
});

test.each([
  [89.9, 20],
  [90, 30],
])('the undercut of %f mm is %i cm out, on the card and in the strokes', (kerfMm, outCm) => {
  expect(cautions({ ...easy, kerfMm }).map((caution) => caution.because)).toContainEqual({
    code: 'three cuts',
    values: { undercutOutCm: outCm },
  });
  const limb = {
    id: 'A',
    parentId: 'T',
    jointCm: 100,
    lengthCm: 300,
    baseMm: kerfMm,
    tipMm: kerfMm,
    ageYears: 9,
    kind: 'scaffold' as const,
    bearingDeg: 0,
    inclinationDeg: 40,
  };
  const told = strokes(limb, 12, 20);
  expect((told.undercutCm ?? 0) - told.finalCm).toBeCloseTo(outCm, 9);
  expect(told.undercutDepthMm).toBeCloseTo(kerfMm / 3, 6);
});
