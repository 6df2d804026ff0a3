// The triage table, row by row, and the share of crown it goes by.
import fc from 'fast-check';
import { starterMap } from '../tree/index';
import { affectedShare, Triage, TriageInput, triage } from './index';

const sound: TriageInput = {
  heightCm: 320,
  targetHeightCm: 320,
  form: 'central leader',
  hazards: [],
  leanDeg: null,
  purposes: ['picked fruit'],
  fruitKnown: true,
  affectedShare: 0.03,
  earlierShare: null,
  stemGirdledShare: 0,
  minutesLastSeason: null,
};

const reason = (code: string, values: object = {}) => ({ code, values });
const wildlife: Partial<TriageInput> = { purposes: ['wildlife'] };
const unknown: Partial<TriageInput> = { fruitKnown: false };
const higher = reason('arborist’s part', { overCm: 340 });

// Each limit from both sides. The trade's figures: common practice, no source.
test.each<[string, Partial<TriageInput>, string, ...object[]]>([
  ['a sound tree', {}, 'keep', reason('sound')],
  [
    'under a power line and split, however sound',
    { hazards: ['boundary mark', 'power line', 'split stem'] },
    'hand over',
    reason('dangers', { hazards: ['power line', 'split stem'] }),
  ],
  [
    'with a limb that hangs',
    { hazards: ['hanging limb'] },
    'hand over',
    reason('dangers', { hazards: ['hanging limb'] }),
  ],
  ['leaning by 15°', { hazards: ['lean'], leanDeg: 15 }, 'keep', reason('sound')],
  ['by more', { hazards: ['lean'], leanDeg: 15.5 }, 'hand over', reason('leans')],
  [
    'with heaved roots',
    { hazards: ['heaved roots', 'soft ground'] },
    'hand over',
    reason('dangers', { hazards: ['heaved roots'] }),
  ],
  [
    'leaning, however low',
    { heightCm: 240, hazards: ['heritage tree', 'lean'] },
    'hand over',
    reason('leans'),
  ],
  ['6 m, standing straight', { heightCm: 600 }, 'renovate', reason('outgrown')],
  ['6.01 m, standing straight', { heightCm: 601 }, 'renovate', reason('outgrown'), higher],
  ['9.01 m and hollow', { heightCm: 901, hazards: ['cavity'] }, 'renovate', reason('outgrown'), higher],
  ['7 m on a slope', { heightCm: 700, hazards: ['slope'] }, 'renovate', reason('outgrown'), higher],
  ['as high as a third over its aim', { heightCm: 416 }, 'keep', reason('sound')],
  ['higher than that', { heightCm: 417 }, 'renovate', reason('outgrown')],
  ['high, with no aim', { heightCm: 590, targetHeightCm: null }, 'keep', reason('sound')],
  ['75 % dead', { affectedShare: 0.75 }, 'replace', reason('crown dead or diseased', { share: 0.75 })],
  ['74 % dead', { affectedShare: 0.74 }, 'trial year', reason('half gone', { share: 0.74 })],
  [
    '80 % dead, but heritage',
    { affectedShare: 0.8, hazards: ['heritage tree'] },
    'trial year',
    reason('half gone', { share: 0.8 }),
  ],
  [
    '80 % dead, but a boundary mark',
    { affectedShare: 0.8, hazards: ['boundary mark'], ...unknown },
    'trial year',
    reason('half gone', { share: 0.8 }),
  ],
  [
    'stem girdled by half',
    { stemGirdledShare: 0.5, affectedShare: 0.8 },
    'replace',
    reason('stem girdled', { share: 0.5 }),
  ],
  ['stem girdled by less', { stemGirdledShare: 0.49 }, 'keep', reason('sound')],
  [
    'half gone, fruit unknown',
    { affectedShare: 0.5, ...unknown },
    'replace',
    reason('crown gone, fruit unknown', { share: 0.5 }),
  ],
  [
    'six years without fruit, for picked fruit',
    { fruitlessYears: 6 },
    'keep',
    reason('sound'),
    reason('no fruit', { years: 6 }),
  ],
  ['five years without fruit', { fruitlessYears: 5 }, 'keep', reason('sound')],
  ['six without, and nobody picks', { fruitlessYears: 6, purposes: ['show'] }, 'keep', reason('sound')],
  [
    'half gone, fruit unknown, getting better',
    { affectedShare: 0.5, earlierShare: 0.7, ...unknown },
    'trial year',
    reason('half gone', { share: 0.5 }),
  ],
  ['half gone, fruit known', { affectedShare: 0.5 }, 'trial year', reason('half gone', { share: 0.5 })],
  ['49 % gone, fruit unknown', { affectedShare: 0.49, ...unknown }, 'trial year', reason('fruit unknown')],
  ['wild, fruit unknown', { form: 'wild', ...unknown }, 'trial year', reason('fruit unknown')],
  [
    'wild, fruit unknown and unwanted',
    { form: 'wild', purposes: ['show'], ...unknown },
    'renovate',
    reason('grown wild'),
  ],
  ['well kept, fruit unknown', unknown, 'keep', reason('sound')],
  ['wild, fruit known', { form: 'wild' }, 'renovate', reason('grown wild')],
  [
    'a fifth dead',
    { affectedShare: 0.2, form: 'wild' },
    'renovate',
    reason('crown dead or diseased', { share: 0.2 }),
  ],
  ['less than a fifth dead', { affectedShare: 0.19 }, 'keep', reason('sound')],
  ['wild, for wildlife', { form: 'wild', ...wildlife }, 'keep', reason('for wildlife')],
  [
    'for wildlife and for fruit',
    { affectedShare: 0.5, purposes: ['wildlife', 'picked fruit'] },
    'trial year',
    reason('half gone', { share: 0.5 }),
  ],
  [
    'for wildlife, girdled by half',
    { stemGirdledShare: 0.5, ...wildlife },
    'replace',
    reason('stem girdled', { share: 0.5 }),
  ],
  ['for wildlife, girdled by less', { stemGirdledShare: 0.49, ...wildlife }, 'keep', reason('for wildlife')],
])('%s', (_, more, verdict, ...because) => {
  const answer = triage({ ...sound, ...more });
  expect(answer).toMatchObject({ verdict, because });
  expect(Triage.parse(answer)).toEqual(answer);
});

