// What does not wait for a good day?
import { disorderOf } from '../disorders/index';
import type { Finding } from '../records/index';

/** Strikes that move, and broken or split wood, unless they have healed. Common practice, no source. */
export function isUrgent({ disorder, activity }: Pick<Finding, 'disorder' | 'activity'>): boolean {
  const row = disorderOf(disorder);
  return activity !== 'healed' && (row?.strike === true || row?.hanging === true);
}
