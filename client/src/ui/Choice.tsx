// One of a few: radio buttons that look like pressed keys. Arrow keys move, as in any group of radios.

import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { type KeyboardEvent, type ReactNode, useRef } from 'react';
import { useSay } from '../data/useSay';
import { elementRef, keysOf } from './dom';
import { Label } from './type';

interface Option<T> {
  value: T;
  label: string;
  mark?: ReactNode;
}

interface ChoiceProps<T> {
  label: string;
  options: readonly Option<T>[];
  value: NoInfer<T> | null;
  onChange(value: NoInfer<T>): void;
  /** `row` shares the width evenly; `wrap` gives each its own. */
  layout?: 'row' | 'wrap';
  /** Arrow keys only move: for a choice that changes the page, as the one that opens it. Enter and space choose. */
  manual?: boolean;
}

const STEP: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export function Choice<T extends string | boolean>({
  label,
  options,
  value,
  onChange,
  layout = 'row',
  manual = false,
}: ChoiceProps<T>) {
  const say = useSay();
  const group = useRef<HTMLElement>(null);
  const chosen = options.findIndex((option) => option.value === value);
  const onKeyDown = (event: KeyboardEvent) => {
    const keys = [...(group.current?.children ?? [])] as HTMLElement[];
    const at = keys.indexOf(document.activeElement as HTMLElement);
    const option = options[at];
    if ((event.key === 'Enter' || event.key === ' ') && option) {
      event.preventDefault();
      return onChange(option.value);
    }
    const step = STEP[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const from = manual ? at : chosen;
    const next = (Math.max(from, 0) + step + options.length) % options.length;
    if (!manual) onChange((options[next] as Option<T>).value);
    keys[next]?.focus();
  };
  return (
    <View
      ref={elementRef(group)}
      role="radiogroup"
      aria-label={label}
      flexDirection="row"
      flexWrap={layout === 'wrap' ? 'wrap' : 'nowrap'}
      gap={8}
      onKeyDown={keysOf(onKeyDown)}
    >
      {options.map((option, i) => {
        const on = i === chosen;
        return (
          <View
            key={String(option.value)}
            role="radio"
            aria-checked={on}
            tabIndex={on || (chosen < 0 && i === 0) ? 0 : -1}
            onPress={() => onChange(option.value)}
            flex={layout === 'row' ? 1 : undefined}
            minHeight={48}
            minWidth={48}
            paddingHorizontal={12}
            paddingVertical={6}
            flexDirection="row"
            alignItems="center"
            justifyContent="center"
            gap={8}
            borderRadius={3}
            borderWidth={on ? 2.4 : 1}
            borderStyle="solid"
            borderColor={on ? '$chalk' : '$soft'}
            backgroundColor={on ? '$paper' : 'transparent'}
            cursor="pointer"
          >
            {option.mark}
            <Label textAlign="center">{told(say, option.label)}</Label>
          </View>
        );
      })}
    </View>
  );
}
