// May graft wood be taken from this tree?

import { z } from 'zod';
import { disorderOf } from '../disorders/index';
import { DAY_MS } from '../measure/index';
import { plainReason, reasonSchema } from '../reason/index';

export interface TreeRecord {
  /** Everything that was ever found on it and not withdrawn: code and local date. */
  findings: readonly { disorder: string; day: string; open: boolean }[];
  /** Local date somebody last walked all round it; null: never. */
  lastSeenOn: string | null;
  /** Rechecks on which disease had come back. */
  cameBackOn: readonly string[];
}

export const ScionReason = reasonSchema({
  'on record': { disorder: z.string().describe('code'), years: z.number() },
  'dead of unknown cause': {},
  'came back': {},
  'not looked at': {},
  clean: { years: z.number() },
});
export type ScionReason = z.infer<typeof ScionReason>;

interface ScionGuard {
  may: boolean;
  because: ScionReason[];
}

const CLEAN_YEARS = 2;
const SEEN_WITHIN_DAYS = 365;

/** Only from clean trees: no disease on record for two years, and somebody has looked all round it in the last one. Common practice, no source. */
export function scionGuard(tree: TreeRecord, today: string): ScionGuard {
  const daysSince = (day: string) => (Date.parse(today) - Date.parse(day)) / DAY_MS;
  const because: ScionReason[] = [];
  const diseased = tree.findings.filter(
    ({ disorder }) =>
      disorderOf(disorder)?.kind !== 'damaged' &&
      disorderOf(disorder)?.kind !== 'misplaced' &&
      !disorderOf(disorder)?.causeUnknown,
  );
  const recent = diseased.filter(({ open, day }) => open || daysSince(day) < CLEAN_YEARS * 365);
  for (const disorder of new Set(recent.map((finding) => finding.disorder)))
    because.push({ code: 'on record', values: { disorder, years: CLEAN_YEARS } });
  if (tree.findings.some(({ disorder, open }) => open && disorderOf(disorder)?.causeUnknown))
    because.push(plainReason('dead of unknown cause'));
  if (tree.cameBackOn.some((day) => daysSince(day) < CLEAN_YEARS * 365))
    because.push(plainReason('came back'));
  if (tree.lastSeenOn === null || daysSince(tree.lastSeenOn) > SEEN_WITHIN_DAYS)
    because.push(plainReason('not looked at'));
  return {
    may: because.length === 0,
    because: because.length > 0 ? because : [{ code: 'clean', values: { years: CLEAN_YEARS } }],
  };
}
