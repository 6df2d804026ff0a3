// On a wide screen what belongs beside the work stands beside it; on a phone the work stands alone.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useWide } from './theme';

interface ColumnsProps {
  beside: ReactNode;
  children: ReactNode;
}

export function Columns({ beside, children }: ColumnsProps) {
  if (!useWide()) return children;
  return (
    <View flexDirection="row" gap={32}>
      <View flex={3} minWidth={0} maxWidth={960} gap={16}>
        {children}
      </View>
      <View flex={2} minWidth={340} maxWidth={640}>
        {beside}
      </View>
    </View>
  );
}
