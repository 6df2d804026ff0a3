// Which of the pins, musts and limits cannot be kept together?
import { indexLimbs } from '../tree/index';
import type { Pin } from './input';
import { applyPins } from './pins';
import type { Prepared } from './prepare';
import type { PlanProblem } from './problem';
import { PlanSearch } from './search';

export interface ClashPart {
  what: 'pin' | 'must' | 'limit';
  pin?: Pin;
  findingId?: string;
  season?: number;
}

/** A set that was looked at this far and is still open counts as one that can be kept. */
const NODES = 400;
const MOST_PARTS = 40;
const FREE = 1_000_000;

/**
 * The smallest set of pins, musts and limits that no plan keeps: first one from which nothing can be left out, then every smaller set is
 * tried. Empty sets of more than forty parts are not looked at: then the first is the answer.
 */
export function clashOf(prepared: Prepared): ClashPart[] {
  const parts = partsOf(prepared);
  const kept = (set: readonly ClashPart[]) => canBeKept(prepared, set);
  let smallest = parts;
  for (const part of parts) {
    const without = smallest.filter((one) => one !== part);
    if (!kept(without)) smallest = without;
  }
  if (parts.length > MOST_PARTS) return smallest;
  for (let size = 1; size < smallest.length; size++) {
    const found = subsets(parts, size).find((set) => !kept(set));
    if (found) return found;
  }
  return smallest;
}

function partsOf({ input, asked, problem }: Prepared): ClashPart[] {
  return [
    ...input.pins.map((pin): ClashPart => ({ what: 'pin', pin })),
    ...asked.flatMap(({ must, findingId }, p): ClashPart[] =>
      must && findingId !== null && problem.problems[p]?.mustBy !== null ? [{ what: 'must', findingId }] : [],
    ),
    ...problem.limits.map((_, y): ClashPart => ({ what: 'limit', season: y + 1 })),
  ];
}

/** Is there a plan that keeps these, with all the others let go? */
function canBeKept(prepared: Prepared, set: readonly ClashPart[]): boolean {
  const { problem, asked, chosenFrom, input } = prepared;
  const open = new Set(set.flatMap((part) => (part.findingId ? [part.findingId] : [])));
  const limited = new Set(set.flatMap((part) => (part.season && part.what === 'limit' ? [part.season] : [])));
  const bare: PlanProblem = {
    ...problem,
    limits: problem.limits.map((limit, y) => (limited.has(y + 1) ? limit : FREE)),
    problems: problem.problems.map((one, p) => {
      const id = asked[p]?.findingId;
      return { ...one, mustBy: id && open.has(id) ? one.mustBy : null };
    }),
    candidates: problem.candidates.map((candidate, k) => ({
      ...candidate,
      slots: problem.slots.flatMap((slot, t) =>
        chosenFrom[k]?.candidate.passes.includes(slot.pass) ? [t] : [],
      ),
    })),
    required: [],
  };
  const pins = set.flatMap((part) => (part.pin ? [part.pin] : []));
  applyPins(
    bare,
    chosenFrom.map((one) => ({ one })),
    input,
    indexLimbs(input.tree.limbs),
    pins,
  );
  if (bare.required.some((k) => bare.candidates[k]?.slots.length === 0)) return false;
  const search = new PlanSearch(bare);
  for (let i = 0; i < NODES; i += 20) {
    const { plan, done } = search.step(20);
    if (plan) return true;
    if (done) return false;
  }
  return true;
}

function subsets<T>(all: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return all.flatMap((first, i) => subsets(all.slice(i + 1), size - 1).map((rest) => [first, ...rest]));
}
