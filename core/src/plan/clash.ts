// Which of the pins, musts and limits cannot be kept together?
import { indexLimbs } from '../tree/index';
import { feasiblePlan } from './feasible';
import { applyPins } from './pins';
import type { Prepared } from './prepare';
import { passesOf } from './prepare';
import type { PlanProblem } from './problem';
import type { ClashPart } from './treePlan';

const FREE = 1_000_000;

/** The smallest set of pins, musts and limits that no plan keeps; empty where all of them can be kept. */
export function clashOf(prepared: Prepared): ClashPart[] {
  return smallestClash(partsOf(prepared), (set) => canBeKept(prepared, set));
}

/**
 * The smallest set that cannot be kept, exactly: every set that can be kept, grown as far as it goes, leaves out something of each clash;
 * the smallest set that hits all that was left out is looked at next, until one cannot be kept.
 *
 * @param kept whether a set can be kept; whatever can be kept with more can be kept with less
 * @returns empty where all can be kept together
 * @source implicit hitting sets: Ignatiev et al. 2015, CP 2015, from memory
 */
export function smallestClash<T>(parts: readonly T[], kept: (set: readonly T[]) => boolean): T[] {
  const toHit: T[][] = [];
  for (;;) {
    const hitting = smallestHitting(toHit);
    if (!kept(hitting)) return parts.filter((part) => hitting.includes(part));
    const grown = [...hitting];
    for (const part of parts) if (!grown.includes(part) && kept([...grown, part])) grown.push(part);
    const leftOut = parts.filter((part) => !grown.includes(part));
    if (leftOut.length === 0) return [];
    toHit.push(leftOut);
  }
}

/** A smallest set that has a member of each of the sets. */
function smallestHitting<T>(sets: readonly (readonly T[])[]): T[] {
  const within = (chosen: T[], most: number): T[] | null => {
    const open = sets.find((set) => !set.some((member) => chosen.includes(member)));
    if (!open) return chosen;
    if (chosen.length === most) return null;
    for (const part of open) {
      const found = within([...chosen, part], most);
      if (found) return found;
    }
    return null;
  };
  for (let most = 0; ; most++) {
    const found = within([], most);
    if (found) return found;
  }
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
    quotas: problem.quotas.map((quota) => ({
      ...quota,
      limits: quota.limits.map((limit, y) => (limited.has(y + 1) ? limit : FREE)),
    })),
    problems: problem.problems.map((problem, p) => {
      const id = asked[p]?.findingId;
      return { ...problem, mustBy: id && open.has(id) ? problem.mustBy : null };
    }),
    candidates: problem.candidates.map((candidate, k) => ({
      ...candidate,
      slots: problem.slots.flatMap((slot, t) =>
        chosenFrom[k] && passesOf(chosenFrom[k]).includes(slot.pass) ? [t] : [],
      ),
    })),
    required: [],
  };
  const pins = set.flatMap((part) => (part.pin ? [part.pin] : []));
  applyPins(
    bare,
    chosenFrom.map((priced) => ({ priced })),
    input,
    indexLimbs(input.tree.limbs),
    pins,
  );
  return feasiblePlan(bare) !== null;
}
