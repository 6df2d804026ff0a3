// Shares and chances of a plan in words.

import type { Say } from '@mortisect/words';
export function percentOf(thousandths: number): string {
  if (thousandths > 0 && thousandths < 10) return '<\u00a01\u00a0%';
  return `${Math.round(thousandths / 10)} %`;
}

/** “about 12 in 100”, “under 1 in 100”. */
export function chanceWords(say: Say, chance: number): string {
  if (chance < 0.005) return say('shared.under1In100');
  return say('shared.aboutIn100', { chance: Math.round(chance * 100) });
}
