// Expected places: the eleven worked cases of the cut position rule (docs/methods/cut-position.md), computed there by hand.
import fc from 'fast-check';
import { type Bud, indexLimbs, isDistalOf, type Limb } from '../tree/index';
import { cutPosition } from './cutPosition';
import { type Cut, CutPositionInput, type Lesion } from './model';

const bud = (atCm: number, points: Bud['points']): Bud => ({ atCm, points, kind: 'leaf', live: true });
const limb = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  rest: Partial<Limb>,
): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm,
  baseMm,
  tipMm,
  ageYears: 9,
  kind: 'lateral',
  bearingDeg: 120,
  inclinationDeg: 30,
  budsComplete: true,
  ...rest,
});

function workedTree({ sideBranchMm = 22, budsMapped = true } = {}): Limb[] {
  const buds = [bud(58, 'out'), bud(49, 'up'), bud(41, 'under'), bud(20, 'in')];
  return [
    limb('T', null, 0, 300, 110, 30, { kind: 'trunk', inclinationDeg: 90, ageYears: 14 }),
    limb('S', 'T', 90, 220, 62, 12, { kind: 'scaffold' }),
    limb('Q', 'T', 60, 200, 60, 12, { kind: 'scaffold', bearingDeg: 300 }),
    limb('L', 'S', 140, 90, 24, 5, { ageYears: 3, ...(budsMapped ? { buds } : { budsComplete: false }) }),
    limb('M', 'S', 112, 80, sideBranchMm, 6, { kind: 'branch', bearingDeg: 240 }),
  ];
}

type Span = [limbId: string, fromCm: number, toCm: number];
const lesions = (spans: Span[]): Lesion[] =>
  spans.map(([limbId, fromCm, toCm], i) => ({
    id: `x${i}`,
    limbId,
    fromCm,
    toCm,
    disorder: 'FB_CANK_A',
    edge: 'definite',
  }));
const solve = (limbs: Limb[], spans: Span[], clearanceCm = 30) =>
  cutPosition({ limbs, lesions: lesions(spans), clearanceCm });

