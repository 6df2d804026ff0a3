// A small orchard for tests: a site, a tree with a stem and two limbs, what was found and done on it.
import { type ListedPlan, listedOf, planning, type Solved, visitOrders } from '../plan/index';
import { planInputOf, type SiteToday, siteToday, type TreeView } from '../present/index';
import {
  type Action,
  type ActionBody,
  defaultSchools,
  Finding,
  Site,
  type TreeDetail,
  TreeSummary,
} from '../records/index';
import { type ListedTree, listedTreeOf } from '../run/index';
import type { Limb } from '../tree/index';

export const site: Site = Site.parse({
  name: 'Test orchard',
  latitude: 54,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
});
export const today = siteToday(site, null, '2026-11-24');

export const limb = (id: string, parentId: string | null, jointCm: number, bearingDeg: number): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm: 180,
  baseMm: parentId === null ? 90 : 40,
  tipMm: 8,
  ageYears: 9,
  kind: parentId === null ? 'trunk' : 'scaffold',
  bearingDeg,
  inclinationDeg: parentId === null ? 90 : 30,
  budsComplete: true,
});

const ID = '0193f000-0000-7000-8000-000000000002';

/** A stem with a limb to the east and one to the west. */
export const limbs = [limb('T', null, 0, 0), limb('S', 'T', 60, 90), limb('R', 'T', 80, 270)];

export const finding = (
  name: string,
  limbId: string,
  disorder: string,
  more: Partial<Finding> = {},
): Finding => ({
  ...Finding.parse({
    id: ID,
    treeId: 'a',
    limbId,
    limbName: limbId,
    fromCm: 100,
    toCm: 120,
    disorder,
    edge: 'definite',
    growthRapid: false,
    note: '',
    seenAt: '2026-11-20T09:00:00Z',
    withdrawn: false,
    state: 'open',
    revision: 1,
    by: 'Wall crew',
    receivedAt: '2026-11-20T09:00:00Z',
    ...more,
  }),
  id: name,
});

export const detail = (
  findings: Finding[],
  more: Partial<TreeDetail['tree']> = {},
  actions: Action[] = [],
): TreeDetail => ({
  tree: TreeSummary.parse({
    id: 'a',
    code: 'Tree A',
    plotId: 'p',
    rowId: 'r',
    plot: 'Plot',
    row: 'Row',
    place: 1,
    species: 'apple',
    plantedYear: 2000,
    form: 'open centre',
    heightCm: 250,
    spreadCm: 300,
    revision: 1,
    by: 'Wall crew',
    receivedAt: '2026-11-01T09:00:00Z',
    openFindings: findings.length,
    lastSeenAt: null,
    ...more,
  }),
  limbs,
  limbsRevision: 1,
  surveyedAt: '2020-01-01T00:00:00Z',
  findings,
  actions,
  jobs: [],
});

export const did = (action: ActionBody, undone = false): Action => ({
  id: '0193f000-0000-7000-8000-000000000001',
  action,
  undone,
  by: 'Wall crew',
  receivedAt: action.at,
});

/** Plans of trees, searched where they are: there is no worker. */
export function plansOf(views: readonly TreeView[], { site: ofSite, day }: SiteToday): Map<string, Solved> {
  return new Map(
    views.map((view) => {
      const { prepared, step } = planning(planInputOf(view.detail, ofSite, day));
      const plan = step(20_000);
      return [view.tree.id, { prepared, plan, orders: visitOrders(prepared, plan) }];
    }),
  );
}

/** The same as lists take them. */
export function listedPlansOf(views: readonly TreeView[], on: SiteToday): Map<string, ListedPlan> {
  return new Map([...plansOf(views, on)].map(([id, solved]) => [id, listedOf(solved)]));
}

/** These trees as lists take them, by plans that are searched for them; none is planned where no plan is given for it. */
export function listedTreesOf(
  views: readonly TreeView[],
  on: SiteToday,
  plans: ReadonlyMap<string, ListedPlan> = listedPlansOf(views, on),
): ListedTree[] {
  return views.map((view) => listedTreeOf(view, plans.get(view.tree.id) ?? null, on, true));
}
