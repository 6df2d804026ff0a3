// The state of a blade in words.

import type { BladeState, CleanWhy } from '@mortisect/core/blades';
import type { PlainKey, Say } from '@mortisect/words';
import { codeWords } from '../words';

export const WHY_WORDS: Record<CleanWhy, PlainKey> = {
  'unknown history': 'cut.itsHistoryIsUnknownTodayUnknownIs',
  'still wet': 'cut.itsContactTimeIsNotOver',
  'another tree': 'cut.itComesFromAnotherTree',
  'met disease': 'cut.itMetDiseasedWood',
  'met suspect wood': 'cut.itMetDeadWoodOfUnknownCause',
  'disease ahead': 'cut.diseasedWoodIsNextEachSuchCut',
};

/** Figure and caption for the right of a header. */
export function bladeWords(say: Say, state: BladeState | undefined): { figure: string; caption: string } {
  const figure =
    state?.is === 'clean'
      ? say('shared.clean')
      : state?.is === 'wet'
        ? say('cut.wet')
        : state?.is === 'used'
          ? say('cut.used')
          : say('cut.dirty');
  return { figure, caption: 'blade' };
}

export function stateWords(say: Say, state: BladeState | undefined): string {
  if (!state || state.is === 'unknown') return say('cut.notCleanedToday');
  if (state.is === 'clean') return say('cut.clean');
  if (state.is === 'wet') return say('cut.wetContactTimeRuns');
  return say('cut.met', { code: codeWords(say, state.disorders) });
}
