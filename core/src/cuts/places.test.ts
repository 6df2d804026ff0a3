// Places of cuts beside the eleven worked cases: unmapped buds, the leader, the graft union, wood that only stands in the wrong place, dead wood
// alone. Each worked by hand from the rule (docs/methods/cut-position.md) on limbs whose thickness falls evenly from base to tip.
import type { Bud, Limb } from '../tree/index';
import { CutPositionInput, CutPositionResult, cutPosition, deadWoodOff, kerfMm, shapeCut } from './index';

const limb = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  more: Partial<Limb> = {},
): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm,
  baseMm,
  tipMm,
  ageYears: 9,
  kind: 'scaffold',
  bearingDeg: 90,
  inclinationDeg: 30,
  budsComplete: true,
  ...more,
});
const bud = (atCm: number, points: Bud['points'] = 'out', more: Partial<Bud> = {}): Bud => ({
  atCm,
  points,
  kind: 'leaf',
  live: true,
  ...more,
});
const stem = (more: Partial<Limb> = {}) =>
  limb('T', null, 0, 300, 120, 20, { kind: 'trunk', inclinationDeg: 90, ageYears: 14, ...more });
/** 40 mm at its base and 10 at its tip over 150 cm: 25 mm at 75 cm, 24 at 80. */
const S = (more: Partial<Limb> = {}) => limb('S', 'T', 60, 150, 40, 10, more);
const shape = { findingId: 'f', disorder: 'MISPLACED' };
const lesion = (limbId: string, fromCm: number, toCm: number, more: object = {}) => ({
  id: 'x',
  limbId,
  fromCm,
  toCm,
  disorder: 'FB_CANK_A',
  edge: 'definite' as const,
  ...more,
});

describe('wood that only stands in the wrong place', () => {
  test('the whole limb comes off at its collar; a stem does not', () => {
    expect(shapeCut([stem(), S()], 'S', null, shape)).toMatchObject({
      kind: 'collar',
      limbId: 'S',
      atCm: 0,
      shortfallCm: 0,
    });
    expect(shapeCut([stem(), S()], 'T', null, shape)).toBeNull();
    expect(shapeCut([stem(), S()], 'nobody', 50, shape)).toBeNull();
  });

  test('shortened to a bud where one is mapped, to nothing where none is and all are mapped', () => {
    const cut = shapeCut([stem(), S({ buds: [bud(100)] })], 'S', 110, shape);
    expect(cut).toMatchObject({ kind: 'heading', atCm: 100.6 });
    expect(cut?.upToCm).toBeUndefined();
    expect(shapeCut([stem(), S()], 'S', 110, shape)).toBeNull();
  });

  test('where buds are not mapped a bud is to be found: up to there, with the collar behind it', () => {
    const cut = shapeCut([stem(), S({ budsComplete: false })], 'S', 110, shape);
    expect(cut).toMatchObject({ kind: 'collar', atCm: 0, upToCm: 110 });
  });

  test('one bud that is mapped is taken, whether or not others are', () => {
    const cut = shapeCut([stem(), S({ budsComplete: false, buds: [bud(100)] })], 'S', 110, shape);
    expect(cut).toMatchObject({ kind: 'heading', atCm: 100.6 });
    expect(cut?.upToCm).toBeUndefined();
  });

  test('wood too thick and too old is not headed, mapped or not', () => {
    // 30 mm at 50 cm
    expect(shapeCut([stem(), S({ budsComplete: false })], 'S', 50, shape)).toBeNull();
    expect(shapeCut([stem(), S({ budsComplete: false, ageYears: 2 })], 'S', 50, shape)?.upToCm).toBe(50);
  });

  test('where the wood is just 25 mm thick, the last digit of a bud’s place decides nothing', () => {
    // 57 mm at the base, 53 mm less over 159 cm: 25 mm at 96 cm, above a bud at 95.4 cm
    const limbs = [
      stem(),
      S({ lengthCm: 159, baseMm: 57, tipMm: 4, ageYears: 6, buds: [bud(95.39999999999999)] }),
    ];
    expect(shapeCut(limbs, 'S', 97, shape)).toMatchObject({ kind: 'heading', atCm: 96 });
  });

  test('young tips stay where nobody knows what the tree bears on', () => {
    const limbs = [stem(), S({ budsComplete: false, buds: [bud(100)] })];
    expect(shapeCut(limbs, 'S', 110, { ...shape, youngTips: false })).toBeNull();
  });

  test('a side branch within reach is cut to, and the more distal of branch and bud wins', () => {
    const branch = limb('M', 'S', 60, 60, 20, 6, { kind: 'branch' });
    const toBranch = shapeCut([stem(), S({ budsComplete: true }), branch], 'S', 110, shape);
    // 28 mm at the joint, so 2.5 cm beyond the branch: 60 + 1 + 2.5
    expect(toBranch).toMatchObject({ kind: 'reduction', atCm: 63.5 });
    expect(shapeCut([stem(), S({ buds: [bud(100)] }), branch], 'S', 110, shape)).toMatchObject({
      kind: 'heading',
      atCm: 100.6,
    });
    const open = shapeCut([stem(), S({ budsComplete: false }), branch], 'S', 110, shape);
    expect(open).toMatchObject({ kind: 'reduction', atCm: 63.5, upToCm: 110 });
  });
});

