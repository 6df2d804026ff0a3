// The measuring tape that every header ends in.
import { View } from '@tamagui/core';
import Svg, { Defs, Path, Pattern, Rect } from 'react-native-svg';
import { usePalette } from './theme';

export function TapeRule() {
  const { ink, rule } = usePalette();
  return (
    <View height={12} aria-hidden>
      <Svg width="100%" height={12}>
        <Defs>
          <Pattern id="tape" width={78} height={12} patternUnits="userSpaceOnUse">
            <Path d="M0.75 0V11" stroke={ink} strokeWidth={1.5} />
            <Path d="M39.5 0V8" stroke={ink} strokeWidth={1} />
            <Path
              d={[7.8, 15.6, 23.4, 31.2, 46.8, 54.6, 62.4, 70.2].map((x) => `M${x} 0V4`).join('')}
              stroke={ink}
              strokeWidth={1}
            />
          </Pattern>
        </Defs>
        <Rect width="100%" height={1} fill={rule} />
        <Rect width="100%" height={12} fill="url(#tape)" />
      </Svg>
    </View>
  );
}
