import { manyRuns } from '../testing/index';
import type { Limb } from '../tree/index';
import { PlanInput, planning } from './index';
import { slotsFor } from './prepare';
import { breachOf } from './problem';
import { fault, finding, given, limb, planTree, vase } from './testing/given';

const steps = (input: PlanInput) => planTree(input).plan.steps;

describe('the plan makes sense', () => {
  test('an active canker low on a scaffold of a third of the crown is taken in the first pass', () => {
    const { plan, prepared } = planTree(
      given([finding('canker', 'A', 25, 'FB_CANK_A', { edge: 'indefinite' })], {
        tree: { susceptible: true },
      }),
    );
    expect(plan.steps[0]).toMatchObject({
      candidateId: 'A collar 0',
      season: 1,
      pass: 'dormant',
      solves: [{ findingId: 'canker' }],
    });
    const [taken] = prepared.chosenFrom.filter((priced) => priced.id === 'A collar 0');
    expect(taken?.crown).toBeGreaterThan(250);
    // The least that a must takes is free of the limit
    expect(plan.seasons[0]).toMatchObject({ crown: 0, limit: 250 });
    expect(plan.proof).toMatchObject({ done: true, gap: 0 });
  });

  test('a well-kept tree loses under a tenth', () => {
    const { plan } = planTree(
      given([
        finding('dead', 'A3', 20, 'DEAD'),
        fault('rub', 'B2', 'rubbing', ['B2', 'C1'], 40),
        fault('in', 'D3', 'inward'),
      ]),
    );
    const taken = plan.seasons.reduce((sum, season) => sum + season.crown + season.exempt, 0);
    expect(taken).toBeGreaterThan(0);
    expect(taken).toBeLessThan(100);
  });

  test('a neglected tree nearly fills the limit of two seasons, and most is gone in three', () => {
    const { plan, prepared } = planTree(
      given(neglect(), { tree: { limbs: thicket(), renovated: true, form: 'wild', heightCm: 300 } }),
    );
    const share = plan.seasons.map(({ crown, limit }) => crown / limit);
    expect(share[0]).toBeGreaterThanOrEqual(0.6);
    expect(share[1]).toBeGreaterThanOrEqual(0.6);
    for (const { crown, limit } of plan.seasons) expect(crown).toBeLessThanOrEqual(limit);
    const solved = new Set(plan.steps.flatMap((step) => step.solves.map((solve) => solve.findingId)));
    expect(solved.size / prepared.input.findings.length).toBeGreaterThan(0.75);
  });

  test('a tie beats the saw on a narrow young limb that fills an empty sector', () => {
    const limbs = [
      limb('T', null, 0, 160, 90, { tipMm: 40 }),
      limb('A', 'T', 70, 160, 60, { bearingDeg: 0 }),
      limb('B', 'T', 80, 160, 58, { bearingDeg: 80 }),
      limb('C', 'T', 90, 120, 28, { bearingDeg: 220, inclinationDeg: 68, ageYears: 3 }),
    ];
    const input = given([fault('narrow', 'C', 'narrow union')], {
      tree: { limbs, plantedYear: 2018, heightCm: 240 },
    });
    expect(steps(input)).toMatchObject([{ candidateId: 'C tie down', solves: [{ findingId: 'narrow' }] }]);
  });

  test('mummies are picked always', () => {
    expect(steps(given([finding('mummy', 'B1', 30, 'BRN', { place: 'fruit' })]))).toMatchObject([
      { candidateId: 'B1 pick mummies', season: 1 },
    ]);
  });

  test('disease that only dry summer allows waits for the summer pass', () => {
    expect(
      steps(given([finding('silver', 'A2', 40, 'SIL')], { tree: { species: 'european-plum' } })),
    ).toMatchObject([{ season: 1, pass: 'summer' }]);
  });

  test('a fruiting limb past bearing is renewed from a heel', () => {
    const { prepared } = planTree(
      given([fault('old', 'B1', 'past bearing')], { tree: { species: 'peach' } }),
    );
    const what = prepared.all.find((priced) => priced.id === 'B1 collar 0')?.candidate.what;
    expect(what?.is === 'cut' && what.cut.because[0]?.place).toMatchObject({
      kind: 'collar',
      finish: 'heel',
    });
  });

  test('a whip is headed at knee height', () => {
    const limbs = [limb('T', null, 0, 130, 14, { tipMm: 6, ageYears: 1 })];
    expect(steps(given([], { tree: { limbs, plantedYear: 2025, heightCm: 130 } }))).toMatchObject([
      { candidateId: 'T heading 55', season: 1, pass: 'dormant' },
    ]);
  });

  test('unknown bearing: young tips are kept, the inside is thinned', () => {
    const young = vase().map((part) =>
      part.id === 'A3'
        ? {
            ...part,
            ageYears: 2,
            buds: [{ atCm: 30, points: 'out' as const, kind: 'leaf' as const, live: true }],
          }
        : part,
    );
    const input = (habit: string) =>
      given([fault('low', 'A3', 'too low', ['A3'], 60)], { tree: { limbs: young, habit } });
    const kinds = (habit: string) => planTree(input(habit)).prepared.all.map((priced) => priced.id);
    expect(kinds('spur')).toContain('A3 heading 30.6');
    expect(kinds('unknown')).not.toContain('A3 heading 30.6');
  });
});

