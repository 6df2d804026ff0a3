// What is different from the plan of before, visit by visit, and why: the plainest reason that holds.
import { z } from 'zod';
import type { CampaignPlan, Crew, VisitWish } from '../campaign/index';
import { localDay } from '../measure/index';
import type { Rota } from './rota';
import type { RotaSlot } from './slots';

export const movedBecause = [
  'somebody said so',
  'its day went by',
  'it cannot wait any more',
  'it is new',
  'the crew works otherwise',
  'the weather',
  'its hours stand elsewhere',
  'others took its place',
  'there is room now',
  'it brings more',
] as const;
export type MovedBecause = (typeof movedBecause)[number];

/** Where a visit stands: days, and who. */
export const Place = z.object({
  from: localDay,
  to: localDay,
  half: z.enum(['morning', 'afternoon']).nullable(),
  crewId: z.string(),
});
export type Place = z.infer<typeof Place>;

export const Move = z.object({
  visitId: z.string(),
  from: Place.nullable().describe('null: it had no day'),
  to: Place.nullable().describe('null: it has none now'),
  because: z.enum(movedBecause),
});
export type Move = z.infer<typeof Move>;

/** A season as it was shared out, with what it rested on as far as a change is told by it. */
export interface SharedBefore {
  today: string;
  slots: readonly RotaSlot[];
  crews: readonly Crew[];
  wishes: Readonly<Record<string, VisitWish>>;
  /** Minutes that one of a crew can work, before short ones are added up, by crew and slot. */
  minutes: readonly (readonly number[])[];
  visits: readonly { id: string; must: boolean }[];
  /** Trees that had no plan of their own yet: what they ask for is no news. Seasons from before it was kept have none. */
  unplanned?: readonly string[] | undefined;
  done: CampaignPlan['done'];
}

type Now = Omit<SharedBefore, 'minutes' | 'visits'> & { rota: Rota };

/** How what a plan rests on is kept until the next. */
export function sharedBefore({ rota, ...rest }: Now): SharedBefore {
  return {
    ...rest,
    minutes: rota.workable.map((ofCrew) => ofCrew.map(([, mean]) => mean)),
    visits: rota.campaign.visits.map(({ id, must }) => ({ id, must: must !== null })),
  };
}

type Placed = Map<string, { place: Place; slot: number; crew: number }>;

function placesOf({ slots, crews, done }: Pick<SharedBefore, 'slots' | 'crews' | 'done'>): Placed {
  const slotAt = new Map(slots.map(({ id }, t) => [id, t]));
  const crewAt = new Map(crews.map(({ id }, c) => [id, c]));
  return new Map(
    done.flatMap(({ visitId, slotId, poolId }) => {
      const [t, c] = [slotAt.get(slotId), crewAt.get(poolId)];
      const slot = t === undefined ? undefined : slots[t];
      if (t === undefined || c === undefined || !slot) return [];
      const { from, to, half } = slot;
      return [[visitId, { place: { from, to, half, crewId: poolId }, slot: t, crew: c }] as const];
    }),
  );
}

/** A week that has come near and is half-days now is the same place; so is a half-day within it. */
export function isSamePlace(one: Place, other: Place): boolean {
  const isApart = one.to < other.from || other.to < one.from;
  const isOtherHalf = one.half !== null && other.half !== null && one.half !== other.half;
  return one.crewId === other.crewId && !isApart && !isOtherHalf;
}

/**
 * The plan of before as the slots of now have it: a visit of a week that has come near goes to the first half-day of it with hours.
 */
export function inSlotsOf(
  before: SharedBefore,
  rota: Pick<Rota, 'slots' | 'campaign'>,
): CampaignPlan['done'] {
  const placed = placesOf(before);
  const poolAt = new Map(rota.campaign.pools.map(({ id }, p) => [id, p]));
  return [...placed].flatMap(([visitId, { place }]) => {
    const pool = rota.campaign.pools[poolAt.get(place.crewId) ?? -1];
    const t = rota.slots.findIndex(
      (slot, i) => isSamePlace(place, { ...slot, crewId: place.crewId }) && (pool?.minutes[i] ?? 0) > 0,
    );
    const slot = rota.slots[t];
    return pool && slot ? [{ visitId, slotId: slot.id, poolId: pool.id }] : [];
  });
}

/** What of the plan of before stands elsewhere now, has no day any more, or has one only now; in the order of the visits. */
export function movesBetween(before: SharedBefore, now: Now): Move[] {
  const [stood, stands] = [placesOf(before), placesOf(now)];
  const wasThere = new Map(before.visits.map((visit) => [visit.id, visit]));
  const wereUnplanned = new Set(before.unplanned);
  const { visits } = now.rota.campaign;
  return [...visits, ...now.rota.leftByChoice.map(({ visitId }) => ({ id: visitId, must: null }))].flatMap(
    ({ id, must }): Move[] => {
      const [was, is] = [stood.get(id), stands.get(id)];
      const same = was && is ? isSamePlace(was.place, is.place) : !was && !is;
      if (same) return [];
      const known = wasThere.get(id);
      if (!known && wereUnplanned.has(now.rota.of[id]?.treeId ?? id)) return [];
      const because = (): MovedBecause => {
        if (JSON.stringify(before.wishes[id]) !== JSON.stringify(now.wishes[id])) return 'somebody said so';
        if (!known) return 'it is new';
        if (was && was.place.to < now.today) return 'its day went by';
        if (must && !known.must) return 'it cannot wait any more';
        if (was) return whyNotThere(before, now, id, was);
        return 'there is room now';
      };
      return [{ visitId: id, from: was?.place ?? null, to: is?.place ?? null, because: because() }];
    },
  );
}

function whyNotThere(
  before: SharedBefore,
  { rota, crews, done }: Now,
  id: string,
  was: { place: Place; slot: number; crew: number },
): MovedBecause {
  const crewBefore = before.crews[was.crew];
  const c = crews.findIndex((crew) => crew.id === was.place.crewId);
  if (JSON.stringify(crews[c]) !== JSON.stringify(crewBefore)) return 'the crew works otherwise';
  const own = rota.slots.flatMap((slot, t) =>
    isSamePlace(was.place, { ...slot, crewId: was.place.crewId }) ? [t] : [],
  );
  const minutes = own.reduce((sum, t) => sum + (rota.workable[c]?.[t]?.[1] ?? 0), 0);
  const visit = rota.campaign.visits.find((each) => each.id === id);
  const isShut = own.every((t) => (visit?.worth[t] ?? null) === null);
  if (isShut || minutes < (before.minutes[was.crew]?.[was.slot] ?? 0)) return 'the weather';
  // Short hours of several weeks come together where the longest visit fits, which may be another week once there is a longer one
  if (own.every((t) => (rota.campaign.pools[c]?.minutes[t] ?? 0) === 0)) return 'its hours stand elsewhere';
  const slotIds = new Set(own.flatMap((t) => rota.slots[t]?.id ?? []));
  const stood = new Map(before.done.map((each) => [each.visitId, each]));
  const isTaken = done.some(({ visitId, slotId, poolId }) => {
    const other = stood.get(visitId);
    const wasHere = other?.poolId === poolId && other.slotId === before.slots[was.slot]?.id;
    return poolId === was.place.crewId && slotIds.has(slotId) && !wasHere;
  });
  return isTaken ? 'others took its place' : 'it brings more';
}
