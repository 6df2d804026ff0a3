// Which faults still ask to be looked at: not noted yet, and not waved off, or worse since.
import { type Fault, faultKey } from './fault';

/** A fault that was waved off speaks up again when it has grown by a quarter. Common practice, no source. */
const WORSE_BY = 1.25;

/**
 * @param noted keys of faults that stand as findings
 * @param wavedOff severity at which a fault was waved off, by its key
 * @returns those to look at, and how many stay quiet
 */
export function standingFaults(
  faults: readonly Fault[],
  noted: ReadonlySet<string>,
  wavedOff: ReadonlyMap<string, number>,
): { open: Fault[]; quiet: number } {
  const standing = faults.filter((fault) => !noted.has(faultKey(fault)));
  const open = standing.filter((fault) => {
    const before = wavedOff.get(faultKey(fault));
    return before === undefined || fault.severity > before * WORSE_BY;
  });
  return { open, quiet: standing.length - open.length };
}
