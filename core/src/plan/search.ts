// Which plan is the best of all, and how far can the one at hand be from it?
import { FastWorth } from './fastWorth';
import { pop, push } from './frontier';
import { bestByLabels } from './labels';
import {
  type Assignment,
  ancestors,
  breachOf,
  growsAnything,
  isOver,
  isTooSoon,
  type PlanCandidate,
  type PlanProblem,
  problemFaults,
} from './problem';
import { ANY_LEAF, NO_MUST, type Prices, Relaxation } from './relaxation';

export interface Progress {
  /** Slot of each candidate, −1 where it is left; null while no plan is known that keeps all musts. */
  plan: number[] | null;
  worth: number;
  /** No plan is worth more than this. */
  bound: number;
  /** (bound − worth) / max(1, |worth|); 0 when proved best. */
  gap: number;
  done: boolean;
  /** Parts of the search looked at so far. */
  nodes: number;
}

interface Node {
  bound: number;
  allowed: Uint16Array;
  mustBy: Int8Array;
  /** Musts that several limbs can meet, and that no limb was chosen for yet. */
  openMusts: number[];
  /** The limb through which each problem is credited, where several can be. */
  through: Int16Array;
  prices: Prices;
}

const CLOSE = 1e-10;
const ROOT_STEPS = 120;
const STEPS = 14;
const BENT = 0.6;
const PLUNGE_EVERY = 4;
/** A thousandth of crown is worth about a hundredth of a problem: prices move by steps of their own size. */
const SEASON_SCALE = 0.03;
const TWICE_SCALE = 2;

/** A problem that contradicts itself was given. */
class ImpossibleProblem extends Error {
  constructor(readonly faults: string[]) {
    super(faults.join(' '));
    this.name = 'ImpossibleProblem';
  }
}

/**
 * Exact search: branch and bound over the slots of candidates. Bounds come from the relaxation at prices found by subgradient steps;
 * every choice whose own bound does not reach the best plan known is struck out. `step` may be called again and again; after each
 * call the best plan and its proved distance from the optimum are at hand.
 *
 * @throws {ImpossibleProblem} when the problem names what is not there
 */
export class PlanSearch {
  private readonly relaxation: Relaxation;
  private readonly open: Node[] = [];
  private best: Int8Array | null = null;
  private bestScore = Number.NEGATIVE_INFINITY;
  private nodes = 0;
  private readonly plan: Int8Array;
  private readonly totals: Float64Array;
  private readonly ownCrown: Float64Array;
  private readonly parents: Int32Array;

  /** @param start a plan that breaks nothing, where one is known */
  constructor(
    private readonly problem: PlanProblem,
    start?: readonly number[],
  ) {
    const faults = problemFaults(problem);
    if (faults.length > 0) throw new ImpossibleProblem(faults);
    this.relaxation = new Relaxation(problem);
    const size = problem.candidates.length;
    this.plan = new Int8Array(size);
    this.totals = new Float64Array(size * (problem.slots.length + 1));
    this.ownCrown = Float64Array.from(problem.candidates, ({ own }) => own.crown);
    this.parents = Int32Array.from(problem.candidates, ({ parent }) => parent ?? -1);
    this.fast = new FastWorth(problem);
    this.groups = seasonBits(problem);
    this.growsAnything = growsAnything(problem);
    this.slotGroups = Array.from({ length: problem.slots.length + 1 }, (_, t) => 1 << t);
    this.waysOf = new Map(
      this.relaxation.manyLeaves.map((p) => [
        p,
        (this.relaxation.leaves[p] as number[]).map((leaf) => [leaf, ...ancestors(problem, leaf)]),
      ]),
    );
    this.solversOf = new Map(
      this.relaxation.manyLeaves.map((p) => [
        p,
        problem.candidates.flatMap(({ solves }, k) =>
          solves.some((solve) => solve.problem === p) ? [k] : [],
        ),
      ]),
    );
    const { excludes, problems } = problem;
    const { manyLeaves, caps } = this.relaxation;
    this.scale = Float64Array.from([
      ...caps.map(() => SEASON_SCALE),
      ...manyLeaves.map(() => TWICE_SCALE),
      ...excludes.map(() => TWICE_SCALE),
    ]);
    this.most = Float64Array.from([
      ...caps.map(() => Number.POSITIVE_INFINITY),
      ...manyLeaves.map((p) => problems[p]?.value ?? 0),
      ...excludes.map(() => Number.POSITIVE_INFINITY),
    ]);
    this.open.push(this.root());
    this.startWithMusts();
    if (start) this.improveFrom(Int8Array.from(start));
  }
  private readonly fast: FastWorth;
  private readonly groups: number[];
  private readonly slotGroups: number[];
  private readonly growsAnything: boolean;
  /** For each problem that several limbs solve, and each of them, the candidates that solve it there. */
  private readonly waysOf: Map<number, number[][]>;
  private readonly solversOf: Map<number, number[]>;
  private readonly scale: Float64Array;
  private readonly most: Float64Array;

