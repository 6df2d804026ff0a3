// Is this plan allowed, and what is it worth? Asked thousands of times in a search.
import { type Cap, capsOf, isOver, isTooSoon, type PlanProblem, shareIn } from './problem';
import { TIE_A_CUT, TIE_A_THOUSANDTH } from './relaxation';

/** `breachOf` and `worthOf` on flat arrays, for the thousands of plans that a search looks at. */
export class FastWorth {
  private readonly size: number;
  private readonly parent: Int32Array;
  private readonly isCut: Uint8Array;
  private readonly price: Float64Array;
  private readonly keep: Float64Array;
  private readonly units: Float64Array;
  private readonly minute: Float64Array;
  private readonly season: Int32Array;
  private readonly weight: Float64Array;
  private readonly taken: Int8Array;
  private readonly caps: Cap[];
  /** Of each slot, the caps that what goes in it counts in, and with which share. */
  private readonly counts: { cap: number; units: Float64Array; share: number }[][];
  /** What the plan that was looked at last uses of each cap. */
  readonly used: Float64Array;
  /** Every wood of the plan looked at last was still there when its cut came. */
  sound = true;
  private readonly solvedSeason: Int8Array;
  private readonly solvedSlot: Int8Array;
  private readonly remains: Float64Array;
  private readonly solves: { problem: number; remains: number }[][];
  private readonly required: Uint8Array;

  constructor(private readonly problem: PlanProblem) {
    const { candidates, costs, slots, discount } = problem;
    this.size = candidates.length;
    this.parent = Int32Array.from(candidates, ({ parent }) => parent ?? -1);
    this.isCut = Uint8Array.from(candidates, ({ isCut }) => (isCut ? 1 : 0));
    this.units = Float64Array.from(candidates, ({ own }) => own.crown + own.exemptCrown);
    this.price = Float64Array.from(
      candidates,
      ({ own }) =>
        own.crown * costs.crown +
        own.fruit * costs.fruit +
        own.exemptCrown * costs.exemptCrown +
        own.exemptFruit * costs.exemptFruit,
    );
    this.keep = Float64Array.from(candidates, ({ own }) => own.keepWorth);
    this.minute = Float64Array.from(candidates, ({ minutes }) => minutes * costs.minute);
    this.season = Int32Array.from(slots, ({ season }) => season - 1);
    this.caps = capsOf(problem);
    const units = this.caps.map((cap) => Float64Array.from(cap.units));
    this.counts = slots.map((_, t) =>
      this.caps.flatMap((cap, i) => {
        const share = shareIn(problem, cap, t);
        return share > 0 ? [{ cap: i, units: units[i] as Float64Array, share }] : [];
      }),
    );
    this.weight = Float64Array.from(slots, ({ season }) => discount ** (season - 1));
    this.taken = new Int8Array(this.size);
    this.used = new Float64Array(this.caps.length);
    this.solvedSeason = new Int8Array(problem.problems.length);
    this.solvedSlot = new Int8Array(problem.problems.length);
    this.remains = new Float64Array(problem.problems.length);
    this.solves = candidates.map(({ solves }) => solves);
    this.required = new Uint8Array(this.size);
    for (const k of problem.required) this.required[k] = 1;
  }

  worth(plan: Int8Array): number {
    return this.run(plan).worth;
  }

  /** Worth less what breaks a tie; −∞ where a must, limit, pair or the order of cuts is broken. */
  score(plan: Int8Array): number {
    const { worth, ties, sound } = this.run(plan);
    if (!sound) return Number.NEGATIVE_INFINITY;
    for (const [a, b] of this.problem.excludes) {
      if ((plan[a] as number) >= 0 && (plan[b] as number) >= 0) return Number.NEGATIVE_INFINITY;
    }
    for (const rule of this.problem.after) {
      if (isTooSoon(this.problem, rule, plan)) return Number.NEGATIVE_INFINITY;
    }
    for (let i = 0; i < this.used.length; i++) {
      if (isOver(this.used[i] as number, (this.caps[i] as Cap).limit)) return Number.NEGATIVE_INFINITY;
    }
    for (let p = 0; p < this.solvedSlot.length; p++) {
      const by = this.problem.problems[p]?.mustBy ?? null;
      if (by !== null && (this.solvedSlot[p] as number) > by) return Number.NEGATIVE_INFINITY;
    }
    return worth - ties;
  }

  private run(plan: Int8Array): { worth: number; ties: number; sound: boolean } {
    const LATE = 120;
    this.used.fill(0);
    this.solvedSeason.fill(LATE);
    this.solvedSlot.fill(LATE);
    let worth = 0;
    let ties = 0;
    let sound = true;
    for (let k = 0; k < this.size; k++) {
      const parent = this.parent[k] as number;
      const above = parent < 0 ? -1 : (this.taken[parent] as number);
      const slot = plan[k] as number;
      if (slot < 0 && this.required[k] === 1) sound = false;
      if (slot >= 0 && above >= 0 && slot >= above) sound = false;
      const goes = this.isCut[k] === 1 && slot >= 0 && (above < 0 || slot < above) ? slot : above;
      this.taken[k] = goes;
      if (goes >= 0) {
        for (const { cap, units, share } of this.counts[goes] as FastWorth['counts'][number])
          this.used[cap] = (this.used[cap] as number) + (units[k] as number) * share;
        worth -= (this.price[k] as number) * (this.weight[goes] as number) + (this.keep[k] as number);
        ties += (this.units[k] as number) * TIE_A_THOUSANDTH;
      }
      if (slot < 0) continue;
      ties += TIE_A_CUT;
      worth -= (this.minute[k] as number) * (this.weight[slot] as number);
      const y = this.season[slot] as number;
      for (const { problem: p, remains } of this.solves[k] as { problem: number; remains: number }[]) {
        if (slot < (this.solvedSlot[p] as number)) this.solvedSlot[p] = slot;
        const had = this.solvedSeason[p] as number;
        if (y < had || (y === had && remains < (this.remains[p] as number))) {
          this.solvedSeason[p] = y;
          this.remains[p] = remains;
        }
      }
    }
    for (let p = 0; p < this.solvedSeason.length; p++) {
      const y = this.solvedSeason[p] as number;
      if (y === LATE) continue;
      worth +=
        (this.problem.problems[p]?.value ?? 0) *
        this.problem.discount ** y *
        (1 - (this.remains[p] as number));
    }
    this.sound = sound;
    return { worth, ties, sound };
  }
}