describe('what is dead is worth nothing to the frame', () => {
  test.each([
    ['dead', 20, []],
    ['broken', 20, []],
    // 220 cm long: lost from just under its middle on
    ['dead', 109, []],
    ['dead', 111, ['A']],
  ] as const)('a main limb %s from %i cm', (what, fromCm, kept) => {
    const input = given([finding('gone', 'A', fromCm, what === 'dead' ? 'DEAD' : 'BRK', { toCm: 220 })]);
    const { keep } = planTree(input).prepared;
    expect(keep.filter(({ limbId }) => limbId === 'A').map(({ limbId }) => limbId)).toEqual(kept);
    expect(keep.some(({ limbId }) => limbId === 'B')).toBe(true);
  });

  test('and is not left standing', () => {
    const input = given([finding('gone', 'A', 10, 'DEAD', { toCm: 220 })]);
    expect(steps(input).some((step) => step.solves.some((solve) => solve.findingId === 'gone'))).toBe(true);
  });

  test('disease over more than half of it, in pieces that overlap', () => {
    const sick = (to: number) => [
      finding('one', 'A', 20, 'NEO', { toCm: 90 }),
      finding('two', 'A', 60, 'NEO', { toCm: to }),
    ];
    const kept = (to: number) => planTree(given(sick(to))).prepared.keep.some(({ limbId }) => limbId === 'A');
    expect(kept(129)).toBe(true);
    expect(kept(131)).toBe(false);
  });
});

