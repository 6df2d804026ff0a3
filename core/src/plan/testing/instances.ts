// Seeded plan problems for tests and figures: invented trees with nested disease, rubbing pairs, tied limbs and pins, under limits that bind.
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { type PlanCandidate, type PlanProblem, startingCosts } from '../problem';
import { startingWeights } from '../weights';

export interface InstanceSize {
  candidates: number;
  seasons: number;
  /** Thousandths a season; where missing, about a third of what all findings ask for. */
  limit?: number;
}

type Int = (from: number, to: number) => number;

/** A place where a cut may fall: how far out of its limb’s length it lies, 0 at the collar. */
interface Place {
  limb: number;
  at: number;
  solves: { problem: number; remains: number }[];
}

interface Limb {
  scaffold: number | null;
  joint: number;
  crown: number;
}

const STOUT_AT = 0.45;

/** One invented tree’s problem. The same seed and size always give the same. */
export function planInstance(seed: number, { candidates: count, seasons, limit }: InstanceSize): PlanProblem {
  const rng = xoroshiro128plus(seed * 7919 + count * 31 + seasons);
  const int: Int = (from, to) => uniformInt(rng, from, to);
  const limbs = tree(count, int);
  const slots = Array.from({ length: seasons }, (_, y) => [
    { season: y + 1, pass: 'dormant' as const },
    { season: y + 1, pass: 'summer' as const },
  ]).flat();
  const problems: PlanProblem['problems'] = [];
  const places: Place[] = [];
  const others: PlanCandidate[] = [];
  const laterals = limbs.flatMap(({ scaffold }, i) => (scaffold === null ? [] : [i]));
  const placeAt = (limb: number, at: number): Place => {
    const had = places.find((place) => place.limb === limb && Math.abs(place.at - at) < 0.02);
    if (had) return had;
    const candidate = { limb, at, solves: [] };
    places.push(candidate);
    return candidate;
  };
  const found = (value: number): number => {
    problems.push({ id: `p${problems.length}`, value, mustBy: null });
    return problems.length - 1;
  };
  const disease = (limb: number) => {
    const problem = found(25);
    const edge = int(25, 95) / 100;
    const remains = int(20, 350) / 1000;
    placeAt(limb, Math.round(edge * int(50, 90)) / 100).solves.push({ problem, remains });
    placeAt(limb, 0).solves.push({ problem, remains: remains * 0.4 });
    const scaffold = limbs[limb]?.scaffold;
    if (scaffold === null || scaffold === undefined || int(0, 2) > 0) return;
    // One side branch of a scaffold is stout enough to take over
    if ((limbs[limb]?.joint ?? 0) > STOUT_AT)
      placeAt(scaffold, STOUT_AT).solves.push({ problem, remains: remains * 0.1 });
    placeAt(scaffold, 0).solves.push({ problem, remains: 0 });
  };
  const pick = () => laterals[int(0, laterals.length - 1)] as number;
  for (let tries = 0; places.length + others.length < count && tries < 4 * count; tries++) {
    const kind = int(0, 9);
    if (kind < 3) disease(pick());
    else if (kind < 4) disease(int(0, limbs.length - 1));
    else if (kind < 8)
      placeAt(pick(), int(0, 3) === 0 ? 0.5 : 0).solves.push({
        problem: found(([4, 6, 7, 8, 12][int(0, 4)] as number) * ([1, 1, 1.25, 1.5625][int(0, 3)] as number)),
        remains: 0,
      });
    else if (kind < 9) {
      const problem = found(10);
      placeAt(pick(), 0).solves.push({ problem, remains: 0 });
      placeAt(pick(), int(0, 1) === 0 ? 0 : 0.4).solves.push({ problem, remains: 0 });
    } else {
      const problem = found(14);
      placeAt(pick(), 0).solves.push({ problem, remains: 0 });
      others.push(tie(others.length, problem, slots.length, int));
    }
  }
  return assembled({ seed, count, limit, int, limbs, places, others, problems, slots });
}

