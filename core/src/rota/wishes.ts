// What somebody has said of a visit, as the season takes it: the slots that are left to it, who comes, and what can be kept no more.
import { type CampaignVisit, type Crew, isOnDays, type VisitWish } from '../campaign/index';
import type { RotaSlot } from './slots';

/** Why what was said holds no more: it is planned like any other visit, and this is told. */
export const lapses = ['its day has gone', 'beyond the season', 'its crew has gone'] as const;
export type Lapse = (typeof lapses)[number];

export interface Wished {
  /** May it be done in that slot, as far as was said? */
  isOpen(slot: RotaSlot): boolean;
  pin: CampaignVisit['pin'];
  lapse: Lapse | null;
  /** Of one that is left this season: until when, and why. */
  left: { until: string; reason: string } | null;
  /** It was left a season ago: it waits a second year. */
  wasLeft: boolean;
}

const FREE: Wished = { isOpen: () => true, pin: null, lapse: null, left: null, wasLeft: false };

interface Facts {
  today: string;
  slots: readonly RotaSlot[];
  crews: readonly Crew[];
}

export function wishedOf(wish: VisitWish | undefined, { today, slots, crews }: Facts): Wished {
  if (!wish || wish.is === 'open') return FREE;
  const last = slots.at(-1)?.to ?? today;
  if (wish.is === 'left') {
    const { until, reason } = wish;
    return until >= today ? { ...FREE, left: { until, reason } } : { ...FREE, wasLeft: true };
  }
  if (wish.is === 'not before') {
    if (wish.day > last) return { ...FREE, lapse: 'beyond the season' };
    return { ...FREE, isOpen: ({ from }) => from >= wish.day };
  }
  const { crewId, from, to } = wish;
  if (crewId !== null && !crews.some(({ id }) => id === crewId))
    return { ...FREE, lapse: 'its crew has gone' };
  if (to !== null && to < today) return { ...FREE, lapse: 'its day has gone' };
  if (from !== null && from > last) return { ...FREE, lapse: 'beyond the season' };
  const own = slots.filter((slot) => isOnDays(wish, slot));
  const [only] = own;
  return {
    ...FREE,
    isOpen: (slot) => own.includes(slot),
    pin: { slotId: own.length === 1 && only ? only.id : null, poolId: crewId },
  };
}
