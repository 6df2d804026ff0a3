// Where does the run stand, and in what state is every blade? Read from what was done, on the server and on a phone that is away from it.
import { type BladeEvent, type BladeState, stateAfter, UNKNOWN } from '../blades/index';
import type { Tool } from '../handling/index';
import type { Action, ActionBody, ActionOf } from '../records/index';
import { standingActions } from './done';

/** What a run is made of. */
export const runKinds = [
  'runStarted',
  'runPaused',
  'runResumed',
  'runClosed',
  'bladeWetted',
  'bladeCleaned',
  'cutMade',
  'cutNotMade',
  'stationTaken',
  'limbMarked',
  'stoodBack',
  'hatThrown',
  'woodRead',
  'debrisCleared',
] as const satisfies readonly ActionBody['kind'][];

function isOfRun(action: ActionBody): boolean {
  return (runKinds as readonly string[]).includes(action.kind);
}

/** What is known of the kit whether or not a run is open. */
export const kitKinds = ['bladeSharpened', 'mixMade'] as const satisfies readonly ActionBody['kind'][];

export interface OpenRun {
  id: string;
  startedAt: string;
  by: string;
  paused: { at: string; by: string } | null;
  treeIds: string[];
  bladeIds: string[];
  /** What was done in it, oldest first, what was taken back left out. */
  done: Action[];
}

/** The run that is open, from actions in any order; null when none is. A start while one is open joins it. */
export function openRun(actions: readonly Action[]): OpenRun | null {
  let run: OpenRun | null = null;
  for (const standing of standingActions(actions)) {
    const { id, action, by } = standing;
    if (action.kind === 'runStarted') {
      const { at, treeIds, bladeIds } = action;
      run ??= { id, startedAt: at, by, paused: null, treeIds, bladeIds, done: [] };
    } else if (run) {
      if (action.kind === 'runClosed') run = null;
      else {
        if (action.kind === 'runPaused') run.paused = { at: action.at, by };
        if (action.kind === 'runResumed') run.paused = null;
        if (isOfRun(action)) run.done.push(standing);
      }
    }
  }
  return run;
}

export interface Blade {
  id: string;
  name: string;
  tool: Tool;
}

/** Every blade of the kit: “Pruning saw 1” and “Pruning saw 2” where there are two. */
export function bladesOf(kit: readonly Tool[]): Blade[] {
  return kit.flatMap((tool) => {
    const count = tool.count ?? 1;
    return Array.from({ length: count }, (_, i) => ({
      id: `${tool.id}-${i + 1}`,
      name: count === 1 ? tool.name : `${tool.name} ${i + 1}`,
      tool,
    }));
  });
}

export interface BladeLog {
  state: BladeState;
  /** Of today, oldest first: what happened, and the state it led to. */
  log: { at: string; by: string; action: Action['action']; state: BladeState }[];
  lastCleanedAt: string | null;
  lastCut: { at: string; treeId: string; disorders: string[] } | null;
  sharpenedAt: string | null;
  cutsSinceSharpened: number;
}

/**
 * What every blade has done. Its state counts from `since` on: what happened to it overnight nobody knows, so yesterday’s blade is dirty.
 *
 * @param disorderOf of a finding on record, for cuts that do not say what they met
 */
export function bladeLogs(
  blades: readonly Pick<Blade, 'id'>[],
  actions: readonly Action[],
  since: string,
  disorderOf: (findingId: string) => string = () => 'unknown',
): Map<string, BladeLog> {
  const logs = new Map(blades.map(({ id }): [string, BladeLog] => [id, emptyLog()]));
  for (const { action, by } of standingActions(actions)) {
    if (!('blade' in action)) continue;
    const log = logs.get(action.blade);
    if (!log) continue;
    const event = eventOf(action, disorderOf);
    if (event && Date.parse(action.at) >= Date.parse(since)) {
      log.state = stateAfter(log.state, event);
      log.log.push({ at: action.at, by, action, state: log.state });
    }
    if (action.kind === 'bladeCleaned') log.lastCleanedAt = action.at;
    if (action.kind === 'bladeSharpened') {
      log.sharpenedAt = action.at;
      log.cutsSinceSharpened = 0;
    }
    if (action.kind === 'cutMade') {
      log.cutsSinceSharpened++;
      log.lastCut = { at: action.at, treeId: action.treeId, disorders: disordersMet(action, disorderOf) };
    }
  }
  return logs;
}

const emptyLog = (): BladeLog => ({
  state: UNKNOWN,
  log: [],
  lastCleanedAt: null,
  lastCut: null,
  sharpenedAt: null,
  cutsSinceSharpened: 0,
});

function eventOf(action: ActionBody, disorderOf: (findingId: string) => string): BladeEvent | null {
  if (action.kind === 'bladeCleaned') return { kind: 'cleaned' };
  if (action.kind === 'bladeWetted') {
    const until = new Date(Date.parse(action.at) + action.seconds * 1000).toISOString();
    return { kind: 'wetted', until };
  }
  if (action.kind !== 'cutMade') return null;
  return { kind: 'cut', treeId: action.treeId, disorders: disordersMet(action, disorderOf) };
}

/** What a cut met: as it was recorded, or by its findings. A cut that says neither is suspect. */
export function disordersMet(
  action: ActionOf<'cutMade'>,
  disorderOf: (findingId: string) => string,
): string[] {
  return action.disorders ?? action.findingIds.map(disorderOf);
}

interface MixState {
  action: ActionOf<'mixMade'>;
  useBy: string;
  spent: boolean;
}

/** The latest mix of each agent. */
export function mixes(actions: readonly Action[], now: string): MixState[] {
  const latest = new Map<string, ActionOf<'mixMade'>>();
  for (const { action } of standingActions(actions))
    if (action.kind === 'mixMade') latest.set(action.agentId, action);
  return [...latest.values()].map((action) => {
    const until = Date.parse(action.at) + action.usableHours * 3_600_000;
    return { action, useBy: new Date(until).toISOString(), spent: until <= Date.parse(now) };
  });
}

/** Limbs that were marked from the ground and not cut since, by tree and limb. */
export function marksStanding(actions: readonly Action[]): ActionOf<'limbMarked'>[] {
  const marks = new Map<string, ActionOf<'limbMarked'>>();
  for (const { action } of standingActions(actions)) {
    if (action.kind === 'limbMarked') marks.set(`${action.treeId} ${action.limbId}`, action);
    if (action.kind === 'cutMade') marks.delete(`${action.treeId} ${action.cut.limbId}`);
  }
  return [...marks.values()];
}