/** Scaffolds with their shares of 1000, and laterals with theirs of the scaffold. */
function tree(count: number, int: Int): Limb[] {
  const scaffolds = Math.min(7, 2 + Math.floor(count / 14) + int(0, 2));
  const weights = Array.from({ length: scaffolds }, () => int(40, 100) ** 2);
  const whole = weights.reduce((a, b) => a + b, 0);
  const limbs: Limb[] = weights.map((weight) => ({
    scaffold: null,
    joint: 0,
    crown: Math.round((1000 * weight) / whole),
  }));
  for (let s = 0; s < scaffolds; s++) {
    const limbsHere = Math.max(1, Math.round((count * 0.8) / scaffolds) + int(-1, 1));
    const parts = Array.from({ length: limbsHere }, () => int(4, 30));
    const sum = parts.reduce((a, b) => a + b, 0) * 1.25;
    const crown = limbs[s]?.crown ?? 0;
    for (const part of parts) {
      const share = Math.floor((crown * part) / sum);
      limbs.push({ scaffold: s, joint: int(15, 95) / 100, crown: share });
      (limbs[s] as Limb).crown -= share;
    }
  }
  return limbs;
}

function tie(i: number, problem: number, slots: number, int: Int): PlanCandidate {
  return {
    id: `o${String(i).padStart(3, '0')}`,
    parent: null,
    isCut: false,
    own: { crown: 0, fruit: 0, exemptCrown: 0, exemptFruit: 0, keepWorth: 0 },
    minutes: int(20, 100) / 10,
    slots: Array.from({ length: slots }, (_, t) => t),
    solves: [{ problem, remains: int(100, 400) / 1000 }],
  };
}

interface Parts {
  seed: number;
  count: number;
  limit: number | undefined;
  int: Int;
  limbs: Limb[];
  places: Place[];
  others: PlanCandidate[];
  problems: PlanProblem['problems'];
  slots: PlanProblem['slots'];
}

function assembled({ seed, count, limit, int, limbs, places, others, problems, slots }: Parts): PlanProblem {
  const isScaffold = (place: Place) => limbs[place.limb]?.scaffold === null;
  // Nearer the trunk first: scaffolds, then laterals, each from its base out
  const order = places
    .toSorted((a, b) => Number(isScaffold(b)) - Number(isScaffold(a)) || a.limb - b.limb || a.at - b.at)
    .slice(0, count - others.length);
  const takerOf = (limb: number, at: number, before: number): number | null => {
    const k = order.findLastIndex((place, i) => i < before && place.limb === limb && place.at < at);
    return k < 0 ? null : k;
  };
  const candidates: PlanCandidate[] = order.map((place, k) => {
    const { scaffold = null, joint = 0 } = limbs[place.limb] ?? {};
    const parent =
      takerOf(place.limb, place.at, k) ?? (scaffold === null ? null : takerOf(scaffold, joint, order.length));
    return {
      id: `c${String(k).padStart(3, '0')}`,
      parent,
      isCut: true,
      own: { crown: 0, fruit: 0, exemptCrown: 0, exemptFruit: 0, keepWorth: 0 },
      minutes: int(5, 60) / 10 + (isScaffold(place) ? 6 : 0),
      slots: slotsOf(slots.length, int),
      solves: [],
    };
  });
  limbs.forEach((limb, i) => {
    spread(limb, i, limbs, order, candidates, int);
  });
  order.forEach((place, k) => {
    for (const { problem, remains } of place.solves) closure(candidates, k, problem, remains);
  });
  const all = [...candidates, ...others];
  const problem: PlanProblem = {
    slots,
    limits: [],
    quotas: [],
    candidates: all,
    problems,
    regrowth: { dormant: 0, summer: 0 },
    excludes: [],
    required: [],
    after: [],
    costs: startingCosts,
    discount: startingWeights().discount,
  };
  for (const [i, tied] of others.entries()) {
    const p = tied.solves[0]?.problem;
    candidates.forEach((candidate, k) => {
      const solvesIt = order[k]?.solves.some((solve) => solve.problem === p);
      if (solvesIt && candidate) problem.excludes.push([k, candidates.length + i]);
    });
  }
  musts(problem, order, int);
  pins(problem, int);
  const asked = candidates.reduce((sum, { own, solves }) => sum + (solves.length > 0 ? own.crown : 0), 0);
  const seasons = slots.length / 2;
  const tight = Math.max(20, Math.round(asked / seasons));
  const a = limit ?? (seed % 3 === 0 ? 250 : Math.min(250, tight));
  problem.limits = Array.from({ length: seasons }, () => a);
  return problem;
}

