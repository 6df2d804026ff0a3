// What a tree asks for today: the recorded facts put through the core.

import {
  type Cut,
  type Decision,
  type FindingForCut,
  type Telling,
  type TreeCuts,
  treeCuts,
} from '../cuts/index';
import { type Season, seasonOn } from '../disorders/index';
import type { WorkPace } from '../handling/index';
import { type Units, unitsOf } from '../measure/index';
import type { Action, Finding, Site, TreeDetail, TreeSummary } from '../records/index';
import { type Judgement, judgeCut } from '../residual/index';
import { type Limb, limbNames } from '../tree/index';
import { withStates } from './findingState';
import { type Considered, forCut, grownLimbs, standingFindings, standingLimbs } from './standing';

/** The site as this device goes by it today. */
export interface SiteToday {
  site: Site;
  units: Units;
  /** Local date, YYYY-MM-DD. */
  day: string;
  season: Season;
  /** How long cuts really take here, as the server last measured it. */
  paces: readonly WorkPace[];
}

export interface TreeView {
  /** As it came from the records. */
  detail: TreeDetail;
  tree: TreeSummary;
  /** As it stands, after the cuts that were made. */
  limbs: Limb[];
  names: Map<string, string>;
  /** Open findings on wood that still stands. */
  findings: Finding[];
  /** All findings, closed and withdrawn too. */
  history: Finding[];
  actions: Action[];
  /** What the cuts below answer: the open findings, and the one that is being marked. */
  considered: Considered[];
  cuts: TreeCuts;
}

/** @param units of the device; those of the site where null, metric where it leaves them to the language */
export function siteToday(
  site: Site,
  units: Units | null,
  day: string,
  paces: readonly WorkPace[] = [],
): SiteToday {
  return {
    site,
    units: units ?? unitsOf(site.units, 'metric'),
    day,
    season: seasonOn(day, site.latitude, site.season),
    paces,
  };
}

export function treeView(detail: TreeDetail, today: SiteToday, drafts: readonly Considered[] = []): TreeView {
  const limbs = standingLimbs(detail);
  const drafted = new Set(drafts.map((draft) => draft.id));
  const findings = standingFindings(detail, limbs);
  const considered = [
    ...findings
      .filter((finding) => !drafted.has(finding.id))
      .map((finding) => forCut(finding, detail.actions)),
    ...drafts,
  ];
  return {
    detail,
    tree: detail.tree,
    limbs,
    names: limbNames(grownLimbs(detail), today.site.twelveBearingDeg, today.units),
    findings,
    history: detail.findings,
    actions: detail.actions,
    considered,
    cuts: cutsFor(detail.tree, limbs, considered, today),
  };
}

/** The cuts by the site's schools, or with the school of one disorder changed. */
export function cutsFor(
  tree: TreeSummary,
  limbs: Limb[],
  findings: readonly FindingForCut[],
  { site, season, day }: SiteToday,
  schoolOf: Record<string, string> = {},
): TreeCuts {
  const schools = { ...site.schools, clearance: { ...site.schools.clearance, ...schoolOf } };
  const { plantedYear, susceptible } = tree;
  return treeCuts(
    { limbs, plantedYear, susceptible },
    findings.map(({ kind: _kind, ...finding }: Considered) => finding),
    schools,
    season,
    yearOf(day),
  );
}

/** What sentences about this tree's cuts are told with. */
export function telling(view: TreeView, { units, site }: SiteToday): Telling {
  return { limbs: view.limbs, names: view.names, units, twelveBearingDeg: site.twelveBearingDeg };
}

/** Cuts that are made: a cut on wood that another takes is not. */
export function standingCuts(view: TreeView): Cut[] {
  return view.cuts.cuts.filter((cut) => cut.swallowedBy === null);
}

/** What the caretaker decided about a finding, newest word first. */
export function decisionOn(
  view: TreeView,
  findingId: string,
): Extract<Action['action'], { kind: 'decided' }> | null {
  const lastDecision = view.actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'decided' && action.findingIds.includes(findingId),
  );
  return lastDecision?.action.kind === 'decided' ? lastDecision.action : null;
}

export function openDecisions(view: TreeView): Decision[] {
  return view.cuts.decisions.filter((decision) => decisionOn(view, decision.lesionId) === null);
}

/** What is said of a cut on this tree, planned, made or only thought of: as the plan judges it. */
export function judgedAt(
  view: Pick<TreeView, 'tree' | 'limbs' | 'considered' | 'cuts'>,
  cut: { limbId: string; atCm: number; upToCm?: number | undefined; kind?: string },
  { site, season, day }: SiteToday,
): Judgement {
  return judgeCut(cut, {
    tree: { ...view.tree, limbs: view.limbs },
    findings: view.considered,
    clearances: view.cuts.clearances,
    settings: site.plan,
    season,
    year: yearOf(day),
  });
}

/**
 * A cut on record, judged on the tree as it stood before it.
 *
 * @returns null where it is not on record, or its limb is not on the map
 */
export function judgedAsMade(detail: TreeDetail, cutId: string, today: SiteToday): Judgement | null {
  const action = detail.actions.find(({ id }) => id === cutId)?.action;
  if (action?.kind !== 'cutMade') return null;
  const madeAt = Date.parse(action.at);
  const actions = detail.actions.map((action) =>
    Date.parse(action.action.at) >= madeAt ? { ...action, undone: true } : action,
  );
  const knownByThen = detail.findings.filter(({ seenAt }) => Date.parse(seenAt) <= madeAt);
  const view = treeView({ ...detail, actions, findings: withStates(knownByThen, actions) }, today);
  if (!view.limbs.some((limb) => limb.id === action.cut.limbId)) return null;
  return judgedAt(view, action.cut, today);
}

function yearOf(day: string): number {
  return Number(day.slice(0, 4));
}
