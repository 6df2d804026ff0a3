// Parts of one screen. Arrow keys move, as in any tab list.

import { View } from '@tamagui/core';
import { type KeyboardEvent, useRef } from 'react';
import { elementRef, keysOf } from './dom';
import { Label } from './type';

interface TabsProps<T extends string> {
  label: string;
  options: readonly { value: T; label: string }[];
  value: NoInfer<T>;
  onChange(value: NoInfer<T>): void;
}

const STEP: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };

export function Tabs<T extends string>({ label, options, value, onChange }: TabsProps<T>) {
  const list = useRef<HTMLElement>(null);
  const chosen = options.findIndex((option) => option.value === value);
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEP[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = (chosen + step + options.length) % options.length;
    onChange((options[next] as { value: T }).value);
    (list.current?.children[next] as HTMLElement | undefined)?.focus();
  };
  return (
    <View
      ref={elementRef(list)}
      role="tablist"
      aria-label={label}
      flexDirection="row"
      flexWrap="wrap"
      columnGap={4}
      onKeyDown={keysOf(onKeyDown)}
    >
      {options.map((option) => {
        const here = option.value === value;
        return (
          <View
            key={option.value}
            role="tab"
            aria-selected={here}
            tabIndex={here ? 0 : -1}
            onPress={() => onChange(option.value)}
            minHeight={48}
            minWidth={64}
            paddingHorizontal={12}
            justifyContent="center"
            alignItems="center"
            borderBottomWidth={4}
            borderStyle="solid"
            borderColor={here ? '$chalk' : 'transparent'}
            cursor="pointer"
          >
            <Label fontSize="$19" lineHeight="$19" color={here ? '$ink' : '$soft'}>
              {option.label}
            </Label>
          </View>
        );
      })}
    </View>
  );
}