describe('the eleven worked cases', () => {
  const cases: [number, Span[], Partial<Cut>, Parameters<typeof workedTree>[0]?][] = [
    [
      1,
      [['L', 80, 86]],
      { limbId: 'L', atCm: 41.6, kind: 'heading', targetLimbId: 'L', targetCm: 50, shortfallCm: 0 },
    ],
    [2, [['L', 72, 80]], { limbId: 'L', atCm: 41.6, kind: 'heading', targetCm: 42 }],
    [3, [['L', 71, 80]], { limbId: 'L', atCm: 0, kind: 'collar', targetCm: 41 }],
    [4, [['L', 12, 20]], { limbId: 'S', atCm: 115.6, kind: 'reduction', targetLimbId: 'S', targetCm: 122 }],
    [5, [['L', 12, 20]], { limbId: 'S', atCm: 0, kind: 'collar', targetCm: 122 }, { sideBranchMm: 11 }],
    [
      6,
      [['Q', 18, 40]],
      { limbId: 'Q', atCm: 0, kind: 'collar', targetLimbId: 'T', targetCm: null, shortfallCm: 12 },
    ],
    [
      9,
      [['S', 10, 25]],
      { limbId: 'S', atCm: 0, kind: 'collar', targetLimbId: 'T', targetCm: 70, shortfallCm: 20 },
    ],
    [
      10,
      [['L', 80, 86]],
      { limbId: 'L', atCm: 0, kind: 'collar', upToCm: 50, targetCm: 50 },
      { budsMapped: false },
    ],
    [11, [['T', 150, 170]], { limbId: 'T', atCm: 95.6, kind: 'reduction', targetCm: 120, shortfallCm: 0 }],
  ];
  test.each(cases.map(([n, spans, expected, tree = {}]) => ({ n, spans, expected, tree })))(
    'case $n',
    ({ spans, expected, tree }) => {
      const { cuts, decisions } = solve(workedTree(tree), spans);
      expect(decisions).toEqual([]);
      expect(cuts).toHaveLength(1);
      expect(cuts[0]).toMatchObject({ swallowedBy: null, ...expected });
      if (expected.upToCm === undefined) expect(cuts[0]?.upToCm).toBeUndefined();
    },
  );

  test('case 7: the cut on wood that another cut takes is swallowed', () => {
    const { cuts } = solve(workedTree(), [
      ['L', 80, 86],
      ['S', 150, 160],
    ]);
    expect(cuts.map((cut) => [cut.limbId, cut.atCm, cut.swallowedBy])).toEqual([
      ['L', 41.6, 1],
      ['S', 115.6, null],
    ]);
  });

  test('case 8: trunk wood has no cut position, it is a decision', () => {
    const { cuts, decisions } = solve(workedTree(), [['T', 30, 45]]);
    expect(cuts).toEqual([]);
    expect(decisions).toMatchObject([
      { limbId: 'T', wood: 'trunk', choices: ['excise', 'bridge', 'watch', 'remove tree'] },
    ]);
  });

  test('figures behind cases 1, 4, 9 and 11', () => {
    const place = (spans: Span[]) => solve(workedTree(), spans).cuts[0]?.because[0]?.place;
    expect(place([['L', 80, 86]])).toMatchObject({
      budAtCm: 41,
      points: 'under',
      limbMm: expect.closeTo(15.2, 1),
    });
    expect(place([['L', 12, 20]])).toMatchObject({
      toLimbId: 'M',
      limbMm: expect.closeTo(36.5, 1),
      neededMm: expect.closeTo(12.2, 1),
    });
    expect(place([['T', 150, 170]])).toMatchObject({ toLimbId: 'S', limbMm: 86, neededMm: 43 });
    expect(solve(workedTree(), [['S', 10, 25]]).cuts[0]?.because[0]?.alternatives).toMatchObject([
      { kind: 'reduction', limbId: 'T', atCm: 65.5, toLimbId: 'Q' },
    ]);
  });
});

