import fc from 'fast-check';
import type { Limb } from '../tree/index';
import { largestRemainders } from './crownMap';
import { fruitingShare } from './fruiting';
import { crownMap, headingFraction, limitSchools, regrowth, seasonLimits } from './index';

const tree = { species: 'apple', habit: 'spur' } as const;

function limb(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  more: Partial<Limb> = {},
): Limb {
  return {
    id,
    parentId,
    jointCm,
    lengthCm,
    baseMm,
    tipMm,
    ageYears: 8,
    kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'lateral',
    bearingDeg: 0,
    inclinationDeg: parentId === null ? 90 : 40,
    ...more,
  };
}

describe('dead wood carries no crown, from where it is dead', () => {
  const frame = [
    limb('T', null, 0, 150, 120, 60),
    limb('A', 'T', 100, 200, 60, 10),
    limb('B', 'T', 120, 200, 60, 10),
  ];
  const shareOf = (limbId: string, dead: { limbId: string; fromCm: number }[], limbs = frame) =>
    crownMap(limbs, dead, new Map(), tree)
      .pieces.filter((piece) => piece.limbId === limbId)
      .reduce((sum, piece) => sum + piece.crown, 0);

  // By the pipe model a limb dead from s feeds d(0)² − d(s)² of its d(0)²: 60 mm less 0.25 mm a cm
  test.each([
    [0, 0],
    [1, 5],
    [100, 333],
    [199, 492],
    [200, 500],
  ])('dead from %i of 200 cm, of two equal limbs', (fromCm, thousandths) => {
    const rest = (60 ** 2 - (60 - 0.25 * fromCm) ** 2) / 60 ** 2;
    const expected = fromCm === 200 ? 500 : Math.round((1000 * rest) / (1 + rest));
    expect(shareOf('A', [{ limbId: 'A', fromCm }])).toBeGreaterThanOrEqual(expected - 1);
    expect(shareOf('A', [{ limbId: 'A', fromCm }])).toBeLessThanOrEqual(expected + 1);
    expect(Math.abs(expected - thousandths)).toBeLessThanOrEqual(fromCm === 100 ? 70 : 12);
  });

  test('what stands on the living part keeps its share', () => {
    const limbs = [...frame, limb('C', 'A', 20, 80, 30, 5)];
    const dead = [{ limbId: 'A', fromCm: 25 }];
    expect(shareOf('C', dead, limbs)).toBeGreaterThan(100);
    expect(shareOf('C', [{ limbId: 'A', fromCm: 15 }], limbs)).toBe(0);
  });

  test('a stub carries none', () => {
    const stub = { ...limb('A', 'T', 100, 12, 60, 57), uncutLengthCm: 200 };
    expect(shareOf('A', [], [frame[0] as Limb, stub, frame[2] as Limb])).toBeLessThan(100);
  });
});