describe('musts', () => {
  const canker = (more: object) =>
    finding('canker', 'A', 120, 'NEO', { active: true, girdledShare: 0.1, ...more });
  const met = (input: PlanInput) =>
    steps(input).flatMap((step) => step.solves.map((solve) => [solve.findingId, step.candidateId]));

  test('paring never meets one by itself; where the caretaker lifts it, it is a choice', () => {
    const { prepared, plan } = planTree(given([canker({})], { plan: { season: 'dormant' } }));
    const excise = prepared.chosenFrom.findIndex((priced) => priced.id === 'A excise');
    expect(excise).toBeGreaterThanOrEqual(0);
    expect(prepared.problem.candidates[excise]?.solves).toEqual([]);
    expect(plan.steps[0]).toMatchObject({ season: 1, pass: 'dormant' });
    const lifted = planTree(given([canker({})], { plan: { lifted: ['canker'] } })).prepared;
    expect(lifted.problem.candidates[excise]?.solves).toHaveLength(1);
  });

  test('nor is a strike left on a resistant cultivar by itself', () => {
    const strike = finding('strike', 'A1', 40, 'FB_SHOOT');
    const plan = (more: object) => met(given([strike], { tree: { resistant: true }, plan: more }));
    expect(plan({}).map(([, candidate]) => candidate)).not.toContain('A1 leave the strike');
    expect(plan({})).toHaveLength(1);
  });

  test('wood that may come down is one, in the first pass', () => {
    const broken = finding('broken', 'B2', 30, 'BRK');
    const slot = (danger: boolean) =>
      planTree(given([{ ...broken, danger }])).prepared.problem.problems.find(({ id }) => id === 'broken')
        ?.mustBy;
    expect(slot(true)).toBe(0);
    expect(slot(false)).toBeNull();
  });

  test('what is healed or held makes no other problem worth more', () => {
    const value = (more: object) =>
      planTree(
        given([finding('dead', 'A3', 30, 'DEAD'), finding('other', 'A3', 60, 'NEO', more)]),
      ).prepared.problem.problems.find(({ id }) => id === 'dead')?.value;
    expect(value({ healed: true })).toBeCloseTo(12, 9);
    expect(value({ held: true })).toBeCloseTo(12, 9);
    expect(value({})).toBeCloseTo(15, 9);
  });

  test('ooze anywhere on the wood that comes off, and dead wood of unknown cause, make the cut an infected one', () => {
    const infected = (more: object) =>
      planTree(given([more])).prepared.all.find((each) => each.id === 'A collar 0')?.infected;
    const far = finding('far', 'A', 180, 'NEO', { active: true });
    expect(infected(far)).toBe(false);
    expect(infected({ ...far, ooze: true })).toBe(true);
    expect(infected(finding('dead', 'A', 180, 'DEAD'))).toBe(true);
  });
});

describe('weights and pins', () => {
  test('a site’s own weights change the plan: worthless faults are left', () => {
    const input = (weights: object) =>
      given([fault('in', 'D3', 'inward')], { plan: { settings: { weights } } });
    expect(steps(input({}))).toHaveLength(1);
    expect(steps(input({ inward: 0 }))).toEqual([]);
  });

  test('“goes” without a season means the first', () => {
    const { pins } = given([fault('in', 'D3', 'inward')], {
      plan: { pins: [{ kind: 'goes', candidateId: 'D3 collar 0' }] },
    });
    expect(pins).toMatchObject([{ season: 1 }]);
  });

  test('a pin that breaks the limit of its season clashes with it, and nothing else is named', () => {
    const { plan } = planTree(
      given([fault('in', 'A', 'inward'), fault('low', 'D3', 'too low')], {
        plan: { pins: [{ kind: 'goes', candidateId: 'A collar 0' }] },
      }),
    );
    expect(plan.steps).toEqual([]);
    expect(plan.proof.done).toBe(true);
    expect(plan.clash).toMatchObject([{ what: 'pin' }, { what: 'limit', season: 1 }]);
  });

  test('the upper end of its weight hands a limb over', () => {
    // 10.3 cm thick: likely 20–30 kg, but branches of that base weigh up to 52 (Jenkins et al. 2003 × 1.9)
    const limbs = (mm: number) =>
      vase().map((part) => (part.id === 'A' ? { ...part, baseMm: mm, tipMm: 10 } : part));
    const over = (mm: number) =>
      planTree(given([fault('in', 'A', 'inward')], { tree: { limbs: limbs(mm) } })).plan.handOver;
    expect(over(100)).toEqual([]);
    expect(over(103)).toEqual(['in']);
  });
});

