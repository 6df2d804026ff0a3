// How good can a plan at best be, when limits, pairs and doubles are priced instead of kept?
import { ancestors, type Cap, capsOf, type PlanCandidate, type PlanProblem, shareIn } from './problem';

/** Plans of equal worth are told apart by fewer cuts, then less crown: each weighs too little to turn a choice that is none. */
export const TIE_A_CUT = 1e-9;
export const TIE_A_THOUSANDTH = 1e-12;

/**
 * Prices on what the relaxation does not keep: one for each cap, then one for each problem of `manyLeaves` that may be
 * credited twice, then one for each excluded pair.
 */
export type Prices = Float64Array;

/** No must at a candidate. */
export const NO_MUST = 127;

/** No limb is chosen yet through which a problem is credited. */
export const ANY_LEAF = -1;

interface Shared {
  problem: number;
  /** Its index in `manyLeaves`. */
  at: number;
  /** Candidates farthest out, on this one’s wood, that solve it. */
  leaves: Set<number>;
  credit: Float64Array;
  /** Credit of the same problem at each ancestor, root first. */
  above: Float64Array[];
}

/**
 * The best plan of the relaxed problem by a dynamic programme on the forest of cuts. A state is the nearest cut nearer the trunk that
 * is chosen, with its slot: it says when the wood goes at the latest, and what was already credited. Two sweeps, inside and outside,
 * give for every candidate and slot the best that a plan with that choice can reach, so that hopeless choices are dropped at once.
 */
export class Relaxation {
  readonly slots: number;
  readonly size: number;
  /** Problems that separate limbs, or a cut and something else, can solve. */
  readonly manyLeaves: number[] = [];
  /** Candidates farthest out that solve each problem. */
  readonly leaves: number[][];
  private readonly above: number[][];
  private readonly children: number[][];
  private readonly states: Int32Array;
  private readonly stateSlot: Int8Array[];
  private readonly fixedGain: Float64Array[];
  private readonly shared: Shared[][];
  private readonly woodPrice: Float64Array;
  private readonly pairsOf: number[][];
  private readonly inside: Float64Array[];
  /** Inside values of the children of each. */
  private readonly below: Float64Array[][];
  private readonly outside: Float64Array[];
  private readonly choice: Int8Array[];
  private readonly gain: Float64Array[];
  private readonly wood: Float64Array;
  /** What no plan may use more of: the crown of each season, and the quotas. */
  readonly caps: Cap[];
  /** Of each group of caps that count the same wood: its units, and each slot’s share in each of its caps. */
  private readonly counted: { units: Float64Array; shares: { cap: number; of: Float64Array }[] }[];
  readonly firstTwice: number;
  private readonly firstPair: number;
  private readonly seasonOf: Int8Array;
  /** Candidates whose gains depend on prices. */
  private readonly priced: number[];
  private rootSum = 0;

