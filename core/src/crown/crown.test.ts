import fc from 'fast-check';
import type { Limb } from '../tree/index';
import { largestRemainders } from './crownMap';
import { crownShare, parentMm } from './crownShare';
import { fruitingShare } from './fruiting';
import { crownMap, regrowth, seasonLimits } from './index';

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

describe('share with a calliper', () => {
  // Pipe model, Shinozaki et al. 1964; worked by hand: 2069 of 19 400
  test.each([
    ['four live cuts', [30, 25, 20, 12], 1, 0.106649],
    ['a dead limb of 40 mm beside them adds nothing', [30, 25, 20, 12], 1, 0.106649],
    ['one cut of 60 mm', [60], 1, 0.185567],
    ['an old tree, a fifth of its pipes disused', [30, 25, 20, 12], 0.8, 0.133312],
  ])('%s', (_, cuts, inUse, share) => {
    expect(crownShare(cuts, [90, 80, 70], inUse)).toBeCloseTo(share, 5);
  });

  test('nothing to compare with is an error', () => {
    expect(() => crownShare([30], [])).toThrow('No main limb');
  });

  test('a fork: da Vinci’s rule, and the exponent that was measured', () => {
    expect(parentMm([30, 40])).toBeCloseTo(50, 6);
    expect(parentMm([30, 40], 2.3)).toBeCloseTo(47.9318, 2);
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
  // Common practice and ANSI A300, older text, from memory
  test.each([
    ['a quarter by default', plain, 'evenly', [250, 250, 250]],
    ['a third for a renovation, evenly', { ...plain, renovated: true }, 'evenly', [330, 330, 330]],
    ['or hard at once and then light', { ...plain, renovated: true }, 'hard first', [400, 250, 150]],
    ['half of a peach', { ...plain, species: 'peach' }, 'evenly', [500, 500, 500]],
    ['cherries less', { ...plain, species: 'sweet-cherry' }, 'evenly', [200, 200, 200]],
    ['young trees less', { ...plain, ageYears: 3 }, 'evenly', [150, 150, 150]],
    ['stressed trees a tenth', { ...plain, stressed: true, renovated: true }, 'evenly', [100, 100, 100]],
  ] as const)('%s', (_, given, spread, limits) => {
    expect(seasonLimits(given, 3, 'quarter', spread).limits).toEqual(limits);
  });
});

test('a dormant heading is answered by two to four shoots, a summer cut hardly', () => {
  // Mika 1986 for the direction; the numbers from memory
  expect(regrowth({ kind: 'heading', kerfMm: 15, pass: 'dormant', seasonShare: 0.1 }).shoots).toEqual([2, 4]);
  expect(regrowth({ kind: 'heading', kerfMm: 15, pass: 'summer', seasonShare: 0.1 }).shoots).toEqual([0, 1]);
  expect(regrowth({ kind: 'collar', kerfMm: 60, pass: 'dormant', seasonShare: 0.4 })).toMatchObject({
    shoots: [5, 15],
    lengthFactor: [1.5, 2],
  });
});
