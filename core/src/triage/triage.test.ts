// The triage table, row by row, and the share of crown it goes by.
import fc from 'fast-check';
import { starterMap } from '../tree/index';
import { affectedShare, type TriageInput, triage } from './index';

const sound: TriageInput = {
  heightCm: 320,
  targetHeightCm: 320,
  form: 'central leader',
  hazards: [],
  purposes: ['picked fruit'],
  fruitKnown: true,
  affectedShare: 0.03,
  earlierShare: null,
  stemGirdledShare: 0,
  minutesLastSeason: null,
};

// The trade's figures: common practice, no source.
test.each<[string, Partial<TriageInput>, string]>([
  ['a sound tree', {}, 'keep'],
  ['under a power line, however sound', { hazards: ['power line'] }, 'hand over'],
  ['7 m and leaning', { heightCm: 700, hazards: ['lean'] }, 'hand over'],
  ['7 m, standing straight', { heightCm: 700 }, 'renovate'],
  ['dead for the greater part', { affectedShare: 0.8 }, 'replace'],
  [
    'dead for the greater part, but heritage',
    { affectedShare: 0.8, hazards: ['heritage tree'] },
    'trial year',
  ],
  ['stem girdled by half', { stemGirdledShare: 0.55 }, 'replace'],
  ['half gone, fruit unknown', { affectedShare: 0.55, fruitKnown: false }, 'replace'],
  [
    'half gone, fruit unknown, getting better',
    { affectedShare: 0.55, earlierShare: 0.7, fruitKnown: false },
    'trial year',
  ],
  ['half gone, fruit known', { affectedShare: 0.55 }, 'trial year'],
  ['wild, fruit unknown', { form: 'wild', fruitKnown: false }, 'trial year'],
  ['wild, fruit known', { form: 'wild' }, 'renovate'],
  ['wild, for wildlife', { form: 'wild', purposes: ['wildlife'] }, 'keep'],
])('%s', (_, more, verdict) => expect(triage({ ...sound, ...more }).verdict).toBe(verdict));

test('a kept tree takes about ten minutes, a wild one of 8 m half a day (common practice, no source)', () => {
  expect(triage({ ...sound, heightCm: 300 }).minutesASeason).toBeCloseTo(12, -1);
  const wild = triage({ ...sound, form: 'wild', heightCm: 800, targetHeightCm: 400, affectedShare: 0.3 });
  expect(wild.minutesASeason).toBeGreaterThan(180);
  expect(wild.minutesASeason).toBeLessThan(300);
  expect(wild.seasons).toBe(3);
});

test('renovation takes two to five seasons, more for more wood (neglected trees 3 to 5: common practice, no source)', () => {
  const seasons = [0.2, 0.3, 0.45].map((share) => triage({ ...sound, affectedShare: share }).seasons);
  expect(seasons).toEqual([2, 2, 3]);
});

test('share of four equal limbs: one dead from its base is a quarter, wherever else it is dead further out', () => {
  const limbs = starterMap({
    form: 'open centre',
    species: 'peach',
    heightCm: 300,
    spreadCm: 320,
    scaffolds: 4,
    girthCm: 40,
    ageYears: 12,
  });
  const dead = { limbId: 'A', fromCm: 0 };
  expect(affectedShare(limbs, [])).toBe(0);
  expect(affectedShare(limbs, [dead])).toBeCloseTo(0.25, 9);
  expect(affectedShare(limbs, [dead, { limbId: 'A', fromCm: 60 }, dead])).toBeCloseTo(0.25, 9);
  expect(affectedShare(limbs, [{ limbId: 'A', fromCm: 60 }])).toBeLessThan(0.25);
  expect(affectedShare(limbs, [{ limbId: 'gone', fromCm: 0 }])).toBe(0);
});

test('more affected wood is never a smaller share', () => {
  const limbs = starterMap({
    form: 'central leader',
    species: 'apple',
    heightCm: 400,
    spreadCm: 400,
    scaffolds: 7,
    girthCm: 60,
    ageYears: 25,
  });
  const place = fc.record({
    limbId: fc.constantFrom(...limbs.map((limb) => limb.id)),
    fromCm: fc.integer({ min: 0, max: 120 }),
  });
  fc.assert(
    fc.property(fc.array(place, { maxLength: 6 }), place, (some, one) => {
      const share = affectedShare(limbs, some);
      const more = affectedShare(limbs, [...some, one]);
      expect(more).toBeLessThanOrEqual(1);
      // A place nearer the trunk takes others with it: thicker there, so never less
      expect(more).toBeGreaterThanOrEqual(share - 1e-9);
    }),
  );
});
