// Which of a bundle go first. Room of 30 cm for one that stays, lengths 40 % round the one that was given: common practice, no source.
import type { Limb } from '../tree/index';
import { bundleParts } from './index';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm: 0, lengthCm: 300, baseMm: 60, tipMm: 10, ageYears: 8, bearingDeg: 90 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'sprout',
  inclinationDeg: 60,
  ...more,
});
const partsOf = (about: number, overCm: number, more: Partial<Limb> = {}) =>
  bundleParts([
    limb('T', null),
    limb('A', 'T', { jointCm: 80 }),
    limb('u', 'A', { jointCm: 150, lengthCm: 90, inclinationDeg: 85, bundle: { about, overCm }, ...more }),
  ])
    .get('u')
    ?.map(({ which, about, lengthCm }) =>
      [about, which, ...(lengthCm === undefined ? [] : [lengthCm])].join(' '),
    );

const shoots = (lengthCm: number, more: Partial<Limb> = {}): Partial<Limb> => ({
  kind: 'shoot',
  ageYears: 1,
  inclinationDeg: 30,
  lengthCm,
  ...more,
});

test.each<[string, Parameters<typeof partsOf>, string[] | undefined]>([
  ['room for five of fifteen', [15, 140], ['10 steepest', '5 flattest']],
  ['with half of another place', [15, 135], ['10 steepest', '5 flattest']],
  ['with less', [15, 134], ['11 steepest', '4 flattest']],
  ['two stay at least', [15, 10], ['13 steepest', '2 flattest']],
  ['and two go', [4, 280], ['2 steepest', '2 flattest']],
  ['three are one bundle', [3, 280], undefined],
  ['level ones of years have no parts', [15, 140, { inclinationDeg: 40 }], undefined],
  // From 36 to 84 cm evenly: half of them are longer than 60
  ['shoots of 60 cm', [12, 100, shoots(60)], ['6 longest 72', '6 shortest 48']],
  ['of 65, from 39 to 91', [12, 100, shoots(65)], ['7 longest 76', '5 shortest 50']],
  ['all shorter', [12, 100, shoots(42)], []],
  ['all longer', [12, 100, shoots(105)], []],
  ['one too long is no bundle', [4, 100, shoots(49)], []],
  ['two are', [6, 100, shoots(52)], ['2 longest 66', '4 shortest 46']],
  ['shoots of two years', [12, 100, shoots(60, { ageYears: 2 })], undefined],
])('%s', (_said, of, parts) => {
  expect(partsOf(...of)).toEqual(parts);
});