  /** Looks at up to so many parts of the search. */
  step(nodes: number): Progress {
    for (let i = 0; i < nodes && this.open.length > 0; i++) {
      if ((this.open[0] as Node).bound <= this.bestScore + CLOSE) {
        this.open.length = 0;
        break;
      }
      if (this.nodes % PLUNGE_EVERY === 0) this.plunge();
      else this.look(pop(this.open));
      if (this.nodes === 1) this.pushIn();
    }
    return this.progress();
  }

  progress(): Progress {
    const top = this.open[0]?.bound ?? Number.NEGATIVE_INFINITY;
    const done = this.open.length === 0 || top <= this.bestScore + CLOSE;
    const worth = this.best ? this.fast.worth(this.best) : Number.NEGATIVE_INFINITY;
    const bound = done ? worth : Math.max(top, worth);
    return {
      plan: this.best ? [...this.asEarlyAsMayBe(this.best)] : null,
      worth,
      bound,
      gap: done ? 0 : (bound - worth) / Math.max(1, Math.abs(worth)),
      done,
      nodes: this.nodes,
    };
  }

  /** From the most promising part straight down to a plan; what is passed by stays open. */
  private plunge(): void {
    let node: Node | null = pop(this.open);
    while (node) {
      this.made.length = 0;
      this.look(node, this.made);
      let next: Node | null = null;
      for (const part of this.made) {
        if (!next || part.bound > next.bound) {
          if (next) push(this.open, next);
          next = part;
        } else push(this.open, part);
      }
      node = next;
    }
  }
  private readonly made: Node[] = [];

  private root(): Node {
    const { problem, relaxation } = this;
    const T = problem.slots.length;
    const allowed = Uint16Array.from(problem.candidates, ({ slots }) =>
      slots.reduce((bits, slot) => bits | (1 << slot), 1 << T),
    );
    for (const k of problem.required) allowed[k] = (allowed[k] as number) & ~(1 << T);
    const mustBy = new Int8Array(problem.candidates.length).fill(NO_MUST);
    const openMusts: number[] = [];
    problem.problems.forEach(({ mustBy: by }, p) => {
      if (by === null) return;
      const leaves = relaxation.leaves[p] as number[];
      if (leaves.length === 1) {
        const leaf = leaves[0] as number;
        mustBy[leaf] = Math.min(mustBy[leaf] as number, by);
      } else openMusts.push(p);
    });
    return {
      bound: Number.POSITIVE_INFINITY,
      allowed,
      mustBy,
      openMusts,
      through: new Int16Array(problem.problems.length).fill(ANY_LEAF),
      prices: new Float64Array(this.scale.length),
    };
  }

