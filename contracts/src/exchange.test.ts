// What may be said along with a file of trees.
import { ImportChoices } from './index';

test.each<[string, unknown, boolean]>([
  ['nothing said', {}, true],
  ['a start', { starts: { plot: 'Quay', heightCm: '9 ft' } }, true],
  ['a start of a field that has none', { starts: { note: 'x' } }, false],
  ['a start of 81 letters', { starts: { plot: 'x'.repeat(81) } }, false],
  ['a species by its word', { kinds: { plum: 'european-plum' } }, true],
  ['a species that nobody knows', { kinds: { plum: 'gooseberry' } }, false],
  ['a unit', { units: { spreadCm: 'ft' } }, true],
  ['a unit of no size', { units: { note: 'ft' } }, false],
  ['a unit that is none', { units: { spreadCm: 'ell' } }, false],
  ['something else', { mood: 'good' }, false],
])('choices of an import: %s', (_said, choices, taken) => {
  expect(ImportChoices.safeParse(choices).success).toBe(taken);
});