function slotsOf(count: number, int: Int): number[] {
  const kind = int(0, 5);
  const all = Array.from({ length: count }, (_, t) => t);
  return kind === 0 ? all.filter((t) => t % 2 === 0) : kind === 1 ? all.filter((t) => t % 2 === 1) : all;
}

/** Shares a limb’s own crown over the stretches between its cuts, and hangs a bare lateral on the cut that takes it. */
function spread(
  limb: Limb,
  i: number,
  limbs: Limb[],
  order: Place[],
  candidates: PlanCandidate[],
  int: Int,
): void {
  const cuts = order.flatMap((place, k) => (place.limb === i ? [{ k, at: place.at }] : []));
  let from = 0;
  let k: number | null =
    limb.scaffold === null
      ? null
      : order.findLastIndex((place) => place.limb === limb.scaffold && place.at < limb.joint);
  for (const stop of [...cuts, { k: -1, at: 1 }]) {
    const share = Math.round(limb.crown * (stop.at - from));
    const ownCost = k === null || k < 0 ? undefined : candidates[k]?.own;
    if (ownCost) {
      ownCost.crown += share;
      ownCost.fruit += Math.round((share * int(20, 100)) / 100);
    }
    from = stop.at;
    k = stop.k;
  }
  const collar = cuts.find((cut) => cut.at === 0);
  if (collar && (limbs[i]?.scaffold === null || int(0, 9) === 0)) {
    (candidates[collar.k] as PlanCandidate).own.keepWorth += limbs[i]?.scaffold === null ? 12 : 5;
  }
}

/** A cut and all that take its wood solve it; nearer the trunk no more remains than farther out. */
function closure(candidates: PlanCandidate[], from: number, problem: number, remains: number): void {
  let at: number | null = from;
  while (at !== null) {
    const candidate = candidates[at] as PlanCandidate;
    const had = candidate.solves.find((solve) => solve.problem === problem);
    if (!had) candidate.solves.push({ problem, remains });
    else had.remains = Math.min(had.remains, remains);
    at = candidate.parent;
  }
}

/** About one disease in six is active: the least that answers it is free of the limit, and it goes in the first slot that is open. */
function musts(problem: PlanProblem, order: Place[], int: Int): void {
  const { candidates, problems } = problem;
  problems.forEach((problem, p) => {
    if (problem.value < 25 || int(0, 5) > 0) return;
    const smallest = order.findLastIndex((place) => place.solves.some(({ problem: own }) => own === p));
    const leaf = candidates[smallest];
    if (!leaf) return;
    const first = leaf.slots[0] as number;
    problem.mustBy = first;
    candidates.forEach((candidate, k) => {
      let at: number | null = k;
      while (at !== null && at !== smallest) at = candidates[at]?.parent ?? null;
      if (at === null) return;
      const { own } = candidate;
      own.exemptCrown += own.crown;
      own.exemptFruit += own.fruit;
      own.crown = 0;
      own.fruit = 0;
    });
  });
}

function pins({ candidates, problems, slots }: PlanProblem, int: Int): void {
  const free = candidates.filter(({ solves }) =>
    solves.every(({ problem: p }) => problems[p]?.mustBy === null),
  );
  if (free.length < 3) return;
  if (int(0, 1) === 0) (free[int(0, free.length - 1)] as PlanCandidate).slots = [];
  if (int(0, 1) === 0) {
    const late = free[int(0, free.length - 1)] as PlanCandidate;
    late.slots = late.slots.filter((slot) => (slots[slot]?.season ?? 0) >= 2);
  }
}

/** Cuts of the stem, the deepest first, and what each leaves of its height. */
const STEM_CUTS = 4;

/**
 * As `planInstance`, of a tree that is too tall and of which a part is an arborist’s: a stem that is brought down step by step, no deeper than
 * what an earlier season prepared, main limbs that go with it, a booked visit, and cuts that only this visit may hold.
 */