  private look(node: Node, into?: Node[]): void {
    this.nodes++;
    const { allowed, mustBy, through } = node;
    const isRoot = this.nodes === 1;
    const best = this.descend(node, isRoot ? ROOT_STEPS : STEPS);
    if (best === null) return;
    node.bound = best.bound;
    node.prices = best.prices;
    this.relaxation.bound(allowed, mustBy, through, node.prices);
    this.relaxation.plan(this.plan);
    if (isRoot || this.nodes % 64 === 0) this.improveFrom(this.plan);
    if (node.bound <= this.bestScore + CLOSE) return;
    this.relaxation.totals(allowed, mustBy, this.totals);
    if (!this.strikeOut(node)) return;
    this.branch(node, (child) => (into ? into.push(child) : push(this.open, child)));
  }

  /**
   * Subgradient steps on the prices, each bent toward the last; null when the node is settled.
   *
   * @source Camerini, Fratta & Maffioli 1975, Math. Prog. Study 3:26, from memory
   */
  private descend(node: Node, steps: number): { bound: number; prices: Prices } | null {
    const { allowed, mustBy, through } = node;
    const scale = this.scale;
    let at = node.prices;
    let best: { bound: number; prices: Prices } | null = null;
    let width = 1;
    let stale = 0;
    const heading = new Float64Array(at.length);
    for (let i = 0; i < steps; i++) {
      const bound = this.relaxation.bound(allowed, mustBy, through, at);
      if (bound === Number.NEGATIVE_INFINITY) return null;
      this.relaxation.plan(this.plan);
      if (this.offer(this.plan) >= bound - CLOSE) return null;
      if (!best || bound < best.bound - 1e-9) {
        best = { bound, prices: at };
        stale = 0;
      } else if (++stale >= 3) {
        width /= 2;
        stale = 0;
        at = best.prices;
        heading.fill(0);
        continue;
      }
      if (best.bound <= this.bestScore + CLOSE) return null;
      const pull = this.pullOf(node);
      let square = 0;
      for (let j = 0; j < heading.length; j++) {
        heading[j] = (pull[j] as number) * (scale[j] as number) + BENT * (heading[j] as number);
        // What is free and not asked for pulls nowhere
        if ((at[j] as number) <= 0 && (heading[j] as number) < 0) heading[j] = 0;
        square += (heading[j] as number) ** 2;
      }
      if (square === 0) break;
      const aim = Number.isFinite(this.bestScore) ? this.bestScore : bound - Math.abs(bound) * 0.05 - 1;
      const length = (width * Math.max(bound - aim, 1e-6)) / square;
      const next = at.slice();
      for (let j = 0; j < heading.length; j++) {
        const moved = (at[j] as number) + length * (heading[j] as number) * (scale[j] as number);
        next[j] = Math.min(this.most[j] as number, Math.max(0, moved));
      }
      at = next;
    }
    return best && { bound: Math.min(best.bound, node.bound), prices: best.prices };
  }

  /** How much the relaxed plan asks beyond what there is: of crown in each season, of credit for each problem, of each pair. */
  private pullOf({ through }: Node): Float64Array {
    const { problem, relaxation } = this;
    const pull = new Float64Array(this.scale.length);
    // The plan was just offered: its crown is still at hand
    const used = this.fast.used;
    let j = 0;
    for (const { limit } of relaxation.caps) {
      pull[j] = (used[j] as number) - limit;
      j++;
    }
    for (const p of relaxation.manyLeaves) {
      pull[j++] = through[p] === ANY_LEAF ? this.creditedTimes(p) - 1 : 0;
    }
    for (const [a, b] of problem.excludes) {
      pull[j++] = ((this.plan[a] as number) >= 0 ? 1 : 0) + ((this.plan[b] as number) >= 0 ? 1 : 0) - 1;
    }
    return pull;
  }

  /** Through how many limbs the relaxed plan credits a problem. */
  private creditedTimes(p: number): number {
    const ways = this.waysOf.get(p) as number[][];
    let times = 0;
    for (const way of ways) {
      for (const k of way) {
        if ((this.plan[k] as number) < 0) continue;
        times++;
        break;
      }
    }
    return times;
  }

