// Is there any plan at all that keeps pins, musts and limits? Settled before the best one is looked for.
import { type Cap, capsOf, isOver, type PlanCandidate, type PlanProblem, shareIn } from './problem';

/** What a part of the forest may use, and what it then meets: of two that meet the same, the one that uses less in no season more goes on. */
interface Label {
  /** Thousandths of each cap that could be passed. */
  used: readonly number[];
  musts: bigint;
  /** Chosen candidates that exclude others. */
  chosen: bigint;
  picks: Pick | null;
}

interface Pick {
  k: number;
  slot: number;
  before: Pick | null;
}

/** Beyond so many labels the question is left to the search. */
const MOST_LABELS = 20_000;
class TooMany extends Error {}

/**
 * Goes through the forest of cuts from the outside in with the smallest uses of crown that each part allows: exact, and quick because wood
 * that nothing asks for stays where it is.
 *
 * @returns a plan that breaks nothing, null where there is none, 'open' where that would take too long to say
 */
export function feasiblePlan(problem: PlanProblem): number[] | null | 'open' {
  try {
    return new Feasibility(problem).plan();
  } catch (error) {
    if (error instanceof TooMany) return 'open';
    throw error;
  }
}

class Feasibility {
  private readonly children: number[][];
  private readonly required: ReadonlySet<number>;
  /** Bit of each must, by problem. */
  private readonly mustBit = new Map<number, bigint>();
  private readonly allMusts: bigint;
  /** Candidates in pairs, each with its bit and the bits that it excludes. */
  private readonly bitOf = new Map<number, bigint>();
  private readonly excludedBy = new Map<number, bigint>();
  /** Those that could be passed. */
  private readonly caps: Cap[];
  /** Does anything in the subtree have to be done? */
  private readonly asked: boolean[];
  private readonly never: number;
  private readonly known = new Map<number, Label[]>();

  constructor(private readonly problem: PlanProblem) {
    const { candidates, problems, excludes, slots, regrowth } = problem;
    this.never = slots.length;
    this.children = candidates.map(() => []);
    candidates.forEach(({ parent }, k) => {
      if (parent !== null) this.children[parent]?.push(k);
    });
    this.required = new Set(problem.required);
    problems.forEach(({ mustBy }, p) => {
      if (mustBy !== null) this.mustBit.set(p, 1n << BigInt(this.mustBit.size));
    });
    this.allMusts = (1n << BigInt(this.mustBit.size)) - 1n;
    const bit = (k: number) => {
      const had = this.bitOf.get(k) ?? 1n << BigInt(this.bitOf.size);
      this.bitOf.set(k, had);
      return had;
    };
    for (const [a, b] of excludes) {
      this.excludedBy.set(a, (this.excludedBy.get(a) ?? 0n) | bit(b));
      this.excludedBy.set(b, (this.excludedBy.get(b) ?? 0n) | bit(a));
    }
    this.caps = capsOf(problem).filter(({ units, limit, grows }) => {
      const back = grows ? Math.max(regrowth.dormant, regrowth.summer) / 100 : 0;
      return limit < sum(units) * (1 + back);
    });
    this.asked = candidates.map(() => false);
    for (let k = candidates.length - 1; k >= 0; k--) {
      const { parent } = candidates[k] as PlanCandidate;
      if (this.required.has(k) || this.solvesMust(k)) this.asked[k] = true;
      if (this.asked[k] && parent !== null) this.asked[parent] = true;
    }
  }

  plan(): number[] | null {
    const { candidates } = this.problem;
    let labels: Label[] = [{ used: this.caps.map(() => 0), musts: 0n, chosen: 0n, picks: null }];
    candidates.forEach(({ parent }, k) => {
      if (parent === null && this.asked[k]) labels = this.joined(labels, this.labelsOf(k, this.never));
    });
    const found = labels.find(({ musts }) => musts === this.allMusts);
    if (!found) return null;
    const plan = candidates.map(() => -1);
    for (let pick = found.picks; pick; pick = pick.before) plan[pick.k] = pick.slot;
    return plan;
  }

  private solvesMust(k: number): boolean {
    return (this.problem.candidates[k] as PlanCandidate).solves.some(({ problem: p }) => this.mustBit.has(p));
  }