  constructor(readonly problem: PlanProblem) {
    const { candidates, slots } = problem;
    this.size = candidates.length;
    this.slots = slots.length;
    this.above = candidates.map((_, k) => ancestors(problem, k).reverse());
    this.children = candidates.map(() => []);
    candidates.forEach(({ parent }, k) => {
      if (parent !== null) this.children[parent]?.push(k);
    });
    this.leaves = problem.problems.map((_, p) => this.leavesOf(p));
    this.leaves.forEach((all, p) => {
      if (all.length > 1) this.manyLeaves.push(p);
    });
    this.caps = capsOf(problem);
    this.counted = [...new Set(this.caps.map(({ units }) => units))].map((units) => ({
      units: Float64Array.from(units),
      shares: this.caps.flatMap((cap, i) =>
        cap.units === units
          ? [{ cap: i, of: Float64Array.from(slots, (_, t) => shareIn(problem, cap, t)) }]
          : [],
      ),
    }));
    this.firstTwice = this.caps.length;
    this.firstPair = this.firstTwice + this.manyLeaves.length;
    this.states = Int32Array.from(this.above, (all) => 1 + all.length * this.slots);
    this.stateSlot = this.above.map((all) => {
      const slot = new Int8Array(1 + all.length * this.slots);
      slot[0] = this.slots;
      for (let s = 1; s < slot.length; s++) slot[s] = (s - 1) % this.slots;
      return slot;
    });
    this.shared = candidates.map((_, k) => this.sharedOf(k));
    this.fixedGain = candidates.map((_, k) => this.fixedGainOf(k));
    this.woodPrice = this.woodPrices();
    this.pairsOf = candidates.map((_, k) =>
      problem.excludes.flatMap((pair, i) => (pair.includes(k) ? [i] : [])),
    );
    const arrays = () => candidates.map((_, k) => new Float64Array(this.states[k] as number));
    this.inside = arrays();
    this.below = this.children.map((all) => all.map((child) => this.inside[child] as Float64Array));
    this.outside = arrays();
    this.choice = candidates.map((_, k) => new Int8Array(this.states[k] as number));
    this.gain = candidates.map((_, k) => new Float64Array(this.slots * (this.states[k] as number)));
    const walk = (k: number): number[] => [k, ...(this.children[k] as number[]).flatMap(walk)];
    this.preorder = candidates.flatMap(({ parent }, k) => (parent === null ? walk(k) : []));
    this.wood = this.woodPrice.slice();
    this.seasonOf = Int8Array.from(slots, ({ season }) => season - 1);
    this.priced = candidates.flatMap((_, k) =>
      (this.shared[k] as Shared[]).length > 0 || (this.pairsOf[k] as number[]).length > 0 ? [k] : [],
    );
    this.fixedGain.forEach((gain, k) => {
      this.gain[k]?.set(gain);
    });
  }

  /**
   * The bound at these prices, and inside it the plan that reaches it.
   *
   * @param allowed bit t of each candidate: slot t is open to it; bit `slots`: it may be left
   * @param mustBy last slot in which the wood at each candidate must be solved; `NO_MUST` for none
   * @param through for each problem the candidate farthest out through whose wood alone it is credited, or `ANY_LEAF`
   * @returns −∞ when no plan is left
   */
  bound(allowed: Uint16Array, mustBy: Int8Array, through: Int16Array, prices: Prices): number {
    this.price(prices, through);
    let sum = 0;
    for (let k = this.size - 1; k >= 0; k--) {
      this.sweepIn(k, allowed[k] as number, mustBy[k] as number);
      if (this.problem.candidates[k]?.parent === null) sum += this.inside[k]?.[0] as number;
    }
    this.rootSum = sum;
    let constant = 0;
    let j = 0;
    for (const { limit } of this.caps) constant += limit * (prices[j++] as number);
    for (const p of this.manyLeaves) {
      if (through[p] === ANY_LEAF) constant += prices[j] as number;
      j++;
    }
    while (j < prices.length) constant += prices[j++] as number;
    this.constant = constant;
    return sum + constant;
  }
  private constant = 0;

  /** The plan that reached the bound: slot of each candidate, −1 where it is left. */
  plan(into: Int8Array): void {
    const state = new Int32Array(this.size);
    for (let k = 0; k < this.size; k++) {
      const s = state[k] as number;
      const slot = this.choice[k]?.[s] as number;
      into[k] = slot;
      const next = slot < 0 ? s : (this.states[k] as number) + slot;
      for (const child of this.children[k] as number[]) state[child] = next;
    }
  }

  /** For each candidate and slot (last: left) the best bound of plans with that choice. After `bound`. */
  totals(allowed: Uint16Array, mustBy: Int8Array, into: Float64Array): void {
    const T = this.slots;
    into.fill(Number.NEGATIVE_INFINITY);
    for (let k = 0; k < this.size; k++) {
      const out = this.outside[k] as Float64Array;
      if (this.problem.candidates[k]?.parent === null) {
        out[0] = this.rootSum - (this.inside[k]?.[0] as number) + this.constant;
      }
      this.sweepOut(
        k,
        allowed[k] as number,
        mustBy[k] as number,
        into.subarray(k * (T + 1), (k + 1) * (T + 1)),
      );
    }
  }

  /** Candidates with each one’s inner ones right behind it. */
  readonly preorder: number[];

