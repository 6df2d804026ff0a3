// That the minutes shown here reckon with how long cuts really took, and how sure that is.
import type { WorkPace } from '@mortisect/core/handling';
import { paceWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { Small } from '../ui/type';

export function PaceNote({ paces }: { paces: readonly WorkPace[] }) {
  const say = useSay();
  const lines = paceWords(say, paces);
  if (lines.length === 0) return null;
  return (
    <View>
      <Small>{say('shared.minutesByPace')}</Small>
      {lines.map((line) => (
        <Small key={line}>{line}</Small>
      ))}
    </View>
  );
}
