// Mixes, supplies, blade states and what skipping costs, against published tables and worked figures.

import fc from 'fast-check';
import { efficacyAfter } from './agents';
import { stateOf } from './bladeState';
import { householdOf } from './dilution';
import {
  agentOf,
  agents,
  type BladeEvent,
  carriesDisease,
  DilutionInput,
  dilution,
  dirtyBecause,
  strengthAfter,
  supplies,
  type TransmissionInput,
  transmission,
  usableHours,
  waysOut,
} from './index';
import { bladesInRotation } from './supplies';
import { expectedTransmissions } from './transmission';

/** Extension tables of household bleach; CDC 2008 guideline: 1:10 of 5.25–6.15 % gives some 5,250–6,150 ppm. From memory. */
test.each([
  ['1:9 of 5.25 %', 5.25, 9, 5250],
  ['1:9 of 8.25 %', 8.25, 9, 8250],
  ['1 part + 10 of 6 %', 6, 10, 5454.55],
  ['1:4 of 7.5 %', 7.5, 4, 15_000],
  ['1 + 99 of 5.25 %, CDC 2008', 5.25, 99, 525],
])('available chlorine of %s', (_, productPct, partsWater, ppm) => {
  expect(dilution({ kind: 'parts', productPct, partsWater, litres: 1 }).ppm).toBeCloseTo(ppm, 1);
});

test.each([
  ['5 L at 5,000 ppm of 7.5 %', 7.5, 5000, 5, 333.333],
  ['1 L at 5,000 ppm of 5.25 %', 5.25, 5000, 1, 95.2],
  ['1 L at 5,000 ppm of 8.25 %', 8.25, 5000, 1, 60.6],
])('bleach for %s', (_, productPct, targetPpm, litres, ml) => {
  expect(dilution({ kind: 'chlorine', productPct, targetPpm, litres }).productMl).toBeCloseTo(ml, 1);
});

/** C1·V1 = C2·V2, made up to the mark. */
test.each([
  [91, 1, 769.231],
  [95, 1, 736.842],
  [96, 1, 729.167],
  [99, 0.5, 353.535],
])('%d %% alcohol for %d L at 70 %%', (productPct, litres, ml) => {
  const said = dilution({ kind: 'alcohol', spirit: 'isopropanol', productPct, targetPct: 70, litres });
  expect(said.productMl).toBeCloseTo(ml, 2);
});

test('ethanol and water shrink: the pharmacopoeias’ 39.1 mL to 100 mL of 95 %, not 35.7', () => {
  const litres = 0.095 / 0.7;
  const said = dilution({ kind: 'alcohol', spirit: 'ethanol', productPct: 95, targetPct: 70, litres });
  expect(said.productMl).toBeCloseTo(100, 6);
  expect(said.waterMl).toBeCloseTo(39.1135, 1);
});

test('100 g in a litre; nothing is made stronger by water; measures of a kitchen come near', () => {
  expect(dilution({ kind: 'weight', gramsPerLitre: 100, litres: 2 }).productG).toBe(200);
  for (const [given, path] of [
    [{ kind: 'alcohol', spirit: 'ethanol', productPct: 60, targetPct: 70, litres: 1 }, 'targetPct'],
    [{ kind: 'chlorine', productPct: 1, targetPpm: 20_000, litres: 1 }, 'targetPpm'],
  ] as const) {
    expect(DilutionInput.safeParse(given).error?.issues[0]?.path).toEqual([path]);
  }
  // One US cup is 16 tablespoons is 48 teaspoons (common practice, no source)
  expect(householdOf(236.588)).toMatchObject({ cups: 1, tablespoons: 0, teaspoons: 0 });
  fc.assert(
    fc.property(fc.double({ min: 50, max: 3000, noNaN: true }), (ml) => {
      expect(Math.abs(householdOf(ml).offPct)).toBeLessThan(3);
    }),
  );
});

test('strength falls by halves; a stronger mix lasts longer, sun and sap shorten it', () => {
  expect(strengthAfter(5000, 8, 24)).toBeCloseTo(3968.5, 1);
  const bleach = agentOf('hypochlorite-10');
  expect(usableHours(bleach, 'sun')).toBeCloseTo(7, 6);
  expect(usableHours(bleach, 'shade', 2)).toBe(24);
  expect(usableHours(bleach, 'sappy')).toBe(2);
  expect(usableHours(bleach, 'sun', 0.5)).toBe(0);
  expect(usableHours(bleach, 'sun', 1.5)).toBeGreaterThan(usableHours(bleach, 'sun', 1));
});

