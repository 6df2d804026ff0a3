// Limits of self-help as the trade gives them (common practice, no source); 10 ft from lines: OSHA 29 CFR 1910.333(c)(3).
import {
  CutAtHand,
  dangersOf,
  type Hazard,
  hazards,
  startingKit,
  strokes,
  type Tool,
  whoseCut,
} from './index';

const easy = { hazards: [], kerfHeightCm: 120, kerfMm: 18, massKg: 2, limbCm: 100 };
const poleSaw: Tool = { id: 'ps', name: 'Pole saw', kind: 'pole saw', takesMm: 60, lengthCm: 240 };
const pole = startingKit.filter(({ kind }) => kind === 'pole shear');
const said = (given: object) => {
  const { cautions, wielded } = whoseCut(CutAtHand.parse({ ...easy, ...given }));
  return {
    kinds: cautions.map(({ kind }) => kind),
    codes: cautions.map(({ because }) => because.code),
    tool: wielded?.tool.id ?? null,
    station: wielded?.station ?? null,
  };
};

test.each<[string, object, string[]]>([
  ['a thin limb at breast height', {}, []],
  ['a thick limb', { kerfMm: 50 }, ['care']],
  ['a limb of just under 5 cm', { kerfMm: 49.9 }, []],
  ['50 kg at most', { massKg: 50 }, ['care']],
  ['more than 50 kg', { massKg: 50.1 }, ['hand over']],
  ['23 kg for one', { massKg: 23 }, []],
  ['more than 23 kg', { massKg: 23.1 }, ['care']],
  ['a hanging limb', { hazards: ['hanging limb'] }, ['hand over']],
  ['a power line', { hazards: ['power line'] }, ['hand over']],
  ['a split stem', { hazards: ['split stem'] }, ['hand over']],
  ['a lean that nobody measured', { hazards: ['lean'] }, ['hand over']],
  ['a lean of 15°', { hazards: ['lean'], leanDeg: 15 }, ['care']],
  ['a steeper one', { hazards: ['lean'], leanDeg: 15.1 }, ['hand over']],
  [
    'a slight lean with heaved roots',
    { hazards: ['lean', 'heaved roots'], leanDeg: 3 },
    ['hand over', 'care'],
  ],
  ['degrees without a lean', { leanDeg: 20 }, []],
  ['a fungus at the base', { hazards: ['fungus at the base'] }, ['hand over']],
  ['soft ground, from the ground', { hazards: ['soft ground'] }, []],
  ['a path under it', { hazards: ['something under it'] }, ['care']],
  ['level ground', { slopeDeg: 0 }, []],
  ['a slope that was measured', { slopeDeg: 4 }, ['care']],
  ['a steep one, from the ground', { slopeDeg: 30 }, ['care']],
  [
    'all of them, low and thin',
    { hazards: [...hazards] },
    [...Array(6).fill('hand over'), ...Array(6).fill('care')],
  ],
  ['a hollow, from the ground', { hazards: ['cavity'] }, ['care']],
  ['a slope', { hazards: ['slope'] }, ['care']],
  ['metal in the stem', { hazards: ['metal in the stem'] }, ['care']],
  ['a boundary mark', { hazards: ['boundary mark'] }, ['care']],
  ['a heritage tree', { hazards: ['heritage tree'] }, ['care']],
])('%s', (_, given, kinds) => {
  expect(said(given).kinds).toEqual(kinds);
});

