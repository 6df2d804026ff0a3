// The table of the routes that read and keep: the one place that says what the app may ask.

import { localDay } from '@mortisect/core/measure';
import { KeptPlan } from '@mortisect/core/plan';
import {
  Action,
  ActionBody,
  Finding,
  FindingBody,
  Job,
  JobBody,
  LogEntry,
  moment,
  RecordId,
  Row,
  RowBody,
  Site,
  SiteRecord,
  TreeBody,
  TreeDetail,
  TreeId,
  TreeSummary,
} from '@mortisect/core/records';
import { refusing } from '@mortisect/core/refusal';
import { ListedTree } from '@mortisect/core/run';
import { LimbMap } from '@mortisect/core/tree';
import { repairs } from '@mortisect/core/weather';
import { z } from 'zod';
import {
  ArchiveReport,
  Copies,
  DeletedTrees,
  FirstSync,
  ImportReport,
  importFormats,
  RemovedPhotos,
} from './exchange';
import { firstRoutes, Session } from './firstRoutes';
import { type Route, route } from './route';
import { SeasonPlan, SeasonToday, SeasonWhatIf } from './seasonPlan';
import * as when from './when';

export type { Route } from './route';

const SessionList = z.object({
  sessions: z.array(
    z.object({
      id: z.string(),
      browser: z.string().describe('“Chrome on Android”, as the browser names itself'),
      beganAt: moment,
      usedAt: moment.describe('to the hour'),
      here: z.boolean().describe('the one that asks'),
    }),
  ),
});
export type SessionList = z.infer<typeof SessionList>;
/** A file as it is sent. */
const RawFile = z.object({
  fileName: z.string(),
  content: z.union([z.string(), z.instanceof(Uint8Array)]),
});
/** A large file, sent as it is read. */
const StreamedFile = z.object({ fileName: z.string(), content: z.custom<AsyncIterable<Uint8Array>>() });
const Since = z.object({
  since: z.string().max(80).optional().describe('the revision that was read last; all of it where missing'),
});
/** For links, which say no language of their own. */
const InLanguage = z.object({
  language: z
    .string()
    .max(35)
    .optional()
    .describe('language of the file as a BCP 47 tag (en, es); that of Accept-Language where missing'),
});
const SheetQuery = InLanguage.extend({
  paper: z.enum(['A4', 'LETTER']).default('A4'),
  units: z.enum(['metric', 'us']).optional().describe('those of the site where missing'),
});
const baseRevision = z
  .number()
  .int()
  .min(1)
  .nullable()
  .describe('the revision this edit was made on; null for a new record');

