// Which trees share one answer about the day: species and cultivar, what was seen of their stage, and what is catching nearby.

import { DAY_MS } from '../measure/index';
import type { Action, Finding, Site, TreeSummary } from '../records/index';
import { cultivarNamed, speciesOf } from '../register/index';
import type { SeenStage } from '../stage/index';
import { type LaneId, type Pathogen, pathogens, type TreeGroup } from '../timing/index';
import { hourOf, localClock } from '../weather/index';
import { USUAL_CUT } from './usualCut';

/** Weight of inoculum: on the tree itself, on the site or known to be about, not known nearby. From memory, confidence low. */
const NEARBY = { onTree: 2, onSite: 1, unknown: 0.3, absent: 0 } as const;

/** Days of the past on which a stage can have been seen that still tells something. */
const SEEN_DAYS = 330;

/** What of a tree tells its group. */
export type TreeOfGroup = Pick<TreeSummary, 'id' | 'species' | 'cultivar' | 'status'>;

export interface SiteFacts {
  site: Site;
  trees: readonly TreeOfGroup[];
  /** Open findings of the whole site. Those of a tree that is not among the trees do not count. */
  findings: readonly Pick<Finding, 'treeId' | 'disorder'>[];
  /** Stages seen, not undone, oldest first. */
  seen: readonly Action['action'][];
}

/** Kind of wood by whose rule a species is cut. */
function laneOf(species: string): Exclude<LaneId, 'dead'> {
  if (['peach', 'nectarine', 'apricot', 'almond'].includes(species)) return 'peach';
  const fruit = speciesOf(species)?.fruit;
  return fruit === 'pome' ? 'pome' : fruit === 'stone' ? 'plum' : 'other';
}

/**
 * Groups of trees that one answer holds for, and which trees are in each.
 *
 * @param now ISO moment, for stages that were seen
 */
export function treeGroups(
  facts: SiteFacts,
  now: string,
): { groups: TreeGroup[]; keyOf: Map<string, string> } {
  const ids = new Set(facts.trees.map(({ id }) => id));
  const onTree = new Map<string, Set<string>>();
  const onSite = new Set<string>();
  for (const { treeId, disorder } of facts.findings) {
    if (!ids.has(treeId)) continue;
    const openHere = onTree.get(treeId) ?? new Set();
    onTree.set(treeId, openHere.add(disorder));
    onSite.add(disorder);
  }
  const groups = new Map<string, TreeGroup>();
  const keyOf = new Map<string, string>();
  const alike = new Map<string, TreeGroup>();
  for (const tree of facts.trees) {
    if (tree.status === 'removed') continue;
    const disorders = onTree.get(tree.id) ?? NONE;
    const like = [tree.species, tree.cultivar, ...[...disorders].sort()].join(' | ');
    const group = alike.get(like) ?? groupOf(tree, facts, disorders, onSite, now);
    alike.set(like, group);
    groups.set(group.key, group);
    keyOf.set(tree.id, group.key);
  }
  return { groups: [...groups.values()], keyOf };
}

const NONE: ReadonlySet<string> = new Set();

/** Ids of the trees of each group, by its key. */
export function treesOfGroups(keyOf: ReadonlyMap<string, string>): Record<string, string[]> {
  const treesOf: Record<string, string[]> = {};
  for (const [id, key] of keyOf) {
    const trees = treesOf[key];
    if (trees) trees.push(id);
    else treesOf[key] = [id];
  }
  return treesOf;
}

function groupOf(
  tree: TreeOfGroup,
  { site, seen }: SiteFacts,
  own: ReadonlySet<string>,
  onSite: ReadonlySet<string>,
  now: string,
): TreeGroup {
  const cultivar =
    tree.cultivar === null ? undefined : cultivarNamed(tree.species, tree.cultivar, site.cultivars);
  const offsetDays = cultivar?.bloomOffsetDays ?? 0;
  const stages = seenStages(seen, tree, site, now);
  const loads: TreeGroup['loads'] = {};
  const host = speciesOf(tree.species)?.host ?? null;
  for (const pathogen of pathogens) {
    const share = host === null ? 0 : (pathogen.hosts[host] ?? 0);
    const load = share * nearby(pathogen, site, own, onSite);
    if (load > 0) loads[pathogen.code] = load;
  }
  const key = [
    tree.species,
    offsetDays,
    ...stages.map((stage) => `${stage.day}:${stage.share}`),
    ...Object.entries(loads).map(([code, load]) => `${code}${load}`),
  ].join(' ');
  return {
    key,
    species: tree.species,
    lane: laneOf(tree.species),
    offsetDays,
    seen: stages,
    loads,
    cut: USUAL_CUT,
  };
}

function nearby(
  { code, disorders }: Pathogen,
  site: Site,
  own: ReadonlySet<string>,
  onSite: ReadonlySet<string>,
): number {
  if (disorders.every((disorder) => site.absentHere.includes(disorder))) return NEARBY.absent;
  if (disorders.some((disorder) => own.has(disorder))) return NEARBY.onTree;
  if (disorders.some((disorder) => onSite.has(disorder))) return NEARBY.onSite;
  return code === 'FB' && site.blightHosts.length > 0 ? NEARBY.onSite : NEARBY.unknown;
}

/** What was seen of a tree's kind; a word on its cultivar outweighs one on the species. */
function seenStages(seen: SiteFacts['seen'], tree: TreeOfGroup, site: Site, now: string): SeenStage[] {
  const seenHere = seen.flatMap((action) => {
    if (action.kind !== 'stageSeen' || action.species !== tree.species) return [];
    if (Date.parse(now) - Date.parse(action.at) > SEEN_DAYS * DAY_MS) return [];
    if (action.cultivar !== null && action.cultivar !== tree.cultivar) return [];
    return [
      {
        cultivar: action.cultivar,
        day: localClock(site.timeZone).day(hourOf(action.at)),
        share: action.share,
      },
    ];
  });
  const exact = seenHere.filter((stage) => stage.cultivar !== null);
  return (exact.length > 0 ? exact : seenHere)
    .map(({ day, share }) => ({ day, share }))
    .sort((a, b) => a.day.localeCompare(b.day));
}
