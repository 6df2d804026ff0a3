// May graft wood be taken from this tree?
import { disorderOf } from '../disorders/index';

export interface TreeRecord {
  /** Everything that was ever found on it and not withdrawn: code and local date. */
  findings: readonly { disorder: string; day: string; open: boolean }[];
  /** Local date somebody last walked all round it; null: never. */
  lastSeenOn: string | null;
  /** Rechecks on which disease had come back. */
  cameBackOn: readonly string[];
}

interface ScionGuard {
  may: boolean;
  because: string[];
}

const CLEAN_YEARS = 2;
const SEEN_WITHIN_DAYS = 365;
const DAY_MS = 86_400_000;

/** Only from clean trees: no disease on record for two years, and somebody has looked all round it in the last one. Common practice, no source. */
export function scionGuard(tree: TreeRecord, today: string): ScionGuard {
  const daysSince = (day: string) => (Date.parse(today) - Date.parse(day)) / DAY_MS;
  const because: string[] = [];
  const diseased = tree.findings.filter(
    ({ disorder }) =>
      disorderOf(disorder)?.kind !== 'damaged' &&
      disorderOf(disorder)?.kind !== 'misplaced' &&
      !disorderOf(disorder)?.causeUnknown,
  );
  const recent = diseased.filter(({ open, day }) => open || daysSince(day) < CLEAN_YEARS * 365);
  for (const { disorder } of recent) {
    const name = disorderOf(disorder)?.name ?? 'something of unknown cause';
    because.push(`${name} is on its record within ${CLEAN_YEARS} years.`);
  }
  if (tree.findings.some(({ disorder, open }) => open && disorderOf(disorder)?.causeUnknown))
    because.push('Dead wood of unknown cause stands on it.');
  if (tree.cameBackOn.some((day) => daysSince(day) < CLEAN_YEARS * 365))
    because.push('Disease came back after a cut.');
  if (tree.lastSeenOn === null || daysSince(tree.lastSeenOn) > SEEN_WITHIN_DAYS)
    because.push('Nobody has looked all round it for a year: what was not seen is not sound.');
  return {
    may: because.length === 0,
    because:
      because.length > 0
        ? [...new Set(because)]
        : ['No disease on its record for two years. Viruses do not show: a clean record is no certificate.'],
  };
}
