// Of the round and of other people: where the last round stopped, what was asked of whom, jobs that are due.

import { laterDay } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import type { ListedTree } from '@mortisect/core/run';
import { jobName, jobNotes } from '@mortisect/words/trade';
import { memo } from 'react';
import { dayWords } from '../../data/moment';
import { usePreferences } from '../../data/preferences';
import { useJobs, useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useFewRows } from '../../ui/inParts';
import { Row } from '../../ui/Row';
import { useQueue } from '../round/walk';

export function RoundRow() {
  const say = useSay();
  const { round, queue } = useQueue();
  if (!round || !queue) return null;
  const left = queue.trees.length - queue.done;
  return (
    <Row
      href="/round"
      title={round.paused ? say('today.theRoundIsPaused') : say('today.theRoundIsOpen')}
      detail={say('today.ofSeen', {
        done: queue.done,
        trees: queue.trees.length,
        more: queue.next ? say('today.next', { next: queue.next.code }) : '',
      })}
      aside={left === 0 ? say('today.allSeen') : say('today.left', { left })}
    />
  );
}

/** Questions to whoever works on this device first, then those that hold a cut. */
export const QuestionRows = memo(function QuestionRows({ trees }: { trees: readonly ListedTree[] }) {
  const say = useSay();
  const me = usePreferences((preferences) => preferences.person);
  const open = trees.flatMap(({ tree, questions }) => questions.map((question) => ({ tree, question })));
  const { shown, more } = useFewRows(
    open.sort((a, b) => Number(b.question.of === me) - Number(a.question.of === me)),
  );
  return (
    <>
      {shown.map(({ tree, question }) => (
        <Row
          key={question.id}
          href={`/round/${tree.id}?limb=${question.limbId}`}
          title={
            question.of === me
              ? say('today.asksYou', { by: question.by })
              : say('today.wasAsked', { of: question.of })
          }
          detail={say('today.theCutIsHeldUntilThen', {
            tree: tree.code,
            question: question.question || say('shared.whatIsIt'),
          })}
        />
      ))}
      {more}
    </>
  );
});

const SHOWN = 4;
const DUE_WITHIN_DAYS = 14;

export const JobRows = memo(function JobRows({ today }: { today: SiteToday }) {
  const say = useSay();
  const jobs = useJobs().data?.jobs ?? [];
  const trees = useTrees().data?.trees;
  const until = laterDay(today.day, DUE_WITHIN_DAYS);
  const due = jobs.filter((job) => job.dueOn <= until);
  return (
    <>
      {due.slice(0, SHOWN).map((job) => (
        <Row
          key={job.id}
          href={`/round/${job.treeId}`}
          title={jobName(say, job)}
          detail={`${trees?.find((tree) => tree.id === job.treeId)?.code ?? ''} · ${job.dueOn < today.day ? say('today.lateWasDue') : say('today.due')} ${[dayWords(job.dueOn), ...jobNotes(say, job)].join(' · ')}`}
        />
      ))}
      {due.length > SHOWN ? (
        <Row href="/round" title={say('today.jobsMoreDue', { due: due.length - SHOWN })} />
      ) : null}
    </>
  );
});
