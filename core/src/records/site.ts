// The site: where it is, what it goes by, and what it knows of its own.

import { z } from 'zod';
import { DebrisSettings, RecheckSettings, startingDebris, startingRechecks } from '../aftercare/index';
import { cleaningSchools } from '../blades/index';
import { Crew, SeasonSettings, startingSeason } from '../campaign/index';
import { finishes } from '../cuts/index';
import { DisorderCode, defaultSchoolOf, seasons } from '../disorders/index';
import { Limits, startingLimits } from '../faults/index';
import { WorkPace } from '../handling/index';
import { siteUnits } from '../measure/index';
import { PlanSettings, startingPlanSettings } from '../plan/index';
import { refusing } from '../refusal/index';
import { Cultivar, speciesTable } from '../register/index';
import { COMMON_PRACTICE, setting } from '../settings/index';
import { startingTimingSettings, TimingSettings } from '../timing/index';
import { Climate, Spell } from '../weather/index';
import { name, Stamp, TimeZone, text } from './common';
import { SpeciesCode } from './tree';

/** How the face of a cut lies, and what is put on it. */
export const faceSlopes = ['away', 'square'] as const;
export const dressings = ['nothing', 'spray'] as const;

export const SiteSchools = z.strictObject({
  clearance: z
    .record(z.string(), z.string())
    .refine(
      (chosen) => Object.keys(chosen).every((code) => DisorderCode.safeParse(code).success),
      refusing('unknownDisorder'),
    )
    .describe('school id by disorder code'),
  halveDefiniteDormant: setting(z.boolean(), {
    label: 'halfTheMarginWhereTheEdge',
  }),
  inSeasonStub: setting(z.boolean(), {
    label: 'inGrowthLeaveABareStub',
  }),
  finish: setting(z.enum(finishes), {
    label: 'finishOfACollarCut',
    choices: {
      tight: 'tightToTheCollar',
      stub: 'aStubOf062',
      heel: 'heelOnTheLowerSide',
    },
  }),
  slope: setting(z.enum(faceSlopes).default('away'), {
    label: 'faceOfACut',
    choices: { away: 'faceSlopedAway', square: 'faceSquareAcross' },
    ...COMMON_PRACTICE,
  }),
  dressing: setting(z.enum(dressings).default('nothing'), {
    label: 'onAFreshWound',
    choices: { nothing: 'nothingOnTheWound', spray: 'sprayOnInfectedCuts' },
    hint: 'dressingSealsMoistureIn',
    source: 'ANSI A300 and extension advice, from memory',
    confidence: 'high',
  }),
  cleaning: setting(z.enum(cleaningSchools), {
    label: 'whenTheBladeIsCleaned',
    choices: { every: 'beforeAndAfterEveryDiseasedCut', season: 'byDisorderAndSeason' },
    hint: 'betweenTreesAlwaysAndWheneverIts',
  }),
});

/** What a site goes by until its caretaker says otherwise. */
export function defaultSchools(): z.infer<typeof SiteSchools> {
  return {
    clearance: { ...defaultSchoolOf },
    halveDefiniteDormant: false,
    inSeasonStub: false,
    finish: 'tight',
    slope: 'away',
    dressing: 'nothing',
    cleaning: 'every',
  };
}

export const weatherSources = ['none', 'simulated', 'recorded'] as const;

export const WeatherSettings = z
  .strictObject({
    source: setting(
      z
        .enum(weatherSources)
        .describe(
          'none: by the calendar alone; simulated: no instrument measured it; recorded: imported and pushed',
        ),
      {
        label: 'theWeatherComesFrom',
        choices: {
          none: 'noneByTheCalendarAlone',
          simulated: 'simulatedNoInstrumentMeasuresIt',
          recorded: 'onRecordFromFilesAndStations',
        },
      },
    ),
    coast: setting(z.boolean().describe('near the sea; for the simulated climate'), {
      label: 'nearTheSea',
      hint: 'smallSwingsMoreWind',
    }),
    climate: Climate.nullable().describe('of the simulated station; null: usual for the latitude'),
    seed: setting(
      z.number().int().min(0).max(2_000_000_000).describe('another seed is another run of years'),
      { label: 'seed', hint: 'anotherSeedIsAnotherRunOf' },
    ),
    spells: z.array(Spell).max(60).describe('laid over the simulated weather'),
  })
  .meta({ id: 'WeatherSettings' });
export type WeatherSettings = z.infer<typeof WeatherSettings>;

const startingWeather = (): WeatherSettings => ({
  source: 'none',
  coast: true,
  climate: null,
  seed: 1,
  spells: [],
});

export const gear = ['ladder', 'gloves', 'cart', 'eye protection', 'first aid kit'] as const;

export const Site = z
  .strictObject({
    name: name(80),
    latitude: z.number().min(-90).max(90),
    longitude: z.number().min(-180).max(180),
    timeZone: TimeZone,
    twelveBearingDeg: z.number().min(0).lt(360).describe('bearing of 12 o’clock on every crown clock'),
    units: z.enum(siteUnits).describe('language: as the language of each device has it'),
    season: z.enum(seasons).nullable().describe('null: by the calendar'),
    schools: SiteSchools,
    agentId: z.string().max(40),
    grows: z
      .array(SpeciesCode)
      .max(speciesTable.length)
      .default([])
      .describe('species that are grown here, the usual one first; empty: nobody has said'),
    cultivars: z.array(Cultivar).max(500).default([]).describe('the caretaker’s own'),
    blightHosts: z
      .array(z.strictObject({ name: name(80), where: text(200) }))
      .max(100)
      .default([])
      .describe('hosts of fire blight among the ornamentals nearby'),
    notifiable: z
      .array(
        z.strictObject({
          codes: z.array(DisorderCode).min(1).max(20),
          authority: name(120),
          note: text(300),
        }),
      )
      .max(40)
      .default([])
      .describe('disorders that must be reported here, and to whom'),
    absentHere: z
      .array(DisorderCode)
      .max(60)
      .default([])
      .describe('disorders that do not occur in this country'),
    plan: PlanSettings.default(startingPlanSettings()).describe('how it plans: limits, weights and its kit'),
    weather: WeatherSettings.default(startingWeather()).describe('where its weather comes from'),
    timing: TimingSettings.default(startingTimingSettings()).describe('by what rule it picks days'),
    debris: DebrisSettings.default(startingDebris()).describe('where wood goes'),
    rechecks: RecheckSettings.default(startingRechecks()).describe('when cuts are looked at again'),
    gear: z
      .array(z.enum(gear))
      .max(gear.length)
      .default([...gear])
      .describe('what there is beside the blades'),
    limits: Limits.default(startingLimits()).describe('from which measure on wood is misplaced'),
    crews: z.array(Crew).max(20).default([]).describe('who works here, and when'),
    seasonWorth: SeasonSettings.default(startingSeason()).describe('what its season reckons with'),
  })
  .meta({ id: 'Site' });
export type Site = z.infer<typeof Site>;

export const SiteRecord = z
  .object({
    site: Site,
    paces: z.array(WorkPace).default([]).describe('measured from the runs that are closed'),
    ...Stamp.shape,
  })
  .meta({ id: 'SiteRecord' });
export type SiteRecord = z.infer<typeof SiteRecord>;
