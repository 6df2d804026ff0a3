import { Text } from '@tamagui/core';
export default function I() {
  return <Text>index</Text>;
}
