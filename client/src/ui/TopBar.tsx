// A line above the page that says one thing, with one thing to do about it.
import { View } from '@tamagui/core';
import type { ComponentProps, ReactNode } from 'react';

type TopBarProps = Pick<ComponentProps<typeof View>, 'role'> & { children: ReactNode };

export function TopBar({ children, ...rest }: TopBarProps) {
  return (
    <View
      {...rest}
      flexDirection="row"
      alignItems="center"
      gap={12}
      paddingHorizontal={16}
      backgroundColor="$paper"
      borderBottomWidth={1}
      borderStyle="solid"
      borderColor="$rule"
    >
      {children}
    </View>
  );
}
