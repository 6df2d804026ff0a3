// What a plan of a tree is made of: its records put together as the core reads them.
import { agentOf, cleaningSeconds } from '../blades/index';
import { cropRhythm } from '../crown/index';
import { girdled } from '../diagnosis/index';
import { disorderOf, seasonOn, winterOf } from '../disorders/index';
import type { Shade } from '../faults/index';
import { paceByKind, type WorkPace } from '../handling/index';
import type { Pin, PlanInput } from '../plan/index';
import type { Action, ActionOf, Finding, Site, TreeDetail } from '../records/index';
import { cultivarNamed } from '../register/index';
import { uprightKey } from '../shaping/index';
import { diameterMmAt, type Limb } from '../tree/index';
import { regrown } from './regrowth';
import { forCut, standingFindings, standingLimbs } from './standing';
import { takenOff } from './takenOff';
import { vigourOf } from './vigour';

/** Seasons of a plan until the caretaker says otherwise: a renovation takes three. */
const SEASONS = 3;

export interface Pinned {
  actionId: string;
  pin: Pin;
}

/** Pins that hold, oldest first. */
export function pinsOf(actions: readonly Action[]): Pinned[] {
  return actions.flatMap(({ id, action, undone }) =>
    action.kind === 'planPinned' && !undone ? [{ actionId: id, pin: action.pin }] : [],
  );
}

/** Musts that the caretaker lifted, by finding. */
interface Lifted {
  actionId: string;
  why: string;
  note: string;
  /** Local date to which it is lifted; null for ever. */
  until: string | null;
}

/** @param day local date: a must that was lifted until an earlier day is a must again */
export function liftedMusts(actions: readonly Action[], day: string): Map<string, Lifted> {
  return new Map(
    actions.flatMap(({ id, action, undone }) =>
      action.kind === 'mustLifted' && !undone && (action.until ?? day) >= day
        ? [
            [
              action.findingId,
              { actionId: id, why: action.why, note: action.note, until: action.until ?? null },
            ] as const,
          ]
        : [],
    ),
  );
}

export function seasonsOf(actions: readonly Action[]): number {
  return lastOf(actions, 'seasonsPlanned')?.seasons ?? SEASONS;
}

/**
 * The plan’s input from the records of a tree.
 *
 * @param day local date, YYYY-MM-DD
 * @param paces how long cuts really take here
 */
export function planInputOf(
  detail: TreeDetail,
  site: Site,
  day: string,
  paces: readonly WorkPace[] = [],
): PlanInput {
  const { tree, actions } = detail;
  const limbs = standingLimbs(detail);
  const findings = standingFindings(detail, limbs);
  const season = seasonOn(day, site.latitude, site.season);
  const cultivar =
    tree.cultivar === null ? undefined : cultivarNamed(tree.species, tree.cultivar, site.cultivars);
  const decided: PlanInput['decided'] = {};
  for (const { action, undone } of actions) {
    if (action.kind !== 'decided' || undone) continue;
    for (const id of action.findingIds) decided[id] = action.choice;
  }
  const { clearance, halveDefiniteDormant, inSeasonStub, finish, cleaning } = site.schools;
  return {
    tree: {
      limbs,
      species: tree.species,
      habit: tree.habit,
      form: tree.form,
      plantedYear: tree.plantedYear,
      susceptible: tree.susceptible,
      resistant: !tree.susceptible && cultivar?.susceptibility === 'low',
      vigour: vigourOf(tree, limbs).vigour,
      heightCm: tree.heightCm,
      targetHeightCm: tree.targetHeightCm,
      hazards: tree.hazards,
      leanDeg: tree.leanDeg,
      slopeDeg: tree.slopeDeg,
      renovated: tree.status === 'renovate',
      stressed: findings.some(({ disorder }) => disorderOf(disorder)?.stresses),
    },
    findings: findings.map((finding) => planFinding(finding, actions, limbs)),
    schools: { clearance, halveDefiniteDormant, inSeasonStub, finish },
    lifted: [...liftedMusts(actions, day).keys()],
    decided,
    off: takenOff(detail, site, day),
    pace: lastOf(actions, 'paceSet')?.pace ?? null,
    limit: lastOf(actions, 'limitSet')?.limit ?? null,
    booked: bookedSeasons(actions, site, day),
    waved: wavedUprights(actions, limbs),
    firstWinter: winterOf(day, site.latitude),
    workPace: paceByKind(paces),
    shades: shadesOf(actions),
    offYear: cropRhythm(cropsOf(actions), winterOf(day, site.latitude) + 1).next === 'off',
    regrown: regrown(detail).flatMap(({ limb, goes }) =>
      goes && limbs.some(({ id }) => id === limb.id) ? [limb.id] : [],
    ),
    moreBloom: bloomCompared(actions),
    tied: tiedLimbs(actions, detail.surveyedAt),
    pins: pinsOf(actions)
      .map(({ pin }) => pin)
      .filter((pin) => stands(pin, limbs)),
    settings: site.plan,
    cleaning,
    cleanSeconds: cleaningSeconds(agentOf(site.agentId)),
    season,
    year: Number(day.slice(0, 4)),
    seasons: seasonsOf(actions),
  };
}

