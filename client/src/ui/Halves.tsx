// Two parts of one page: side by side where there is room, else one after the other.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useWide } from './theme';

interface HalvesProps {
  first: ReactNode;
  second: ReactNode;
}

export function Halves({ first, second }: HalvesProps) {
  const wide = useWide();
  return (
    <View flexDirection={wide ? 'row' : 'column'} gap={wide ? 32 : 16}>
      {[first, second].map((part, i) => (
        <View key={i === 0 ? 'first' : 'second'} {...(wide && { flex: 1 })} minWidth={0} gap={16}>
          {part}
        </View>
      ))}
    </View>
  );
}