export function shapedInstance(seed: number, size: InstanceSize): PlanProblem {
  const plain = planInstance(seed, size);
  const rng = xoroshiro128plus(seed * 104_729 + 11);
  const int: Int = (from, to) => uniformInt(rng, from, to);
  const booked = int(1, size.seasons);
  const slots = plain.slots.flatMap((slot) =>
    slot.season === booked && slot.pass === 'dormant'
      ? [slot, { season: booked, pass: 'hired' as const }]
      : [slot],
  );
  const hiredAt = slots.findIndex(({ pass }) => pass === 'hired');
  const moved = (slot: number) => (slot >= hiredAt ? slot + 1 : slot);
  const problems = plain.problems.map((problem) => ({
    ...problem,
    mustBy: problem.mustBy === null ? null : moved(problem.mustBy),
  }));
  const mayBeHired = (solves: PlanCandidate['solves']) =>
    solves.every(({ problem }) => problems[problem]?.mustBy === null);
  const limbs = plain.candidates.map((candidate): PlanCandidate => {
    const isTop = candidate.parent === null && candidate.isCut;
    const hired = int(0, 5) === 0 && mayBeHired(candidate.solves);
    return {
      ...candidate,
      parent:
        candidate.parent !== null
          ? candidate.parent + STEM_CUTS
          : isTop && int(0, 1) === 0
            ? int(0, STEM_CUTS - 1)
            : null,
      slots: hired ? [hiredAt] : candidate.slots.map(moved),
    };
  });
  const height = int(4, 20);
  let left = 1;
  const stem = Array.from(
    { length: STEM_CUTS },
    (_, i): PlanCandidate => ({
      id: `s${i}`,
      parent: i === 0 ? null : i - 1,
      isCut: true,
      own: { crown: int(5, 60), fruit: 0, exemptCrown: 0, exemptFruit: 0, keepWorth: 0 },
      minutes: int(40, 200) / 10,
      slots: int(0, 3) === 0 ? [hiredAt] : slots.map((_slot, t) => t).filter((t) => t !== hiredAt),
      solves: [],
    }),
  );
  const candidates = [...stem, ...limbs];
  for (let i = STEM_CUTS - 1; i >= 0; i--) {
    const next = i === 0 ? 0 : left * (int(30, 80) / 100);
    problems.push({ id: `height ${i}`, value: height * (left - next), mustBy: null });
    closure(candidates, i, problems.length - 1, 0);
    left = next;
  }
  limbs.forEach((limb, k) => {
    for (const { problem, remains } of limb.solves)
      if (limb.isCut) closure(candidates, k + STEM_CUTS, problem, remains);
  });
  return {
    ...plain,
    slots,
    problems,
    candidates,
    excludes: plain.excludes.map(([a, b]): [number, number] => [a + STEM_CUTS, b + STEM_CUTS]),
    required: plain.required.map((k) => k + STEM_CUTS),
    after: [
      [0, [1, 2]],
      [1, [2, 3]],
      [2, [3]],
    ],
  };
}

/** As `shapedInstance`, of a tree that answers its cuts: what went counts in the next season’s limit with the shares that start a site. */
export function regrowingInstance(seed: number, size: InstanceSize): PlanProblem {
  return { ...shapedInstance(seed, size), regrowth: { dormant: 25, summer: 10 } };
}

/**
 * As `regrowingInstance`, of a peach: last year’s shoots are counted by their length and older wood by its crown, each with its own limit, and
 * the crown as a whole has none.
 */
export function peachInstance(seed: number, size: InstanceSize): PlanProblem {
  const problem = regrowingInstance(seed, size);
  const rng = xoroshiro128plus(seed * 104_729 + size.candidates);
  const shootsOf = problem.candidates.map(({ own }) =>
    Math.round((own.crown * uniformInt(rng, 0, 100)) / 100),
  );
  const whole = Math.max(
    1,
    shootsOf.reduce((sum, units) => sum + units, 0),
  );
  const older = problem.candidates.map(({ own }, k) => own.crown - (shootsOf[k] as number));
  const [tight] = problem.limits as [number];
  problem.quotas = [
    {
      what: 'shoots',
      limits: problem.limits.map(() => (seed % 3 === 1 ? 500 : 150)),
      units: shootsOf.map((units) => Math.floor((units * 1000) / whole)),
    },
    {
      what: 'older wood',
      limits: problem.limits.map(() => Math.round(seed % 3 === 2 ? tight * 2 : tight * 0.5)),
      units: older,
    },
  ];
  problem.limits = problem.limits.map(() => 1000);
  return problem;
}