describe('what is kept beyond a side branch', () => {
  const at = (baseMm: number, tipMm: number, branchMm: number) =>
    shapeCut(
      [
        stem(),
        limb('S', 'T', 60, 150, baseMm, tipMm),
        limb('M', 'S', 50, 60, branchMm, 4, { kind: 'branch' }),
      ],
      'S',
      140,
      shape,
    );

  test.each([
    // Even thickness: 25 mm is not slender yet, 24.9 is
    [25, 25, 12, 50 + 0.6 + 2.5],
    [24.9, 24.9, 12, 50 + 0.6 + 0.6],
  ])('%d mm even along: kerf at %d', (base, tip, branch, cm) => {
    expect(at(base, tip, branch)?.atCm).toBeCloseTo(cm, 6);
  });

  test.each([
    // A third of the limb up to 50 mm, half of it beyond
    [48, 16, true],
    [48, 15.9, false],
    [50, 16.7, true],
    [50.1, 25.05, true],
    [50.1, 25, false],
  ])('%d mm thick, a branch of %d mm is stout enough: %s', (mm, branch, fits) => {
    expect(at(mm, mm, branch) !== null).toBe(fits);
  });
});

describe('a finding where buds are not mapped', () => {
  const solve = (limbs: Limb[], lesions: object[], clearanceCm = 10) =>
    cutPosition({ limbs, lesions: lesions as never, clearanceCm });

  test('the answer is a range: from the collar up to the place that the clearance allows', () => {
    const { cuts } = solve([stem(), S({ budsComplete: false })], [lesion('S', 120, 130)]);
    expect(cuts).toMatchObject([{ limbId: 'S', atCm: 0, kind: 'collar', upToCm: 110 }]);
  });

  test('two findings on one limb make one range, up to the nearer of the two places', () => {
    const two = [lesion('S', 120, 130), lesion('S', 100, 105, { id: 'y' })];
    const { cuts } = solve([stem(), S({ budsComplete: false })], two);
    expect(cuts).toMatchObject([{ upToCm: 90, lesionIds: ['x', 'y'] }]);
  });

  test('one of them that leaves no choice takes the range away', () => {
    // At 60 cm the wood is 28 mm and old: only the collar is left
    const two = [lesion('S', 120, 130), lesion('S', 70, 75, { id: 'y' })];
    const { cuts } = solve([stem(), S({ budsComplete: false })], two);
    expect(cuts).toHaveLength(1);
    expect(cuts[0]?.upToCm).toBeUndefined();
    expect(cuts[0]?.lesionIds).toEqual(['x', 'y']);
  });

  test('what was passed over stands from the tip inward, whatever it is', () => {
    const branch = limb('M', 'S', 105, 40, 3, 2, { kind: 'branch' });
    const buds = [bud(90, 'up'), bud(108, 'in'), bud(80)];
    const { cuts } = solve([stem(), S({ buds }), branch], [lesion('S', 130, 135)]);
    expect(cuts[0]).toMatchObject({ kind: 'heading', atCm: 80.6 });
    expect(cuts[0]?.because[0]?.passedOver).toEqual([
      { limbId: 'S', atCm: 108, why: 'bud points in' },
      { limbId: 'S', atCm: 105, branchId: 'M', why: 'branch too thin' },
      { limbId: 'S', atCm: 90, why: 'bud points up' },
    ]);
  });
});