describe('the crown shared from the trunk out', () => {
  const noBreaks = new Map<string, number[]>();
  const byLimb = (limbs: Limb[], dead: { limbId: string; fromCm: number }[] = []) => {
    const sums: Record<string, number> = {};
    for (const { limbId, crown } of crownMap(limbs, dead, noBreaks, tree).pieces)
      sums[limbId] = (sums[limbId] ?? 0) + crown;
    return sums;
  };

  // A stem that ends at its topmost joint, three scaffolds of 90, 80 and 70 mm: 8100, 6400 and 4900 of 19 400
  const three = [
    limb('T', null, 0, 100, 130, 110),
    limb('A', 'T', 90, 200, 90, 10),
    limb('B', 'T', 95, 200, 80, 10),
    limb('C', 'T', 100, 200, 70, 10),
  ];

  test('three scaffolds by their sections, worked by hand', () => {
    expect(byLimb(three)).toEqual({ A: 417, B: 330, C: 253 });
  });

  test('a side branch of half the thickness takes a fifth of its scaffold', () => {
    // A: 90² = 8100 for itself, 45² = 2025 for the branch: a fifth of 417 is 83.4
    expect(byLimb([...three, limb('D', 'A', 100, 120, 45, 5)])).toMatchObject({
      A: 334,
      D: 83,
      B: 330,
      C: 253,
    });
  });

  test('dead wood carries nothing, and the living crown is still the whole', () => {
    // 8100 and 4900 of 13 000
    expect(byLimb(three, [{ limbId: 'B', fromCm: 0 }])).toEqual({ A: 623, C: 377 });
  });

  test('a leader beyond the topmost joint is a limb of its own', () => {
    // At 100 cm the stem is 130 − 100·100/300 = 96.7 mm: 9344 beside 8100
    const led = [limb('T', null, 0, 300, 130, 30), limb('A', 'T', 100, 200, 90, 10)];
    expect(byLimb(led)).toEqual({ T: 536, A: 464 });
  });

  // A stem that is a stump above its scaffolds, so that they are the whole crown
  const stump = limb('T', null, 0, 100, 130, 120);
  const joined = (at: number, mm: number) => [
    stump,
    limb('A', 'T', 90, 200, 30, 15),
    limb('D', 'A', at, 80, mm, 3),
  ];

  // A gives off 30² − 15² = 675 on its way and has 225 left at its end
  test.each([
    ['goes on as a limb of seven tenths its tip: the end is that limb', 200, 10.5, 110.25, 675],
    ['a thinner one hangs beside the end', 200, 10.4, 108.16, 900],
    ['goes on from 1 cm before its end', 199, 10.5, 110.25, 675],
    ['from farther in it hangs beside the end', 198.9, 10.5, 110.25, 900],
  ])('%s', (_, at, mm, onD, onA) => {
    const d = Math.round((1000 * onD) / (onD + onA));
    expect(byLimb(joined(at, mm))).toEqual({ A: 1000 - d, D: d });
  });

  // A and B stand on one stem, 30 mm each; D, 10 mm, on A
  const pair = (a: Partial<Limb>, at = 100) => {
    const sums = byLimb([
      stump,
      { ...limb('A', 'T', 90, 200, 30, 10), ...a },
      limb('B', 'T', 95, 200, 30, 10),
      limb('D', 'A', at, 80, 10, 3),
    ]);
    return [sums.A, sums.B, sums.D];
  };
  test.each<[string, Partial<Limb>, number, number, number, number]>([
    // Its section feeds D and what it gives off: 100 + 30² − 16² = 744 of 900
    ['cut back to 16 mm', { tipMm: 16, uncutLengthCm: 400 }, 100, 744, 100, 644],
    [
      'cut back to 15 mm, which is no thicker than a tip',
      { tipMm: 15, uncutLengthCm: 400 },
      100,
      900,
      100,
      900,
    ],
    ['16 mm at its end, and never cut', { tipMm: 16 }, 100, 900, 100, 900],
    ['20 mm at its end, with a limb 10 cm before it: a stub', { tipMm: 20 }, 190, 900, 100, 500],
    ['20 mm at its end, with a limb farther in', { tipMm: 20 }, 189, 900, 100, 900],
  ])('a limb %s', (_, a, at, section, onD, onA) => {
    const whole = (1000 * section) / (section + 900);
    const [ownA, ownB, ownD] = pair(a, at);
    expect(Math.abs((ownA ?? 0) + (ownD ?? 0) - whole)).toBeLessThan(1);
    expect(Math.abs((ownB ?? 0) - (1000 - whole))).toBeLessThan(1);
    expect(Math.abs((ownD ?? 0) - (whole * onD) / (onD + onA))).toBeLessThan(1);
  });

  test.each<[string, Limb, number, boolean]>([
    ['10 cm beyond the topmost joint', limb('T', null, 0, 100, 130, 10), 90, true],
    ['9 cm beyond it', limb('T', null, 0, 100, 130, 10), 91, false],
    ['four fifths as thick as at it', limb('T', null, 0, 300, 120, 80), 150, true],
    ['hardly thinner than at it', limb('T', null, 0, 300, 120, 80.2), 150, false],
    ['headed, and long', limb('T', null, 0, 200, 130, 60, { uncutLengthCm: 300 }), 100, true],
  ])('a stem that ends %s has a leader: %s', (_, stem, jointCm, led) => {
    const sums = byLimb([stem, limb('A', 'T', jointCm, 200, 90, 10)]);
    // What the stem still has at the joint, beside 8100
    const mm = stem.baseMm + (stem.tipMm - stem.baseMm) * (jointCm / stem.lengthCm);
    const leader = led ? Math.round((1000 * mm * mm) / (mm * mm + 8100)) : undefined;
    expect(sums).toEqual({ ...(leader && { T: leader }), A: 1000 - (leader ?? 0) });
  });

  test('a bare stem is its own crown, a living root sucker has its share, a dead one none', () => {
    expect(byLimb([stump])).toEqual({ T: 1000 });
    const sucker = limb('K', null, 0, 60, 30, 3, { kind: 'sucker' });
    const limbs = [stump, limb('A', 'T', 90, 200, 30, 10), sucker];
    expect(byLimb(limbs)).toEqual({ A: 500, K: 500 });
    expect(byLimb(limbs, [{ limbId: 'K', fromCm: 0 }])).toEqual({ A: 1000 });
    expect(byLimb(limbs, [{ limbId: 'K', fromCm: 1 }]).K).toBeGreaterThan(0);
    expect(
      crownMap(
        limbs,
        limbs.map(({ id }) => ({ limbId: id, fromCm: 0 })),
        noBreaks,
        tree,
      ),
    ).toEqual({
      pieces: [],
      guessedLimbIds: [],
      limbCount: 0,
    });
  });

  test('pieces end at joints and at kerfs on living wood, and each bears by the age of its middle', () => {
    const limbs = [limb('T', null, 0, 300, 130, 30), ...joined(100, 10).slice(1)];
    const kerfs = new Map([
      ['A', [50, 50, 190, 200, 250, 0]],
      ['T', [90, 89, 200]],
    ]);
    const { pieces } = crownMap(limbs, [], kerfs, tree);
    const on = (id: string) => pieces.filter(({ limbId }) => limbId === id);
    expect(on('A').map(({ fromCm, toCm }) => [fromCm, toCm])).toEqual([
      [0, 50],
      [50, 100],
      [100, 190],
      [190, 200],
    ]);
    expect(on('T').map(({ fromCm, toCm }) => [fromCm, toCm])).toEqual([
      [90, 200],
      [200, 300],
    ]);
    // Eight years over 200 cm: four in the middle, one at 195 cm, which bears a tenth on spurs
    const [, , , last] = on('A');
    expect(on('A').map(({ crown, fruit }) => fruit === crown)).toEqual([true, true, true, false]);
    expect(last?.fruit).toBe(Math.round((last?.crown ?? 0) * 0.1));
    expect(
      crownMap(limbs, [{ limbId: 'A', fromCm: 120 }], kerfs, tree)
        .pieces.filter(({ limbId }) => limbId === 'A')
        .at(-1)?.toCm,
    ).toBe(120);
  });

  test('guessed thicknesses are told', () => {
    const [stem, first, ...rest] = three as [Limb, Limb, ...Limb[]];
    expect(crownMap([stem, { ...first, guessed: true }, ...rest], [], noBreaks, tree)).toMatchObject({
      guessedLimbIds: ['A'],
      limbCount: 3,
    });
  });

  test('pieces add up to 1000 whatever is cut where', () => {
    const cuts = fc.array(fc.tuple(fc.constantFrom('A', 'B', 'C', 'D'), fc.integer({ min: 0, max: 120 })), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(cuts, (kerfs) => {
        const breaks = new Map<string, number[]>();
        for (const [id, at] of kerfs) breaks.set(id, [...(breaks.get(id) ?? []), at]);
        const { pieces } = crownMap([...three, limb('D', 'A', 100, 120, 45, 5)], [], breaks, tree);
        expect(pieces.reduce((sum, piece) => sum + piece.crown, 0)).toBe(1000);
        for (const piece of pieces) expect(piece.fruit).toBeLessThanOrEqual(piece.crown);
      }),
    );
  });

  test('largest remainders add up', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 9999 }), { minLength: 1 }),
        fc.nat(1000),
        (weights, sum) => {
          const units = largestRemainders(weights, sum);
          const some = weights.some((weight) => weight > 0);
          expect(units.reduce((a, b) => a + b, 0)).toBe(some ? sum : 0);
        },
      ),
    );
  });
});