  depthOf(k: number): number {
    return (this.above[k] as number[]).length;
  }

  /** The slot in which the wood of k’s own place goes, −1 where it stays. */
  goesIn(k: number, state: number, slot: number): number {
    if (slot >= 0) return this.problem.candidates[k]?.isCut ? slot : -1;
    const latest = this.stateSlot[k]?.[state] as number;
    return latest === this.slots ? -1 : latest;
  }

  /**
   * Each choice that is open to k in this state: its slot, the state of k’s inner candidates after it, what it adds to the score at no
   * price, and by how much the bound falls. After `bound` at season prices alone.
   *
   * @param lastOnly of each season the last slot alone: it is worth as much as the others, grows back no more and leaves most room for
   *   what comes before; not where a must on its wood has to be met by a slot
   */
  eachOption(
    k: number,
    state: number,
    allowed: number,
    mustBy: number,
    lastOnly: boolean,
    tell: (slot: number, after: number, worth: number, regret: number) => void,
  ): void {
    const T = this.slots;
    const S = this.states[k] as number;
    const latest = this.stateSlot[k]?.[state] as number;
    const base = k * (T + 1);
    const best = this.inside[k]?.[state] as number;
    const below = this.below[k] as Float64Array[];
    const say = (slot: number, after: number, gain: number, goes: number) => {
      let value = gain - (this.wood[base + goes] as number);
      for (const inner of below) value += inner[after] as number;
      if (value > Number.NEGATIVE_INFINITY)
        tell(slot, after, gain - (this.woodPrice[base + goes] as number), best - value);
    };
    if ((allowed & (1 << T)) !== 0 && (latest <= mustBy || mustBy === NO_MUST)) say(-1, state, 0, latest);
    const isOpen = (t: number) => t < latest && (allowed & (1 << t)) !== 0 && t <= mustBy;
    for (let t = 0; t < latest; t++) {
      if (!isOpen(t)) continue;
      if (lastOnly && this.hasLater(t, isOpen)) continue;
      say(t, S + t, this.gain[k]?.[t * S + state] as number, t);
    }
  }

  /** Is a later slot of the same season open too? */
  private hasLater(t: number, isOpen: (slot: number) => boolean): boolean {
    for (let next = t + 1; next < this.slots && this.seasonOf[next] === this.seasonOf[t]; next++)
      if (isOpen(next)) return true;
    return false;
  }

  private sweepIn(k: number, allowed: number, mustBy: number): void {
    const T = this.slots;
    const S = this.states[k] as number;
    const slotOf = this.stateSlot[k] as Int8Array;
    const inside = this.inside[k] as Float64Array;
    const choice = this.choice[k] as Int8Array;
    const gain = this.gain[k] as Float64Array;
    const below = this.below[k] as Float64Array[];
    const base = k * (T + 1);
    const taken = TAKEN;
    for (let t = 0; t < T; t++) {
      if ((allowed & (1 << t)) === 0 || t > mustBy) {
        taken[t] = Number.NEGATIVE_INFINITY;
        continue;
      }
      let sum = -(this.wood[base + t] as number);
      for (let c = 0; c < below.length; c++) sum += (below[c] as Float64Array)[S + t] as number;
      taken[t] = sum;
    }
    const mayLeave = (allowed & (1 << T)) !== 0;
    for (let s = 0; s < S; s++) {
      const latest = slotOf[s] as number;
      let best = Number.NEGATIVE_INFINITY;
      let slot = -1;
      if (mayLeave && (latest <= mustBy || mustBy === NO_MUST)) {
        best = -(this.wood[base + latest] as number);
        for (let c = 0; c < below.length; c++) best += (below[c] as Float64Array)[s] as number;
      }
      for (let t = 0; t < latest; t++) {
        const worth = (taken[t] as number) + (gain[t * S + s] as number);
        if (worth > best) {
          best = worth;
          slot = t;
        }
      }
      inside[s] = best;
      choice[s] = slot;
    }
  }