// Each limit from both sides. The shear of the kit reaches 190 cm, the lopper 250, the saw 205, the bow saw 230
test.each<[string, object, string | null, string | null, string[]]>([
  ['the finest tool that takes it', {}, 'shear', 'ground', []],
  ['as high as the lopper reaches', { kerfHeightCm: 250 }, 'lopper', 'ground', []],
  ['a short person’s', { kerfHeightCm: 235, shoulderCm: 125 }, 'lopper', 'ground', []],
  ['higher, with the pole', { kerfHeightCm: 235.1, shoulderCm: 125 }, 'pole', 'ground', ['by pole']],
  [
    'from a ladder as high as the shoulder',
    { kerfHeightCm: 325, massKg: 6, shoulderCm: 125 },
    'shear',
    'ladder',
    ['on a ladder'],
  ],
  ['no higher', { kerfHeightCm: 325.1, massKg: 6, shoulderCm: 125 }, null, null, ['cut too high']],
  [
    'a ladder on 10°',
    { kerfHeightCm: 300, massKg: 6, slopeDeg: 10 },
    'shear',
    'ladder',
    ['on a ladder', 'slope'],
  ],
  [
    'none on more',
    { kerfHeightCm: 300, massKg: 6, slopeDeg: 10.1 },
    null,
    null,
    ['too steep for a ladder', 'slope'],
  ],
  [
    'a slope that nobody measured',
    { kerfHeightCm: 300, massKg: 6, hazards: ['slope'] },
    'shear',
    'ladder',
    ['on a ladder', 'slope'],
  ],
  [
    'none on soft ground',
    { kerfHeightCm: 300, massKg: 6, hazards: ['soft ground'] },
    null,
    null,
    ['too soft for a ladder'],
  ],
  ['but a pole', { kerfHeightCm: 300, massKg: 4, hazards: ['soft ground'] }, 'pole', 'ground', ['by pole']],
  ['higher, with the pole', { kerfHeightCm: 250.1 }, 'pole', 'ground', ['by pole']],
  ['3.5 m with the pole', { kerfHeightCm: 350 }, 'pole', 'ground', ['by pole']],
  ['higher than a pole works', { kerfHeightCm: 350.1 }, null, null, ['cut too high']],
  ['5 kg with the pole', { kerfHeightCm: 300, massKg: 5 }, 'pole', 'ground', ['by pole']],
  ['more, from the ladder', { kerfHeightCm: 300, massKg: 5.1 }, 'shear', 'ladder', ['on a ladder']],
  ['1.2 m long with the pole', { kerfHeightCm: 300, limbCm: 120 }, 'pole', 'ground', ['by pole']],
  ['longer, from the ladder', { kerfHeightCm: 300, limbCm: 120.1 }, 'shear', 'ladder', ['on a ladder']],
  [
    'in two pieces, from the ladder',
    { kerfHeightCm: 300, farther: [{ heightCm: 320, kerfMm: 9 }] },
    'shear',
    'ladder',
    ['on a ladder'],
  ],
  ['28 mm, as the pole shear takes', { kerfHeightCm: 300, kerfMm: 28 }, 'pole', 'ground', ['by pole']],
  ['thicker, from the ladder', { kerfHeightCm: 300, kerfMm: 28.1 }, 'lopper', 'ladder', ['on a ladder']],
  [
    '30 mm with a stouter pole shear',
    { kerfHeightCm: 300, kerfMm: 30, kit: [{ ...pole[0], takesMm: 60 }] },
    'pole',
    'ground',
    ['by pole'],
  ],
  [
    'more than a pole shear should',
    { kerfHeightCm: 345, kerfMm: 30.1, kit: [{ ...pole[0], takesMm: 60 }] },
    null,
    null,
    ['cut too high'],
  ],
  [
    '50 mm and 10 kg with a pole saw',
    { kerfHeightCm: 345, kerfMm: 50, massKg: 10, kit: [poleSaw] },
    'ps',
    'ground',
    ['three cuts', 'by pole'],
  ],
  [
    'thicker',
    { kerfHeightCm: 345, kerfMm: 50.1, massKg: 10, kit: [poleSaw] },
    null,
    null,
    ['cut too high', 'three cuts'],
  ],
  [
    'heavier',
    { kerfHeightCm: 345, kerfMm: 50, massKg: 10.1, kit: [poleSaw] },
    null,
    null,
    ['cut too high', 'three cuts'],
  ],
  [
    'a pole that does not reach',
    { kerfHeightCm: 345, kit: [{ ...pole[0], lengthCm: 174 }] },
    null,
    null,
    ['cut too high'],
  ],
  [
    'one that just does',
    { kerfHeightCm: 345, kit: [{ ...pole[0], lengthCm: 175 }] },
    'pole',
    'ground',
    ['by pole'],
  ],
  ['3.4 m from the ladder', { kerfHeightCm: 340, massKg: 20 }, 'shear', 'ladder', ['on a ladder']],
  ['higher', { kerfHeightCm: 340.1, massKg: 20 }, null, null, ['cut too high']],
  [
    '10 cm thick on the ladder',
    { kerfHeightCm: 300, kerfMm: 100 },
    'saw',
    'ladder',
    ['three cuts', 'on a ladder'],
  ],
  ['thicker', { kerfHeightCm: 300, kerfMm: 100.1 }, null, null, ['too thick on a ladder', 'three cuts']],
  ['15 cm thick from the ground', { kerfMm: 150 }, 'bow', 'ground', ['three cuts']],
  ['thicker', { kerfMm: 150.1 }, null, null, ['too thick', 'three cuts']],
  ['thick and high', { kerfHeightCm: 300, kerfMm: 150.1 }, null, null, ['too thick', 'three cuts']],
  [
    'a ladder at a hollow stem',
    { kerfHeightCm: 300, massKg: 6, hazards: ['cavity'] },
    null,
    null,
    ['no ladder', 'cavity'],
  ],
  [
    'the pole at a hollow stem',
    { kerfHeightCm: 300, hazards: ['cavity'] },
    'pole',
    'ground',
    ['by pole', 'cavity'],
  ],
  [
    'a piece that is cut at 3.4 m',
    { kerfHeightCm: 200, farther: [{ heightCm: 340, kerfMm: 9 }] },
    'shear',
    'ladder',
    ['on a ladder'],
  ],
  [
    'a piece that is cut higher',
    { kerfHeightCm: 200, farther: [{ heightCm: 340.1, kerfMm: 9 }] },
    null,
    null,
    ['piece too high'],
  ],
  ['a kit without a tool for it', { kerfMm: 60, kit: [startingKit[0]] }, null, null, ['three cuts']],
  ['the same at 2.1 m', { kerfHeightCm: 210, kerfMm: 60, kit: [startingKit[0]] }, null, null, ['three cuts']],
  [
    'the same higher',
    { kerfHeightCm: 210.1, kerfMm: 60, kit: [startingKit[0]] },
    null,
    null,
    ['three cuts', 'on a ladder'],
  ],
])('%s', (_, given, tool, station, codes) => {
  expect(said(given)).toMatchObject({ tool, station, codes });
});

test('over 30 kg above reach it comes down on a rope, from 30 kg down two people lift it', () => {
  const first = (massKg: number, kerfHeightCm: number) => said({ massKg, kerfHeightCm }).codes[0];
  expect(first(30.1, 181)).toBe('down on a rope');
  expect(first(30, 181)).toBe('two to lift');
  expect(first(30.1, 180)).toBe('two to lift');
});

// Common practice, no source: what may fall, open or touch a line; a mark on the stem hurts nobody
test('a boundary mark, a protected tree, a slope and metal are notes, the rest is danger', () => {
  const notes: Hazard[] = [
    'slope',
    'metal in the stem',
    'heritage tree',
    'boundary mark',
    'soft ground',
    'something under it',
  ];
  expect(dangersOf(hazards)).toEqual(hazards.filter((hazard) => !notes.includes(hazard)));
});

test.each([
  [89.9, 20],
  [90, 30],
])('the undercut of %f mm is %i cm out, on the card and in the strokes', (kerfMm, outCm) => {
  const { cautions } = whoseCut(CutAtHand.parse({ ...easy, kerfMm }));
  expect(cautions.map((caution) => caution.because)).toContainEqual({
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