describe('what bears', () => {
  // Extension bulletins on fruiting habit, from memory: peach on last year's shoots, apple on spurs, apricot up to four years
  test.each([
    ['peach', 'unknown', 1, 1],
    ['peach', 'unknown', 5, 0.2],
    ['apple', 'spur', 1, 0.1],
    ['apple', 'spur', 4, 1],
    ['apple', 'unknown', 4, 0.5],
    ['apple', 'spur', 2, 1],
    ['apple', 'spur', 10, 1],
    ['apple', 'spur', 11, 0.6],
    ['apple', 'tip', 2, 1],
    ['apple', 'tip', 3, 0.3],
    ['apple', 'partial tip', 6, 1],
    ['apple', 'partial tip', 7, 0.5],
    ['apple', 'last year’s shoots', 3, 0.2],
    ['apple', 'unknown', 40, 0.5],
    ['apricot', 'spur', 4, 1],
    ['apricot', 'spur', 6, 0.3],
  ] as const)('%s (%s) on wood of %i years: %f', (species, habit, years, share) => {
    expect(fruitingShare({ species, habit }, years)).toBe(share);
  });
});

describe('how much in a season', () => {
  const plain = {
    species: 'apple',
    ageYears: 20,
    vigour: 'moderate',
    renovated: false,
    wild: false,
    stressed: false,
  } as const;
  const renovated = { ...plain, renovated: true } as const;
  // Common practice and ANSI A300, older text, from memory; each row with where a warning begins and why
  test.each([
    ['a quarter by default', plain, 'evenly', [250, 250, 250], 200, 'school'],
    ['a third for a renovation, evenly', renovated, 'evenly', [330, 330, 330], 264, 'renovated evenly'],
    [
      'of a strong wild tree more',
      { ...renovated, wild: true, vigour: 'strong' },
      'evenly',
      [400, 400, 400],
      320,
      'renovated evenly',
    ],
    [
      'of a tree that is only wild not',
      { ...renovated, wild: true },
      'evenly',
      [330, 330, 330],
      264,
      'renovated evenly',
    ],
    [
      'of one that is only strong not',
      { ...renovated, vigour: 'strong' },
      'evenly',
      [330, 330, 330],
      264,
      'renovated evenly',
    ],
    [
      'or hard at once and then light, if it is strong',
      { ...renovated, vigour: 'strong' },
      'hard first',
      [400, 100, 100],
      330,
      'renovated hard first',
    ],
    [
      'a strong pear too',
      { ...renovated, vigour: 'strong', species: 'pear' },
      'hard first',
      [400, 100, 100],
      330,
      'renovated hard first',
    ],
    [
      'one that is not strong never',
      renovated,
      'hard first',
      [330, 330, 330],
      264,
      'not strong enough to be hard',
    ],
    [
      'nor a strong plum',
      { ...renovated, vigour: 'strong', species: 'japanese-plum' },
      'hard first',
      [330, 330, 330],
      264,
      'not strong enough to be hard',
    ],
    [
      'the shoots of a peach, not its crown',
      { ...renovated, species: 'peach' },
      'evenly',
      [1000, 1000, 1000],
      800,
      'bears on last year’s shoots',
    ],
    [
      'those of a nectarine',
      { ...plain, species: 'nectarine' },
      'evenly',
      [1000, 1000, 1000],
      800,
      'bears on last year’s shoots',
    ],
    [
      'cherries less',
      { ...plain, species: 'sweet-cherry' },
      'evenly',
      [200, 200, 200],
      160,
      'cherry or plum',
    ],
    [
      'trees of four years less',
      { ...plain, ageYears: 4, species: 'peach' },
      'evenly',
      [150, 150, 150],
      120,
      'young',
    ],
    ['trees of five as others', { ...plain, ageYears: 5 }, 'evenly', [250, 250, 250], 200, 'school'],
    [
      'trees of unknown age as others',
      { ...plain, ageYears: null },
      'evenly',
      [250, 250, 250],
      200,
      'school',
    ],
    ['weak trees less', { ...renovated, vigour: 'weak' }, 'evenly', [150, 150, 150], 120, 'weak'],
    [
      'stressed trees a tenth',
      { ...renovated, stressed: true, ageYears: 3 },
      'evenly',
      [100, 100, 100],
      80,
      'stressed',
    ],
  ] as const)('%s', (_, given, spread, limits, warnsFrom, code) => {
    expect(seasonLimits(given, 3, 'quarter', spread)).toMatchObject({ limits, warnsFrom, because: { code } });
  });

  // Extension handbooks on peach: half of last year’s shoots, from memory; a quarter of older wood: common practice, no source
  test('a peach may lose half of last year’s shoots and a quarter of its older wood, whoever else speaks first', () => {
    const peachOf = (more: object) =>
      seasonLimits({ ...plain, species: 'peach', ...more }, 1, 'third', 'evenly').peach;
    expect(peachOf({})).toEqual({ shoots: 500, olderWood: 250 });
    for (const more of [{ ageYears: 4 }, { vigour: 'weak' }, { stressed: true }, { ownLimit: 120 }])
      expect(peachOf(more)).toBeUndefined();
    expect(seasonLimits(plain, 1, 'third', 'evenly').peach).toBeUndefined();
  });

  test('each school has its own limit, which no other rule but that of peaches and renovations goes beyond', () => {
    for (const { id, limit, warnsFrom } of limitSchools) {
      expect(seasonLimits(plain, 1, id, 'evenly')).toEqual({
        limits: [limit],
        warnsFrom,
        because: { code: 'school', values: { schoolId: id } },
      });
      for (const less of [{ ageYears: 3 }, { vigour: 'weak' as const }, { species: 'sour-cherry' }])
        expect(seasonLimits({ ...plain, ...less }, 1, id, 'evenly').limits[0]).toBeLessThanOrEqual(limit);
    }
    expect(limitSchools.map(({ limit }) => limit)).toEqual([200, 250, 300, 330]);
  });

  // Common practice, no source: six tenths of young and weak trees, eight of cherry and plum
  test.each([
    [{ ageYears: 4 }, 'young', [120, 150, 180, 198]],
    [{ vigour: 'weak' }, 'weak', [120, 150, 180, 198]],
    [{ species: 'european-plum' }, 'cherry or plum', [160, 200, 240, 264]],
    // The smallest speaks, and the product never
    [{ species: 'sweet-cherry', vigour: 'weak' }, 'weak', [120, 150, 180, 198]],
    [{ species: 'sweet-cherry', vigour: 'weak', ageYears: 2 }, 'young', [120, 150, 180, 198]],
  ] as const)('%j turns the limit of each school: %s', (more, code, limits) => {
    const answers = limitSchools.map(({ id }) => seasonLimits({ ...plain, ...more }, 1, id, 'evenly'));
    expect(answers.map((answer) => answer.limits[0])).toEqual(limits);
    for (const { because } of answers) expect(because.code).toBe(code);
  });

  // Extension bulletins, figures common practice
  test.each([
    ['peach', 0.5],
    ['apple', 0.25],
    ['quince', 0.1],
    ['a fruit that no table knows', 0.25],
  ])('a shoot of %s is headed by %f', (species, share) => expect(headingFraction(species)).toBe(share));
});