describe('what the worked cases leave open', () => {
  test('equal cuts merge and keep both reasons', () => {
    const { cuts } = solve(workedTree(), [
      ['L', 80, 86],
      ['L', 74, 76],
    ]);
    expect(cuts).toHaveLength(1);
    expect(cuts[0]).toMatchObject({
      lesionIds: ['x0', 'x1'],
      targetCm: 44,
      because: [{ lesionId: 'x0' }, { lesionId: 'x1' }],
    });
  });

  test('two ranges to the same collar keep the nearer upper end', () => {
    const { cuts } = solve(workedTree({ budsMapped: false }), [
      ['L', 80, 86],
      ['L', 70, 76],
    ]);
    expect(cuts).toMatchObject([{ limbId: 'L', atCm: 0, upToCm: 40 }]);
  });

  test('an out or under bud within 3 cm is preferred to a sideways one', () => {
    const tree = workedTree();
    (tree[3] as Limb).buds?.push(bud(43.5, 'left'));
    expect(solve(tree, [['L', 80, 86]]).cuts[0]).toMatchObject({ atCm: 41.6 });
    (tree[3] as Limb).buds?.push(bud(45, 'right'));
    expect(solve(tree, [['L', 80, 86]]).cuts[0]).toMatchObject({ atCm: 45.6 });
  });

  // The rule branch by branch, docs/methods/cut-position.md: a dead end says nothing of what stands nearer the trunk
  const dead = (limbId: string, fromCm: number, toCm: number): Lesion => ({
    id: 'd',
    limbId,
    fromCm,
    toCm,
    disorder: 'DEAD',
    edge: 'definite',
    clearanceCm: 0,
  });
  test.each<[string, Lesion, [number, number, number][], Partial<Cut>]>([
    // [joint, base mm, length] of side branches on S; 60 + 1.5 + 2.5
    [
      'reduced to the sound branch below the dead end',
      dead('S', 90, 200),
      [[60, 30, 80]],
      { limbId: 'S', atCm: 64 },
    ],
    [
      'a branch on the dead wood cannot take over',
      dead('S', 120, 200),
      [[140, 30, 60]],
      { limbId: 'S', atCm: 0 },
    ],
    ['nor one at the very edge of it', dead('S', 120, 200), [[120, 30, 60]], { limbId: 'S', atCm: 0 }],
  ])('%s', (_, lesion, branches, expected) => {
    const limbs = [
      ...workedTree().slice(0, 3),
      ...branches.map(([jointCm, mm, lengthCm], i) => limb(`B${i}`, 'S', jointCm, lengthCm, mm, 6, {})),
    ];
    expect(cutPosition({ limbs, lesions: [lesion], clearanceCm: 0 }).cuts[0]).toMatchObject(expected);
  });

  test('a top dead from 90 cm is lowered to the sound scaffold at 60', () => {
    const { cuts, decisions } = cutPosition({
      limbs: workedTree(),
      lesions: [dead('T', 90, 300)],
      clearanceCm: 0,
    });
    expect(decisions).toEqual([]);
    expect(cuts[0]).toMatchObject({ limbId: 'T', atCm: 65.5, kind: 'reduction' });
  });

  test('dead from its middle on it can take over, from nearer it cannot', () => {
    const on = (fromCm: number) =>
      cutPosition({
        limbs: workedTree(),
        lesions: [...lesions([['L', 12, 20]]), dead('M', fromCm, 80)],
        clearanceCm: 30,
      }).cuts.find((cut) => cut.lesionIds.includes('x0'));
    expect(on(40)).toMatchObject({ limbId: 'S', atCm: 115.6 });
    expect(on(39.9)).toMatchObject({ limbId: 'S', atCm: 0 });
  });

  // S 20 mm at 60, M 10 mm: 60 + 0.5 + 0.6; half of 50 mm and more, a third below
  test.each<[string, number, number, number, number]>([
    ['slender wood keeps 0.6 cm', 20, 10, 92, 61.1],
    ['25 mm keeps 2.5 cm', 25, 10, 96, 63],
    ['a third of 50 mm is enough', 50, 17, 96, 63.35],
    ['over 50 mm it takes half', 50.1, 17, 96, 0],
    ['half of over 50 mm', 50.1, 25.1, 96, 63.755],
  ])('%s', (_, sMm, mMm, edgeCm, atCm) => {
    const limbs = [
      limb('T', null, 0, 300, 110, 30, { kind: 'trunk', inclinationDeg: 90 }),
      limb('S', 'T', 90, 200, sMm, sMm, { kind: 'scaffold', ageYears: 9 }),
      limb('M', 'S', 60, 80, mMm, 4, {}),
    ];
    expect(solve(limbs, [['S', edgeCm, edgeCm + 5]]).cuts[0]).toMatchObject({ limbId: 'S', atCm });
  });

  test('an open canker whose cut waits makes its branch no sounder', () => {
    const waits: Lesion = { ...dead('M', 30, 40), disorder: 'SIL' };
    const on = (alsoOpen: Lesion[]) =>
      cutPosition({ limbs: workedTree(), lesions: lesions([['L', 12, 20]]), alsoOpen, clearanceCm: 30 })
        .cuts[0];
    expect(on([])).toMatchObject({ atCm: 115.6 });
    expect(on([waits])).toMatchObject({ limbId: 'S', atCm: 0 });
  });

  test('a cut between two buds swallows only what lies beyond its outermost place', () => {
    // L headed somewhere up to 50 with its buds unmapped; a cut on a twig at 30 may stay, one at 60 goes
    const tree = [
      ...workedTree({ budsMapped: false }),
      limb('N', 'L', 30, 40, 8, 3, {}),
      limb('O', 'L', 60, 40, 8, 3, {}),
    ];
    const spans: Span[] = [
      ['L', 80, 86],
      ['N', 30, 34],
      ['O', 30, 34],
    ];
    const { cuts } = solve(tree, spans, 30);
    const of = (id: string) => cuts.find((cut) => cut.lesionIds.includes(id));
    expect(of('x0')).toMatchObject({ limbId: 'L', atCm: 0, upToCm: 50 });
    expect(of('x1')).toMatchObject({ limbId: 'N', swallowedBy: null });
    expect(of('x2')).toMatchObject({ limbId: 'O', swallowedBy: cuts.indexOf(of('x0') as Cut) });
  });

  test.each([
    ['diseased on what it carries', { id: 'm', limbId: 'N', fromCm: 20, toCm: 22, disorder: 'NEO' }],
    ['dead', { id: 'm', limbId: 'M', fromCm: 0, toCm: 80, disorder: 'DEAD' }],
    [
      'suspect, of a disorder not in the table',
      { id: 'm', limbId: 'M', fromCm: 60, toCm: 62, disorder: 'unheard of' },
    ],
  ])('a side branch that is %s cannot take over', (_, spoilt) => {
    const limbs = [...workedTree(), limb('N', 'M', 20, 30, 8, 3, {})];
    const both = [...lesions([['L', 12, 20]]), { ...spoilt, edge: 'definite' as const }];
    const first = cutPosition({ limbs, lesions: both, clearanceCm: 30 }).cuts.find((cut) =>
      cut.lesionIds.includes('x0'),
    );
    expect(first).toMatchObject({ limbId: 'S', atCm: 0 });
  });

  test('a side branch dead only at its tip can still take over', () => {
    const both = [
      ...lesions([['L', 12, 20]]),
      {
        id: 'm',
        limbId: 'M',
        fromCm: 70,
        toCm: 80,
        disorder: 'DEAD',
        edge: 'definite' as const,
        clearanceCm: 0,
      },
    ];
    expect(cutPosition({ limbs: workedTree(), lesions: both, clearanceCm: 30 }).cuts[0]).toMatchObject({
      limbId: 'S',
      atCm: 115.6,
    });
  });

  test.each([
    // u = 122 would need t >= 132; M's union at 112 + 10 <= 122, and 112 + 13 > 122: cut at the target
    ['most distal union that leaves 10 cm', ['L', 12, 20] as Span, { limbId: 'S', atCm: 122, kind: 'stub' }],
    // L joins S at 140; t = 155, so 140 + 13 = 153
    [
      '13 cm beyond the union where there is room',
      ['S', 185, 190] as Span,
      { limbId: 'S', atCm: 153, kind: 'stub' },
    ],
    // t = 5 on L: 0 + 10 > 5, so S counts on: union L at 140 + 10 > 145 no; M 112 + 13 = 125
    [
      'down the parent when the limb is too short',
      ['L', 35, 40] as Span,
      { limbId: 'S', atCm: 125, kind: 'stub' },
    ],
  ])('in-season stub: %s', (_, span, expected) => {
    const { cuts } = cutPosition({
      limbs: workedTree(),
      lesions: lesions([span]),
      clearanceCm: 30,
      inSeasonStub: true,
    });
    expect(cuts[0]).toMatchObject(expected);
  });

  test('an in-season stub counted down past two joints lies on the limb that reaches so far', () => {
    const limbs = [
      ...workedTree(),
      // K on L, first-year wood; its measure runs out before 10 cm, and only L and S count on
      limb('K', 'L', 4, 40, 8, 3, { kind: 'shoot', ageYears: 1 }),
    ].map((part) => (part.id === 'L' ? { ...part, ageYears: 1 } : part));
    const { cuts } = cutPosition({
      limbs,
      lesions: lesions([['K', 35, 38]]),
      clearanceCm: 30,
      inSeasonStub: true,
    });
    // t = 5 on K, 9 on L, 149 on S: the union of M at 112, 13 cm on is 125 on S
    expect(cuts[0]).toMatchObject({ limbId: 'S', atCm: 125, kind: 'stub' });
    const longer = cutPosition({
      limbs: limbs.map((limb) => (limb.id === 'K' ? { ...limb, lengthCm: 60 } : limb)),
      lesions: lesions([['K', 39, 45]]),
      clearanceCm: 30,
      inSeasonStub: true,
    });
    // t = 9 on K, 13 on L, 153 on S: L’s own union at 140, 13 cm on is 153 on S, which is 9 cm up K
    expect(longer.cuts[0]).toMatchObject({ limbId: 'K', atCm: 9, kind: 'stub' });
  });

  test('a root sucker comes off at the stool, with its shortfall', () => {
    const limbs = [...workedTree(), limb('K', null, 0, 90, 14, 4, { kind: 'sucker' })];
    expect(solve(limbs, [['K', 20, 30]]).cuts[0]).toMatchObject({
      limbId: 'K',
      atCm: 0,
      targetLimbId: null,
      shortfallCm: 10,
    });
  });

  test('faults carry their path', () => {
    const bad = {
      limbs: workedTree(),
      lesions: [{ ...lesions([['L', 88, 95]])[0] }, { ...lesions([['Z', 9, 3]])[0], id: 'z' }],
      clearanceCm: 30,
    };
    const paths = CutPositionInput.safeParse(bad).error?.issues.map((issue) => issue.path.join('.'));
    expect(paths).toEqual(['lesions.0.toCm', 'lesions.1.limbId', 'lesions.1.fromCm']);
  });
});

