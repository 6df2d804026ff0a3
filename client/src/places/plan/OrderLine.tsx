// What the order of a visit saves against making the cuts as they are listed.
import { type Visit, wholeMinutes } from '@mortisect/core/plan';
import { View } from '@tamagui/core';
import { Small } from '../../ui/type';
import { plural } from '../words';

export function OrderLine({ order, steps }: Pick<Visit, 'order' | 'steps'>) {
  if (steps.length < 2) return null;
  const { tally, naive, gap } = order;
  const saved = naive.minutes - tally.minutes;
  return (
    <View>
      <Small>
        {`In this order: ${plural(tally.cleanings, 'cleaning')}, ${plural(tally.moves, 'place')} to stand, ${wholeMinutes(tally.minutes)} min. As listed: ${plural(naive.cleanings, 'cleaning')}, ${plural(naive.moves, 'place')}, ${wholeMinutes(naive.minutes)} min${saved >= 0.5 ? `; ${Math.round(saved)} min saved` : ''}.${gap > 0.001 ? ' Close to the shortest order.' : ''}`}
      </Small>
    </View>
  );
}
