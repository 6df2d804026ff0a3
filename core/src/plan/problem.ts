// What is a plan chosen from, and what is any plan worth?
import { z } from 'zod';
import { passes, quotaKinds } from './passes';

const count = z.number().int().min(0);
const percent = count.max(100);

/** What wood of its own a candidate takes: that of its own place, without what other candidates farther out take. */
const Own = z.strictObject({
  crown: count.describe('thousandths of the living crown that count toward the limit'),
  fruit: count.describe('the fruiting part of them'),
  exemptCrown: count.describe('thousandths that a must takes at least: free of the limit'),
  exemptFruit: count,
  keepWorth: z.number().min(0).describe('worth of limbs that lose more than half with this wood'),
});

const Quota = z.strictObject({
  what: z.enum(quotaKinds),
  limits: z.array(count).min(1).max(5).describe('thousandths of all there is of it, one a season'),
  units: z.array(count).describe('thousandths that the wood of each candidate’s own place counts'),
});

const Candidate = z.strictObject({
  id: z.string().min(1).max(160),
  /** Index of the cut next nearer the trunk that takes this one’s wood too; null for none, and for what is not a cut. */
  parent: z.number().int().min(0).nullable(),
  isCut: z.boolean(),
  own: Own,
  minutes: z.number().min(0),
  slots: z.array(count).describe('indices of the slots it may be done in'),
  solves: z.array(z.strictObject({ problem: count, remains: z.number().min(0).max(1) })),
});

/**
 * A plan to be chosen, without a word about trees: candidates that hang in a forest by the wood they take, the problems each solves,
 * seasons with their limits. A parent stands before its children. A cut solves what the cuts farther out on its wood solve.
 */
export const PlanProblem = z
  .strictObject({
    slots: z
      .array(z.strictObject({ season: z.number().int().min(1).max(5), pass: z.enum(passes) }))
      .min(1)
      .max(15),
    limits: z.array(count).min(1).max(5).describe('thousandths of the living crown, one a season'),
    quotas: z
      .array(Quota)
      .max(quotaKinds.length)
      .default([])
      .describe('what may not go beyond its own limit of a season, beside the crown'),
    candidates: z.array(Candidate).max(1000),
    problems: z
      .array(
        z.strictObject({
          id: z.string().min(1).max(160),
          value: z.number().min(0),
          /** Index of the last slot in which it may be solved; null where it may wait for ever. */
          mustBy: count.nullable(),
        }),
      )
      .max(1000),
    regrowth: z
      .strictObject({ dormant: percent, summer: percent })
      .default({ dormant: 0, summer: 0 })
      .describe(
        'what grows back: so many hundredths of the crown that counted in a pass count in the next season too',
      ),
    excludes: z.array(z.tuple([count, count])).describe('pairs of which one at most is chosen'),
    required: z.array(count).describe('candidates that are chosen, in one of their slots'),
    after: z
      .array(z.tuple([count, z.array(count)]))
      .default([])
      .describe('a candidate, and those of which one is chosen in an earlier season than it'),
    costs: z.strictObject({
      crown: z.number().min(0),
      fruit: z.number().min(0),
      exemptCrown: z.number().min(0),
      exemptFruit: z.number().min(0),
      minute: z.number().min(0),
    }),
    discount: z.number().gt(0).max(1),
  })
  .meta({ id: 'PlanProblem' });
export type PlanProblem = z.infer<typeof PlanProblem>;
export type PlanCandidate = PlanProblem['candidates'][number];

/** Slot of each candidate, −1 where it is not chosen. */
export type Assignment = readonly number[];

/** Price of crown and fruit, thousandth by thousandth; the exempt price is enough to choose between places, never to leave disease standing. */
export const startingCosts: PlanProblem['costs'] = {
  crown: 0.03,
  fruit: 0.015,
  exemptCrown: 0.006,
  exemptFruit: 0.003,
  minute: 0.15,
};

/** What a plan breaks, if anything; null when it may be carried out. */
type Breach =
  | { kind: 'slot'; candidate: number }
  | { kind: 'wood gone'; candidate: number; by: number }
  | { kind: 'limit'; season: number; cap: number }
  | { kind: 'must'; problem: number }
  | { kind: 'excluded'; pair: readonly [number, number] }
  | { kind: 'required'; candidate: number }
  | { kind: 'too soon'; candidate: number };

