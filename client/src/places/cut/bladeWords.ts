// The state of a blade in words.
import type { BladeState, CleanWhy } from '@mortisect/core/blades';
import { codeWords } from '../words';

export const WHY_WORDS: Record<CleanWhy, string> = {
  'unknown history': 'Its history is unknown today: unknown is dirty.',
  'still wet': 'Its contact time is not over.',
  'another tree': 'It comes from another tree.',
  'met disease': 'It met diseased wood.',
  'met suspect wood': 'It met dead wood of unknown cause.',
  'disease ahead': 'Diseased wood is next: each such cut starts clean.',
};

/** Figure and caption for the right of a header. */
export function bladeWords(state: BladeState | undefined): { figure: string; caption: string } {
  const figure =
    state?.is === 'clean' ? 'Clean' : state?.is === 'wet' ? 'Wet' : state?.is === 'used' ? 'Used' : 'Dirty';
  return { figure, caption: 'blade' };
}

export function stateWords(state: BladeState | undefined): string {
  if (!state || state.is === 'unknown') return 'not cleaned today';
  if (state.is === 'clean') return 'clean';
  if (state.is === 'wet') return 'wet, contact time runs';
  return `met ${codeWords(state.disorders)}`;
}
