// On a wide screen the list stays at the left of the work; on a phone one of the two is shown.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useWide } from './theme';

interface SplitProps {
  list: ReactNode;
  /** null: nothing is chosen yet. */
  work: ReactNode | null;
  /** Said on a wide screen while nothing is chosen. */
  idle: ReactNode;
}

export function Split({ list, work, idle }: SplitProps) {
  if (!useWide()) return work ?? list;
  return (
    <View flex={1} minHeight={0} flexDirection="row">
      <View width={320} minHeight={0} borderRightWidth={1} borderColor="$rule" borderStyle="solid">
        {list}
      </View>
      <View flex={1} minWidth={0} minHeight={0}>
        {work ?? idle}
      </View>
    </View>
  );
}
