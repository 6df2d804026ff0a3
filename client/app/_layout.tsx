import { TamaguiProvider, Text, View } from '@tamagui/core';
import { Slot } from 'expo-router';
import { config } from '../src/ui/tamagui.config';
export default function L() {
  return (
    <TamaguiProvider config={config} defaultTheme="daylight">
      <View flex={1} backgroundColor="$ground">
        <Text color="$ink" fontFamily="$heading" fontSize="$32">
          Hi
        </Text>
        <Slot />
      </View>
    </TamaguiProvider>
  );
}
