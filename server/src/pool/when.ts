// Days, stages and schools, computed off the thread that answers.
import {
  type Crop,
  cropOf,
  type FreezeEvent,
  freezeEvents,
  type SeenStage,
  type StageDay,
  type Stages,
  stagesOver,
  thermalDays,
  usualBloomOn,
} from '@mortisect/core/stage';
import {
  type Block,
  bandOf,
  blockedHours,
  type Curves,
  type CutKind,
  chanceOf,
  type GroupTiming,
  groupWithCurves,
  infectionOf,
  LEAST_KNOWN,
  outlookOf,
  type PathogenCode,
  pathogensIn,
  type Season,
  type SiteTiming,
  seasonOf,
  siteTiming,
  type TimingInput,
  type TimingSettings,
  type TreeGroup,
  windowsOf,
  woundsOf,
} from '@mortisect/core/timing';
import {
  daysOf,
  groundByRecord,
  hourOf,
  localClock,
  momentOf,
  type Series,
  seriesOf,
  type WeatherHour,
} from '@mortisect/core/weather';
import { type WeatherSource, weatherOf } from './weatherSource';

export interface TimingTask extends Omit<TimingInput, 'known' | 'years'> {
  source: WeatherSource;
}

export function timing({ source, ...input }: TimingTask): SiteTiming {
  const { known, years } = weatherOf(source, input.now);
  return siteTiming({ ...input, known, years });
}

interface TreeTimingTask extends TimingTask {
  group: TreeGroup;
  /** Moment of the cut whose curves are wanted; null: the best half-day. */
  at: string | null;
}

export function treeTiming({ source, group, at, ...input }: TreeTimingTask): {
  group: GroupTiming;
  curves: Curves;
} {
  const { known, years } = weatherOf(source, input.now);
  return groupWithCurves({ ...input, known, years }, group, at === null ? null : hourOf(at));
}

interface TreeSeasonTask {
  source: WeatherSource;
  now: string;
  place: TimingInput['place'];
  settings: TimingSettings;
  group: TreeGroup;
}

/** Null for a tree that keeps its leaves: no school of pruning time is told for it. */
export function treeSeason({
  source,
  now,
  place,
  settings,
  group,
}: TreeSeasonTask): (Season & { yearsSimulated: boolean }) | null {
  const crop = cropOf(group.species);
  if (!crop) return null;
  const { years, yearsSimulated } = weatherOf(source, now);
  const { loads, cut, offsetDays } = group;
  const season = seasonOf({ years, crop, loads, settings, cut, offsetDays }, placeOf(place));
  return { ...season, yearsSimulated };
}

const placeOf = ({ latitude, longitude, timeZone }: TimingInput['place']) => ({
  latitude,
  longitude,
  clock: localClock(timeZone),
});

interface StageTask {
  latitude: number;
  timeZone: string;
  species: string;
  hours: WeatherHour[];
  offsetDays: number;
  seen: SeenStage[];
}

export function stage(task: StageTask): { days: (StageDay & { hardinessC: number })[] } | null {
  const stagedTree = staged(task);
  return (
    stagedTree && {
      days: stagedTree.course.map((day, i) => ({ ...day, hardinessC: stagedTree.hardinessC[i] as number })),
    }
  );
}

function staged({
  latitude,
  timeZone,
  species,
  hours,
  offsetDays,
  seen,
}: StageTask): ({ crop: Crop; record: Series } & Stages) | null {
  const crop = cropOf(species);
  if (!crop) return null;
  const record = seriesOf(hours);
  const days = thermalDays(record, localClock(timeZone));
  return { crop, record, ...stagesOver(crop, days, { latitude, offsetDays, seen }) };
}

export function freeze(task: StageTask): { events: FreezeEvent[]; unknownDays: string[] } | null {
  const stagedTree = staged(task);
  if (!stagedTree) return null;
  const { crop, record, days, course, hardinessC } = stagedTree;
  const first = days[0]?.day;
  const seen = new Set(days.map(({ day }) => day));
  const all = daysOf(record, localClock(task.timeZone)).map(({ day }) => day);
  const unknownDays = all.filter((day) => !seen.has(day));
  if (!first) return { events: [], unknownDays };
  const bloomed = course.find((day) => day.share >= 1 && day.phase === 'bloom')?.day;
  const bloomDay = bloomed ?? usualBloomOn(crop, first, task, 0);
  return { events: freezeEvents(crop, days, course, hardinessC, task.latitude, bloomDay), unknownDays };
}