/** Worked: contact and handling over the interval, and one in hand. */
test.each([
  [60, 5, 20, 5],
  [600, 5, 30, 22],
  [15, 5, 20, 2],
])('%d s wet and %d s of handling, a cut every %d s: %d blades', (contact, handling, interval, count) => {
  expect(bladesInRotation(contact, handling, interval)).toBe(count);
});

test('with enough blades nobody waits; with one everybody does', () => {
  const given = {
    cleanings: 40,
    method: 'dip' as const,
    hours: 2,
    contactSeconds: 60,
    handlingSeconds: 5,
    cutEverySeconds: 20,
  };
  expect(supplies({ ...given, blades: 5 }).waitMinutes).toBe(0);
  // 40 dips of 20–40 s extra: some 13–27 min (common practice, no source); a full minute wet takes longer
  expect(supplies({ ...given, blades: 1, contactSeconds: 25 }).waitMinutes).toBeCloseTo(20, 6);
  expect(supplies({ ...given, blades: 1 }).litres).toBeCloseTo(1.02, 6);
  expect(supplies({ ...given, cleanings: 0, blades: 1 }).litres).toBe(0);
});

const cut = (treeId: string, ...disorders: string[]) => ({ treeId, disorders });
const made = (treeId: string, ...disorders: string[]): BladeEvent => ({ kind: 'cut', treeId, disorders });
const cleaned: BladeEvent = { kind: 'cleaned' };
const wetted: BladeEvent = { kind: 'wetted', until: '2026-11-24T10:00:30Z' };

/** The blade rule of the trade: unknown is dirty, dead wood of unknown cause is suspect (common practice, no source). */
test.each([
  [
    'suspect wood, then sound wood',
    [cleaned, made('1', 'DEAD')],
    cut('1', 'MISPLACED'),
    'met suspect wood',
    true,
  ],
  ['suspect wood, then suspect wood', [cleaned, made('1', 'DEAD')], cut('1', 'DEAD'), null, false],
  ['sound wood of another tree', [cleaned, made('1', 'BRK')], cut('2', 'BRK'), 'another tree', false],
  ['blight, then sound wood', [cleaned, made('1', 'FB_SHOOT')], cut('1', 'MISPLACED'), 'met disease', true],
  ['blight, wet since', [cleaned, made('1', 'FB_SHOOT'), wetted], cut('1', 'BRK'), 'still wet', true],
  [
    'blight, wet, used all the same',
    [cleaned, made('1', 'FB_SHOOT'), wetted, made('1', 'BRK')],
    cut('1', 'BRK'),
    'met disease',
    true,
  ],
  ['blight, cleaned', [cleaned, made('1', 'FB_SHOOT'), wetted, cleaned], cut('2', 'BRK'), null, false],
] as const)('a blade that met %s', (_, events, next, why, carries) => {
  const state = stateOf(events);
  expect(dirtyBecause(state, next, 'dormant', 'every')).toBe(why);
  expect(carriesDisease(state, next, 'dormant', 'every')).toBe(carries);
});

test('the state machine never calls a blade clean that was not cleaned since its last cut', () => {
  const event = fc.constantFrom<BladeEvent>(
    cleaned,
    wetted,
    made('1', 'DEAD'),
    made('1', 'FB_SHOOT'),
    made('2', 'BRK'),
  );
  fc.assert(
    fc.property(fc.array(event, { maxLength: 12 }), (events) => {
      const why = dirtyBecause(stateOf(events), cut('1', 'BRK'), 'summer', 'every');
      const last = events.findLastIndex(({ kind }) => kind === 'cleaned');
      if (last < 0) expect(why).not.toBeNull();
      const since = events.slice(last + 1);
      const met = since.some((event) => event.kind === 'cut' && event.disorders.includes('FB_SHOOT'));
      if (met || since.at(-1)?.kind === 'wetted') expect(why).not.toBeNull();
      if (last >= 0 && since.length === 0) expect(why).toBeNull();
    }),
  );
});

test('the shortest way out is the clean blade, then the one in hand', () => {
  const dirty = stateOf([cleaned, made('1', 'FB_SHOOT')]);
  const rule = { season: 'summer', school: 'every', cleanSeconds: 45 } as const;
  const blades = [
    { id: 'a', state: dirty },
    { id: 'b', state: stateOf([cleaned]) },
  ];
  expect(waysOut(blades, 'a', cut('1', 'BRK'), rule)).toEqual([
    { bladeId: 'b', how: 'take', seconds: 5 },
    { bladeId: 'a', how: 'clean', seconds: 45 },
  ]);
});