describe('the honest choices', () => {
  test('half of the stem girdled by disease: the tree comes out, and nothing else is planned', () => {
    const { plan } = planTree(
      given([finding('stem', 'T', 20, 'NEO', { girdledShare: 0.6 }), finding('dead', 'A3', 20, 'DEAD')]),
    );
    expect(plan.verdict).toMatchObject({ choice: 'remove tree', findingIds: ['stem'] });
    expect(plan.steps).toEqual([]);
  });

  test('the caretaker may decide otherwise', () => {
    const { plan } = planTree(
      given([finding('stem', 'T', 20, 'NEO', { girdledShare: 0.6 }), finding('dead', 'A3', 20, 'DEAD')], {
        plan: { decided: { stem: 'watch' } },
      }),
    );
    expect(plan.verdict).toBeNull();
    expect(plan.steps).toMatchObject([{ solves: [{ findingId: 'dead' }] }]);
  });

  test('bark gnawed round more than half of the stem is bridged, a scion for each 6 cm', () => {
    // Stem of 150 mm at 5 cm: 46.6 cm round; 60 % of it is 27.9 cm: five scions
    const { plan } = planTree(given([finding('vole', 'T', 5, 'ROD', { girdledShare: 0.6 })]));
    expect(plan.verdict?.choice).toBe('bridge graft');
    expect(plan.verdict?.because).toEqual({ code: 'gnawed', values: { share: 0.6, scions: 5 } });
  });

  test('work for an arborist stops the plan for that limb', () => {
    const limbs = vase().map((part) =>
      part.id === 'A' ? { ...part, baseMm: 170, tipMm: 120, lengthCm: 420 } : part,
    );
    const { plan } = planTree(given([finding('canker', 'A', 20, 'FB_CANK_A')], { tree: { limbs } }));
    expect(plan.handOver).toEqual(['canker']);
    expect(plan.steps).toEqual([]);
    expect(plan.left).toEqual([{ findingId: 'canker', why: 'hand over' }]);
  });
});

describe('pins', () => {
  const two = [finding('canker', 'A', 60, 'NEO'), fault('in', 'B1', 'inward')];

  test('“stays” keeps the limb; the finding says that it was pinned', () => {
    const { plan } = planTree(given(two, { plan: { pins: [{ kind: 'stays', limbId: 'B1' }] } }));
    expect(plan.steps.map((step) => step.candidateId)).not.toContain('B1 collar 0');
    expect(plan.left).toContainEqual({ findingId: 'in', why: 'pinned' });
  });

  test('“not before” waits, “goes” takes it in its season', () => {
    const late = planTree(
      given(two, { plan: { pins: [{ kind: 'not before', candidateId: 'B1 collar 0', season: 2 }] } }),
    ).plan;
    expect(late.steps.find((step) => step.candidateId === 'B1 collar 0')?.season).toBe(2);
    const forced = planTree(
      given(two, { plan: { pins: [{ kind: 'goes', candidateId: 'B1 collar 0', season: 3 }] } }),
    ).plan;
    expect(forced.steps.find((step) => step.candidateId === 'B1 collar 0')?.season).toBe(3);
  });

  test('an old limb stays until its follower is thick enough', () => {
    const pin = (untilMm: number) => [{ kind: 'follower', limbId: 'B1', followerId: 'B2', untilMm }];
    const taken = (untilMm: number) =>
      steps(given(two, { plan: { pins: pin(untilMm) } })).some((step) => step.candidateId === 'B1 collar 0');
    expect(taken(40)).toBe(false);
    expect(taken(20)).toBe(true);
  });

  test('clashing pins come back as the smallest set that clashes', () => {
    const pins = [
      { kind: 'stays', limbId: 'C2' },
      { kind: 'stays', limbId: 'B1' },
      { kind: 'goes', candidateId: 'B1 collar 0', season: 1 },
    ];
    const { plan } = planTree(given(two, { plan: { pins } }));
    expect(plan.clash).toHaveLength(2);
    expect(plan.clash).toEqual(expect.arrayContaining([expect.objectContaining({ pin: pins[1] })]));
  });

  test('a pin against a must, and one against a limit', () => {
    const active = [finding('strike', 'A1', 40, 'FB_CANK_A')];
    const stays = ['A', 'A1'].map((limbId) => ({ kind: 'stays', limbId }));
    const kept = planTree(given(active, { plan: { pins: stays } })).plan;
    expect(kept.clash).toEqual(expect.arrayContaining([{ what: 'must', findingId: 'strike' }]));
    const big = [fault('big', 'A', 'inward'), fault('big2', 'B', 'inward')];
    const goes = ['A', 'B'].map((id) => ({ kind: 'goes', candidateId: `${id} collar 0`, season: 1 }));
    expect(planTree(given(big, { plan: { pins: goes } })).plan.clash).toEqual(
      expect.arrayContaining([{ what: 'limit', season: 1 }]),
    );
  });

  test('lifting the must frees it', () => {
    const active = [finding('strike', 'A1', 40, 'FB_CANK_A')];
    const input = given(active, {
      plan: {
        pins: [
          { kind: 'stays', limbId: 'A' },
          { kind: 'stays', limbId: 'A1' },
        ],
        lifted: ['strike'],
      },
    });
    expect(planTree(input).plan).toMatchObject({
      clash: null,
      left: [{ findingId: 'strike', why: 'pinned' }],
    });
  });
});

