// Small words that several places say.
import type { ActionBody } from '@mortisect/contracts';
import { agentOf } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { tapeText, type Units } from '@mortisect/core/measure';
import { lowerFirst } from '@mortisect/core/tree';
import { cutAtHand, standingCuts, type TreeView } from '../data/orchardView';

export function plural(count: number, one: string): string {
  return `${count} ${one}${count === 1 ? '' : 's'}`;
}

/** “Dead wood · Neonectria canker”: each once. */
export function disorderWords(findings: readonly { disorder: string }[]): string {
  return [...new Set(findings.map(({ disorder }) => disorderOf(disorder)?.name ?? disorder))].join(' · ');
}

/** Cuts that are work for a licensed arborist. */
export function handedOver(view: TreeView): Cut[] {
  return standingCuts(view).filter((cut) => cutAtHand(view, cut).handOver);
}

/** “41.5 cm”, “collar”, “up to 50 cm”: the place in the fewest words. */
export function placeWords(cut: Cut, units: Units): string {
  if (cut.upToCm !== undefined) return `up to ${tapeText(cut.upToCm, units, 'down')}`;
  return cut.atCm === 0 ? 'collar' : tapeText(cut.atCm, units, 'down');
}

export const KIND_WORDS: Record<Cut['kind'], string> = {
  collar: 'whole limb, at the collar',
  reduction: 'to a side branch',
  heading: 'heading above a bud',
  stub: 'bare stub, for this season',
};

/** What was done, in one line. */
export function actionWords(action: ActionBody): string {
  switch (action.kind) {
    case 'bladeCleaned':
      return `${action.blade} cleaned, ${agentOf(action.agentId).name}`;
    case 'cutMade':
      return `cut on ${lowerFirst(action.cut.limbName)}`;
    case 'cutNotMade':
      return `cut not made, ${lowerFirst(action.reason)}`;
    case 'decided':
      return `decided, ${action.choice}`;
    case 'undone':
      return 'taken back';
  }
}

export function upperFirst(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