/** Teviotdale et al. 1991 for the direction; contact times: CDC 2008 (alcohol acts in seconds where no protein is). From memory. */
test('what does not disinfect is named; a slow agent used at once does little', () => {
  expect(agents.filter((agent) => !agent.disinfects).map((agent) => agent.id)).toEqual([
    'solvent',
    'vinegar',
  ]);
  expect(efficacyAfter(agentOf('quat'), 600, false)[1]).toBe(0.98);
  expect(efficacyAfter(agentOf('quat'), 30, false)[1]).toBe(0.6);
  expect(efficacyAfter(agentOf('quat'), 2, false)[1]).toBe(0.4);
  // A clean blade takes better than a sappy one, and longer is never worse
  for (const agent of agents) {
    for (const [short, long] of [
      [2, 30],
      [30, 900],
    ] as const) {
      expect(efficacyAfter(agent, long, false)[1]).toBeGreaterThanOrEqual(
        efficacyAfter(agent, short, false)[1],
      );
      expect(efficacyAfter(agent, long, true)[1]).toBeLessThanOrEqual(efficacyAfter(agent, long, false)[1]);
    }
  }
});

test('forty cuts, one in ten contaminated: 0.8 new infections, 0.04 with an efficacy of 0.95', () => {
  const given = { cuts: 40, contaminated: 0.1, chance: 0.2 };
  expect(expectedTransmissions({ ...given, efficacy: 0 })).toBeCloseTo(0.8, 9);
  expect(expectedTransmissions({ ...given, efficacy: 0.95 })).toBeCloseTo(0.04, 9);
  expect(1 - Math.exp(-0.8)).toBeCloseTo(0.550671, 6);
});

/** A strike cut out, then cuts in green shoots, in a wet June. */
const wetJune = (runs: number): TransmissionInput => ({
  cuts: Array.from({ length: 40 }, (_, i) => ({
    treeId: `t${Math.floor(i / 10)}`,
    disorders: [i % 10 === 0 ? 'FB_SHOOT' : 'WATERSPROUT'],
    infected: i % 10 === 0,
    soft: true,
  })),
  season: 'summer',
  wet: true,
  agentId: 'alcohol-70',
  contactSeconds: 30,
  handlingSeconds: 20,
  sappy: false,
  notifiable: false,
  runs,
  seed: 5,
});

test('runs played out agree with the closed form, and the more often it is cleaned the fewer', () => {
  const { policies, advice, thin } = transmission(wetJune(20_000));
  for (const { expected, simulated } of policies) {
    const { mean, standardError } = simulated as NonNullable<typeof simulated>;
    expect(Math.abs(mean - expected[1])).toBeLessThanOrEqual(4 * standardError + 1e-9);
    expect(expected[0]).toBeLessThanOrEqual(expected[1]);
    expect(expected[1]).toBeLessThanOrEqual(expected[2]);
  }
  const middle = policies.map(({ expected }) => expected[1]);
  expect([...middle].sort((a, b) => b - a)).toEqual(middle);
  // Never: 36 sound cuts, all with a blade that met a strike, at 0.2
  expect(middle[0]).toBeCloseTo(36 * 0.2, 9);
  expect(advice.policy).toBe('every cut');
  expect(thin).toBe(false);
  expect(policies.at(-1)?.minutes).toBeLessThan(policies.at(-2)?.minutes ?? 0);
});

test('dormant, cleaning at every cut avoids little, and the range is wide', () => {
  const { advice, thin } = transmission({ ...wetJune(0), season: 'dormant', wet: false });
  expect(advice.policy).toBe('between trees');
  expect(advice.avoided[2]).toBeGreaterThan(5 * advice.avoided[1]);
  expect(thin).toBe(true);
  const reported = transmission({ ...wetJune(0), season: 'dormant', wet: false, notifiable: true });
  expect(reported.advice.policy).toBe('every cut');
});

// CDC and extension sheets write 1:9 for one part and nine parts of water: a tenth, not a ninth
test.each([
  [9, 100, 5250],
  [10, 90.909, 4772.7],
  [4, 200, 10_500],
])(
  'one part and %i parts of water make a litre with %f mL of a 5.25 %% product: %f ppm',
  (partsWater, ml, ppm) => {
    const said = dilution({ kind: 'parts', productPct: 5.25, partsWater, litres: 1 });
    expect(said.productMl).toBeCloseTo(ml, 2);
    expect(said.waterMl).toBeCloseTo(1000 - ml, 2);
    expect(said.ppm).toBeCloseTo(ppm, 0);
    expect(said.partsWater).toBeCloseTo(partsWater, 6);
  },
);
