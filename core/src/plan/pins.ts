// What the caretaker has pinned, laid on the problem.
import { isDistalOf, type LimbIndex } from '../tree/index';
import type { PlanInput } from './input';
import type { Pin } from './pin';
import { answersIt, type Priced } from './price';
import type { PlanCandidate, PlanProblem } from './problem';

/** @returns pins that name a candidate which is not there */
export function applyPins(
  problem: PlanProblem,
  doable: readonly { priced: Priced }[],
  { tree }: PlanInput,
  index: LimbIndex,
  pins: readonly Pin[],
): Pin[] {
  const idle: Pin[] = [];
  const seasonOf = (slot: number) => problem.slots[slot]?.season ?? 0;
  for (const pin of pins) {
    if (pin.kind === 'stays' || pin.kind === 'follower') {
      if (pin.kind === 'follower' && isThick(pin)) continue;
      const limb = index.byId.get(pin.limbId);
      doable.forEach(({ priced }, k) => {
        const takes =
          limb &&
          priced.kerf &&
          isDistalOf(index, limb.id, limb.lengthCm / 2, priced.kerf.limbId, priced.kerf.atCm);
        if (takes) (problem.candidates[k] as PlanCandidate).slots = [];
      });
      continue;
    }
    const k = problem.candidates.findIndex((candidate) => candidate.id === pin.candidateId);
    const candidate = problem.candidates[k];
    if (!candidate) {
      idle.push(pin);
      continue;
    }
    if (pin.kind === 'goes') {
      candidate.slots = candidate.slots.filter((slot) => seasonOf(slot) === pin.season);
      if (!problem.required.includes(k)) problem.required.push(k);
      continue;
    }
    // What waits is the wood, whatever else could be done about it
    const itsAnswers = doable[k]?.priced.candidate.answers ?? [];
    doable.forEach(({ priced }, j) => {
      if (j !== k && !itsAnswers.some(({ findingId }) => answersIt(priced, findingId))) return;
      const same = problem.candidates[j] as PlanCandidate;
      same.slots = same.slots.filter((slot) => seasonOf(slot) >= pin.season);
    });
  }
  return idle;

  function isThick(pin: Extract<Pin, { kind: 'follower' }>): boolean {
    return (tree.limbs.find((limb) => limb.id === pin.followerId)?.baseMm ?? 0) >= pin.untilMm;
  }
}