describe('properties on generated trees', () => {
  const directions = ['out', 'in', 'up', 'under', 'left', 'right'] as const;
  const tenth = (max: number) => fc.integer({ min: 0, max: max * 10 }).map((n) => n / 10);
  const share = fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000);

  const tree = fc
    .record({
      scaffolds: fc.array(
        fc.record({
          joint: share,
          length: fc.integer({ min: 20, max: 250 }),
          base: fc.integer({ min: 8, max: 90 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      others: fc.array(
        fc.record({
          parent: fc.nat(30),
          joint: share,
          length: fc.integer({ min: 5, max: 120 }),
          base: fc.integer({ min: 3, max: 45 }),
          age: fc.integer({ min: 1, max: 9 }),
          buds: fc.array(fc.record({ at: share, points: fc.constantFrom(...directions) }), { maxLength: 6 }),
          complete: fc.boolean(),
        }),
        { maxLength: 10 },
      ),
    })
    .map(({ scaffolds, others }) => {
      const limbs: Limb[] = [limb('T', null, 0, 300, 120, 20, { kind: 'trunk', inclinationDeg: 90 })];
      scaffolds.forEach((s, i) => {
        limbs.push(limb(`S${i}`, 'T', s.joint * 300, s.length, s.base, 4, { kind: 'scaffold' }));
      });
      others.forEach((o, i) => {
        const parent = limbs[o.parent % limbs.length] as Limb;
        limbs.push(
          limb(`L${i}`, parent.id, o.joint * parent.lengthCm, o.length, o.base, 2, {
            ageYears: o.age,
            budsComplete: o.complete,
            buds: o.buds.map((b) => bud(b.at * o.length, b.points)),
          }),
        );
      });
      return limbs;
    });
  const spot = fc.record({
    limb: fc.nat(30),
    at: share,
    disorder: fc.constantFrom('FB_CANK_A', 'NEO', 'DEAD', 'BRK'),
    clearanceCm: tenth(60),
  });
  type Spot = { limb: number; at: number; disorder: string; clearanceCm: number };
  const lesionAt = (limbs: Limb[], s: Spot, id: string): Lesion => {
    const on = limbs[s.limb % limbs.length] as Limb;
    const fromCm = s.at * on.lengthCm;
    return {
      id,
      limbId: on.id,
      fromCm,
      toCm: on.lengthCm,
      disorder: s.disorder,
      edge: 'definite',
      clearanceCm: s.clearanceCm,
    };
  };
  const run = (limbs: Limb[], list: Lesion[], inSeasonStub = false) =>
    cutPosition({ limbs, lesions: list, clearanceCm: 30, inSeasonStub });

  /** The cut that takes the wood of a lesion in the end, followed through what swallowed it. */
  function effective(result: ReturnType<typeof cutPosition>, lesionId: string): Cut | null {
    const cut = own(result, lesionId);
    return cut && cut.swallowedBy !== null ? (result.cuts[cut.swallowedBy] as Cut) : cut;
  }
  function own(result: ReturnType<typeof cutPosition>, lesionId: string): Cut | null {
    return result.cuts.find((cut) => cut.lesionIds.includes(lesionId)) ?? null;
  }
  /** True when `now` keeps no wood that `before` took, at every place the two ranges allow. */
  function notOutward(limbs: Limb[], before: Cut | null, now: Cut | null): boolean {
    if (!before) return true;
    if (!now) return false;
    if (before.limbId === now.limbId) return now.atCm <= before.atCm + 1e-6;
    return isDistalOf(indexLimbs(limbs), before.limbId, before.atCm, now.limbId, now.atCm);
  }

  test('the kerf keeps the clearance, or states by how much it does not', () => {
    fc.assert(
      fc.property(
        tree,
        fc.array(spot, { minLength: 1, maxLength: 6 }),
        fc.boolean(),
        (limbs, spots, stub) => {
          for (const cut of run(
            limbs,
            spots.map((s, i) => lesionAt(limbs, s, `x${i}`)),
            stub,
          ).cuts) {
            for (const why of cut.because) {
              expect(why.reachedCm + why.shortfallCm).toBeGreaterThanOrEqual(why.clearanceCm - 1e-4);
              expect(why.shortfallCm > 0).toBe(why.reachedCm < why.clearanceCm - 1e-5);
              if (why.target.on === 'limb') expect(why.shortfallCm).toBe(0);
            }
          }
        },
      ),
      { numRuns: 400 },
    );
  });

  test('more clearance never moves the cut outward', () => {
    fc.assert(
      fc.property(tree, spot, tenth(40), fc.boolean(), (limbs, s, more, stub) => {
        const near = effective(run(limbs, [lesionAt(limbs, s, 'x')], stub), 'x');
        const far = run(limbs, [lesionAt(limbs, { ...s, clearanceCm: s.clearanceCm + more }, 'x')], stub);
        expect(far.decisions.length === 1 || notOutward(limbs, near, effective(far, 'x'))).toBe(true);
      }),
      { numRuns: 600 },
    );
  });

  test('adding a lesion never moves a cut outward', () => {
    fc.assert(
      fc.property(tree, fc.array(spot, { minLength: 1, maxLength: 4 }), spot, (limbs, spots, extra) => {
        const list = spots.map((s, i) => lesionAt(limbs, s, `x${i}`));
        const before = run(limbs, list);
        const after = run(limbs, [...list, lesionAt(limbs, extra, 'extra')]);
        // Where the new lesion leaves a leader no place to be lowered to, its cut becomes a decision and swallows nothing any more.
        const newDecision = after.decisions.some(
          (d) => !before.decisions.some((b) => b.lesionId === d.lesionId) && d.lesionId !== 'extra',
        );
        for (const lesion of list) {
          if (after.decisions.some((d) => d.lesionId === lesion.id)) continue;
          const was = newDecision ? own(before, lesion.id) : effective(before, lesion.id);
          expect(notOutward(limbs, was, effective(after, lesion.id))).toBe(true);
        }
      }),
      { numRuns: 600 },
    );
  });
});
