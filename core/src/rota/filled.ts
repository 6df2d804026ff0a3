// The half-days and weeks of each crew in which a plan has something.
import type { CampaignPlan } from '../campaign/index';
import type { RotaSlot } from './slots';

export interface Filled {
  slot: RotaSlot;
  crewId: string;
  /** Minutes that are needed and that can be worked, and plots that are begun. */
  of: CampaignPlan['slots'][number];
  visitIds: string[];
}

/** In the order of the slots, then of the crews. */
export function filledPlaces(
  plan: Pick<CampaignPlan, 'done' | 'slots'>,
  slots: readonly RotaSlot[],
  crewIds: readonly string[],
): Filled[] {
  const keyOf = (slotId: string, crewId: string) => `${slotId} ${crewId}`;
  const visitsIn = new Map<string, string[]>();
  for (const { visitId, slotId, poolId } of plan.done) {
    const key = keyOf(slotId, poolId);
    visitsIn.set(key, [...(visitsIn.get(key) ?? []), visitId]);
  }
  const filled = new Map(plan.slots.map((each) => [keyOf(each.slotId, each.poolId), each]));
  return slots.flatMap((slot) =>
    crewIds.flatMap((crewId) => {
      const key = keyOf(slot.id, crewId);
      const [of, visitIds] = [filled.get(key), visitsIn.get(key)];
      return of && visitIds ? [{ slot, crewId, of, visitIds }] : [];
    }),
  );
}
