// A row that is a button: the whole of it is the target. `chosen` says which one of its list is open.
import { type GetProps, View } from '@tamagui/core';

interface PressRowProps extends Omit<GetProps<typeof View>, 'onPress'> {
  onPress(): void;
  chosen?: boolean;
}

export function PressRow({ chosen, children, ...rest }: PressRowProps) {
  return (
    <View
      render="button"
      aria-pressed={chosen}
      flexDirection="row"
      alignItems="center"
      gap={12}
      minHeight={48}
      padding={0}
      borderWidth={0}
      borderBottomWidth={1}
      borderLeftWidth={5}
      borderStyle="solid"
      borderColor="$rule"
      borderLeftColor={chosen ? '$chalk' : 'transparent'}
      backgroundColor={chosen ? '$paper' : 'transparent'}
      cursor="pointer"
      style={{ textAlign: 'left' }}
      {...rest}
    >
      {children}
    </View>
  );
}