/** Does the plan keep all that it must? The first breach, else null. */
export function breachOf(problem: PlanProblem, chosen: Assignment): Breach | null {
  const { candidates } = problem;
  for (const [k, slot] of chosen.entries()) {
    if (slot < 0) continue;
    if (!(candidates[k] as PlanCandidate).slots.includes(slot)) return { kind: 'slot', candidate: k };
    for (const j of ancestors(problem, k)) {
      const above = chosen[j] as number;
      if (above >= 0 && above <= slot) return { kind: 'wood gone', candidate: k, by: j };
    }
  }
  const required = problem.required.find((k) => (chosen[k] as number) < 0);
  if (required !== undefined) return { kind: 'required', candidate: required };
  const early = problem.after.find((rule) => isTooSoon(problem, rule, chosen));
  if (early) return { kind: 'too soon', candidate: early[0] };
  const pair = problem.excludes.find(([a, b]) => (chosen[a] as number) >= 0 && (chosen[b] as number) >= 0);
  if (pair) return { kind: 'excluded', pair };
  const used = usedOf(problem, chosen);
  for (const [cap, { season, limit }] of capsOf(problem).entries())
    if (isOver(used[cap] as number, limit)) return { kind: 'limit', season: season + 1, cap };
  for (const [p, { mustBy }] of problem.problems.entries()) {
    if (mustBy === null) continue;
    const solved = candidates.some(
      (candidate, k) =>
        (chosen[k] as number) >= 0 &&
        (chosen[k] as number) <= mustBy &&
        candidate.solves.some((solve) => solve.problem === p),
    );
    if (!solved) return { kind: 'must', problem: p };
  }
  return null;
}

/** Is the candidate chosen, and none of those that go before it in an earlier season? */
export function isTooSoon(
  { slots }: Pick<PlanProblem, 'slots'>,
  [k, first]: PlanProblem['after'][number],
  chosen: ArrayLike<number>,
): boolean {
  const seasonOf = (at: number) => slots[chosen[at] as number]?.season ?? Number.POSITIVE_INFINITY;
  return Number.isFinite(seasonOf(k)) && !first.some((j) => seasonOf(j) < seasonOf(k));
}

/** Candidates that take the wood of this one too, nearest first. */
export function ancestors({ candidates }: PlanProblem, k: number): number[] {
  const all: number[] = [];
  let at = candidates[k]?.parent ?? null;
  while (at !== null) {
    all.push(at);
    at = candidates[at]?.parent ?? null;
  }
  return all;
}

/** The slot in which the wood of each candidate’s own place goes, −1 where it stays. */
export function slotsTaken(problem: PlanProblem, chosen: Assignment): number[] {
  const taken: number[] = [];
  problem.candidates.forEach(({ parent, isCut }, k) => {
    const above = parent === null ? -1 : (taken[parent] as number);
    const ownSlot = isCut ? (chosen[k] as number) : -1;
    taken.push(ownSlot >= 0 && (above < 0 || ownSlot < above) ? ownSlot : above);
  });
  return taken;
}

/** Crown that counts toward the limit of each season, thousandths. */
export function crownBySeason(problem: PlanProblem, chosen: Assignment): number[] {
  const sums = problem.limits.map(() => 0);
  slotsTaken(problem, chosen).forEach((slot, k) => {
    if (slot < 0) return;
    const season = (problem.slots[slot] as { season: number }).season - 1;
    sums[season] = (sums[season] as number) + (problem.candidates[k] as PlanCandidate).own.crown;
  });
  return sums;
}

/** Of the crown that counts in a slot, the share that counts in the next season too, 0..1. */
export function growsBack(
  { slots, regrowth }: Pick<PlanProblem, 'slots' | 'regrowth'>,
  slot: number,
): number {
  return (slots[slot]?.pass === 'summer' ? regrowth.summer : regrowth.dormant) / 100;
}

/** What goes in a season, and how much of it may. */
export interface Cap {
  /** From 0. */
  season: number;
  limit: number;
  /** What the wood of each candidate’s own place counts. */
  units: readonly number[];
  /** What went in the season before counts too, as far as it grows back. */
  grows: boolean;
}

/** All that no plan may use more of: the crown of each season first, then each quota’s seasons. */
export function capsOf({
  limits,
  quotas,
  candidates,
}: Pick<PlanProblem, 'limits' | 'quotas' | 'candidates'>): Cap[] {
  const crown = candidates.map(({ own }) => own.crown);
  const each = (of: readonly number[], units: readonly number[], grows: boolean) =>
    of.map((limit, season): Cap => ({ season, limit, units, grows }));
  return [...each(limits, crown, true), ...quotas.flatMap((quota) => each(quota.limits, quota.units, false))];
}

/** What a plan uses of each cap, in the order of `capsOf`: what goes in its season, and of the crown what grew back since the season before. */
export function usedOf(problem: PlanProblem, chosen: Assignment): number[] {
  const taken = slotsTaken(problem, chosen);
  return capsOf(problem).map((cap) =>
    taken.reduce(
      (sum, slot, k) => sum + (slot < 0 ? 0 : (cap.units[k] as number) * shareIn(problem, cap, slot)),
      0,
    ),
  );
}