  /** Strikes out choices that cannot be in a better plan; false when nothing is left. */
  private strikeOut(node: Node): boolean {
    const T = this.problem.slots.length;
    for (let k = 0; k < this.parents.length; k++) {
      let bits = node.allowed[k] as number;
      for (let t = 0; t <= T; t++) {
        if ((bits & (1 << t)) !== 0 && (this.totals[k * (T + 1) + t] as number) <= this.bestScore + CLOSE) {
          bits &= ~(1 << t);
        }
      }
      if (bits === 0) return false;
      node.allowed[k] = bits;
    }
    return true;
  }

  private branch(node: Node, open: (child: Node) => void): void {
    const must = node.openMusts[0];
    if (must !== undefined) {
      const by = this.problem.problems[must]?.mustBy as number;
      for (const leaf of this.relaxation.leaves[must] as number[]) {
        const mustBy = node.mustBy.slice();
        mustBy[leaf] = Math.min(mustBy[leaf] as number, by);
        open({
          ...node,
          allowed: node.allowed.slice(),
          mustBy,
          openMusts: node.openMusts.slice(1),
        });
      }
      return;
    }
    const p = this.worstCredited(node);
    if (p >= 0) {
      for (const leaf of this.relaxation.leaves[p] as number[]) {
        const through = node.through.slice();
        through[p] = leaf;
        open({ ...node, allowed: node.allowed.slice(), through });
      }
      return;
    }
    if (this.branchTooSoon(node, open)) return;
    const pair = this.looseOrBrokenPair(node);
    if (pair) {
      const left = 1 << this.problem.slots.length;
      for (const k of pair) {
        const allowed = node.allowed.slice();
        allowed[k] = (allowed[k] as number) & left;
        if (allowed[k] !== 0) open({ ...node, allowed });
      }
      return;
    }
    if (this.isSettledButForLimits(node) && this.closed(node)) return;
    let doubt = this.mostDoubtful(node, this.groups);
    if (doubt.k < 0) {
      // Every season is settled: passes within a season are worth the same, and the relaxed plan keeps the order of the cuts
      if (this.offer(this.plan) > Number.NEGATIVE_INFINITY || !this.growsAnything) return;
      // They do not use the same: what is cut as late as it may be grows back least
      const late = this.asLateAsMayBe(node);
      if (this.offer(late) > Number.NEGATIVE_INFINITY || breachOf(this.problem, [...late])?.kind === 'limit')
        return;
      doubt = this.mostDoubtful(node, this.slotGroups);
      if (doubt.k < 0) return;
    }
    const { k, first, firstBound, restBound } = doubt;
    const bits = node.allowed[k] as number;
    const firstHalf = node.allowed.slice();
    firstHalf[k] = bits & first;
    const rest = node.allowed.slice();
    rest[k] = bits & ~first;
    open({ ...node, allowed: firstHalf, bound: Math.min(node.bound, firstBound) });
    open({ ...node, allowed: rest, bound: Math.min(node.bound, restBound) });
  }

  /**
   * Where the relaxed plan makes a cut before what has to go first: either it is not made in that season or before, or it is made by then
   * and one of those goes first.
   */
  private branchTooSoon(node: Node, open: (child: Node) => void): boolean {
    const { slots, after } = this.problem;
    const rule = after.find((each) => isTooSoon(this.problem, each, this.plan));
    if (!rule) return false;
    const [k, first] = rule;
    const season = slots[this.plan[k] as number]?.season ?? 0;
    const upTo = (last: number) =>
      slots.reduce((bits, slot, t) => (slot.season <= last ? bits | (1 << t) : bits), 0);
    const part = (change: (allowed: Uint16Array) => boolean) => {
      const allowed = node.allowed.slice();
      if (change(allowed)) open({ ...node, allowed });
    };
    const keep = (allowed: Uint16Array, at: number, bits: number) => {
      allowed[at] = (allowed[at] as number) & bits;
      return allowed[at] !== 0;
    };
    part((allowed) => keep(allowed, k, ~upTo(season)));
    for (const j of first)
      part((allowed) => keep(allowed, k, upTo(season)) && keep(allowed, j, upTo(season - 1)));
    return true;
  }

