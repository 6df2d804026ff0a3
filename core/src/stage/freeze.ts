// Which nights in the record can have killed buds, flowers or wood, how much, and when can the wood be judged?
import { dayAfter, dayOfYear, daysBetween, northernDayOfYear } from '../weather/index';
import { type Crop, crops, killC, PETALS_DOWN } from './crops';
import { KILL_SHIFT_C, killedShare } from './kill';
import type { FreezeEvent, StageDay } from './shapes';
import type { ThermalDay } from './thermal';

/** A frost counts from this share killed at the most. */
const LEAST_KILLED = 0.1;
/** Wood is in doubt within so much of what it stands, and severely hurt so far beyond, °C. Common practice, no source. */
const IN_DOUBT_C = 1;
const SEVERE_BELOW_C = 3;
/** Days after full leaf that wood can be judged, and from the first bud stage to full leaf. Common practice, no source. */
const AFTER_LEAF_DAYS = 21;
const LEAF_SHARE = PETALS_DOWN;

/** A frost is shown so long before its wood can be judged, and so long after. @source common practice, no source */
const SHOWN_BEFORE_DAYS = 7;
const SHOWN_AFTER_DAYS = 60;

/** Is the wood that this frost may have killed to be looked at about now? @param day local date */
export function isToBeJudged({ lookFrom }: Pick<FreezeEvent, 'lookFrom'>, day: string): boolean {
  const due = daysBetween(day, lookFrom);
  return due <= SHOWN_BEFORE_DAYS && due >= -SHOWN_AFTER_DAYS;
}

/**
 * Frosts of a record that matter to a crop.
 *
 * @param days of the record and the forecast
 * @param course stage of the crop on each of them
 * @param hardinessC what its wood stood on each of them
 * @param usualBloomDay local date on which it is in full bloom this year, or about then
 */
export function freezeEvents(
  crop: Crop,
  days: readonly ThermalDay[],
  course: readonly StageDay[],
  hardinessC: readonly number[],
  latitude: number,
  bloomDay: string,
): FreezeEvent[] {
  const stages = crops.find((other) => other.code === crop.frostLike)?.stages ?? crop.stages;
  const events: FreezeEvent[] = [];
  days.forEach((day, i) => {
    const stage = course[i] as StageDay;
    const stood = hardinessC[i] as number;
    const buds = budKill(stages, stage, day.minC);
    if (buds && buds.killed[2] >= LEAST_KILLED) {
      events.push({
        day: day.day,
        kind: 'buds',
        stage: buds.name,
        minC: day.minC,
        killed: buds.killed,
        belowC: null,
        hardinessC: null,
        injury: null,
        lookFrom: dayAfter(day.day, 1),
        limbsFrom: null,
        treeFrom: null,
      });
    }
    if (day.minC > stood + IN_DOUBT_C) return;
    const injury = stood - day.minC >= SEVERE_BELOW_C ? 'severe' : 'mild';
    events.push({
      day: day.day,
      kind: 'wood',
      stage: stage.stage,
      minC: day.minC,
      killed: null,
      belowC: stood - day.minC,
      hardinessC: stood,
      injury,
      ...judgeFrom(day.day, course, injury, bloomDay, latitude),
    });
  });
  return worstOfEachSpell(events);
}

function budKill(stages: Crop['stages'], stage: StageDay, minC: number) {
  if (stage.phase !== 'buds' && stage.phase !== 'bloom' && stage.phase !== 'petal fall') return null;
  const now = stages.findLast((budStage) => stage.share >= budStage.share);
  const kill = now && killC(now);
  if (!now || !kill) return null;
  const at = (shift: number) => killedShare(minC + shift, ...kill);
  return { name: now.name, killed: [at(KILL_SHIFT_C), at(0), at(-KILL_SHIFT_C)] as [number, number, number] };
}

/** Wood hurt mildly shows when buds swell; severely, weeks after full leaf; the whole tree is decided on after high summer. */
function judgeFrom(
  day: string,
  course: readonly StageDay[],
  injury: FreezeEvent['injury'],
  bloomDay: string,
  latitude: number,
): Pick<FreezeEvent, 'lookFrom' | 'limbsFrom' | 'treeFrom'> {
  const inLeaf =
    course.find((stage) => stage.day > day && stage.share >= LEAF_SHARE)?.day ?? dayAfter(bloomDay, 14);
  const swell =
    course.find((stage) => stage.day > day && stage.share >= 0.22)?.day ?? dayAfter(bloomDay, -45);
  const leaf = inLeaf > day ? inLeaf : dayAfter(day, 14);
  const limbsFrom =
    injury === 'severe' ? dayAfter(leaf, AFTER_LEAF_DAYS) : swell > day ? swell : dayAfter(day, 14);
  return {
    lookFrom: injury === 'severe' ? leaf : limbsFrom,
    limbsFrom,
    treeFrom: injury === 'severe' ? afterHighSummer(leaf, latitude) : null,
  };
}

/** 1 August in the north, the same season in the south. */
function afterHighSummer(day: string, latitude: number): string {
  const FIRST_OF_AUGUST = 213;
  const away = FIRST_OF_AUGUST - northernDayOfYear(dayOfYear(day), latitude);
  return dayAfter(day, away >= 0 ? away : away + 365);
}

const SPELL_DAYS = 5;

/** Of nights that follow one another the worst speaks for all. */
function worstOfEachSpell(events: FreezeEvent[]): FreezeEvent[] {
  const worst: FreezeEvent[] = [];
  for (const event of events) {
    const last = worst.findLast((freeze) => freeze.kind === event.kind);
    if (!last || daysBetween(last.day, event.day) > SPELL_DAYS) worst.push(event);
    else if (severity(event) > severity(last)) worst[worst.indexOf(last)] = event;
  }
  return worst.sort((a, b) => a.day.localeCompare(b.day));
}

const severity = (event: FreezeEvent) => event.killed?.[1] ?? event.belowC ?? 0;