// Mika 1986 for the direction; the numbers from memory
test.each([
  ['heading', 15, 'dormant', 0.1, [2, 4], [1, 1], ['shortened']],
  ['stub', 49, 'dormant', 0.3, [2, 4], [1, 1], ['shortened']],
  ['reduction', 15, 'dormant', 0.31, [0, 2], [1.5, 2], ['shortened', 'much goes at once']],
  ['collar', 49, 'dormant', 0.1, [0, 1], [1, 1], ['taken at its collar']],
  ['collar', 50, 'dormant', 0.4, [5, 15], [1.5, 2], ['large wound', 'much goes at once']],
  ['heading', 60, 'summer', 0.4, [0, 1], [1, 1], ['cut in summer']],
] as const)(
  'a %s of %i mm, %s, with %f of the crown, is answered by %j shoots',
  (kind, kerfMm, pass, seasonShare, shoots, lengthFactor, codes) => {
    const answer = regrowth({ kind, kerfMm, pass, seasonShare });
    expect(answer).toMatchObject({
      shoots,
      lengthFactor,
      when: pass === 'summer' ? 'next early summer' : 'early summer',
      where: kind === 'collar' ? 'collar' : 'below the cut',
    });
    expect(answer.because.map(({ code }) => code)).toEqual(codes);
  },
);