  /** Is nothing open but how the seasons are filled? Then problems are credited through one limb each, and no pair is left. */
  private isSettledButForLimits(node: Node): boolean {
    const { allowed } = node;
    const through = node.through.slice();
    const left = 1 << this.problem.slots.length;
    for (const p of this.relaxation.manyLeaves) {
      if (through[p] !== ANY_LEAF) continue;
      const open = (this.waysOf.get(p) as number[][]).flatMap((way) =>
        way.some((k) => allowed[k] !== left) ? [way[0] as number] : [],
      );
      if (open.length > 1) return false;
      through[p] = open[0] ?? (this.relaxation.leaves[p]?.[0] as number);
    }
    if (!this.problem.excludes.every(([a, b]) => allowed[a] === left || allowed[b] === left)) return false;
    node.through = through;
    return true;
  }

  /** Finds the best plan of the node by labels; false when there are too many of them. */
  private closed(node: Node): boolean {
    const { allowed, mustBy, through } = node;
    const prices = node.prices.slice();
    prices.fill(0, this.relaxation.firstTwice);
    const bound = this.relaxation.bound(allowed, mustBy, through, prices);
    if (bound <= this.bestScore + CLOSE) return true;
    const found = bestByLabels(this.problem, this.relaxation, allowed, mustBy, bound, this.bestScore);
    // The relaxation may take two cuts of one season on one limb for more than they are worth: then other plans are still open
    const exact = found === null || (found !== 'too many' && this.offer(found.plan) >= found.worth - CLOSE);
    if (!exact) {
      // The totals and the plan that branching reads are those of the node
      this.relaxation.bound(allowed, mustBy, through, node.prices);
      this.relaxation.plan(this.plan);
      this.relaxation.totals(allowed, mustBy, this.totals);
      return false;
    }
    return true;
  }

  /** The problem that the relaxed plan credits most beyond its true credit; −1 where all are as they are. */
  private worstCredited({ through, prices }: Node): number {
    const { problems, slots, candidates, discount } = this.problem;
    let worst = -1;
    let most = 1e-9;
    for (const [i, p] of this.relaxation.manyLeaves.entries()) {
      if (through[p] !== ANY_LEAF) continue;
      const price = prices[this.relaxation.firstTwice + i] as number;
      const value = problems[p]?.value ?? 0;
      const times = this.creditedTimes(p);
      let beyond = times > 1 ? value : price;
      if (times === 1) {
        let credit = 0;
        for (const k of this.solversOf.get(p) as number[]) {
          const slot = this.plan[k] as number;
          if (slot < 0) continue;
          const remains = candidates[k]?.solves.find((solve) => solve.problem === p)?.remains ?? 1;
          credit = Math.max(credit, value * (1 - remains) * discount ** ((slots[slot]?.season ?? 1) - 1));
        }
        beyond = price - credit;
      }
      if (beyond > most) {
        most = beyond;
        worst = p;
      }
    }
    return worst;
  }

  /** A pair of which both are chosen, or one that is paid for though neither is. */
  private looseOrBrokenPair({ prices, allowed }: Node): readonly [number, number] | null {
    const from = this.relaxation.firstTwice + this.relaxation.manyLeaves.length;
    const left = 1 << this.problem.slots.length;
    for (const [i, pair] of this.problem.excludes.entries()) {
      const [a, b] = pair;
      if (allowed[a] === left || allowed[b] === left) continue;
      const chosen = ((this.plan[a] as number) >= 0 ? 1 : 0) + ((this.plan[b] as number) >= 0 ? 1 : 0);
      if (chosen === 2 || (chosen === 0 && (prices[from + i] as number) > 1e-9)) return pair;
    }
    return null;
  }