export const appRoutes = {
  ...firstRoutes,
  ready: route({
    method: 'get',
    path: '/api/ready',
    tag: 'Access',
    summary: 'Does the database answer, so that work can be taken? 503 where it does not',
    response: z.object({ ready: z.literal(true) }),
    open: true,
  }),
  signOut: route({
    method: 'delete',
    path: '/api/session',
    tag: 'Access',
    summary: 'Sign out',
    response: Session,
    open: true,
  }),
  getSessions: route({
    method: 'get',
    path: '/api/sessions',
    tag: 'Access',
    summary: 'Where somebody is signed in, last used first',
    response: SessionList,
  }),
  endSession: route({
    method: 'delete',
    path: '/api/sessions/:sessionId',
    tag: 'Access',
    summary: 'End a session: whoever uses it has to sign in again',
    params: z.object({ sessionId: z.string().regex(/^[0-9a-f]{64}$/) }),
    response: SessionList,
  }),
  getField: route({
    method: 'get',
    path: '/api/field',
    tag: 'Access',
    summary: 'How phones on the local network come in; null where this server is not open to them',
    response: z.object({
      field: z
        .object({
          trustUrl: z.string().describe('the page of steps by which a phone comes to trust this server'),
          addresses: z.array(z.string()),
          fingerprint: z.string().describe('SHA-256 of the certificate of its authority'),
          until: z.iso.datetime(),
        })
        .nullable(),
    }),
  }),
  getSite: route({
    method: 'get',
    path: '/api/site',
    tag: 'Orchard',
    summary: 'The site and its schools',
    response: SiteRecord,
  }),
  putSite: route({
    method: 'put',
    path: '/api/site',
    tag: 'Orchard',
    summary: 'Edit the site',
    body: z.strictObject({ baseRevision, site: Site }),
    response: SiteRecord,
    fromDevice: true,
  }),
  getTree: route({
    method: 'get',
    path: '/api/trees/:treeId',
    tag: 'Orchard',
    summary: 'One tree with its limb map, findings and what was done',
    params: z.object({ treeId: TreeId }),
    response: TreeDetail,
  }),
  getPlotTrees: route({
    method: 'get',
    path: '/api/plots/:plotId/trees',
    tag: 'Orchard',
    summary: 'All trees of a plot with limb maps and findings, for a round without signal',
    params: z.object({ plotId: z.string().min(1).max(64) }),
    response: z.object({ trees: z.array(TreeDetail) }),
  }),
  getDeletedTrees: route({
    method: 'get',
    path: '/api/deleted-trees',
    tag: 'Orchard',
    summary: 'Trees that were deleted and do not go for good yet',
    response: DeletedTrees,
  }),
  putTree: route({
    method: 'put',
    path: '/api/trees/:treeId',
    tag: 'Orchard',
    summary: 'Write down or edit a tree; plots and rows that are not there yet are made',
    params: z.object({ treeId: TreeId }),
    body: z.strictObject({ baseRevision, tree: TreeBody }),
    response: TreeSummary,
    fromDevice: true,
  }),
  putRow: route({
    method: 'put',
    path: '/api/rows/:rowId',
    tag: 'Orchard',
    summary: 'Rename a row, say how far apart its trees stand, or walk it at another place of its plot',
    params: z.object({ rowId: z.string().min(1).max(64) }),
    body: z.strictObject({ baseRevision, row: RowBody }),
    response: Row,
    fromDevice: true,
  }),
  putLimbs: route({
    method: 'put',
    path: '/api/trees/:treeId/limbs',
    tag: 'Orchard',
    summary: 'Record the limb map of a tree as it stands',
    params: z.object({ treeId: TreeId }),
    body: z.strictObject({
      baseRevision,
      surveyedAt: moment.describe('cuts recorded later come off this map'),
      limbs: LimbMap,
    }),
    response: TreeDetail,
    bodyLimit: '2mb',
    fromDevice: true,
  }),
  getPeople: route({
    method: 'get',
    path: '/api/people',
    tag: 'Orchard',
    summary: 'Who works here, by the names on their devices',
    response: z.object({ people: z.array(z.string()) }),
  }),
  getJobs: route({
    method: 'get',
    path: '/api/jobs',
    tag: 'Field records',
    summary: 'Jobs without a saw that are still to do, by the day they are due',
    response: z.object({ jobs: z.array(Job) }),
  }),
  putJob: route({
    method: 'put',
    path: '/api/jobs/:jobId',
    tag: 'Field records',
    summary: 'Record, edit or finish a job',
    params: z.object({ jobId: RecordId }),
    body: z.strictObject({ baseRevision, job: JobBody }),
    response: Job,
    fromDevice: true,
  }),
  putPhoto: route({
    method: 'put',
    path: '/api/photos/:photoId',
    tag: 'Files',
    summary: 'Keep a photo: JPEG, PNG or WebP; what it says of its place and camera is removed',
    params: z.object({ photoId: RecordId }),
    rawBody: { types: ['image/*'], limit: '4mb' },
    response: z.object({ id: RecordId, bytes: z.number(), widthPx: z.number(), heightPx: z.number() }),
    fromDevice: true,
  }),
  getPhoto: route({
    method: 'get',
    path: '/api/photos/:photoId',
    tag: 'Files',
    summary: 'A photo',
    params: z.object({ photoId: RecordId }),
    rawAnswer: 'image/jpeg',
    response: RawFile,
  }),
  getRemovedPhotos: route({
    method: 'get',
    path: '/api/removed-photos',
    tag: 'Files',
    summary: 'Photos that were removed from their finding and are not deleted for good yet',
    response: RemovedPhotos,
  }),
  getTreesCsv: route({
    method: 'get',
    path: '/api/trees.csv',
    tag: 'Files',
    summary: 'The register as CSV',
    query: InLanguage,
    rawAnswer: 'text/csv; charset=utf-8',
    response: RawFile,
  }),
  getTreesGeojson: route({
    method: 'get',
    path: '/api/trees.geojson',
    tag: 'Files',
    summary: 'The trees that have a position, as GeoJSON (RFC 7946)',
    rawAnswer: 'application/geo+json',
    response: RawFile,
  }),
  getArchive: route({
    method: 'get',
    path: '/api/archive.ndjson',
    tag: 'Files',
    summary: 'Everything: the whole history, devices, weather and photos, one JSON object a line',
    rawAnswer: 'application/x-ndjson',
    response: StreamedFile,
  }),
  importArchive: route({
    method: 'post',
    path: '/api/archive',
    tag: 'Files',
    summary: 'Bring a whole orchard, as an archive or a safe copy holds it, into a server that has none yet',
    rawBody: { types: ['*/*'], streamed: true },
    response: ArchiveReport,
    fromDevice: true,
  }),
  getFirstSync: route({
    method: 'get',
    path: '/api/first-sync',
    tag: 'Field records',
    summary: 'How much a device takes over when it first opens the app',
    response: FirstSync,
  }),
  getCopies: route({
    method: 'get',
    path: '/api/copies',
    tag: 'Files',
    summary: 'The safe copies of this server, and whether the last is old',
    response: Copies,
  }),
  makeCopy: route({
    method: 'post',
    path: '/api/copies',
    tag: 'Files',
    summary: 'Make a safe copy now and read it back',
    response: Copies,
  }),
  importTrees: route({
    method: 'post',
    path: '/api/trees/import',
    tag: 'Files',
    summary: 'Look at a file of trees row by row, or take its good rows in one transaction',
    query: z.object({
      format: z.enum(importFormats),
      take: z.enum(['nothing', 'good']).default('nothing'),
      mapping: z
        .string()
        .max(10_000)
        .optional()
        .describe('JSON object, field of a tree to column of the file; guessed by name where missing'),
      choices: z
        .string()
        .max(10_000)
        .optional()
        .describe(
          'JSON object (ImportChoices): what to write where the file says nothing, species by word, units',
        ),
    }),
    rawBody: { types: ['*/*'], limit: '8mb' },
    response: ImportReport,
    fromDevice: true,
  }),
  getKeptPlans: route({
    method: 'get',
    path: '/api/plans',
    tag: 'Field records',
    summary:
      'Plans that were searched ahead, each with the stamp of what it rests on; with “since” only those kept after',
    query: Since.extend({ tree: TreeId.optional().describe('only that of this tree') }),
    response: z.object({
      revision: z.string().describe('how far the kept plans had come'),
      whole: z.boolean().describe('these are all, not only those kept since, or that of one tree'),
      plans: z.array(KeptPlan.extend({ treeId: z.string() })),
    }),
  }),
  getPlan: route({
    method: 'get',
    path: '/api/trees/:treeId/plan.json',
    tag: 'Files',
    summary: 'The plan of a tree as open JSON: what went in, and what comes off when',
    params: z.object({ treeId: TreeId }),
    rawAnswer: 'application/json',
    response: RawFile,
  }),
  getPlanCsv: route({
    method: 'get',
    path: '/api/trees/:treeId/plan.csv',
    tag: 'Files',
    summary: 'The steps of a tree’s plan as CSV',
    params: z.object({ treeId: TreeId }),
    query: InLanguage,
    rawAnswer: 'text/csv; charset=utf-8',
    response: RawFile,
  }),
  getCutSheet: route({
    method: 'get',
    path: '/api/trees/:treeId/cut-sheet.pdf',
    tag: 'Files',
    summary: 'The cut sheet of a tree, to be printed',
    params: z.object({ treeId: TreeId }),
    query: SheetQuery,
    rawAnswer: 'application/pdf',
    response: RawFile,
  }),
  getPlotCutSheet: route({
    method: 'get',
    path: '/api/plots/:plotId/cut-sheet.pdf',
    tag: 'Files',
    summary: 'The cut sheets of all trees of a plot that have something planned',
    params: z.object({ plotId: z.string().min(1).max(64) }),
    query: SheetQuery,
    rawAnswer: 'application/pdf',
    response: RawFile,
  }),
  getTiming: route({
    method: 'get',
    path: '/api/timing',
    tag: 'Weather',
    summary: 'May each kind of tree be cut today, and if not, when? Ten days, every group of trees',
    response: when.TimingNow,
  }),
  getTreeTiming: route({
    method: 'get',
    path: '/api/trees/:treeId/timing',
    tag: 'Weather',
    summary: 'Windows of one tree, and how a wound made at one moment would live through its weather',
    params: z.object({ treeId: TreeId }),
    query: when.CutQuery,
    response: when.TreeTiming,
  }),
  getTreeSeason: route({
    method: 'get',
    path: '/api/trees/:treeId/season',
    tag: 'Weather',
    summary: 'The schools of pruning time side by side for this tree, on the weather of past years',
    params: z.object({ treeId: TreeId }),
    query: when.CutQuery.omit({ at: true }),
    response: when.SeasonShape,
  }),
  getWeather: route({
    method: 'get',
    path: '/api/weather',
    tag: 'Weather',
    summary: 'The weather on record and forecast, hour by hour',
    query: z.object({
      days: z.coerce.number().int().min(1).max(800).default(30).describe('days of the past'),
    }),
    response: when.WeatherSeries,
  }),
  importWeather: route({
    method: 'post',
    path: '/api/weather/import',
    tag: 'Weather',
    summary: 'Look at a file of weather, or take it; taken twice it counts once',
    query: z.object({
      format: z.enum(['csv', 'json']),
      take: z.enum(['nothing', 'good']).default('nothing'),
      kind: z.enum(['observed', 'forecast']).default('observed'),
      zone: z
        .string()
        .max(60)
        .optional()
        .describe('zone of times that carry none: IANA name; that of the site where missing'),
      mapping: z
        .string()
        .max(10_000)
        .optional()
        .describe('JSON object, value to column, and value:unit to its unit; guessed by name where missing'),
      repair: z
        .string()
        .max(200)
        .optional()
        .describe(`rules that may mend it, by comma: ${repairs.join(', ')}`),
      differing: z.enum(['keep', 'replace']).default('keep').describe('hours on record with other values'),
    }),
    rawBody: { types: ['*/*'], limit: '24mb' },
    response: when.WeatherImportReport,
    fromDevice: true,
  }),
  getStations: route({
    method: 'get',
    path: '/api/weather/stations',
    tag: 'Weather',
    summary: 'Stations that may push hours',
    response: z.object({ stations: z.array(when.Station) }),
  }),
  putStation: route({
    method: 'put',
    path: '/api/weather/stations/:stationId',
    tag: 'Weather',
    summary: 'Let a station push; its token is told this once. Said again, the old token ends',
    params: z.object({ stationId: RecordId }),
    body: z.strictObject({ name: z.string().trim().min(1, refusing('noName')).max(60) }),
    response: when.Station.extend({ token: z.string() }),
    fromDevice: true,
  }),
  deleteStation: route({
    method: 'delete',
    path: '/api/weather/stations/:stationId',
    tag: 'Weather',
    summary: 'End a station’s token; its hours stay',
    params: z.object({ stationId: RecordId }),
    response: z.object({ stations: z.array(when.Station) }),
    fromDevice: true,
  }),
  pushWeather: route({
    method: 'post',
    path: '/api/weather/push',
    tag: 'Weather',
    summary: 'Hours from a station, with its token as Authorization: Bearer; sent twice they count once',
    body: when.PushBody,
    response: z.object({ fresh: z.number().int(), same: z.number().int(), replaced: z.number().int() }),
    bodyLimit: '4mb',
    open: true,
    fromStation: true,
    example: {
      hours: [
        {
          at: '2026-11-24T09:00:00Z',
          temperatureC: 6.4,
          humidityPct: 82,
          rainMm: 0,
          windMs: 3.1,
          wetMinutes: null,
        },
      ],
    },
  }),
  makeCalendar: route({
    method: 'post',
    path: '/api/calendar',
    tag: 'Weather',
    summary: 'A new address to subscribe to windows and rechecks; the old one ends',
    body: z.strictObject({}),
    response: z.object({ path: z.string() }),
    fromDevice: true,
  }),
  endCalendar: route({
    method: 'delete',
    path: '/api/calendar',
    tag: 'Weather',
    summary: 'Ends the address: who subscribed to it hears nothing more',
    response: z.object({ path: z.null() }),
    fromDevice: true,
  }),
  getCalendarPath: route({
    method: 'get',
    path: '/api/calendar',
    tag: 'Weather',
    summary: 'The address to subscribe to, where one was made',
    response: z.object({ path: z.string().nullable() }),
  }),
  getCalendar: route({
    method: 'get',
    path: '/api/calendar/:token.ics',
    tag: 'Weather',
    summary: 'Windows of each kind of wood, days to look and jobs due, as iCalendar (RFC 5545)',
    params: z.object({ token: z.string().min(20).max(80) }),
    query: InLanguage,
    rawAnswer: 'text/calendar; charset=utf-8',
    response: RawFile,
    open: true,
    inline: true,
  }),
  getTreeCalendar: route({
    method: 'get',
    path: '/api/trees/:treeId/windows.ics',
    tag: 'Weather',
    summary: 'The windows of one tree as iCalendar',
    params: z.object({ treeId: TreeId }),
    query: InLanguage,
    rawAnswer: 'text/calendar; charset=utf-8',
    response: RawFile,
  }),
  getOpenWork: route({
    method: 'get',
    path: '/api/open-work',
    tag: 'Field records',
    summary:
      'Trees with open findings, in walking order, and the latest actions; with “since” only what changed of them',
    query: Since,
    response: z.object({
      revision: z.string().describe('how far the history had come'),
      whole: z.boolean().describe('false: only what changed'),
      trees: z.array(TreeDetail),
      gone: z.array(TreeId).describe('trees that changed and have nothing open any more'),
      latestActions: z.array(Action),
    }),
  }),
  getSeasonPlan: route({
    method: 'get',
    path: '/api/season-plan',
    tag: 'Field records',
    summary:
      'The visits that are due shared out over crews and days: who does what when, and what is left undone; whoever waits no more ends it where nobody else waits',
    query: z.object({
      atOnce: z
        .enum(['yes', 'no'])
        .default('no')
        .describe('before any was ever made, a first plan will do that is there in seconds'),
    }),
    response: SeasonPlan,
  }),
  getSeasonToday: route({
    method: 'get',
    path: '/api/season-plan/today',
    tag: 'Field records',
    summary: 'Which trees each crew works on today, by the season as it was shared out last',
    response: SeasonToday,
  }),
  getSeasonWhatIf: route({
    method: 'get',
    path: '/api/season-plan/what-if',
    tag: 'Field records',
    summary:
      'What one more day of one of a crew brings, or the crew two weeks earlier: the season is shared out for it',
    query: z.strictObject({
      crew: z.string().min(1).max(64),
      slot: z
        .string()
        .min(1)
        .max(40)
        .optional()
        .describe('half-day or week of that day; missing: two weeks earlier'),
    }),
    response: SeasonWhatIf,
  }),
  getSeasonCsv: route({
    method: 'get',
    path: '/api/season-plan.csv',
    tag: 'Files',
    summary: 'The season as it is shared out, as CSV: visits by day, then those that are left',
    query: InLanguage,
    rawAnswer: 'text/csv; charset=utf-8',
    response: RawFile,
  }),
  getSeasonCalendar: route({
    method: 'get',
    path: '/api/season-plan.ics',
    tag: 'Files',
    summary: 'What a crew, or everybody, does on which day, as iCalendar',
    query: InLanguage.extend({
      crew: z.string().min(1).max(64).optional().describe('id of a crew; all where missing'),
    }),
    rawAnswer: 'text/calendar; charset=utf-8',
    response: RawFile,
  }),
  getWeekSheet: route({
    method: 'get',
    path: '/api/season-plan/week.pdf',
    tag: 'Files',
    summary: 'What a crew does in a week by the season, with the cut sheets of its trees, to be printed',
    query: SheetQuery.extend({
      crew: z.string().min(1).max(64).describe('id of the crew'),
      from: localDay.optional().describe('first of seven days; the next on which it has work where missing'),
    }),
    rawAnswer: 'application/pdf',
    response: RawFile,
  }),
  getSeasonProgram: route({
    method: 'get',
    path: '/api/season-plan.lp',
    tag: 'Files',
    summary: 'The linear program that the season is shared out by, in CPLEX LP format, for other solvers',
    rawAnswer: 'text/plain; charset=utf-8',
    response: RawFile,
  }),
  getListedTrees: route({
    method: 'get',
    path: '/api/listed-trees',
    tag: 'Field records',
    summary:
      'Trees with open work as lists take them: what was found, what is due by the kept plans, what is asked; with “since” only what changed of them',
    query: Since.extend({ units: z.enum(['metric', 'us']).describe('that places on limbs are named in') }),
    response: z.object({
      revision: z.string().describe('how far the records and the plans had come'),
      whole: z.boolean().describe('false: only what changed'),
      day: z.iso.date().describe('at the site, that they are of'),
      siteRevision: z.number().int().describe('of the settings that they are of'),
      trees: z.array(ListedTree).describe('in no order'),
      gone: z.array(TreeId).describe('trees that changed and have nothing open any more'),
      latestActions: z.array(Action),
    }),
  }),
  getChanges: route({
    method: 'get',
    path: '/api/changes',
    tag: 'Field records',
    summary:
      'Server-sent events: the revision of the history, at once and whenever something was written; a device is not told of its own',
    query: z.object({ device: RecordId.optional() }),
    rawAnswer: 'text/event-stream',
    inline: true,
    response: StreamedFile,
  }),
  putFinding: route({
    method: 'put',
    path: '/api/findings/:findingId',
    tag: 'Field records',
    summary: 'Record or edit a finding',
    params: z.object({ findingId: RecordId }),
    body: z.strictObject({ baseRevision, finding: FindingBody }),
    response: Finding,
    fromDevice: true,
  }),
  putAction: route({
    method: 'put',
    path: '/api/actions/:actionId',
    tag: 'Field records',
    summary: 'Record something done; sent twice it counts once',
    params: z.object({ actionId: RecordId }),
    body: ActionBody,
    response: Action,
    fromDevice: true,
  }),
  getRun: route({
    method: 'get',
    path: '/api/run',
    tag: 'Field records',
    summary: 'What was done in the run that is open, with the blades, and what is known of the kit',
    response: z.object({ actions: z.array(Action) }),
  }),
  getAftercare: route({
    method: 'get',
    path: '/api/aftercare',
    tag: 'Field records',
    summary: 'Cuts of the last years, what was seen when they were looked at again, and graft wood taken',
    response: z.object({
      actions: z.array(Action),
      disorders: z
        .record(z.string(), z.string())
        .describe('by finding id, for cuts that do not say what they met'),
    }),
  }),
  getLog: route({
    method: 'get',
    path: '/api/log',
    tag: 'Field records',
    summary: 'What happened, newest first',
    query: z.object({
      before: z.coerce.number().int().min(1).optional().describe('entries older than this seq'),
      tree: z.string().min(1).max(100).optional().describe('id of a tree: only what was recorded of it'),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.object({ entries: z.array(LogEntry), more: z.boolean() }),
  }),
} as const satisfies Record<string, Route>;

type In<S> = S extends z.ZodType ? z.input<S> : undefined;
type Out<S> = S extends z.ZodType ? z.output<S> : undefined;
/** What a caller gives. */
export type RouteInput<R extends Route> = (R extends { params: infer P }
  ? { params: In<P> }
  : { params?: undefined }) &
  (R extends { query: infer Q } ? { query?: In<Q> } : { query?: undefined }) &
  (R extends { body: infer B } ? { body: In<B> } : { body?: undefined });
/** What a handler gets after parsing. */
export interface RouteParsed<R extends Route> {
  params: R extends { params: infer P } ? Out<P> : undefined;
  query: R extends { query: infer Q } ? Out<Q> : undefined;
  body: R extends { body: infer B } ? Out<B> : undefined;
}
export type RouteResponse<R extends Route> = z.output<R['response']>;