/** Which share of what goes in a slot counts in a cap, 0..1. */
export function shareIn(
  problem: Pick<PlanProblem, 'slots' | 'regrowth'>,
  { season, grows }: Pick<Cap, 'season' | 'grows'>,
  slot: number,
): number {
  const goesIn = (problem.slots[slot]?.season ?? 0) - 1;
  if (goesIn === season) return 1;
  return grows && goesIn === season - 1 ? growsBack(problem, slot) : 0;
}
/** Is a limit broken? Shares of what grows back add up but for the last digit. */
export const isOver = (used: number, limit: number): boolean => used > limit + 1e-9;

/** Does anything grow back at all? Else the passes of a season are alike. */
export const growsAnything = ({ regrowth }: Pick<PlanProblem, 'regrowth'>): boolean =>
  regrowth.dormant > 0 || regrowth.summer > 0;

/**
 * What a plan is worth: the value of each problem at the best candidate of its earliest solved season, less crown, fruit and minutes, all
 * discounted by season, less the keep-worth of limbs lost. Crown is counted once. Whether it may be carried out is `breachOf`’s question.
 */
export function worthOf(problem: PlanProblem, chosen: Assignment): number {
  const weight = (slot: number) =>
    problem.discount ** ((problem.slots[slot] as { season: number }).season - 1);
  const { costs } = problem;
  let worth = 0;
  slotsTaken(problem, chosen).forEach((slot, k) => {
    if (slot < 0) return;
    const { own } = problem.candidates[k] as PlanCandidate;
    const price =
      own.crown * costs.crown +
      own.fruit * costs.fruit +
      own.exemptCrown * costs.exemptCrown +
      own.exemptFruit * costs.exemptFruit;
    worth -= price * weight(slot) + own.keepWorth;
  });
  const solved = problem.problems.map(() => ({ season: Number.POSITIVE_INFINITY, remains: 1 }));
  problem.candidates.forEach((candidate, k) => {
    const slot = chosen[k] as number;
    if (slot < 0) return;
    worth -= candidate.minutes * costs.minute * weight(slot);
    const { season } = problem.slots[slot] as { season: number };
    for (const { problem: p, remains } of candidate.solves) {
      const best = solved[p] as { season: number; remains: number };
      if (season < best.season || (season === best.season && remains < best.remains)) {
        solved[p] = { season, remains };
      }
    }
  });
  solved.forEach(({ season, remains }, p) => {
    if (!Number.isFinite(season)) return;
    worth += (problem.problems[p]?.value ?? 0) * problem.discount ** (season - 1) * (1 - remains);
  });
  return worth;
}

/** Would the candidate pay for itself in the first season, taken alone, by these problems? */
export function pays(
  { own, minutes, solves }: PlanCandidate,
  counts: (problem: number) => boolean,
  { costs, problems }: Pick<PlanProblem, 'costs' | 'problems'>,
): boolean {
  const gain = solves.reduce(
    (sum, { problem: at, remains }) => (counts(at) ? sum + (problems[at]?.value ?? 0) * (1 - remains) : sum),
    0,
  );
  const cost =
    own.crown * costs.crown +
    own.fruit * costs.fruit +
    own.exemptCrown * costs.exemptCrown +
    minutes * costs.minute +
    own.keepWorth;
  return gain > cost;
}

/** A problem that is none: a child before its parent, a problem or slot that is not there, a cut that solves less than one on its own wood. */
export function problemFaults(problem: PlanProblem): string[] {
  const faults: string[] = [];
  for (const { what, units, limits } of problem.quotas)
    if (units.length !== problem.candidates.length || limits.length !== problem.limits.length)
      faults.push(`The quota of ${what} does not fit the candidates and seasons.`);
  problem.candidates.forEach((candidate, k) => {
    const { parent, solves, slots, id } = candidate;
    if (parent !== null && parent >= k)
      faults.push(`Candidate ${id} stands before the cut that takes its wood.`);
    if (slots.some((slot) => slot >= problem.slots.length))
      faults.push(`Candidate ${id} names a slot that is not there.`);
    for (const solve of solves) {
      if (solve.problem >= problem.problems.length)
        faults.push(`Candidate ${id} solves a problem that is not there.`);
      if (parent === null || parent >= k) continue;
      const above = problem.candidates[parent];
      if (candidate.isCut && !above?.solves.some((other) => other.problem === solve.problem)) {
        faults.push(`Candidate ${above?.id} takes the wood of ${id} and does not solve what that solves.`);
      }
    }
  });
  return faults;
}