test('a cut inside a part that already comes off disappears, and says with what', () => {
  const both = [finding('canker', 'A', 40, 'FB_CANK_A'), finding('dead', 'A3', 20, 'DEAD')];
  const { plan } = planTree(given(both));
  expect(plan.steps).toHaveLength(1);
  expect(plan.swallowed).toEqual([{ findingId: 'dead', candidateId: plan.steps[0]?.candidateId }]);
});

test('a shorter clearance set by hand moves the cut out and leaves more behind', () => {
  const at = (clearanceCm?: number) => {
    const canker = finding('canker', 'A', 190, 'FB_CANK_D', clearanceCm === undefined ? {} : { clearanceCm });
    const { plan, prepared } = planTree(given([canker]));
    const [step] = plan.steps;
    return {
      chance: step?.solves[0]?.chance ?? 1,
      crown: prepared.all.find((priced) => priced.id === step?.candidateId)?.crown ?? 0,
    };
  };
  expect(at(10).chance).toBeGreaterThan(at().chance);
  expect(at(10).crown).toBeLessThanOrEqual(at().crown);
});

test('bad input names the field', () => {
  const bad = PlanInput.safeParse({
    ...given([]),
    findings: [finding('x', 'Z', 9, 'DEAD')],
    pins: [{ kind: 'stays', limbId: 'Q' }],
  });
  expect(bad.error?.issues.map((issue) => issue.path.join('.'))).toEqual([
    'findings.0.limbId',
    'pins.0.limbId',
  ]);
});

test('a first plan is there at once, and it only gets better', () => {
  const { step } = planning(
    given(neglect(), { tree: { limbs: thicket(), renovated: true, form: 'wild', heightCm: 300 } }),
  );
  const first = step(0);
  expect(first.proof.worth).toBeGreaterThan(0);
  expect(step(manyRuns(5000, 300)).proof.worth).toBeGreaterThanOrEqual(
    first.proof.worth ?? Number.POSITIVE_INFINITY,
  );
});

/** A crown nobody has cut for years: six scaffolds, five laterals on each. */
function thicket(): Limb[] {
  const limbs = [limb('T', null, 0, 110, 190, { tipMm: 150 })];
  ['A', 'B', 'C', 'D', 'E', 'F'].forEach((id, i) => {
    limbs.push(limb(id, 'T', 50 + 8 * i, 230, 84 - 4 * i, { bearingDeg: 60 * i }));
    for (let n = 0; n < 5; n++) {
      limbs.push(
        limb(`${id}${n + 1}`, id, 40 + 34 * n, 120, 70 - 4 * n, {
          bearingDeg: (60 * i + 50 * (n - 2) + 360) % 360,
          ageYears: 6,
          inclinationDeg: 25,
        }),
      );
    }
  });
  return limbs;
}

function neglect(): object[] {
  const kinds = ['inward', 'downward', 'inward', 'over another', 'downward'];
  return ['A', 'B', 'C', 'D', 'E', 'F'].flatMap((id, i) =>
    [1, 2, 3, 4, 5].flatMap((n): object[] => {
      const kind = kinds[(i + n) % kinds.length] as string;

      return [fault(`${id}${n} ${kind}`, `${id}${n}`, kind, [`${id}${n}`])];
    }),
  );
}