describe('on the stem', () => {
  /** Lowest scaffold at 60 cm: above it the stem is leader. 20 mm over 300 cm from 120: 30 mm at 270. */
  const leader = (more: Partial<Limb> = {}) => [stem(more), S()];
  const answer = (limbs: Limb[], fromCm: number, toCm: number) =>
    cutPosition({ limbs, lesions: [lesion('T', fromCm, toCm)], clearanceCm: 5 });

  test('a thin leader with a mapped bud is headed', () => {
    const { cuts, decisions } = answer(leader({ buds: [bud(285)] }), 295, 299);
    expect(decisions).toEqual([]);
    expect(cuts).toMatchObject([{ limbId: 'T', kind: 'heading', atCm: 285.6 }]);
    expect(cuts[0]?.upToCm).toBeUndefined();
  });

  test('a thin leader whose buds are not mapped is a decision, and says that a first live bud would do', () => {
    const { cuts, decisions } = answer(leader({ budsComplete: false }), 295, 299);
    expect(cuts).toEqual([]);
    // 24 mm at 288 cm: thin enough there, at 290 allowed
    expect(decisions).toMatchObject([
      { wood: 'leader', upToCm: 290, choices: ['excise', 'watch', 'lower the leader', 'remove tree'] },
    ]);
  });

  test('one that is mapped and has none, or is too thick there, says nothing of a bud', () => {
    expect(answer(leader(), 295, 299).decisions[0]?.upToCm).toBeUndefined();
    expect(answer(leader({ budsComplete: false }), 200, 210).decisions[0]?.upToCm).toBeUndefined();
  });

  test('a leader that can be lowered to a side branch keeps the range of buds above it', () => {
    const side = limb('M', 'T', 250, 90, 30, 6, { kind: 'branch' });
    const { cuts } = answer([...leader({ budsComplete: false }), side], 295, 299);
    // 36.7 mm at the joint: 250 + 1.5 + 2.5
    expect(cuts).toMatchObject([{ kind: 'reduction', atCm: 254, upToCm: 290 }]);
  });

  test.each([
    [undefined, 5, 'trunk'],
    [20, 5, 'rootstock'],
    [20, 19.9, 'rootstock'],
    [20, 20, 'trunk'],
    [20, 30, 'trunk'],
  ] as const)(
    'with the graft union at %s cm a canker from %d cm is on the %s',
    (graftUnionCm, fromCm, wood) => {
      const { decisions } = answer(
        [stem(graftUnionCm === undefined ? {} : { graftUnionCm }), S()],
        fromCm,
        40,
      );
      expect(decisions).toMatchObject([{ wood, choices: ['excise', 'bridge', 'watch', 'remove tree'] }]);
    },
  );
});

describe('dead wood alone', () => {
  const dead = (limbId: string, fromCm: number) => lesion(limbId, fromCm, 140, { disorder: 'DEAD' });

  test('comes off at the first green bark, counted from the last union below it', () => {
    const branches = [
      limb('M', 'S', 40, 50, 15, 5),
      limb('N', 'S', 90, 50, 12, 5),
      limb('O', 'S', 110, 50, 10, 5),
    ];
    const cut = deadWoodOff([stem(), S(), ...branches], dead('S', 100));
    expect(cut).toMatchObject({ kind: 'stub', limbId: 'S', atCm: 100, shortfallCm: 0 });
    expect(cut?.because[0]?.place).toMatchObject({ kind: 'stub', unionLimbId: 'S', unionCm: 90 });
    expect(deadWoodOff([stem(), S()], dead('S', 100))?.because[0]?.place).toMatchObject({ unionCm: 0 });
  });

  test('not on a stem, not where nothing of the limb is left, not on a limb that is not there', () => {
    expect(deadWoodOff([stem(), S()], dead('T', 100))).toBeNull();
    expect(deadWoodOff([stem(), S()], dead('S', 0))).toBeNull();
    expect(deadWoodOff([stem(), S()], dead('nobody', 50))).toBeNull();
    expect(deadWoodOff([stem(), S()], dead('S', 0.1))).not.toBeNull();
  });
});

test.each([
  ['S', 0, 40],
  ['S', 75, 25],
  ['S', 150, 10],
  ['S', 400, 10],
  ['nobody', 10, 0],
])('what the blade must take on %s at %d cm is %d mm', (limbId, atCm, mm) => {
  expect(kerfMm([stem(), S()], { limbId, atCm })).toBeCloseTo(mm, 9);
});

test.each<[string, object[], boolean]>([
  ['to the end of its limb', [lesion('S', 10, 150)], true],
  ['beyond it', [lesion('S', 10, 150.1)], false],
  ['of one point', [lesion('S', 10, 10)], true],
  ['that ends before it begins', [lesion('S', 10.1, 10)], false],
  ['on no limb', [lesion('nobody', 1, 2)], false],
  ['listed twice', [lesion('S', 1, 2), lesion('S', 3, 4)], false],
])('a lesion %s', (_said, lesions, taken) => {
  expect(CutPositionInput.safeParse({ limbs: [stem(), S()], lesions, clearanceCm: 5 }).success).toBe(taken);
});

test('each shape goes by its name in the description of the server', () => {
  for (const [name, schema] of Object.entries({ CutPositionInput, CutPositionResult }))
    expect(schema.meta()?.id).toBe(name);
});