  /**
   * The candidate whose best group of slots has the strongest rival, weighed by the crown that hangs on it. Whole seasons part first: the
   * passes of a season are worth the same, and parting them would look at every plan twice.
   */
  private mostDoubtful(
    node: Node,
    groups: number[],
  ): { k: number; first: number; firstBound: number; restBound: number } {
    const T = this.problem.slots.length;
    let found = { k: -1, first: 0, firstBound: 0, restBound: 0 };
    let most = Number.NEGATIVE_INFINITY;
    for (let k = 0; k < this.parents.length; k++) {
      const bits = node.allowed[k] as number;
      let [one, two, at] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, 0];
      for (const group of groups) {
        if ((bits & group) === 0) continue;
        let total = Number.NEGATIVE_INFINITY;
        for (let t = 0; t <= T; t++) {
          if ((bits & group & (1 << t)) !== 0)
            total = Math.max(total, this.totals[k * (T + 1) + t] as number);
        }
        if (total > one) [one, two, at] = [total, one, group];
        else if (total > two) two = total;
      }
      if (two === Number.NEGATIVE_INFINITY) continue;
      const doubt = (1 + (this.ownCrown[k] as number)) / (one - two + 1e-3);
      if (doubt > most) {
        most = doubt;
        found = { k, first: at, firstBound: one, restBound: two };
      }
    }
    return found;
  }

  /** The relaxed plan with each cut in the last pass that is open to it in its season, before the cut that takes its wood. */
  private asLateAsMayBe({ allowed }: Node): Int8Array {
    const { slots } = this.problem;
    const late = this.plan.slice();
    const goneBy = new Int8Array(late.length);
    for (let k = 0; k < late.length; k++) {
      const parent = this.parents[k] as number;
      const above = parent < 0 ? slots.length : (goneBy[parent] as number);
      const had = late[k] as number;
      if (had >= 0) {
        for (let t = had + 1; t < above && slots[t]?.season === slots[had]?.season; t++)
          if (((allowed[k] as number) & (1 << t)) !== 0) late[k] = t;
      }
      goneBy[k] = had >= 0 && this.problem.candidates[k]?.isCut ? Math.min(above, late[k] as number) : above;
    }
    return late;
  }

  /** A plan with each cut in the first pass of its season in which it breaks nothing: what is worth the same is done in winter. */
  private asEarlyAsMayBe(from: Int8Array): Int8Array {
    if (!this.growsAnything) return from;
    const { slots, candidates } = this.problem;
    const plan = from.slice();
    for (let k = 0; k < plan.length; k++) {
      const had = plan[k] as number;
      if (had < 0) continue;
      for (const slot of (candidates[k] as PlanCandidate).slots) {
        if (slot >= had || slots[slot]?.season !== slots[had]?.season) continue;
        plan[k] = slot;
        if (this.fast.score(plan) > Number.NEGATIVE_INFINITY) break;
        plan[k] = had;
      }
    }
    return plan;
  }

  /** Takes a plan as the best one if it is; its score, −∞ where it breaks something. */
  private offer(plan: Int8Array): number {
    const score = this.fast.score(plan);
    if (score > this.bestScore) {
      this.bestScore = score;
      this.best = plan.slice();
    }
    return score;
  }

  /** Musts and required ones by their smallest candidates; then single changes as long as one is better. */
  private startWithMusts(): void {
    const plan = new Int8Array(this.parents.length).fill(-1);
    this.problem.problems.forEach(({ mustBy }, p) => {
      if (mustBy === null) return;
      const leaves = this.relaxation.leaves[p] as number[];
      const leaf = leaves.find((k) => (plan[k] as number) >= 0) ?? leaves[0];
      const slots = leaf === undefined ? [] : (this.problem.candidates[leaf] as PlanCandidate).slots;
      const slot = slots.findLast((slot) => slot <= mustBy);
      if (leaf !== undefined && slot !== undefined) plan[leaf] = slot;
    });
    for (const k of this.problem.required) {
      if ((plan[k] as number) < 0) plan[k] = this.problem.candidates[k]?.slots[0] ?? -1;
    }
    this.improveFrom(plan);
  }

  private improveFrom(from: Int8Array): void {
    const plan = this.repaired(from);
    if (!plan) return;
    let score = this.offer(plan);
    const T = this.problem.slots.length;
    for (let rounds = 0; rounds < 12; rounds++) {
      const before = score;
      for (let k = 0; k < plan.length; k++) {
        const had = plan[k] as number;
        let kept = had;
        for (let t = -1; t < T; t++) {
          if (t === had) continue;
          if (t >= 0 && !this.problem.candidates[k]?.slots.includes(t)) continue;
          plan[k] = t;
          const now = this.fast.score(plan);
          if (now > score + CLOSE) {
            score = now;
            kept = t;
          }
        }
        plan[k] = kept;
      }
      if (score <= before + CLOSE) break;
    }
    this.offer(plan);
  }

  /** Puts one more in, lets others give way, and keeps what is better, until nothing is. */
  private pushIn(): void {
    for (let rounds = 0; rounds < 6 && this.best; rounds++) {
      const before = this.bestScore;
      for (let k = 0; k < this.parents.length; k++) {
        for (const slot of this.problem.candidates[k]?.slots ?? []) {
          const plan: Int8Array = this.best.slice();
          if (plan[k] === slot) continue;
          plan[k] = slot;
          const sound = this.repaired(plan, k);
          if (sound && this.offer(sound) > before) this.improveFrom(sound);
        }
      }
      if (this.bestScore <= before + CLOSE) return;
    }
  }

  /** A plan that breaks nothing, from one that may: wood already gone, pairs and limits give way, cheapest first. */
  private repaired(from: Int8Array, kept = -1): Int8Array | null {
    const plan = from.slice();
    const required = new Set(kept < 0 ? this.problem.required : [...this.problem.required, kept]);
    for (let i = 0; i <= plan.length; i++) {
      if (this.fast.score(plan) > Number.NEGATIVE_INFINITY) return plan;
      const breach = breachOf(this.problem, plan as unknown as Assignment);
      if (!breach) return plan;
      if ((breach.kind === 'wood gone' || breach.kind === 'too soon') && !required.has(breach.candidate))
        plan[breach.candidate] = -1;
      else if (breach.kind === 'excluded') {
        const loser = required.has(breach.pair[1]) ? breach.pair[0] : breach.pair[1];
        if (required.has(loser)) return null;
        plan[loser] = -1;
      } else if (breach.kind === 'limit') {
        const change = this.cheapestChange(plan, breach, required);
        if (!change) return null;
        plan[change.k] = change.slot;
      } else return null;
    }
    return null;
  }

  /** What is left or put off at the least loss a thousandth to bring what a cap counts under its limit. */
  private cheapestChange(
    plan: Int8Array,
    { season, cap }: { season: number; cap: number },
    required: Set<number>,
  ): { k: number; slot: number } | null {
    const { slots, candidates } = this.problem;
    const { caps } = this.relaxation;
    const isOverIn = (to: number) =>
      caps.some((each, i) => each.season === to - 1 && isOver(this.fast.used[i] as number, each.limit));
    let found: { k: number; slot: number } | null = null;
    let least = Number.POSITIVE_INFINITY;
    const whole = this.fast.worth(plan);
    const before = this.fast.used[cap] as number;
    for (let k = 0; k < plan.length; k++) {
      const had = plan[k] as number;
      if (had < 0 || slots[had]?.season !== season) continue;
      for (const slot of [-1, ...(candidates[k] as PlanCandidate).slots]) {
        const to = slot < 0 ? 0 : (slots[slot]?.season ?? 0);
        if (to === season || (slot < 0 && required.has(k))) continue;
        plan[k] = slot;
        const loss = whole - this.fast.worth(plan);
        const freed = before - (this.fast.used[cap] as number);
        const over = to > 0 && isOverIn(to);
        if (freed > 0 && !over && this.fast.sound && loss / freed < least) {
          least = loss / freed;
          found = { k, slot };
        }
      }
      plan[k] = had;
    }
    return found;
  }
}

/** The slots of each season as bits, and the bit of what is left. */
function seasonBits({ slots, limits }: PlanProblem): number[] {
  const seasons = limits.map((_, y) =>
    slots.reduce((bits, { season }, t) => (season === y + 1 ? bits | (1 << t) : bits), 0),
  );
  return [...seasons, 1 << slots.length];
}