/** The last word of its kind that nobody took back. */
function lastOf<K extends 'seasonsPlanned' | 'paceSet' | 'limitSet' | 'shadeSeen'>(
  actions: readonly Action[],
  kind: K,
): ActionOf<K> | undefined {
  return actions.findLast(({ action, undone }) => !undone && action.kind === kind)?.action as
    | ActionOf<K>
    | undefined;
}

/** What stands round the tree and takes its light, as it was last written down. */
export const shadesOf = (actions: readonly Action[]): Shade[] => lastOf(actions, 'shadeSeen')?.shades ?? [];

/** Crops that were written down, in the order they were. */
export function cropsOf(actions: readonly Action[]): (ActionOf<'cropSeen'> & { actionId: string })[] {
  return actions.flatMap(({ id, action, undone }) =>
    action.kind === 'cropSeen' && !undone ? [{ ...action, actionId: id }] : [],
  );
}

/** A visit of an arborist that is booked. */
export interface Booking {
  actionId: string;
  /** Local date. */
  on: string;
}

/** Visits that are still to come, the next one first. @param day local date */
export function bookings(actions: readonly Action[], day: string): Booking[] {
  return actions
    .flatMap(({ id, action, undone }) =>
      action.kind === 'visitBooked' && !undone && action.on >= day ? [{ actionId: id, on: action.on }] : [],
    )
    .sort((a, b) => (a.on < b.on ? -1 : 1));
}

/** Seasons of the plan, from 1, in which an arborist comes. */
function bookedSeasons(
  actions: readonly Action[],
  { latitude }: Pick<Site, 'latitude'>,
  day: string,
): number[] {
  const first = winterOf(day, latitude);
  const seasons = bookings(actions, day).map(({ on }) => winterOf(on, latitude) - first + 1);
  return [...new Set(seasons)].filter((season) => season <= seasonsOf(actions));
}

/** Of each pair the last word; one that was taken back says nothing. */
function bloomCompared(actions: readonly Action[]): PlanInput['moreBloom'] {
  const last = new Map<string, { limbId: string; than: string }>();
  for (const { action, undone } of actions)
    if (action.kind === 'bloomCompared' && !undone) {
      const { limbId, than } = action;
      last.set([limbId, than].sort().join(' '), { limbId, than });
    }
  return [...last.values()];
}

/** Upright limbs that somebody waved off on the Shape page. */
function wavedUprights(actions: readonly Action[], limbs: Limb[]): string[] {
  const keys = new Set(
    actions.flatMap(({ action, undone }) => (action.kind === 'wavedOff' && !undone ? [action.faultKey] : [])),
  );
  return limbs.flatMap(({ id }) => (keys.has(uprightKey(id)) ? [id] : []));
}

/** Limbs that were tied down since the map was drawn: a later map shows how they stand. */
function tiedLimbs(actions: readonly Action[], surveyedAt: string): string[] {
  return actions.flatMap(({ action, undone }) =>
    action.kind === 'stepDone' &&
    !undone &&
    (action.what === 'tie down' || action.what === 'tie over') &&
    Date.parse(action.at) > Date.parse(surveyedAt)
      ? [action.limbId]
      : [],
  );
}

function stands(pin: Pin, limbs: Limb[]): boolean {
  const isThere = (id: string) => limbs.some((limb) => limb.id === id);
  return (!('limbId' in pin) || isThere(pin.limbId)) && (pin.kind !== 'follower' || isThere(pin.followerId));
}

function planFinding(
  finding: Finding,
  actions: readonly Action[],
  limbs: Limb[],
): PlanInput['findings'][number] {
  const { kind: _kind, ooze = false, ...own } = forCut(finding, actions);
  const limb = limbs.find((limb) => limb.id === finding.limbId);
  const roundCm =
    finding.circumferenceCm ??
    (limb ? (Math.PI * diameterMmAt(limb, Math.min(finding.fromCm, limb.lengthCm))) / 10 : 0);
  const share =
    girdled(finding.widthsCm, roundCm, limb?.kind === 'trunk' ? 'stem' : 'limb', true)?.share ?? null;
  return {
    ...own,
    toCm: Math.min(own.toCm, limb?.lengthCm ?? own.toCm),
    active: finding.activity === 'active',
    danger: disorderOf(finding.disorder)?.hanging === true && finding.activity !== 'healed',
    ooze,
    girdledShare: share,
    fault: finding.fault && {
      kind: finding.fault.kind,
      limbIds: finding.fault.limbIds,
      atCm: finding.fault.atCm,
    },
  };
}
