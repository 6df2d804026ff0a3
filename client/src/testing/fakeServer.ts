// A server for tests of screens: it answers the table of routes from an orchard in memory, and checks what comes in and what goes out by it.

import {
  appRoutes,
  type Problem,
  type Route,
  type RouteResponse,
  type StationState,
  type TimingNow,
} from '@mortisect/contracts';
import {
  kitKinds,
  roundKinds,
  runKinds,
  siteToday,
  treeGroups,
  treesOfGroups,
  treeView,
  withStates,
} from '@mortisect/core/present';
import {
  type Action,
  ActionBody,
  type Finding,
  FindingBody,
  type Job,
  JobBody,
  type Site,
  type SiteRecord,
  TreeBody,
  type TreeDetail,
} from '@mortisect/core/records';
import { listedTreeOf } from '@mortisect/core/run';
import { asksForShape } from '@mortisect/core/shaping';
import { cropOf } from '@mortisect/core/stage';
import { groupWithCurves, seasonOf, siteTiming } from '@mortisect/core/timing';
import {
  climateAt,
  hourOf,
  localClock,
  over,
  simulatedForecast,
  simulatedWeather,
} from '@mortisect/core/weather';
import { NOW, site as startingSite } from './orchard';

type RouteName = keyof typeof appRoutes;
type Answered<K extends RouteName> = RouteResponse<(typeof appRoutes)[K]>;

interface Asked {
  name: RouteName;
  params: Record<string, string>;
  query: URLSearchParams;
  body: unknown;
}

