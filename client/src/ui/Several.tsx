// Several of a few: check boxes that look like pressed keys.
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import type { KeyboardEvent } from 'react';
import { useSay } from '../data/useSay';
import { keysOf } from './dom';
import { Label } from './type';

interface SeveralProps<T extends string> {
  label: string;
  options: readonly { value: T; label: string }[];
  /** In the order they were chosen. */
  value: readonly NoInfer<T>[];
  onChange(value: NoInfer<T>[]): void;
}

export function Several<T extends string>({ label, options, value, onChange }: SeveralProps<T>) {
  const say = useSay();
  const press = (option: T) =>
    onChange(value.includes(option) ? value.filter((other) => other !== option) : [...value, option]);
  return (
    <View gap={4}>
      <Label>{label}</Label>
      <View role="group" aria-label={label} flexDirection="row" flexWrap="wrap" gap={8}>
        {options.map((option) => {
          const on = value.includes(option.value);
          return (
            <View
              key={option.value}
              role="checkbox"
              aria-checked={on}
              tabIndex={0}
              onPress={() => press(option.value)}
              onKeyDown={keysOf((event: KeyboardEvent) => {
                if (event.key !== ' ' && event.key !== 'Enter') return;
                event.preventDefault();
                press(option.value);
              })}
              minHeight={48}
              minWidth={48}
              paddingHorizontal={12}
              justifyContent="center"
              borderRadius={3}
              borderWidth={on ? 2.4 : 1}
              borderStyle="solid"
              borderColor={on ? '$chalk' : '$soft'}
              backgroundColor={on ? '$paper' : 'transparent'}
              cursor="pointer"
            >
              <Label textAlign="center">{told(say, option.label)}</Label>
            </View>
          );
        })}
      </View>
    </View>
  );
}