  private sweepOut(k: number, allowed: number, mustBy: number, totals: Float64Array): void {
    const T = this.slots;
    const S = this.states[k] as number;
    const slotOf = this.stateSlot[k] as Int8Array;
    const out = this.outside[k] as Float64Array;
    const gain = this.gain[k] as Float64Array;
    const children = this.children[k] as number[];
    const base = k * (T + 1);
    for (const child of children) this.outside[child]?.fill(Number.NEGATIVE_INFINITY);
    const pass = (state: number, without: number) => {
      let sum = 0;
      let dead = 0;
      for (const child of children) {
        const value = this.inside[child]?.[state] as number;
        if (value === Number.NEGATIVE_INFINITY) dead++;
        else sum += value;
      }
      for (const child of children) {
        const value = this.inside[child]?.[state] as number;
        const gained = value === Number.NEGATIVE_INFINITY ? 0 : value;
        const othersDead = dead - (value === Number.NEGATIVE_INFINITY ? 1 : 0) > 0;
        (this.outside[child] as Float64Array)[state] = othersDead
          ? Number.NEGATIVE_INFINITY
          : without + sum - gained;
      }
      return dead > 0 ? Number.NEGATIVE_INFINITY : without + sum;
    };
    const mayLeave = (allowed & (1 << T)) !== 0;
    for (let s = 0; s < S; s++) {
      const latest = slotOf[s] as number;
      if (!mayLeave || (latest > mustBy && mustBy !== NO_MUST)) continue;
      const total = pass(s, (out[s] as number) - (this.wood[base + latest] as number));
      if (total > (totals[T] as number)) totals[T] = total;
    }
    for (let t = 0; t < T; t++) {
      if ((allowed & (1 << t)) === 0 || t > mustBy) continue;
      let best = Number.NEGATIVE_INFINITY;
      for (let s = 0; s < S; s++) {
        if ((slotOf[s] as number) <= t) continue;
        const worth = (out[s] as number) + (gain[t * S + s] as number);
        if (worth > best) best = worth;
      }
      totals[t] = pass(S + t, best - (this.wood[base + t] as number));
    }
  }

  /** Lays the prices on wood and gains. */
  private price(prices: Prices, through: Int16Array): void {
    const T = this.slots;
    for (const [i, { units, shares }] of this.counted.entries()) {
      for (let t = 0; t < T; t++) {
        let price = 0;
        for (const { cap, of } of shares) price += (prices[cap] as number) * (of[t] as number);
        SLOT_PRICE[t] = price;
      }
      const from = i === 0 ? this.woodPrice : this.wood;
      for (let k = 0; k < this.size; k++) {
        const counts = units[k] as number;
        if (counts === 0 && i > 0) continue;
        const base = k * (T + 1);
        for (let t = 0; t < T; t++)
          this.wood[base + t] = (from[base + t] as number) + counts * (SLOT_PRICE[t] as number);
      }
    }
    for (const k of this.priced) this.priceShared(k, prices, through);
  }

  private priceShared(k: number, prices: Prices, through: Int16Array): void {
    const T = this.slots;
    const S = this.states[k] as number;
    const slotOf = this.stateSlot[k] as Int8Array;
    const gain = this.gain[k] as Float64Array;
    gain.set(this.fixedGain[k] as Float64Array);
    let forPairs = 0;
    for (const i of this.pairsOf[k] as number[]) forPairs += prices[this.firstPair + i] as number;
    if (forPairs > 0) for (let i = 0; i < gain.length; i++) gain[i] = (gain[i] as number) - forPairs;
    for (const { problem, at, leaves, credit, above } of this.shared[k] as Shared[]) {
      const leaf = through[problem] as number;
      if (leaf !== ANY_LEAF && !leaves.has(leaf)) continue;
      const mu = leaf === ANY_LEAF ? (prices[this.firstTwice + at] as number) : 0;
      for (let t = 0; t < T; t++) {
        const reducedCredit = Math.max(0, (credit[t] as number) - mu);
        gain[t * S] = (gain[t * S] as number) + reducedCredit;
        for (let s = 1; s < S; s++) {
          const slot = slotOf[s] as number;
          if (slot <= t) continue;
          const before = above[Math.floor((s - 1) / T)]?.[slot] as number;
          const more = reducedCredit - Math.max(0, before - mu);
          // Through one limb alone it is credited at its earliest season, even where a later cut leaves less behind
          const exact = leaf !== ANY_LEAF && this.seasonOf[slot] !== this.seasonOf[t];
          gain[t * S + s] = (gain[t * S + s] as number) + (exact ? more : Math.max(0, more));
        }
      }
    }
  }

