// The Express app: borders first, then the table of routes, then the web app, then one error shape.

import { ColumnMapping, ImportChoices } from '@mortisect/contracts';
import { dilution, nextStep, supplies } from '@mortisect/core/blades';
import { causes } from '@mortisect/core/diagnosis';
import { clearance, seasonOn } from '@mortisect/core/disorders';
import { whoseCut } from '@mortisect/core/handling';
import { residual } from '@mortisect/core/residual';
import { starterMap } from '@mortisect/core/tree';
import { triage } from '@mortisect/core/triage';
import { type Say, unsaid } from '@mortisect/words';
import { english } from '@mortisect/words/all';
import { told } from '@mortisect/words/trade';
import compression from 'compression';
import { sql } from 'drizzle-orm';
import express, { type ErrorRequestHandler, type Express, type Request } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { v7 as newId } from 'uuid';
import { type Config, isSecure } from '../config';
import type { Metrics } from '../metrics';
import { type ComputeName, computeNames } from '../pool/computeNames';
import type { Asking, Pool } from '../pool/pool';
import { HttpProblem, tellProblemsIn } from '../refusal';
import { putAction } from '../services/actions';
import { exportArchive, importArchive } from '../services/archive';
import { calendarPath, endCalendar, makeCalendar, siteCalendar, treeCalendar } from '../services/calendar';
import type { Changes } from '../services/changes';
import type { Condition } from '../services/condition';
import type { CopyKeeper } from '../services/copies';
import { getDeletedTrees } from '../services/deletedTrees';
import { findDevice, getPeople, putDevice } from '../services/devices';
import { exportCsv, exportGeojson, fromQuery, importTrees } from '../services/exchange';
import { putFinding } from '../services/findings';
import { firstSync } from '../services/firstSync';
import { readLog } from '../services/history';
import { getJobs, putJob } from '../services/jobs';
import { getKeptPlans } from '../services/keptPlans';
import type { TreeLister } from '../services/listedTrees';
import { getOpenWork, getPlotTrees, getTree } from '../services/orchard';
import { getPhoto, putPhoto } from '../services/photos';
import { cutSheet, planCsv, planJson, plotCutSheet } from '../services/plans';
import { getRemovedPhotos } from '../services/removedPhotos';
import { getRound } from '../services/rounds';
import { putRow } from '../services/rows';
import { getAftercare, getRun } from '../services/runs';
import { seasonCalendar, seasonCsv, seasonProgram, weekSheet } from '../services/seasonFiles';
import { getSeasonPlan, getSeasonToday, seasonWhatIf } from '../services/seasonPlan';
import { endSession, getSessions } from '../services/sessions';
import { getSiteRecord, putSite } from '../services/site';
import { getTiming, getTreeSeason, getTreeTiming } from '../services/timing';
import { putLimbs, putTree } from '../services/trees';
import {
  deleteStation,
  getStations,
  getWeather,
  importWeather,
  pushHours,
  putStation,
  stationOf,
} from '../services/weather';
import type { WholeReads } from '../services/wholeReads';
import type { Db } from '../store/openDb';
import type { Access } from './access';
import { serializers } from './logging';
import { type Handlers, isLarge, mountRoutes } from './mount';
import { problemHandler } from './problem';
import { serveReference } from './reference';
import { type Field, serveTrust } from './trust';
import { appIn, serveWeb } from './web';

const MAPPING = { field: 'mapping', holds: unsaid('problem.fieldToColumn') };
const CHOICES = { field: 'choices', holds: unsaid('problem.startsKindsUnits') };

interface AppParts {
  db: Db;
  config: Config;
  access: Access;
  pool: Pool;
  changes: Changes;
  metrics?: Metrics;
  copies: CopyKeeper;
  lister: TreeLister;
  wholeReads: WholeReads;
  condition: Pick<Condition, 'noteFault'>;
  /** How phones on the local network come in; null where they do not. */
  field: (() => Field) | null;
  log: Logger;
  version: string;
  now: () => string;
}

export function makeApp(parts: AppParts): Express {
  const { access, config, log } = parts;
  tellProblemsIn(english);
  const app = express();
  app.disable('x-powered-by');
  // Nobody keeps an answer to compare it with: a digest of megabytes would be made for nothing
  app.disable('etag');
  if (parts.metrics) app.use(parts.metrics.watch);
  app.use(
    pinoHttp({
      logger: log,
      genReqId: () => newId(),
      serializers,
      customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: { directives: CONTENT_SECURITY },
      strictTransportSecurity: isSecure(config) && { maxAge: HSTS_SECONDS, includeSubDomains: false },
    }),
  );
  app.use(compression());
  access.install(app);
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  mountRoutes(app, handlers(parts), {
    guard: access.guard,
    compute: (route, given, request) => parts.pool.compute({ route, given }, asking(request)),
    findDevice: (said) => findDevice(parts.db, said),
    knowsStation: async (authorization) => void (await stationOf(parts.db, authorization)),
    onWritten: (device) => parts.changes.announce(device?.id ?? null),
  });
  serveReference(app, parts.version, access.guard);
  if (parts.field) serveTrust(app, parts.field);
  serveWeb(app, config.webFolder);
  app.use(noteFaults(parts.condition), problemHandler);
  return app;
}

