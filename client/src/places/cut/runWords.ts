// Why a cut is not in the run, and what the kit cannot do, in words.

import { heightReading, joined, thicknessReading, type Units } from '@mortisect/core/measure';
import type { Bring, LeftOutBecause } from '@mortisect/core/run';
import { cautionWords } from '@mortisect/core/words';

/** “For a licensed arborist. The tree is over 6 m (20 ft) high.” */
export function leftOutWords(because: LeftOutBecause): string {
  if (because.code === 'not made') return `Not made today: ${because.reason}`;
  return ['For a licensed arborist.', ...because.cautions.slice(0, 1).map(cautionWords)].join(' ');
}

/** “No saw for 62 mm.” */
export function missingWords({ gap, kerfMm, kerfHeightCm }: Bring['missing'][number], units: Units): string {
  const height = joined(heightReading(kerfHeightCm, units));
  switch (gap) {
    case 'nothing takes it':
      return `No saw for ${joined(thicknessReading(kerfMm, units))}.`;
    case 'nothing reaches it':
      return `Nothing reaches ${height}.`;
    case 'ladder needed':
      return `Only a ladder reaches ${height}, and there is none.`;
  }
}
