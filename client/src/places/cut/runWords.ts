// Why a cut is not in the run, and what the kit cannot do, in words.

import { heightReading, thicknessReading, type Units } from '@mortisect/core/measure';
import type { Bring, LeftOutBecause } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { cautionWords, figure, joined } from '@mortisect/words/trade';

/** “For a licensed arborist. The tree is over 6 m (20 ft) high.” */
export function leftOutWords(say: Say, because: LeftOutBecause): string {
  if (because.code === 'not made') return say('cut.notMadeToday', { reason: because.reason });
  return [
    say('cut.forALicensedArborist'),
    ...because.cautions.slice(0, 1).map((each) => cautionWords(say, each)),
  ].join(' ');
}

/** “No saw for 62 mm.” */
export function missingWords(
  say: Say,
  { gap, kerfMm, kerfHeightCm }: Bring['missing'][number],
  units: Units,
): string {
  const height = joined(say, heightReading(kerfHeightCm, units));
  switch (gap) {
    case 'nothing takes it':
      return say('cut.noSawFor', { thickness: joined(say, thicknessReading(kerfMm, units)) });
    case 'nothing reaches it':
      return say('cut.nothingReaches', { height });
    case 'ladder needed':
      return say('cut.onlyALadderReachesAndThereIs', { height });
  }
}

const SMALL_LITRES = 0.1;

/** “1.25 L”, “40 mL”: what an agent is measured by. */
export function litresWords(say: Say, litres: number): string {
  if (litres < SMALL_LITRES) return say('cut.ml', { litres: Math.ceil(litres * 1000) });
  return `${figure(say, litres, { least: 2 })} L`;
}