const noteFaults =
  ({ noteFault }: Pick<Condition, 'noteFault'>): ErrorRequestHandler =>
  (error, _request, _response, next) => {
    noteFault(error);
    next(error);
  };

/** A month: whoever goes back to plain HTTP is not shut out for good. */
const HSTS_SECONDS = 30 * 24 * 3600;

const CONTENT_SECURITY = {
  defaultSrc: ["'self'"],
  // Tamagui and react-native-web write their rules into the page
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'data:', 'blob:'],
  upgradeInsecureRequests: null,
};

function handlers({
  db,
  config,
  access,
  pool,
  now,
  changes,
  copies,
  field,
  lister,
  wholeReads,
}: AppParts): Handlers {
  const off = Object.fromEntries(
    computeNames.map((route) => [
      route,
      ({ body, request }: { body: never; request: Request }) =>
        pool.compute({ route, given: { body } }, asking(request)),
    ]),
  ) as unknown as Pick<Handlers, ComputeName>;
  const season = () => ({ db, pool, lister, now: now() });
  return {
    ...off,
    health: () => ({
      ok: true,
      now: now(),
      demo: config.demo,
      app: appIn(config.webFolder),
      clockSet: config.now !== undefined,
    }),
    ready: async () => {
      await db.execute(sql`select 1`).catch(() => {
        throw new HttpProblem(503, 'not-ready', unsaid('problem.databaseSilent'));
      });
      return { ready: true };
    },
    reportFault: ({ body, request }) => {
      request.log.error({ page: body }, 'a page of the app failed');
      return { noted: true };
    },
    getSession: ({ request }) => ({ required: access.required, signedIn: access.signedIn(request) }),
    signIn: async ({ request, body }) => {
      await access.signIn(request, body.passphrase);
      return { required: access.required, signedIn: true };
    },
    signOut: async ({ request }) => {
      await access.signOut(request);
      return { required: access.required, signedIn: !access.required };
    },
    getSessions: ({ request }) => getSessions(db, now(), request.sessionID ?? ''),
    endSession: ({ params, request }) => endSession(db, params.sessionId, now(), request.sessionID ?? ''),
    putDevice: ({ params, body, request }) =>
      putDevice(db, { id: params.deviceId, name: body.name }, request.get('x-device-key')),
    getSite: () => getSiteRecord(db),
    putSite: ({ body, device }) => putSite(db, body.site, body.baseRevision, device, now()),
    getTrees: () => wholeReads.trees(),
    getTree: ({ params }) => getTree(db, params.treeId),
    getDeletedTrees: () => getDeletedTrees(db),
    getPlotTrees: ({ params }) => getPlotTrees(db, params.plotId),
    putTree: ({ params, body, device }) => putTree(db, { id: params.treeId, ...body, device, now: now() }),
    putRow: ({ params, body, device }) => putRow(db, { id: params.rowId, ...body, device, now: now() }),
    putLimbs: ({ params, body, device }) =>
      putLimbs(db, { treeId: params.treeId, ...body, device, now: now() }),
    getPeople: () => getPeople(db),
    getJobs: () => getJobs(db),
    putJob: ({ params, body, device }) => putJob(db, { id: params.jobId, ...body, device, now: now() }),
    getRound: () => getRound(db),
    getRun: () => getRun(db, now()),
    getAftercare: () => getAftercare(db, now()),
    putPhoto: ({ params, bytes }) => putPhoto(config.photoFolder, params.photoId, bytes),
    getPhoto: ({ params }) => getPhoto(config.photoFolder, params.photoId),
    getRemovedPhotos: () => getRemovedPhotos(db, config.photoFolder),
    getTreesCsv: ({ say }) => exportCsv(say, db),
    getTreesGeojson: () => exportGeojson(db),
    getArchive: () => exportArchive(db, config.photoFolder),
    importArchive: ({ request, say }) =>
      importArchive({ say, db, pool, photoFolder: config.photoFolder, body: request }),
    getField: () => {
      if (!field) return { field: null };
      const { authority: _authority, ...told } = field();
      return { field: told };
    },
    getFirstSync: async () => firstSync(config.webFolder, await wholeReads.orchardBytes()),
    getCopies: ({ say }) => copies.told(say),
    makeCopy: ({ say }) => copies.make(say),
    importTrees: ({ query: { format, take, mapping, choices }, bytes, device, request, say }) =>
      importTrees(db, pool, {
        say,
        bytes,
        format,
        take,
        mapping: fromQuery(mapping, MAPPING, ColumnMapping.parse),
        choices: fromQuery(choices, CHOICES, ImportChoices.parse),
        device,
        now: now(),
        signal: whileWaited(request),
      }),
    getOpenWork: ({ query: { since } }) =>
      since === undefined ? wholeReads.openWork() : getOpenWork(db, Number(now().slice(0, 4)), since),
    getSeasonPlan: ({ query: { atOnce }, request }) =>
      getSeasonPlan(season(), { atOnce: atOnce === 'yes', signal: whileWaited(request) }),
    getSeasonToday: () => getSeasonToday(season()),
    getSeasonWhatIf: ({ query: { crew, slot }, request }) =>
      seasonWhatIf(season(), { crewId: crew, slotId: slot ?? null }, whileWaited(request)),
    getSeasonCsv: ({ say }) => seasonCsv(say, season()),
    getSeasonCalendar: ({ query, say }) => seasonCalendar(say, season(), query.crew ?? null),
    getWeekSheet: ({ query, request, say }) =>
      weekSheet(say, season(), {
        ...{ ...query, now: now(), locale: say.locale },
        signal: whileWaited(request),
      }),
    getSeasonProgram: () => seasonProgram(season()),
    getListedTrees: async ({ query: { units, since } }) => lister.answer(units, since),
    getChanges: ({ query }) => ({ fileName: '', content: changes.listen(query.device ?? null) }),
    putFinding: ({ params, body, device }) =>
      putFinding(db, { id: params.findingId, ...body, device, now: now() }),
    putAction: ({ params, body, device }) =>
      putAction(db, { id: params.actionId, action: body, device, now: now() }),
    getLog: ({ query }) => readLog(db, query),
    computeCautions: ({ body }) => ({ cautions: whoseCut(body).cautions }),
    computeNextStep: ({ body }) => nextStep(body.left, body.events, body.season, body.school),
    computeClearance: ({ body }) => clearance(body),
    computeCalendarSeason: ({ body }) => ({ season: seasonOn(body.day, body.latitude) }),
    computeCauses: ({ body, say }) => {
      const found = causes(body);
      const told = found.groups.map((group) => inWords(say, group, ['name', 'treatment']));
      return { ...found, groups: told };
    },
    computeDilution: ({ body, say }) => inWords(say, dilution(body), ['note']),
    computeSupplies: ({ body }) => supplies(body),
    computeResidual: ({ body }) => residual(body),
    getTiming: () => getTiming(db, pool, now()),
    getTreeTiming: ({ params, query, request }) =>
      getTreeTiming(db, pool, { ...params, ...query, now: now(), signal: whileWaited(request) }),
    getTreeSeason: ({ params, query, request }) =>
      getTreeSeason(db, pool, { ...params, ...query, now: now(), signal: whileWaited(request) }),
    getWeather: ({ query }) => getWeather(db, pool, query.days, now()),
    importWeather: ({ query: { mapping, ...query }, bytes, device, request, say }) =>
      importWeather(db, pool, {
        say,
        ...query,
        zone: query.zone,
        repair: query.repair,
        bytes,
        mapping: fromQuery(mapping, MAPPING, ColumnMapping.parse),
        device,
        now: now(),
        signal: whileWaited(request),
      }),
    getStations: () => getStations(db),
    putStation: ({ params, body }) => putStation(db, params.stationId, body.name, now()),
    deleteStation: ({ params }) => deleteStation(db, params.stationId),
    pushWeather: ({ body, request }) => pushHours(db, request.get('authorization'), body, now()),
    makeCalendar: () => makeCalendar(db),
    endCalendar: () => endCalendar(db),
    getCalendarPath: () => calendarPath(db),
    getCalendar: ({ params, say }) => siteCalendar(say, db, pool, { token: params.token, now: now() }),
    getTreeCalendar: ({ params, say }) => treeCalendar(say, db, pool, { treeId: params.treeId, now: now() }),
    getKeptPlans: ({ query: { since, tree } }) =>
      since === undefined && tree === undefined ? wholeReads.keptPlans() : getKeptPlans(db, since, tree),
    getPlan: ({ params }) => planJson(db, pool, params.treeId, now()),
    getPlanCsv: ({ params, say }) => planCsv(say, db, pool, { treeId: params.treeId, now: now() }),
    getCutSheet: ({ params, query, request, say: { locale } }) =>
      cutSheet(db, pool, {
        treeId: params.treeId,
        now: now(),
        signal: whileWaited(request),
        locale,
        ...query,
      }),
    getPlotCutSheet: ({ params, query, request, say: { locale } }) =>
      plotCutSheet(db, pool, {
        plotId: params.plotId,
        now: now(),
        signal: whileWaited(request),
        locale,
        ...query,
      }),
    computeTriage: ({ body }) => triage(body),
    computeStarterMap: ({ body }) => ({ limbs: starterMap(body) }),
  };
}

/** With texts of the tables in words. */
function inWords<T extends object>(say: Say, of: T, texts: readonly (keyof T)[]): T {
  return { ...of, ...Object.fromEntries(texts.map((text) => [text, told(say, String(of[text]))])) };
}

/** Who asks: a session, else a device, else an address. */
const asking = (request: Request): Asking => ({
  by: request.session?.signedIn ? request.sessionID : (request.get('x-device-id') ?? request.ip ?? ''),
  isLarge: isLarge(request),
  signal: whileWaited(request),
});

/** Aborted when the client hangs up before the answer. */
function whileWaited(request: Request): AbortSignal {
  const controller = new AbortController();
  request.res?.once('close', () => {
    if (!request.res?.writableEnded) controller.abort();
  });
  return controller.signal;
}
