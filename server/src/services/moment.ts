// Times as the database has them, made such as every device can read.
import { moment as Moment } from '@mortisect/core/measure';
import type { HistoryValue } from '@mortisect/core/records';

/** What stands for a time on record that nothing can read: it was let in by an earlier version. */
const DAMAGED = '1900-01-01T00:00:00.000Z';

/** Moments leave the database in its own spelling; on the wire they are ISO in UTC. */
export function moment(stored: string): string {
  const at = new Date(stored);
  return Number.isNaN(at.getTime()) ? DAMAGED : timeOf(at.toISOString());
}

const timeOf = (text: string) => (Moment.safeParse(text).success ? text : DAMAGED);

/** A record whose time can be read, so that one that is damaged does not take all others with it. */
export const readable = <R extends { at: string } | { seenAt: string }>(record: R): R =>
  'at' in record ? { ...record, at: timeOf(record.at) } : { ...record, seenAt: timeOf(record.seenAt) };

/** The same of a line of the history. */
export function readableLine(value: HistoryValue): HistoryValue {
  if (value.kind === 'action') return { ...value, action: readable(value.action) };
  return value.kind === 'finding' ? { ...value, finding: readable(value.finding) } : value;
}
