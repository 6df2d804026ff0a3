// Limits of self-help as the trade gives them (common practice, no source); 10 ft from lines: OSHA 29 CFR 1910.333(c)(3).
import { type CutAtHand, cautions } from './index';

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
])('%s', (_, given, kinds) => {
  expect(cautions({ ...easy, ...given }).map((one) => one.kind)).toEqual(kinds);
});

test('a power line names its distance in both units', () => {
  expect(cautions({ ...easy, hazards: ['power line'] })[0]?.text).toContain('3 m (10 ft)');
});
