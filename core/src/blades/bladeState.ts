// What state is a blade in, and may it make this cut? A state machine: every cut and every cleaning moves it.
import { z } from 'zod';
import { disorderOf, isGrowing, type Season } from '../disorders/index';
import type { WoodClass } from './woodClasses';

const id = z.string().min(1).max(200);
const codes = z
  .array(z.string().min(1).max(60))
  .max(500)
  .describe('codes of disorders; one that is not in the table is suspect');

export const BladeEvent = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('wetted'),
      until: z.iso.datetime().describe('end of its contact time'),
    }),
    z.strictObject({ kind: z.literal('cleaned') }),
    z.strictObject({ kind: z.literal('cut'), treeId: id, disorders: codes }),
  ])
  .meta({ id: 'BladeEvent', description: 'What was done with the blade since it was taken up.' });
export type BladeEvent = z.infer<typeof BladeEvent>;

/** `every` cleans round every diseased cut; `season` follows the disorder's own weight, dormant or growing. */
export const cleaningSchools = ['every', 'season'] as const;
export type CleaningSchool = (typeof cleaningSchools)[number];

export const cleanWhys = [
  'unknown history',
  'still wet',
  'another tree',
  'met disease',
  'met suspect wood',
  'disease ahead',
] as const;
export type CleanWhy = (typeof cleanWhys)[number];

export type BladeState =
  | { is: 'unknown' }
  | { is: 'clean' }
  | { is: 'wet'; until: string; was: DryState }
  | { is: 'used'; treeIds: string[]; disorders: string[]; cuts: number };
type DryState = Exclude<BladeState, { is: 'wet' }>;

/** A saw of the trade is sharpened or changed after so many cuts. Common practice, no source. */
export const SHARP_FOR_CUTS = 60;

export const UNKNOWN: BladeState = { is: 'unknown' };

/** The state after one more event. A cut with a blade that is still wet uses it as it was before. */
export function stateAfter(state: BladeState, event: BladeEvent): BladeState {
  const dry = state.is === 'wet' ? state.was : state;
  if (event.kind === 'cleaned') return { is: 'clean' };
  if (event.kind === 'wetted') return { is: 'wet', until: event.until, was: dry };
  if (dry.is === 'unknown') return dry;
  const before = dry.is === 'used' ? dry : { treeIds: [], disorders: [], cuts: 0 };
  return {
    is: 'used',
    treeIds: [...new Set([...before.treeIds, event.treeId])],
    disorders: [...new Set([...before.disorders, ...event.disorders])],
    cuts: before.cuts + 1,
  };
}

/** @param events oldest first; none: unknown history */
export function stateOf(events: readonly BladeEvent[]): BladeState {
  return events.reduce(stateAfter, UNKNOWN);
}

interface CutAhead {
  treeId: string;
  disorders: readonly string[];
}

/**
 * Why the blade must be cleaned before this cut; null where it may cut. Unknown is dirty; between trees always; a blade that met
 * disease before any other cut, one that met suspect wood before sound wood; clean before diseased wood where the school asks for it.
 *
 * @source common practice for the rule; weights of disorders as in the disorders table
 */
export function dirtyBecause(
  state: BladeState,
  cut: CutAhead,
  season: Season,
  school: CleaningSchool,
): CleanWhy | null {
  if (state.is === 'unknown') return 'unknown history';
  if (state.is === 'wet') return 'still wet';
  if (state.is === 'clean') return null;
  if (state.treeIds.some((treeId) => treeId !== cut.treeId)) return 'another tree';
  if (weight(state.disorders, season, school) >= 2) return 'met disease';
  if (school === 'every' && state.disorders.some(isSuspect) && isSoundWood(cut.disorders))
    return 'met suspect wood';
  return weight(cut.disorders, season, school) >= 3 ? 'disease ahead' : null;
}

/** Would this cut carry disease to sound wood? Then it is stopped, whatever else is due. */
export function carriesDisease(
  state: BladeState,
  cut: CutAhead,
  season: Season,
  school: CleaningSchool,
): boolean {
  const dry = state.is === 'wet' ? state.was : state;
  if (dry.is !== 'used') return false;
  const met = weight(dry.disorders, season, school) >= 2 || dry.disorders.some(isSuspect);
  return met && dirtyBecause(dry, cut, season, school) !== null;
}

/** Dead wood of unknown cause, and what the table does not know. */
export function isSuspect(code: string): boolean {
  const row = disorderOf(code);
  return row === undefined || row.causeUnknown === true;
}

/** Of a cut, or of a tree by all that is to be cut on it. */
export function woodClass(disorders: readonly string[]): WoodClass {
  if (disorders.some((code) => disorderOf(code)?.kind === 'diseased')) return 'infected';
  return disorders.some(isSuspect) ? 'suspect' : 'sound';
}

function isSoundWood(disorders: readonly string[]): boolean {
  return woodClass(disorders) === 'sound';
}

function weight(disorders: readonly string[], season: Season, school: CleaningSchool): number {
  return Math.max(0, ...disorders.map((code) => weightOf(code, season, school)));
}

function weightOf(code: string, season: Season, school: CleaningSchool): number {
  const disorder = disorderOf(code);
  // Not in the table: suspect, cleaned for as if diseased.
  if (!disorder) return 3;
  if (school === 'every') return disorder.kind === 'diseased' ? 3 : 0;
  return isGrowing(season) ? disorder.toolWeight.growing : disorder.toolWeight.dormant;
}

export interface WayOut {
  bladeId: string;
  /** `take` it as it is, or `clean` it first. */
  how: 'take' | 'clean';
  seconds: number;
}

const CHANGE_SECONDS = 5;

/**
 * From a blade that must not make the cut to one that may, the quickest first.
 *
 * @param blades those of the kind the cut needs, with their states
 * @param cleanSeconds of one cleaning, contact included
 */
export function waysOut(
  blades: readonly { id: string; state: BladeState }[],
  inHand: string,
  cut: CutAhead,
  { season, school, cleanSeconds }: { season: Season; school: CleaningSchool; cleanSeconds: number },
): WayOut[] {
  return blades
    .map(({ id: bladeId, state }): WayOut => {
      const change = bladeId === inHand ? 0 : CHANGE_SECONDS;
      const dirty = dirtyBecause(state, cut, season, school) !== null;
      return dirty
        ? { bladeId, how: 'clean', seconds: cleanSeconds + change }
        : { bladeId, how: 'take', seconds: change };
    })
    .sort((a, b) => a.seconds - b.seconds);
}
