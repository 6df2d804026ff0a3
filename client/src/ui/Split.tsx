// On a wide screen the list stays at the left of the work; on a phone the list is a page of its own.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useWide } from './theme';

interface SplitProps {
  list: ReactNode;
  /** The work takes the whole width, as a table does. */
  whole?: boolean;
  /** The place's own pages. They stay mounted whatever stands beside them: the router keeps its place in them. */
  work: ReactNode;
}

export function Split({ list, whole = false, work }: SplitProps) {
  const wide = useWide();
  return (
    <View flex={1} minHeight={0} flexDirection="row">
      {wide && !whole ? (
        <View
          key="list"
          width={320}
          minHeight={0}
          borderRightWidth={1}
          borderColor="$rule"
          borderStyle="solid"
        >
          {list}
        </View>
      ) : null}
      <View key="work" flex={1} minWidth={0} minHeight={0}>
        {work}
      </View>
    </View>
  );
}
