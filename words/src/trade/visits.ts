// Visits of a season, as they are told.
import type { JobBody } from '@mortisect/core/records';
import type { VisitKind } from '@mortisect/core/rota';
import type { PlainKey, Say } from '../say';
import { jobName } from './jobs';

const KIND_WORDS = {
  'summer pass': 'trade.visitSummerPass',
  'winter pass': 'trade.visitWinterPass',
  recheck: 'trade.visitRecheck',
} as const satisfies Partial<Record<VisitKind, PlainKey>>;

interface Named {
  kind: VisitKind;
  job?: Pick<JobBody, 'job' | 'title'> | undefined;
}

/** What is done at the tree; empty for the pass that is at hand. */
export function visitKindWords(say: Say, { kind, job }: Named): string {
  if (kind === 'job') return job ? jobName(say, job) : say('trade.visitJob');
  return kind === 'pass at hand' ? '' : say(KIND_WORDS[kind]);
}

/** “Net loft 03 · look at its cuts again”. */
export const visitWords = (say: Say, visit: Named & { code: string }): string =>
  [visit.code, visitKindWords(say, visit)].filter(Boolean).join(' · ');
