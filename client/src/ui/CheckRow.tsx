// A row that is on or off: a checkbox whose whole row is the target.

import { View } from '@tamagui/core';
import type { KeyboardEvent } from 'react';
import Svg, { Path } from 'react-native-svg';
import { keysOf } from './dom';
import { usePalette } from './theme';
import { Label, Small } from './type';

interface CheckRowProps {
  label: string;
  detail?: string;
  on: boolean;
  onChange(on: boolean): void;
}

export function CheckRow({ label, detail, on, onChange }: CheckRowProps) {
  const { chalk } = usePalette();
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== ' ' && event.key !== 'Enter') return;
    event.preventDefault();
    onChange(!on);
  };
  return (
    <View
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      tabIndex={0}
      onPress={() => onChange(!on)}
      onKeyDown={keysOf(onKeyDown)}
      flexDirection="row"
      alignItems="center"
      gap={12}
      minHeight={48}
      paddingVertical={4}
      cursor="pointer"
    >
      <View
        width={26}
        height={26}
        borderWidth={on ? 2.4 : 1.5}
        borderStyle="solid"
        borderColor={on ? '$chalk' : '$soft'}
        borderRadius={3}
        alignItems="center"
        justifyContent="center"
        backgroundColor="$paper"
      >
        {on ? (
          <Svg width={18} height={18} viewBox="0 0 18 18" aria-hidden>
            <Path d="M3 9L7 13L15 4" stroke={chalk} strokeWidth={3} fill="none" />
          </Svg>
        ) : null}
      </View>
      <View flex={1} minWidth={0}>
        <Label>{label}</Label>
        {detail ? <Small>{detail}</Small> : null}
      </View>
    </View>
  );
}
