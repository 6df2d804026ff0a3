// The one thing to do next, out of all that Today lists.

import type { OpenRound, Queue } from '@mortisect/core/present';
import type { TreeSummary } from '@mortisect/core/records';
import type { Run } from '@mortisect/core/run';
import type { Verdict } from '@mortisect/core/timing';
import { plural } from '../words';

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
export function nextStepOf({ trees, run, urgent, verdict, round, queue, rechecksDue }: NextGiven): NextStep {
  const cuts = run.waiting.length;
  if (trees === 0) return { words: 'Write down the first tree', href: '/round/register/new' };
  if (run.open) {
    const at = run.left[0]?.view.tree.code;
    return { words: at ? `Continue the run: ${at}` : 'Close the run', href: '/cut' };
  }
  if (urgent) return { words: `Cannot wait: ${urgent.code}`, href: `/plan/${urgent.id}` };
  if (cuts > 0 && verdict === 'go') return { words: `Start cutting: ${plural(cuts, 'cut')}`, href: '/cut' };
  if (round?.paused) return { words: 'Continue the round', href: '/round' };
  if (queue?.next)
    return { words: `Continue the round: ${queue.next.code}`, href: `/round/${queue.next.id}` };
  if (rechecksDue > 0)
    return { words: `Look again at ${plural(rechecksDue, 'cut')}`, href: '/book/rechecks' };
  if (cuts > 0 && verdict === 'possible')
    return { words: `Cutting is possible: ${plural(cuts, 'cut')}`, href: '/cut' };
  if (cuts > 0) return { words: `Look through the plan: ${plural(cuts, 'cut')}`, href: '/plan' };
  return { words: 'Walk the round', href: '/round' };
}
