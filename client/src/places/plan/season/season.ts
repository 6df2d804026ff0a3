// A season in words and in parts, for its page.
import type { SeasonPlan, SeasonWhatIf } from '@mortisect/contracts';
import { isOnDays, type VisitWish } from '@mortisect/core/campaign';
import type { Place, Waiting } from '@mortisect/core/rota';
import type { PlainKey, Say } from '@mortisect/words';
import { dayWords, weekday } from '../../../data/moment';

export type Shared = NonNullable<SeasonPlan['shared']>;
/** Days and a crew that somebody fixes. */
export type Days = Pick<Extract<VisitWish, { is: 'fixed' }>, 'from' | 'to' | 'half' | 'crewId'>;
export type Visit = Shared['visits'][number];
export type Slot = Shared['slots'][number];
type Crew = SeasonPlan['crews'][number];

const HALF_WORDS = { morning: 'plan.inTheMorning', afternoon: 'plan.inTheAfternoon' } as const;

/** “Sat 5 Dec, morning” or “from 14 Jan to 20 Jan”. */
export function slotWords(say: Say, { from, to, half }: Pick<Slot, 'from' | 'to' | 'half'>): string {
  const day = `${weekday(from).name} ${dayWords(from)}`;
  if (half) return say(HALF_WORDS[half], { day });
  return from === to ? day : say('plan.weekFromTo', { from: dayWords(from), to: dayWords(to) });
}

/** “Sat 5 Dec, morning, Wall crew”. */
export function placeWords(say: Say, place: Place, crews: readonly Crew[]): string {
  const crew = crews.find(({ id }) => id === place.crewId)?.name ?? say('plan.aCrewThatHasGone');
  return `${slotWords(say, place)}, ${crew}`;
}

/** What an action says a wish of: the pass at hand of a tree needs no name. */
export const wishOf = ({ treeId, visitId }: { treeId: string; visitId: string }) =>
  visitId === treeId ? { treeId } : { treeId, visitId };

/** What somebody has said of a visit, in a few words; empty where nobody has. */
export function wishWords(say: Say, wish: VisitWish | null, crews: readonly Crew[]): string {
  if (!wish || wish.is === 'open') return '';
  if (wish.is === 'left') return say('plan.leftUntil', { day: dayWords(wish.until) });
  if (wish.is === 'not before') return say('plan.notBeforeDay', { day: dayWords(wish.day) });
  const { from, to, half, crewId } = wish;
  const crew = crews.find(({ id }) => id === crewId)?.name;
  const days = from !== null && to !== null ? slotWords(say, { from, to, half }) : '';
  return say('plan.fixedTo', { place: [days, crew].filter(Boolean).join(', ') });
}

export interface PlaceOfPlan {
  key: string;
  slot: Slot;
  crew: Crew;
  of: Shared['plan']['slots'][number];
  visits: Visit[];
}

/** Half-days and weeks of crews in which something is done, in the order of their days. */
export function placesOf(shared: Shared, crews: readonly Crew[]): PlaceOfPlan[] {
  const visitOf = new Map(shared.visits.map((visit) => [visit.id, visit]));
  const keyOf = (slotId: string, poolId: string) => `${slotId} ${poolId}`;
  const visitsOf = new Map<string, Visit[]>();
  for (const { visitId, slotId, poolId } of shared.plan.done) {
    const visit = visitOf.get(visitId);
    const key = keyOf(slotId, poolId);
    if (visit) visitsOf.set(key, [...(visitsOf.get(key) ?? []), visit]);
  }
  const filled = new Map(shared.plan.slots.map((each) => [keyOf(each.slotId, each.poolId), each]));
  return shared.slots.flatMap((slot) =>
    crews.flatMap((crew) => {
      const key = keyOf(slot.id, crew.id);
      const [of, visits] = [filled.get(key), visitsOf.get(key)];
      return of && visits ? [{ key, slot, crew, of, visits }] : [];
    }),
  );
}

/** How what a hand more brings is told. */
export const bringsGiven = ({ points, visits, minutes }: SeasonWhatIf) => ({
  ...{ points: Math.round(points * 10) / 10, visits },
  minutes: Math.round(minutes),
});

/**
 * What the plan brings more, about, when visits go to those days: their own points, and what the hours there and here bring at other trees. The
 * season is shared out for the truth of it.
 *
 * @returns null where that is not known; `points` null where one of them cannot be made then
 */
export function aboutMoved(
  { shared, crews }: { shared: Shared; crews: readonly Crew[] },
  visitIds: readonly string[],
  days: Days,
): { points: number | null } | null {
  const { slots, plan, prices } = shared;
  const crewAt = new Map(crews.map(({ id }, c) => [id, c]));
  const slotAt = new Map(slots.map(({ id }, t) => [id, t]));
  let points = 0;
  for (const id of visitIds) {
    const visit = shared.visits.find((each) => each.id === id);
    if (!visit || visit.worth.length === 0) return null;
    const at = (t: number, poolId: string) => {
      const price = prices[crewAt.get(poolId) ?? -1]?.[t] ?? 0;
      const worth = visit.worth[t] ?? null;
      return worth === null ? [] : [worth - price * visit.minutes];
    };
    const pools = days.crewId === null ? [...crewAt.keys()] : [days.crewId];
    const there = slots.flatMap((slot, t) =>
      isOnDays({ is: 'fixed', ...days }, slot) ? pools.flatMap((pool) => at(t, pool)) : [],
    );
    if (there.length === 0) return { points: null };
    const now = plan.done.find(({ visitId }) => visitId === id);
    const [here = visit.skip] = now ? at(slotAt.get(now.slotId) ?? -1, now.poolId) : [];
    points += Math.max(...there) - here;
  }
  return { points };
}

/** The same in words; empty where it is not known. */
export function aboutWords(say: Say, about: ReturnType<typeof aboutMoved>): string {
  if (!about) return '';
  if (about.points === null) return say('plan.itCannotBeThen');
  const points = Math.round(about.points * 10) / 10;
  if (points === 0) return say('plan.aboutTheSame');
  return say(points < 0 ? 'plan.aboutLess' : 'plan.aboutMore', { points: Math.abs(points) });
}

const WAITS_WORDS = {
  creeps: 'plan.waitsCreeps',
  'blight in bloom': 'plan.waitsBlight',
  'breaks under crop': 'plan.waitsBreaks',
  shoots: 'plan.waitsShoots',
} as const satisfies Record<Waiting, PlainKey>;

/** What a visit loses by waiting for its day, or for a year where it is left; empty where that is less than a tenth of a point. */
export function waitsWords(say: Say, { visits, plan }: Shared, visitId: string): string {
  const tenths = (points: number) => Math.round(points * 10) / 10;
  const waits = visits.find(({ id }) => id === visitId)?.waits ?? [];
  const told = waits.flatMap(({ why, points }) =>
    tenths(points) > 0
      ? [say('plan.whyOfPoints', { why: say(WAITS_WORDS[why]), points: tenths(points) })]
      : [],
  );
  const points = tenths(waits.reduce((sum, each) => sum + each.points, 0));
  if (told.length === 0) return '';
  const isDone = plan.done.some((done) => done.visitId === visitId);
  return say(isDone ? 'plan.waitsForItsDay' : 'plan.waitsAYear', { points, why: told.join(', ') });
}