  private creditOf(k: number, p: number): Float64Array {
    const { problem } = this;
    const remains = problem.candidates[k]?.solves.find((solve) => solve.problem === p)?.remains ?? 1;
    const value = problem.problems[p]?.value ?? 0;
    return Float64Array.from(
      problem.slots,
      ({ season }) => value * (1 - remains) * problem.discount ** (season - 1),
    );
  }

  private sharedOf(k: number): Shared[] {
    const { solves } = this.problem.candidates[k] as PlanCandidate;
    return solves
      .filter(({ problem }) => (this.leaves[problem] as number[]).length > 1)
      .map(({ problem }) => ({
        problem,
        at: this.manyLeaves.indexOf(problem),
        leaves: new Set(
          (this.leaves[problem] as number[]).filter((leaf) => leaf === k || this.above[leaf]?.includes(k)),
        ),
        credit: this.creditOf(k, problem),
        above: (this.above[k] as number[]).map((j) => this.creditOf(j, problem)),
      }));
  }

  /** What choosing k in slot t adds to each state, but for problems that several limbs can solve. */
  private fixedGainOf(k: number): Float64Array {
    const { problem } = this;
    const T = this.slots;
    const S = this.states[k] as number;
    const slotOf = this.stateSlot[k] as Int8Array;
    const candidate = problem.candidates[k] as PlanCandidate;
    const single = candidate.solves.filter(({ problem: p }) => (this.leaves[p] as number[]).length === 1);
    const credits = single.map(({ problem: p }) => ({
      own: this.creditOf(k, p),
      above: (this.above[k] as number[]).map((j) => this.creditOf(j, p)),
    }));
    const gain = new Float64Array(T * S);
    for (let t = 0; t < T; t++) {
      const { season } = problem.slots[t] as { season: number };
      const fixed = -candidate.minutes * problem.costs.minute * problem.discount ** (season - 1) - TIE_A_CUT;
      for (let s = 0; s < S; s++) {
        let sum = fixed;
        for (const { own, above } of credits) {
          const now = own[t] as number;
          if (s === 0) sum += now;
          else {
            const slot = slotOf[s] as number;
            const before = above[Math.floor((s - 1) / T)]?.[slot] as number;
            const sameSeason = problem.slots[slot]?.season === season;
            sum += sameSeason ? Math.max(0, now - before) : now - before;
          }
        }
        gain[t * S + s] = sum;
      }
    }
    return gain;
  }

  private woodPrices(): Float64Array {
    const { costs, candidates, discount, slots } = this.problem;
    const T = this.slots;
    const prices = new Float64Array(this.size * (T + 1));
    candidates.forEach(({ own }, k) => {
      const price =
        own.crown * costs.crown +
        own.fruit * costs.fruit +
        own.exemptCrown * costs.exemptCrown +
        own.exemptFruit * costs.exemptFruit;
      slots.forEach(({ season }, t) => {
        prices[k * (T + 1) + t] =
          price * discount ** (season - 1) + own.keepWorth + (own.crown + own.exemptCrown) * TIE_A_THOUSANDTH;
      });
    });
    return prices;
  }

  private leavesOf(p: number): number[] {
    const solvers = this.problem.candidates.flatMap(({ solves }, k) =>
      solves.some((solve) => solve.problem === p) ? [k] : [],
    );
    const inner = new Set(solvers.flatMap((k) => this.above[k] as number[]));
    return solvers.filter((k) => !inner.has(k));
  }
}

const TAKEN = new Float64Array(16);
/** What a thousandth of what is counted costs in each slot at the prices of the last bound. */
const SLOT_PRICE = new Float64Array(16);