test.each([
  [null, 'unknown'],
  [0.45, 'steady'],
  [0.44, 'worse'],
  [0.55, 'steady'],
  [0.56, 'better'],
])('half dead, %p a season ago: %s', (earlierShare, trend) => {
  expect(triage({ ...sound, affectedShare: 0.5, earlierShare })).toMatchObject({ trend });
});

test.each([
  ['heightCm', 0, 20_000],
  ['targetHeightCm', 0, 20_000],
  ['affectedShare', 0, 1],
  ['earlierShare', 0, 1],
  ['stemGirdledShare', 0, 1],
  ['minutesLastSeason', 0, Number.MAX_VALUE],
] as const)('%s lies between %i and %d', (key, least, most) => {
  const takes = (value: number) => TriageInput.safeParse({ ...sound, [key]: value }).success;
  expect([least - 0.01, least, most, most * 2].map(takes)).toEqual([false, true, true, false]);
});

test('a kept tree takes about ten minutes, a wild one of 8 m half a day (common practice, no source)', () => {
  expect(triage({ ...sound, heightCm: 300 }).minutesASeason).toBeCloseTo(12, -1);
  const wild = triage({ ...sound, form: 'wild', heightCm: 800, targetHeightCm: 400, affectedShare: 0.3 });
  expect(triage({ ...sound, heightCm: 300, pace: 1.5 }).minutesASeason).toBe(18);
  expect(wild.minutesASeason).toBeGreaterThan(180);
  expect(wild.minutesASeason).toBeLessThan(300);
  expect(wild.seasons).toBe(3);
});

test('renovation takes two to five seasons, more for more wood (neglected trees 3 to 5: common practice, no source)', () => {
  const seasons = [0.03, 0.2, 0.4, 0.41].map((share) => triage({ ...sound, affectedShare: share }).seasons);
  expect(seasons).toEqual([1, 2, 2, 3]);
  const lowered = (heightCm: number, targetHeightCm: number | null) =>
    triage({ ...sound, form: 'wild', heightCm, targetHeightCm }).seasons;
  expect([
    lowered(500, 250),
    lowered(500, 190),
    lowered(890, 100),
    lowered(500, null),
    lowered(0, 0),
  ]).toEqual([3, 4, 5, 2, 2]);
});

// 10 × (height / 3 m)^1.5 × (1 + 6 × affected share), doubled for a wild tree
test.each<[Partial<TriageInput>, number]>([
  [{ heightCm: 300, affectedShare: 0 }, 10],
  [{ heightCm: 300, affectedShare: 0.5 }, 40],
  [{ heightCm: 300, affectedShare: 0, form: 'wild' }, 20],
  [{ heightCm: 1200, affectedShare: 0 }, 80],
  [{ heightCm: 10, affectedShare: 0 }, 3],
  [{ minutesLastSeason: 7 }, 7],
  [{ minutesLastSeason: 0 }, 0],
])('%p: %i minutes a season', (more, minutes) => {
  expect(triage({ ...sound, ...more }).minutesASeason).toBe(minutes);
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
  expect(affectedShare(limbs, [dead, { limbId: 'B', fromCm: 0 }])).toBeCloseTo(0.5, 9);
  expect(affectedShare(limbs, [{ limbId: 'T', fromCm: 0 }, dead])).toBe(1);
  expect(affectedShare(limbs, [{ limbId: 'A', fromCm: 9999 }])).toBeLessThan(0.05);
  const [stem] = limbs;
  if (!stem) throw new Error('There is a stem.');
  // A bare stem is all there is
  expect(affectedShare([stem], [{ limbId: 'T', fromCm: 0 }])).toBe(1);
  expect(affectedShare([stem], [{ limbId: 'T', fromCm: stem.lengthCm }])).toBeCloseTo(
    (stem.tipMm / stem.baseMm) ** 2,
    9,
  );
  expect(affectedShare([], [])).toBe(0);
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
    fc.property(fc.array(place, { maxLength: 6 }), place, (some, further) => {
      const share = affectedShare(limbs, some);
      const more = affectedShare(limbs, [...some, further]);
      expect(more).toBeLessThanOrEqual(1);
      // A place nearer the trunk takes others with it: thicker there, so never less
      expect(more).toBeGreaterThanOrEqual(share - 1e-9);
    }),
    // A trunk that is thinner than the limb and the rest of it together, which are affected already
    {
      examples: [
        [
          [
            { limbId: 'B', fromCm: 0 },
            { limbId: 'T', fromCm: 119 },
          ],
          { limbId: 'T', fromCm: 86 },
        ],
      ],
    },
  );
});
