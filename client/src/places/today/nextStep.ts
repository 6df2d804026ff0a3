// The one thing to do next, out of all that Today lists.

import type { OpenRound, Queue } from '@mortisect/core/present';
import type { TreeSummary } from '@mortisect/core/records';
import type { Run } from '@mortisect/core/run';
import type { Verdict } from '@mortisect/core/timing';
import type { Say } from '@mortisect/words';

export interface NextStep {
  /** What the button says. */
  words: string;
  href: string;
}

export interface NextGiven {
  /** Trees in the register. */
  trees: number;
  run: Pick<Run, 'open' | 'left' | 'waiting'>;
  /** The first tree that does not wait for a good day, where the hours are dry now. */
  urgent: Pick<TreeSummary, 'id' | 'code'> | null;
  /** May most of the living wood be cut now? `wait` also where no weather is known. */
  verdict: Verdict;
  round: Pick<OpenRound, 'paused'> | null;
  queue: Pick<Queue, 'next'> | null;
  rechecksDue: number;
}

/**
 * A run is gone on with; what cannot wait comes before a round; good weather is for cutting; other weather is for looking.
 *
 * @example nextStepOf({ trees: 48, verdict: 'go', run with 28 cuts waiting, … }) //=> { words: 'Start cutting: 28 cuts', href: '/cut' }
 */
export function nextStepOf(
  say: Say,
  { trees, run, urgent, verdict, round, queue, rechecksDue }: NextGiven,
): NextStep {
  const cuts = run.waiting.length;
  if (trees === 0) return { words: say('today.writeDownTheFirstTree'), href: '/round/register/new' };
  if (run.open) {
    const at = run.left[0]?.tree.code;
    return { words: at ? say('today.continueTheRun', { at }) : say('shared.closeTheRun'), href: '/cut' };
  }
  if (urgent) return { words: say('today.cannotWait', { urgent: urgent.code }), href: `/plan/${urgent.id}` };
  if (cuts > 0 && verdict === 'go') return { words: say('today.startCuttingCuts', { cuts }), href: '/cut' };
  if (round?.paused) return { words: say('shared.continueTheRound'), href: '/round' };
  if (queue?.next)
    return {
      words: say('today.continueTheRound', { next: queue.next.code }),
      href: `/round/${queue.next.id}`,
    };
  if (rechecksDue > 0)
    return { words: say('today.lookAgainAtCuts', { rechecksDue }), href: '/book/rechecks' };
  if (cuts > 0 && verdict === 'possible')
    return { words: say('today.cuttingIsPossibleCuts', { cuts }), href: '/cut' };
  if (cuts > 0) return { words: say('today.lookThroughThePlanCuts', { cuts }), href: '/plan' };
  return { words: say('today.walkTheRound'), href: '/round' };
}
