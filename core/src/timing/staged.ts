// The stage of a group of trees over the record, the forecast and a past year, with its bloom and its frosts.
import {
  type Crop,
  cropOf,
  evergreenWoodC,
  freezeEvents,
  fullBlooms,
  type Stages,
  stageCourse,
  stagesOver,
  type ThermalDay,
  usualBloomOn,
} from '../stage/index';
import { dayAfter, hourOf } from '../weather/index';
import type { Staged, TimingInput, TreeGroup } from './model';
import type { GroupTiming } from './shapes';
import type { Shared } from './shared';

const RECENT_DAYS = 430;
/** A bloom longer past than this is the next one’s. */
const PAST_BLOOM_DAYS = 200;

/** What tells stages apart. */
export const stageKey = (group: TreeGroup) =>
  `${group.species} ${group.offsetDays} ${JSON.stringify(group.seen)}`;

/** Stages of a group, computed once for all that differ only in what is nearby. */
export function stagedOf(group: TreeGroup, input: TimingInput, shared: Shared): Staged {
  const key = stageKey(group);
  const done = shared.staged.get(key);
  if (done) return done;
  const crop = cropOf(group.species);
  const { latitude } = input.place;
  const today = shared.clock.day(hourOf(input.now));
  const stages = crop ? courseOf(crop, group, input, shared) : evergreen(group, shared);
  const knownDays = stages.days.filter((day) => day.day <= shared.clock.day(shared.outlook.knownToHour - 1));
  const bloom = crop ? bloomAhead(crop, group, input, shared) : null;
  const result: Staged = {
    stages,
    byDay: new Map(stages.course.map((day, i) => [day.day, i])),
    bloom,
    freezes: crop
      ? freezeEvents(
          crop,
          knownDays,
          stages.course.slice(0, knownDays.length),
          stages.hardinessC,
          latitude,
          bloom?.day ??
            usualBloomOn(crop, today, { latitude, offsetDays: group.offsetDays }, PAST_BLOOM_DAYS),
        )
      : [],
  };
  shared.staged.set(key, result);
  return result;
}

/** The course as far as weather is known and, from there, over the days of a middling past year. */
function courseOf(crop: Crop, group: TreeGroup, { place }: TimingInput, shared: Shared): Stages {
  const { latitude } = place;
  const { offsetDays, seen } = group;
  return stagesOver(crop, daysIn(shared, 0), { latitude, offsetDays, seen });
}

function daysIn({ days, yearDays }: Pick<Shared, 'days' | 'yearDays'>, year: number): ThermalDay[] {
  return [...days, ...(yearDays[year] ?? [])];
}

function evergreen(group: TreeGroup, { days }: Shared): Stages {
  const wood = evergreenWoodC(group.species) ?? -8;
  return {
    days,
    course: days.map((day) => ({
      day: day.day,
      phase: 'growth',
      stage: 'in leaf',
      share: 2,
      chillShare: 0,
      portions: 0,
      utah: 0,
      chillHours: 0,
      warmth: 0,
      degreeDays: 0,
      basis: 'calendar',
    })),
    hardinessC: days.map(() => wood),
  };
}

/** Full bloom that is ahead or lately past: the middle of the past years, a tenth and nine tenths of them. */
function bloomAhead(crop: Crop, group: TreeGroup, input: TimingInput, shared: Shared): GroupTiming['bloom'] {
  const today = shared.clock.day(hourOf(input.now));
  const since = dayAfter(today, -60);
  // A season’s sums begin anew in autumn: what lies more than a year back says nothing of this bloom
  const recent = { days: shared.days.slice(-RECENT_DAYS), yearDays: shared.yearDays };
  const { offsetDays, seen } = group;
  const options = { latitude: input.place.latitude, offsetDays };
  const fromSeen = (days: ThermalDay[]) =>
    stageCourse(crop, days, { ...options, seen }).find(
      (stage, i, course) => stage.day >= since && stage.share >= 1 && (course[i - 1]?.share ?? 0) < 1,
    )?.day;
  const reckoned = (days: ThermalDay[]) => fullBlooms(crop, days, options).find((bloom) => bloom >= since);
  const bloomed = shared.yearDays.flatMap((_, year) => {
    const days = daysIn(recent, year);
    return (seen.length > 0 ? fromSeen(days) : reckoned(days)) ?? [];
  });
  if (bloomed.length === 0) return null;
  const sorted = bloomed.toSorted();
  const at = (share: number) => sorted[Math.round((sorted.length - 1) * share)] as string;
  return { day: at(0.5), from: at(0.1), to: at(0.9) };
}
