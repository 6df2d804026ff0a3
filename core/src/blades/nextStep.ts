// At the tree with a blade in hand: clean it first, or cut?
import { z } from 'zod';
import { disorderOf, isGrowing, type Season } from '../disorders/index';

const id = z.string().min(1).max(200);
const codes = z
  .array(z.string().min(1).max(60))
  .max(500)
  .describe('codes of disorders; one that is not in the table is suspect');

export const RunCut = z
  .strictObject({ id, treeId: id, disorders: codes })
  .meta({ id: 'RunCut', description: 'One cut of a run, in the order it will be made.' });
export type RunCut = z.infer<typeof RunCut>;

export const BladeEvent = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('cleaned') }),
    z.strictObject({ kind: z.literal('cut'), treeId: id, disorders: codes }),
  ])
  .meta({ id: 'BladeEvent', description: 'What was done with the blade since it was taken up.' });
export type BladeEvent = z.infer<typeof BladeEvent>;

/** `every` cleans round every diseased cut; `season` follows the disorder's own weight, dormant or growing. */
export const cleaningSchools = ['every', 'season'] as const;
export type CleaningSchool = (typeof cleaningSchools)[number];

const cleanWhys = ['unknown history', 'another tree', 'met disease', 'disease ahead'] as const;
export type CleanWhy = (typeof cleanWhys)[number];

export const NextStep = z
  .discriminatedUnion('do', [
    z.strictObject({ do: z.literal('clean'), why: z.enum(cleanWhys), cut: RunCut }),
    z.strictObject({ do: z.literal('cut'), cut: RunCut }),
    z.strictObject({ do: z.literal('done') }),
  ])
  .meta({ id: 'NextStep' });
export type NextStep = z.infer<typeof NextStep>;

/**
 * The next step of a run. A blade of unknown history is dirty; between trees it is cleaned always; a blade that met disease is
 * cleaned before its next cut, and cleaned again before a diseased cut where the school asks for it.
 *
 * @param left cuts still to make, in order
 * @param events what the blade did, oldest first; empty means unknown history
 * @source common practice for the rule; weights of disorders as in the disorders table
 */
export function nextStep(
  left: RunCut[],
  events: BladeEvent[],
  season: Season,
  school: CleaningSchool,
): NextStep {
  const cut = left[0];
  if (!cut) return { do: 'done' };
  const why = dirtyBecause(cut, events, season, school);
  return why ? { do: 'clean', why, cut } : { do: 'cut', cut };
}

function dirtyBecause(
  cut: RunCut,
  events: BladeEvent[],
  season: Season,
  school: CleaningSchool,
): CleanWhy | null {
  const lastCleaned = events.map((event) => event.kind).lastIndexOf('cleaned');
  if (lastCleaned < 0) return 'unknown history';
  const since = events.slice(lastCleaned + 1).filter((event) => event.kind === 'cut');
  if (since.length === 0) return null;
  if (since.some((event) => event.treeId !== cut.treeId)) return 'another tree';
  if (since.some((event) => weight(event.disorders, season, school) >= 2)) return 'met disease';
  return weight(cut.disorders, season, school) >= 3 ? 'disease ahead' : null;
}

function weight(codes: string[], season: Season, school: CleaningSchool): number {
  return Math.max(0, ...codes.map((code) => weightOf(code, season, school)));
}

function weightOf(code: string, season: Season, school: CleaningSchool): number {
  const disorder = disorderOf(code);
  // Not in the table: suspect, cleaned for as if diseased.
  if (!disorder) return 3;
  if (school === 'every') return disorder.kind === 'diseased' ? 3 : 0;
  return isGrowing(season) ? disorder.toolWeight.growing : disorder.toolWeight.dormant;
}
