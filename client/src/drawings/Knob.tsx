// A round handle that is dragged over a drawing in two directions, or moved by arrow keys.

import { View } from '@tamagui/core';
import { type KeyboardEvent, useRef } from 'react';
import Svg, { Circle } from 'react-native-svg';
import { elementRef, keysOf } from '../ui/dom';
import { usePalette } from '../ui/theme';
import { ARROWS } from './arrows';
import { useDragAlong } from './tape/useDragAlong';

interface KnobProps<T> {
  label: string;
  value: number;
  most: number;
  says: string;
  /** Middle of the knob over the drawing, px. */
  left: number;
  top: number;
  /** Where the drag starts from, handed back with every move. */
  from: T;
  onDrag(from: T, byPx: number, downPx: number): void;
  onHold?(on: boolean): void;
  /** Arrow keys: steps to the right and up. */
  onKey(right: number, up: number): void;
}

const SIZE = 48;

export function Knob<T>({ label, value, most, says, left, top, from, onDrag, onHold, onKey }: KnobProps<T>) {
  const { chalk, onInk } = usePalette();
  const knob = useRef<HTMLElement>(null);
  useDragAlong(knob, {
    onStart: (event) => {
      event.stopPropagation();
      onHold?.(true);
      const release = () => onHold?.(false);
      window.addEventListener('pointerup', release, { once: true });
      window.addEventListener('pointercancel', release, { once: true });
      return from;
    },
    onMove: onDrag,
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (!step) return;
    event.preventDefault();
    onKey(...step);
  };
  return (
    <View
      ref={elementRef(knob)}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={says}
      onKeyDown={keysOf(onKeyDown)}
      onPress={((event: Event) => event.stopPropagation()) as never}
      position="absolute"
      left={left - SIZE / 2}
      top={top - SIZE / 2}
      width={SIZE}
      height={SIZE}
      cursor="grab"
      style={{ touchAction: 'none' }}
    >
      <Svg width={SIZE} height={SIZE} viewBox="0 0 48 48" aria-hidden>
        <Circle cx={24} cy={24} r={15} fill={chalk} stroke={onInk} strokeWidth={2.4} />
        <Circle cx={24} cy={24} r={4} fill={onInk} />
      </Svg>
    </View>
  );
}
