// What the order of a visit saves against making the cuts as they are listed.

import { type Visit, wholeMinutes } from '@mortisect/core/plan';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Small } from '../../ui/type';

export function OrderLine({ order, steps }: Pick<Visit, 'order' | 'steps'>) {
  const say = useSay();
  if (steps.length < 2) return null;
  const { tally, naive, gap } = order;
  const saved = naive.minutes - tally.minutes;
  return (
    <View>
      <Small>
        {say('plan.inThisOrderCleaningsPlacesToStand', {
          cleanings: tally.cleanings,
          moves: tally.moves,
          wholeMinutes: wholeMinutes(tally.minutes),
          cleanings2: naive.cleanings,
          moves2: naive.moves,
          wholeMinutes2: wholeMinutes(naive.minutes),
          more: saved >= 0.5 ? say('plan.minSaved', { saved: Math.round(saved) }) : '',
          more2: gap > 0.001 ? say('plan.closeToTheShortestOrder') : '',
        })}
      </Small>
    </View>
  );
}