test('minutes reckon with the pace that was measured, but a cleaning takes as long as its agent needs', () => {
  const minutesAt = (workPace: object) => {
    const { prepared } = planTree(given([finding('ill', 'A', 5, 'FB_CANK_A')], { plan: { workPace } }));
    return prepared.all.find(
      ({ handling, infected }) => infected && handling?.wielded?.tool.kind === 'hand saw',
    )?.minutes;
  };
  const [own, slow] = [minutesAt({}), minutesAt({ 'hand saw': 2, lopper: 9 })];
  const part = (minutes: typeof own, what: string) =>
    minutes?.because.find((each) => each.what === what)?.minutes ?? 0;
  expect(part(own, 'cleaning')).toBeGreaterThan(0);
  expect(part(slow, 'cleaning')).toBe(part(own, 'cleaning'));
  expect(part(slow, 'blade')).toBeCloseTo(2 * part(own, 'blade'), 9);
  expect(part(slow, 'place')).toBeCloseTo(2 * part(own, 'place'), 9);
  expect(slow?.plain).toBeCloseTo(own?.minutes ?? 0, 9);
});

describe('stout sound wood is winter work', () => {
  const passesOf = (baseMm: number, tree: object = {}, plan: object = {}, kind = 'inward') => {
    const limbs = vase().map((each) => (each.id === 'A1' ? { ...each, baseMm } : each));
    const { prepared } = planTree(given([fault('in', 'A1', kind)], { tree: { limbs, ...tree }, plan }));
    return prepared.all.find(({ id }) => id === 'A1 collar 0')?.candidate.passes;
  };

  test.each([
    [24.9, ['dormant', 'summer']],
    [25, ['dormant']],
  ])('%s mm: %j', (mm, passes) => {
    expect(passesOf(mm)).toEqual(passes);
  });

  test('but not of stone fruit, nor what somebody wants sooner, nor dead wood', () => {
    expect(passesOf(40, { species: 'sweet-cherry' })).toEqual(['dormant', 'summer']);
    const pins = [{ kind: 'goes', candidateId: 'A1 collar 0', season: 1 }];
    expect(passesOf(40, {}, { pins })).toEqual(['dormant', 'summer']);
    const { prepared } = planTree(given([finding('dead', 'A', 0, 'DEAD', { toCm: 220 })]));
    expect(prepared.all.find(({ id }) => id === 'A collar 0')?.candidate.passes).toContain('summer');
  });
});

describe('what stands at a boundary', () => {
  test('wood that went in a slot is not cut again in it', () => {
    const { problem } = planTree(
      given([fault('in', 'A', 'inward'), fault('low', 'A1', 'too low')], {
        tree: { species: 'european-plum' },
      }),
    ).prepared;
    const [outer, inner] = ['A collar 0', 'A1 collar 0'].map((id) =>
      problem.candidates.findIndex((candidate) => candidate.id === id),
    );
    const plan = (outerSlot: number, innerSlot: number) => {
      const chosen = problem.candidates.map(() => -1);
      chosen[outer as number] = outerSlot;
      chosen[inner as number] = innerSlot;
      return breachOf(
        {
          ...problem,
          limits: problem.limits.map(() => 1000),
          problems: [],
          candidates: problem.candidates.map((candidate) => ({ ...candidate, solves: [] })),
        },
        chosen,
      )?.kind;
    };
    expect(plan(1, 0)).toBeUndefined();
    expect(plan(1, 1)).toBe('wood gone');
    expect(plan(1, 2)).toBe('wood gone');
  });

  test.each([
    ['dormant', 4, { season: 1, pass: 'dormant' }],
    ['autumn', 4, { season: 1, pass: 'dormant' }],
    ['bloom', 3, { season: 1, pass: 'summer' }],
    ['summer', 3, { season: 1, pass: 'summer' }],
  ] as const)('planned in %s, two seasons have %i passes', (season, count, first) => {
    const slots = slotsFor(season, 2);
    expect(slots).toHaveLength(count);
    expect(slots[0]).toEqual(first);
  });

  test.each([
    [null, false],
    [0.29, true],
    [0.3, false],
  ])('girdled by %p: paring is a choice: %s', (girdledShare, offered) => {
    const { prepared } = planTree(given([finding('one', 'A', 120, 'NEO', { girdledShare })]));
    expect(prepared.all.some((priced) => priced.id === 'A excise')).toBe(offered);
  });
});
