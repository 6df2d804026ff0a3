// What a mix may be asked for, and its arithmetic by C1·V1 = C2·V2, at the boundaries.
import { DilutionInput, dilution } from './index';

const alcohol = { kind: 'alcohol', spirit: 'isopropanol', productPct: 91, targetPct: 70, litres: 1 };
const chlorine = { kind: 'chlorine', productPct: 5.25, targetPpm: 5000, litres: 1 };

test.each<[string, object, boolean]>([
  ['weaker than the product', alcohol, true],
  ['as strong as the product', { ...alcohol, targetPct: 91 }, true],
  ['stronger than the product', { ...alcohol, targetPct: 91.1 }, false],
  ['no alcohol at all', { ...alcohol, targetPct: 0 }, false],
  ['chlorine', chlorine, true],
  ['all that the product holds', { ...chlorine, targetPpm: 52_500 }, true],
  ['more than it holds', { ...chlorine, targetPpm: 52_501 }, false],
  ['no chlorine', { ...chlorine, targetPpm: 0 }, false],
  ['the strongest product', { ...chlorine, productPct: 20, targetPpm: 200_000 }, true],
  ['a stronger product than there is', { ...chlorine, productPct: 20.1 }, false],
  ['a thousand litres', { ...chlorine, litres: 1000 }, true],
  ['more', { ...chlorine, litres: 1001 }, false],
  ['nothing', { ...chlorine, litres: 0 }, false],
])('a mix that is %s', (_, input, taken) => {
  expect(DilutionInput.safeParse(input).success).toBe(taken);
});

test('70 % from 91 % isopropanol: 769 mL and 231 mL of water, 0.3 parts to one', () => {
  const said = dilution(DilutionInput.parse(alcohol));
  expect(said.productMl).toBeCloseTo(769.23, 2);
  expect(said.waterMl).toBeCloseTo(230.77, 2);
  expect(said.partsWater).toBeCloseTo(0.3, 6);
  expect(said).toMatchObject({ pct: 70, ppm: null, productG: null });
  expect(said.note).toBe('makeUpToTheMarkWith');
});

test('by weight: grams, water to the mark, and how', () => {
  const said = dilution(DilutionInput.parse({ kind: 'weight', gramsPerLitre: 100, litres: 2.5 }));
  expect(said).toMatchObject({ productG: 250, waterMl: 2500, productMl: null, ppm: null });
  expect(said.note).toBe('dissolveInSomeOfTheWater');
});