interface WoundRiskTask {
  latitude: number;
  hours: WeatherHour[];
  cuts: string[];
  loads: Partial<Record<PathogenCode, number>>;
  seed: number;
  draws: number;
}

interface WoundRiskTold {
  cuts: {
    at: string;
    known: number;
    infection: number | null;
    infectionBand: [number, number, number] | null;
    pathogens: Partial<
      Record<PathogenCode, { atLeast: number; known: number; lambda: number | null; chance: number | null }>
    >;
  }[];
}

export function woundRisk({ latitude, hours, cuts, loads, seed, draws }: WoundRiskTask): WoundRiskTold {
  const record = seriesOf(hours);
  const cutHours = cuts.map(hourOf);
  const last = Math.max(...cutHours);
  const outlook = outlookOf(record, null, Math.min(record.fromHour, ...cutHours), last + 24);
  const wounds = woundsOf(outlook, cutHours, latitude, seed, draws);
  const used = pathogensIn(loads);
  const weighed = (lambdaOfCode: (code: PathogenCode) => number) =>
    infectionOf(
      used.map(({ code, consequence }) => ({
        chance: chanceOf((loads[code] ?? 0) * lambdaOfCode(code)),
        consequence,
      })),
    );
  return {
    cuts: cuts.map((at, i) => {
      const knownOf = (code: PathogenCode) => wounds.known[code][i] ?? 0;
      const knownShare = Math.min(1, ...used.map(({ code }) => knownOf(code)));
      const isKnown = knownShare >= LEAST_KNOWN;
      const drawn = Array.from({ length: isKnown ? draws : 0 }, (_, k) =>
        weighed((code) => wounds.drawn[code][i]?.[k] ?? 0),
      );
      return {
        at,
        known: knownShare,
        infection: isKnown ? weighed((code) => wounds.central[code][i]?.[0] ?? 0) : null,
        infectionBand: drawn.length > 0 ? bandOf(drawn) : null,
        pathogens: Object.fromEntries(
          used.map(({ code }) => {
            const lambda = (loads[code] ?? 0) * (wounds.central[code][i]?.[0] ?? 0);
            const chance = chanceOf(lambda);
            const enough = knownOf(code) >= LEAST_KNOWN;
            return [
              code,
              {
                atLeast: chance,
                known: knownOf(code),
                lambda: enough ? lambda : null,
                chance: enough ? chance : null,
              },
            ];
          }),
        ),
      };
    }),
  };
}

interface WindowsTask {
  latitude: number;
  longitude: number;
  timeZone: string;
  hours: WeatherHour[];
  dryBeforeH: number;
  dryAfterH: number;
  climbWindMs: number;
  leastC: number;
}

interface WindowsTold {
  windows: { from: string; to: string; lightHours: number }[];
  blocked: { at: string; why: Block[] }[];
}

export function windows({ hours, ...task }: WindowsTask): WindowsTold {
  const series = seriesOf(hours);
  const blocked = blockedHours(series, task, placeOf(task), groundByRecord(series));
  return {
    windows: windowsOf(blocked, series.fromHour).map(({ fromHour, toHour, lightHours }) => ({
      from: momentOf(fromHour),
      to: momentOf(toHour),
      lightHours,
    })),
    blocked: blocked.flatMap((why, i) =>
      why.length > 0 ? [{ at: momentOf(series.fromHour + i), why }] : [],
    ),
  };
}

interface SeasonTask {
  latitude: number;
  longitude: number;
  timeZone: string;
  species: string;
  hours: WeatherHour[];
  loads: Partial<Record<PathogenCode, number>>;
  settings: TimingSettings;
  cut: CutKind;
}

export function season({ species, hours, loads, settings, cut, ...place }: SeasonTask): Season | null {
  const crop = cropOf(species);
  return (crop && seasonOf({ years: seriesOf(hours), crop, loads, settings, cut }, placeOf(place))) || null;
}
