// At the tree with a blade in hand: clean it first, or cut?
import { z } from 'zod';
import type { Season } from '../disorders/index';
import { type BladeEvent, type CleaningSchool, cleanWhys, dirtyBecause, stateOf } from './bladeState';

const id = z.string().min(1).max(200);

export const RunCut = z
  .strictObject({
    id,
    treeId: id,
    disorders: z
      .array(z.string().min(1).max(60))
      .max(500)
      .describe('codes of disorders; one that is not in the table is suspect'),
  })
  .meta({ id: 'RunCut', description: 'One cut of a run, in the order it will be made.' });
export type RunCut = z.infer<typeof RunCut>;

export const NextStep = z
  .discriminatedUnion('do', [
    z.strictObject({ do: z.literal('clean'), why: z.enum(cleanWhys), cut: RunCut }),
    z.strictObject({ do: z.literal('cut'), cut: RunCut }),
    z.strictObject({ do: z.literal('done') }),
  ])
  .meta({ id: 'NextStep' });
export type NextStep = z.infer<typeof NextStep>;

/**
 * The next step of a run with one blade.
 *
 * @param left cuts still to make, in order
 * @param events what the blade did, oldest first; empty means unknown history
 * @see dirtyBecause for the rule
 */
export function nextStep(
  left: readonly RunCut[],
  events: readonly BladeEvent[],
  season: Season,
  school: CleaningSchool,
): NextStep {
  const cut = left[0];
  if (!cut) return { do: 'done' };
  const why = dirtyBecause(stateOf(events), cut, season, school);
  return why ? { do: 'clean', why, cut } : { do: 'cut', cut };
}
