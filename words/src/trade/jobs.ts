// Jobs without a saw, as they are told.
import type { JobBody } from '@mortisect/core/records';
import { jobKinds, OWN_JOB } from '@mortisect/core/register';
import type { Say } from '../say';
import { told } from './told';

type Named = Pick<JobBody, 'job' | 'title'>;

/** What is to be done: by its kind, or in the words of who wrote it down. */
export function jobName(say: Say, { job, title }: Named): string {
  if (job === OWN_JOB && title) return title;
  return told(say, jobKinds.find(({ code }) => code === job)?.name) ?? job;
}

/** What else was written of it: how long it takes, and the note. */
export function jobNotes(say: Say, { minutes, note }: Pick<JobBody, 'minutes' | 'note'>): string[] {
  return [minutes === undefined ? '' : say('trade.jobMinutes', { minutes }), note].filter(Boolean);
}