/** Refused with a problem as the server words it. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

export const refused = (status: number, detail: string, more: Partial<Problem> = {}) =>
  new Refused({ type: 'refused', title: 'Refused', status, detail, instance: '', ...more });

const STAMP = { by: 'Wall crew', receivedAt: NOW };
const FORECAST_H = 14 * 24;
const RECORD_DAYS = 400;

export class FakeServer {
  site: SiteRecord = { site: startingSite, paces: [], revision: 1, ...STAMP };
  readonly details = new Map<string, TreeDetail>();
  actions: Action[] = [];
  jobs: Job[] = [];
  stations: Answered<'getStations'>['stations'] = [];
  field: Answered<'getField'>['field'] = null;
  sessions: Answered<'getSessions'>['sessions'] = [];
  removedPhotos: Answered<'getRemovedPhotos'> = { photos: [], keptDays: 30 };
  copies: Answered<'getCopies'> = {
    folder: '/srv/orchard-copies',
    kept: [],
    isOld: false,
    failed: null,
    database: { damage: null, isReadOnly: false },
  };
  /** Every request that came in, oldest first. */
  readonly asked: Asked[] = [];
  /** Nothing answers while it is down. */
  down = false;
  /** What a route answers instead, or throws; it answers as always where that is nothing. */
  readonly instead = new Map<RouteName, (asked: Asked) => unknown>();

  constructor(details: readonly TreeDetail[] = [], actions: readonly Action[] = []) {
    for (const detail of details) this.details.set(detail.tree.id, detail);
    this.actions = [...actions];
  }

  private deletedTrees(): Answered<'getDeletedTrees'>['trees'] {
    return [...this.details.values()].flatMap(({ tree: { id: treeId, code, plot, row, deleted } }) =>
      deleted ? [{ treeId, code, plot, row, daysLeft: 30 }] : [],
    );
  }

  private stillRemoved(): Answered<'getRemovedPhotos'> {
    const shown = [...this.details.values()].flatMap(({ findings }) =>
      findings.flatMap(({ photoIds }) => photoIds),
    );
    const photos = this.removedPhotos.photos.filter(({ photoId }) => !shown.includes(photoId));
    return { ...this.removedPhotos, photos };
  }

  /** Takes the place of the network. */
  install(): this {
    globalThis.fetch = ((url: string, given?: RequestInit) => this.fetch(url, given)) as typeof fetch;
    return this;
  }

  /** Bodies that a route was asked with. */
  bodies<T = unknown>(name: RouteName): T[] {
    return this.asked.flatMap((request) => (request.name === name ? [request.body as T] : []));
  }

  private async fetch(url: string, given: RequestInit = {}): Promise<Response> {
    if (this.down) throw new TypeError('Failed to fetch');
    const { pathname, searchParams } = new URL(url, 'http://orchard.test');
    const found = nameOf(given.method ?? 'GET', pathname);
    if (!found) return reply(404, problemOf(404, `No route ${pathname}.`));
    const body = typeof given.body === 'string' ? JSON.parse(given.body) : undefined;
    const asked: Asked = { ...found, query: searchParams, body };
    this.asked.push(asked);
    const route: Route = appRoutes[found.name];
    try {
      const parsed = route.body ? route.body.safeParse(body) : null;
      if (parsed && !parsed.success)
        throw refused(
          400,
          parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join(' '),
        );
      const other = this.instead.get(found.name);
      const answer = (await other?.(asked)) ?? (await this.answer(asked));
      return reply(200, route.response.parse(answer));
    } catch (error) {
      if (error instanceof Refused) return reply(error.problem.status, error.problem);
      throw error;
    }
  }

  private get trees() {
    return [...this.details.values()].map((detail) => detail.tree).filter((tree) => !tree.deleted);
  }

  private answer({ name, params, query, body }: Asked): unknown {
    const id = Object.values(params)[0] ?? '';
    switch (name) {
      case 'health':
        return { ok: true, now: NOW, demo: false, app: null, clockSet: true };
      case 'getSession':
        return { required: false, signedIn: true };
      case 'putDevice':
        return { id, name: (body as { name: string }).name };
      case 'getField':
        return { field: this.field };
      case 'getSessions':
        return { sessions: this.sessions };
      case 'getFirstSync':
        return { appBytes: 4_404_019, orchardBytes: 51_200 };
      case 'getDeletedTrees':
        return { trees: this.deletedTrees(), keptDays: 30 };
      case 'getRemovedPhotos':
        return this.stillRemoved();
      case 'getCopies':
        return this.copies;
      case 'getSite':
        return this.site;
      case 'putSite':
        return this.putSite(body as { site: Site; baseRevision: number });
      case 'getTrees':
        return {
          plots: [{ id: 'p', name: 'Plot', note: 'By the gate.' }],
          rows: [{ id: 'r', plotId: 'p', name: 'Row', spacingCm: 400, revision: 1 }],
          trees: this.trees,
        };
      case 'getTree':
        return this.tree(id);
      case 'getPlotTrees':
        return { trees: [...this.details.values()] };
      case 'putTree':
        return this.putTree(id, body as { tree: unknown; baseRevision: number | null });
      case 'putLimbs':
        return this.putLimbs(id, body as Pick<TreeDetail, 'limbs' | 'surveyedAt'> & { baseRevision: number });
      case 'getPeople':
        return { people: ['Boat crew', 'Wall crew'] };
      case 'getJobs':
        return { jobs: this.jobs };
      case 'getSeasonToday':
        return { day: NOW.slice(0, 10), madeAt: null, isAnew: false, halfDays: [] };
      case 'putJob':
        return this.putJob(id, body as { job: unknown });
      case 'getRound':
        return { actions: this.of(roundKinds) };
      case 'getRun':
        return { actions: this.of([...runKinds, ...kitKinds]) };
      case 'getAftercare':
        return { actions: this.actions, disorders: {} };
      case 'getOpenWork':
        return {
          revision: 'fake:1',
          whole: true,
          trees: this.open(),
          gone: [],
          latestActions: this.actions.slice(-5).toReversed(),
        };
      case 'getListedTrees': {
        // It plans nothing ahead: whoever lists its trees plans them
        const today = siteToday(this.site.site, null, NOW.slice(0, 10));
        return {
          ...{ revision: 'fake:1', whole: true, day: today.day, siteRevision: this.site.revision, gone: [] },
          trees: this.open().map((detail) => listedTreeOf(treeView(detail, today), null, today, false)),
          latestActions: this.actions.slice(-5).toReversed(),
        };
      }
      case 'getKeptPlans':
        return { revision: 'fake:0', whole: true, plans: [] };
      case 'putFinding':
        return this.putFinding(id, body as { finding: unknown; baseRevision: number | null });
      case 'putAction':
        return this.putAction(id, ActionBody.parse(body));
      case 'putPhoto':
        return { id, bytes: 1000, widthPx: 40, heightPx: 30 };
      case 'getLog':
        return this.getLog(query);
      case 'getTiming':
        return this.getTiming();
      case 'getTreeTiming':
        return this.getTreeTiming(id, query);
      case 'getTreeSeason':
        return this.getTreeSeason(id, query);
      case 'getStations':
        return { stations: this.stations };
      case 'getWeather': {
        const { known, nowHour } = this.weather();
        const observed = { ...known, ...cut(known, nowHour - known.fromHour) };
        return { station: this.station(), observed, forecast: null };
      }
      case 'getCalendarPath':
        return { path: null };
      case 'reportFault':
        return { noted: true };
      default:
        throw refused(404, `The fake server does not answer ${name}.`);
    }
  }

  private of(kinds: readonly string[]): Action[] {
    return this.actions.filter(({ action }) => kinds.includes(action.kind) || action.kind === 'undone');
  }

  private open(): TreeDetail[] {
    return [...this.details.values()].filter(
      ({ findings, tree }) => findings.some(({ state }) => state === 'open') || asksForShape(tree, 2026),
    );
  }

  private tree(id: string): TreeDetail {
    const detail = this.details.get(id);
    if (!detail) throw refused(404, 'The tree is not there.', { type: 'not-there' });
    return detail;
  }

  private putSite({ site, baseRevision }: { site: Site; baseRevision: number }): SiteRecord {
    if (baseRevision !== this.site.revision)
      throw refused(409, 'Changed meanwhile.', { yours: site, theirs: this.site });
    this.site = { ...this.site, site, revision: baseRevision + 1, ...STAMP };
    return this.site;
  }

  private putTree(id: string, { tree }: { tree: unknown }) {
    const before = this.details.get(id);
    const summary = {
      id,
      plotId: 'p',
      rowId: 'r',
      ...TreeBody.parse(tree),
      revision: (before?.tree.revision ?? 0) + 1,
      ...STAMP,
      openFindings: 0,
      lastSeenAt: null,
    };
    const stem = { ...STEM, lengthCm: Math.max(20, summary.heightCm) };
    const none = { limbs: [stem], limbsRevision: 1, surveyedAt: NOW, findings: [], actions: [], jobs: [] };
    this.details.set(id, { ...(before ?? none), tree: summary });
    return summary;
  }

  private putLimbs(id: string, { limbs, surveyedAt }: Pick<TreeDetail, 'limbs' | 'surveyedAt'>): TreeDetail {
    const before = this.tree(id);
    const after = { ...before, limbs, surveyedAt, limbsRevision: before.limbsRevision + 1 };
    this.details.set(id, after);
    return after;
  }

  private putJob(id: string, { job }: { job: unknown }): Job {
    const before = this.jobs.find((job) => job.id === id);
    const kept: Job = { id, ...JobBody.parse(job), revision: (before?.revision ?? 0) + 1, ...STAMP };
    this.jobs = [...this.jobs.filter((job) => job.id !== id), kept];
    return kept;
  }

  private putFinding(id: string, given: { finding: unknown; baseRevision: number | null }): Finding {
    const body = FindingBody.parse(given.finding);
    const detail = this.tree(body.treeId);
    const before = detail.findings.find((finding) => finding.id === id);
    if ((before?.revision ?? null) !== given.baseRevision)
      throw refused(409, 'Changed meanwhile.', { yours: body, theirs: before });
    const state = body.withdrawn ? ('withdrawn' as const) : ('open' as const);
    const kept: Finding = { id, ...body, state, revision: (before?.revision ?? 0) + 1, ...STAMP };
    const findings = [...detail.findings.filter((finding) => finding.id !== id), kept];
    this.details.set(body.treeId, { ...detail, findings });
    return kept;
  }

  private putAction(id: string, action: ActionBody): Action {
    const kept: Action = { id, action, undone: false, ...STAMP };
    if ('treeId' in action) this.tree(action.treeId);
    const undoneId = action.kind === 'undone' ? action.actionId : null;
    const undo = (actions: readonly Action[]) =>
      actions.map((action) => (action.id === undoneId ? { ...action, undone: true } : action));
    this.actions = undo([...this.actions, kept]);
    for (const [treeId, detail] of this.details) {
      const ofTree = 'treeId' in action && action.treeId === treeId ? [kept] : [];
      const actions = undo([...detail.actions, ...ofTree]);
      this.details.set(treeId, { ...detail, actions, findings: withStates(detail.findings, actions) });
    }
    return kept;
  }

  private getLog(query: URLSearchParams): Answered<'getLog'> {
    const limit = Number(query.get('limit') ?? 50);
    const [before, tree] = [Number(query.get('before') ?? Number.POSITIVE_INFINITY), query.get('tree')];
    const entries = this.actions
      .map((action, i) => ({
        seq: i + 1,
        at: action.action.at,
        by: action.by,
        treeId: 'treeId' in action.action ? action.action.treeId : null,
        treeCode:
          'treeId' in action.action ? (this.details.get(action.action.treeId)?.tree.code ?? null) : null,
        entry: { kind: 'action' as const, recordId: action.id, action: action.action, undone: action.undone },
      }))
      .filter(({ seq, treeId }) => seq < before && (tree === null || treeId === tree))
      .toReversed();
    return { entries: entries.slice(0, limit), more: entries.length > limit };
  }

  private station(): StationState {
    return {
      source: 'simulated',
      simulated: true,
      name: 'Simulated station',
      observedTo: NOW,
      forecastTo: NOW,
      missingHours: 0,
      pastYears: 1,
      pastYearsSimulated: true,
    };
  }

  private weather() {
    const { latitude, longitude } = this.site.site;
    return reckonedOnce(`weather at ${latitude} ${longitude}`, () => {
      const place = { latitude, longitude, climate: climateAt(latitude), spells: [], seed: 1 };
      const nowHour = hourOf(NOW);
      const fromHour = nowHour - RECORD_DAYS * 24;
      const years = simulatedWeather(place, fromHour, RECORD_DAYS * 24);
      return { nowHour, years, known: over(years, simulatedForecast(place, nowHour, FORECAST_H)) };
    });
  }

  private timingFacts() {
    const { site } = this.site;
    const findings = this.open().flatMap((tree) => tree.findings);
    const standing = this.actions.filter(({ undone }) => !undone);
    const facts = { site, trees: this.trees, findings, seen: standing.map(({ action }) => action) };
    const { latitude, longitude, timeZone } = site;
    const place = { latitude, longitude, timeZone };
    const rest = { settings: site.timing, groundSaid: null, seed: 20, draws: 12 };
    return { said: standing, ...treeGroups(facts, NOW), place, rest };
  }

  private groupOf(treeId: string, query: URLSearchParams) {
    const { groups, keyOf, place, rest } = this.timingFacts();
    const group = groups.find((group) => group.key === keyOf.get(treeId));
    if (!group) throw refused(404, 'The tree is not there.', { type: 'not-there' });
    const cut = { mm: Number(query.get('mm')), crownShare: Number(query.get('crownShare')) };
    return { group: { ...group, cut }, place, rest };
  }

  private getTreeTiming(treeId: string, query: URLSearchParams): Answered<'getTreeTiming'> {
    const { group, place, rest } = this.groupOf(treeId, query);
    const { known, years } = this.weather();
    const at = query.get('at');
    const input = { known, years, now: NOW, place, groups: [group], ...rest };
    const curves = reckonedOnce(`curves ${JSON.stringify([group, place, rest, at])}`, () =>
      groupWithCurves(input, group, at === null ? null : hourOf(at)),
    );
    return { now: NOW, station: this.station(), ...curves } as Answered<'getTreeTiming'>;
  }

  private getTreeSeason(treeId: string, query: URLSearchParams): Answered<'getTreeSeason'> {
    const { group, place, rest } = this.groupOf(treeId, query);
    const crop = cropOf(group.species);
    if (!crop) throw refused(422, 'A tree that keeps its leaves has no rest.', { type: 'keeps-its-leaves' });
    const { loads, cut, offsetDays } = group;
    const input = { years: this.weather().years, crop, loads, settings: rest.settings, cut, offsetDays };
    return { ...seasonOf(input, { ...place, clock: localClock(place.timeZone) }), yearsSimulated: true };
  }

  /** By the core, on a year of simulated weather. */
  private getTiming(): TimingNow {
    const { said, groups, keyOf, place, rest } = this.timingFacts();
    const siteAnswer = reckonedOnce(`timing ${JSON.stringify([groups, place, rest])}`, () => {
      const { known, years } = this.weather();
      return siteTiming({ known, years, now: NOW, place, groups, ...rest });
    });
    return {
      now: NOW,
      station: this.station(),
      timing: siteAnswer,
      stages: [...new Map((siteAnswer?.groups ?? []).map((group) => [group.species, group])).values()].map(
        (group) => ({
          species: group.species,
          stage: group.stage,
          bloom: group.bloom,
        }),
      ),
      treesOf: treesOfGroups(keyOf),
      seen: said.flatMap(({ id, action, by }) =>
        action.kind === 'stageSeen' ? [{ actionId: id, ...action, day: action.at.slice(0, 10), by }] : [],
      ),
      protectants: [],
    } as TimingNow;
  }
}

