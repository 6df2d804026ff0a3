// Which trees may hold work that nobody found, from the register alone. Figures: common practice, no source.
import type { Limb } from '../tree/index';
import { asksForShape, showsWork } from './goals';

test.each<[string, object[], boolean]>([
  ['a frame', [{ kind: 'trunk' }, { kind: 'scaffold' }, { kind: 'shoot' }], false],
  ['a water sprout', [{ kind: 'scaffold' }, { kind: 'sprout' }], true],
  ['counted shoots', [{ kind: 'shoot', bundle: { about: 12, overCm: 90 } }], true],
])('%s: the map shows work %s', (_said, limbs, shows) => {
  expect(showsWork(limbs as Limb[])).toBe(shows);
});

test.each([
  ['as tall as it should be', { heightCm: 350, targetHeightCm: 350, plantedYear: 2000 }, false],
  ['a centimetre taller', { heightCm: 351, targetHeightCm: 350, plantedYear: 2000 }, true],
  ['of no set height', { heightCm: 900, targetHeightCm: null, plantedYear: 2000 }, false],
  ['of six years', { heightCm: 200, targetHeightCm: null, plantedYear: 2020 }, true],
  ['of seven', { heightCm: 200, targetHeightCm: null, plantedYear: 2019 }, false],
  ['of unknown age', { heightCm: 200, targetHeightCm: null, plantedYear: null }, false],
])('a tree %s may ask for work that nobody found: %#', (_, tree, asks) => {
  expect(asksForShape(tree, 2026)).toBe(asks);
});