  /** Labels of a candidate and all on it, when the wood that it stands on goes in the slot `above`; `never` where that stays. */
  private labelsOf(k: number, above: number): Label[] {
    const key = k * (this.never + 1) + above;
    const had = this.known.get(key);
    if (had) return had;
    const { slots, isCut } = this.problem.candidates[k] as PlanCandidate;
    const labelsHere: Label[] = [];
    // Left, or gone with the wood that it stands on
    if (!this.required.has(k)) labelsHere.push(...this.withChildren(this.gone(k, above), k, above));
    // Nothing is gained by a cut that nobody asks for, unless it takes wood in an earlier season than what comes after
    const mayHelp = above < this.never || this.required.has(k) || this.solvesMust(k);
    for (const slot of mayHelp ? slots : []) {
      if (slot >= above) continue;
      const label = this.chosen(k, slot);
      if (label) labelsHere.push(...this.withChildren(label, k, isCut ? slot : above));
    }
    const kept = this.leastOf(labelsHere);
    this.known.set(key, kept);
    return kept;
  }

  private withChildren(label: Label | null, k: number, slot: number): Label[] {
    let labels = label ? [label] : [];
    for (const child of this.children[k] as number[]) {
      if (slot === this.never && !this.asked[child]) continue;
      labels = this.joined(labels, this.labelsOf(child, slot));
    }
    return labels;
  }

  private gone(k: number, slot: number): Label | null {
    const used = this.caps.map(() => 0);
    return this.uses(used, k, slot) ? { used, musts: 0n, chosen: 0n, picks: null } : null;
  }

  private chosen(k: number, slot: number): Label | null {
    const used = this.caps.map(() => 0);
    const { solves } = this.problem.candidates[k] as PlanCandidate;
    if (!this.uses(used, k, slot)) return null;
    let musts = 0n;
    for (const { problem: p } of solves) {
      const by = this.problem.problems[p]?.mustBy;
      if (by != null && slot <= by) musts |= this.mustBit.get(p) as bigint;
    }
    return { used, musts, chosen: this.bitOf.get(k) ?? 0n, picks: { k, slot, before: null } };
  }

  private uses(used: number[], k: number, slot: number): boolean {
    if (slot >= this.never) return true;
    return this.caps.every((cap, i) => {
      used[i] = (used[i] as number) + (cap.units[k] as number) * shareIn(this.problem, cap, slot);
      return !isOver(used[i] as number, cap.limit);
    });
  }

  private joined(some: Label[], others: Label[]): Label[] {
    if (some.length * others.length > MOST_LABELS * 20) throw new TooMany();
    const all: Label[] = [];
    for (const a of some) {
      for (const b of others) {
        const used = a.used.map((units, i) => units + (b.used[i] as number));
        if (used.some((units, i) => isOver(units, (this.caps[i] as Cap).limit))) continue;
        if (this.clash(a, b)) continue;
        all.push({
          used,
          musts: a.musts | b.musts,
          chosen: a.chosen | b.chosen,
          picks: linked(a.picks, b.picks),
        });
      }
    }
    return this.leastOf(all);
  }

  private clash(a: Label, b: Label): boolean {
    if (a.chosen === 0n || b.chosen === 0n) return false;
    for (const [k, bit] of this.bitOf)
      if ((a.chosen & bit) !== 0n && (b.chosen & (this.excludedBy.get(k) ?? 0n)) !== 0n) return true;
    return false;
  }

  /** Of labels that meet the same those that no other undercuts. */
  private leastOf(labels: Label[]): Label[] {
    const groups = new Map<string, Label[]>();
    for (const label of labels.toSorted((a, b) => sum(a.used) - sum(b.used))) {
      const key = `${label.musts} ${label.chosen}`;
      const group = groups.get(key) ?? [];
      if (!group.some((other) => other.used.every((units, i) => units <= (label.used[i] as number)))) {
        group.push(label);
        groups.set(key, group);
      }
    }
    const kept = [...groups.values()].flat();
    if (kept.length > MOST_LABELS) throw new TooMany();
    return kept;
  }
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, number) => total + number, 0);

function linked(a: Pick | null, b: Pick | null): Pick | null {
  let all = a;
  for (let pick = b; pick; pick = pick.before) all = { k: pick.k, slot: pick.slot, before: all };
  return all;
}