const reckoned = new Map<string, unknown>();

/** What costs a second is reckoned once for all servers of a file of tests. */
function reckonedOnce<T>(key: string, reckon: () => T): T {
  if (!reckoned.has(key)) reckoned.set(key, reckon());
  return reckoned.get(key) as T;
}

const STEM: TreeDetail['limbs'][number] = {
  id: 'T',
  parentId: null,
  jointCm: 0,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 10,
  ageYears: 5,
  kind: 'trunk',
  bearingDeg: 0,
  inclinationDeg: 90,
};

function cut<S extends { temperatureC: unknown[] }>(series: S, hours: number): S {
  const columns = Object.entries(series).map(([name, column]) => [
    name,
    Array.isArray(column) ? column.slice(0, hours) : column,
  ]);
  return Object.fromEntries(columns) as S;
}

const patterns = Object.entries(appRoutes).map(([name, route]) => ({
  name: name as RouteName,
  method: route.method.toUpperCase(),
  keys: [...route.path.matchAll(/:(\w+)/g)].map((match) => match[1] as string),
  pattern: new RegExp(`^${route.path.replace(/:\w+/g, '([^/]+)').replaceAll('.', '\\.')}$`),
}));

function nameOf(method: string, path: string): Pick<Asked, 'name' | 'params'> | null {
  for (const { name, method: own, keys, pattern } of patterns) {
    const match = own === method.toUpperCase() ? pattern.exec(path) : null;
    if (!match) continue;
    const params = Object.fromEntries(keys.map((key, i) => [key, decodeURIComponent(match[i + 1] ?? '')]));
    return { name, params };
  }
  return null;
}

const problemOf = (status: number, detail: string): Problem => refused(status, detail).problem;

function reply(status: number, body: unknown): Response {
  // Through JSON, as over the wire
  const text = JSON.stringify(body);
  return {
    ...{ ok: status < 400, status, json: async () => JSON.parse(text) },
    arrayBuffer: async () => new TextEncoder().encode(text).buffer,
  } as Response;
}
