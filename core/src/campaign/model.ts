// What a plan of a season is chosen from: where each visit may go, what that brings, and how much room there is.
import { daysBetween } from '../weather/index';
import type { CampaignInput, CampaignVisit, LeftBecause } from './shapes';

/** A place that a visit may be put into. */
export interface Option {
  pool: number;
  slot: number;
  /** Points above leaving it. */
  gain: number;
  /** Days after the day by which it must be done. */
  late: number;
}

export interface Model {
  input: CampaignInput;
  /** Of each visit, by its place in the input; pool by pool, the earlier slots first. */
  options: readonly Option[][];
  /** Minutes of all people of a pool in a slot, and of those on ladders, by place as `placeOf` counts them. */
  room: Float64Array;
  ladderRoom: Float64Array;
  plots: readonly string[];
  plotOf: Int32Array;
  /** What it weighs never to do each must; 0 for others. */
  never: Float64Array;
}

/** A pool in a slot, as one number. */
export const placeOf = ({ slots }: CampaignInput, { pool, slot }: Pick<Option, 'pool' | 'slot'>): number =>
  pool * slots.length + slot;

/** To be left counts for a must as a year late. */
const NEVER_DAYS = 365;

export function modelOf(input: CampaignInput): Model {
  const { slots, pools, visits, safety, plotMinutes } = input;
  const room = new Float64Array(pools.length * slots.length);
  const ladderRoom = new Float64Array(room.length);
  pools.forEach(({ people, ladders, minutes }, p) => {
    minutes.forEach((each, t) => {
      const place = placeOf(input, { pool: p, slot: t });
      room[place] = each * people * safety;
      ladderRoom[place] = each * Math.min(people, ladders) * safety;
    });
  });
  const plots = [...new Set(visits.map(({ plotId }) => plotId))];
  const plotAt = new Map(plots.map((plot, i) => [plot, i]));
  const options = visits.map((visit) =>
    pools.flatMap((pool, p) =>
      visit.needs.every((skill) => pool.skills.includes(skill))
        ? slots.flatMap((slot, t): Option[] => {
            const at = placeOf(input, { pool: p, slot: t });
            const worth = visit.worth[t] ?? null;
            const isFree = isPinnedTo(visit, slot.id, pool.id);
            const fits =
              visit.minutes + plotMinutes <= (room[at] as number) &&
              (!visit.ladder || visit.minutes <= (ladderRoom[at] as number));
            if (worth === null || !isFree || !fits) return [];
            const late = visit.must ? Math.max(0, daysBetween(visit.must.by, slot.from)) : 0;
            return [{ pool: p, slot: t, gain: worth - visit.skip, late }];
          })
        : [],
    ),
  );
  return {
    ...{ input, options, room, ladderRoom, plots },
    plotOf: Int32Array.from(visits, ({ plotId }) => plotAt.get(plotId) as number),
    never: Float64Array.from(visits, ({ must }) => (must ? must.weight * NEVER_DAYS : 0)),
  };
}

function isPinnedTo({ pin }: CampaignVisit, slotId: string, poolId: string): boolean {
  return (pin?.slotId ?? slotId) === slotId && (pin?.poolId ?? poolId) === poolId;
}

/** Why nothing can be done about a visit whoever else is left; null where something can. */
export function hopeless({ input, options }: Model, v: number): LeftBecause | null {
  const visit = input.visits[v] as CampaignVisit;
  const skilled = input.pools.filter(({ skills }) =>
    visit.needs.every((need) => need === 'pole' || skills.includes(need)),
  );
  if (skilled.length === 0) return 'nobody has the skill';
  const able = skilled.filter(({ skills }) => !visit.needs.includes('pole') || skills.includes('pole'));
  if (able.length === 0) return 'nobody has a pole';
  if (visit.ladder && able.every(({ ladders }) => ladders === 0)) return 'nobody has a ladder';
  const own = input.slots.flatMap(({ id }, t) =>
    (visit.worth[t] ?? null) !== null && (visit.pin?.slotId ?? id) === id ? [t] : [],
  );
  if (own.length === 0) return 'no day of its own';
  const works = able.some(
    ({ id, people, minutes }) =>
      people > 0 && (visit.pin?.poolId ?? id) === id && own.some((t) => (minutes[t] as number) > 0),
  );
  if (!works) return 'nobody works then';
  const all = options[v] as Option[];
  if (all.length === 0) return 'longer than a slot';
  const isAsked = visit.must !== null || visit.pin !== null;
  return !isAsked && all.every(({ gain }) => gain <= 0) ? 'better left' : null;
}
