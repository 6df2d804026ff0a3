// A drawing of which one place is chosen and read: by touch, by dragging along it, or by arrow keys.

import { View } from '@tamagui/core';
import type { KeyboardEvent, ReactNode, RefObject } from 'react';
import { elementRef, keysOf } from '../ui/dom';
import { useDragAlong } from './tape/useDragAlong';

interface Places {
  /** The chosen place, from 0. */
  at: number;
  count: number;
  /** How many stand in a row, where rows stand below one another; else all stand in one. */
  across?: number;
}

interface CursorProps extends Places {
  box: RefObject<HTMLElement | null>;
  label: string;
  /** What stands at the chosen place, in words. */
  valueText: string;
  /** What a screen reader is told as least, most and current value; the places themselves where missing. */
  values?: readonly [number, number, number];
  height: number;
  /** Places that Shift and an arrow go. */
  far?: number;
  /** A touch chooses, and does not drag. */
  tapsOnly?: boolean;
  /** The place at a point of the drawing, px. */
  placeAt(x: number, y: number): number;
  onAt(at: number): void;
  children: ReactNode;
}

/**
 * The place that a key leads to; undefined for a key that leads nowhere.
 *
 * @example cursorAfter('ArrowDown', 1, { at: 1, count: 6, across: 3 }) //=> 4
 */
export function cursorAfter(key: string, steps: number, { at, count, across }: Places): number | undefined {
  if (count === 0) return undefined;
  const row = across ?? count;
  const first = at - (at % row);
  const inRow = (to: number) => Math.max(first, Math.min(first + row - 1, to));
  const [up, down] = across === undefined ? [inRow(at + steps), inRow(at - steps)] : [at - row, at + row];
  const to = {
    ArrowRight: inRow(at + steps),
    ArrowLeft: inRow(at - steps),
    ArrowUp: up,
    ArrowDown: down,
    Home: first,
    End: first + row - 1,
  }[key];
  return to !== undefined && (to < 0 || to >= count) ? at : to;
}

export function Cursor({ box, label, valueText, values, height, far = 1, tapsOnly, ...given }: CursorProps) {
  const { at, count, across, placeAt, onAt, children } = given;
  const [least, most, now] = values ?? [0, count - 1, at];
  const choose = ({ clientX, clientY }: { clientX: number; clientY: number }) => {
    const { left = 0, top = 0 } = box.current?.getBoundingClientRect() ?? {};
    onAt(placeAt(clientX - left, clientY - top));
  };
  useDragAlong(box, {
    onStart: (event) => {
      if (tapsOnly) return undefined;
      choose(event);
      return event;
    },
    onMove: ({ clientX, clientY }, byPx, downPx) =>
      choose({ clientX: clientX + byPx, clientY: clientY + downPx }),
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const places = { at, count, ...(across !== undefined && { across }) };
    const to = cursorAfter(event.key, event.shiftKey ? far : 1, places);
    if (to === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onAt(to);
  };
  return (
    <View
      ref={elementRef(box)}
      width="100%"
      height={height}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={Math.round(least)}
      aria-valuemax={Math.round(most)}
      aria-valuenow={Math.round(now)}
      aria-valuetext={valueText}
      onKeyDown={keysOf(onKeyDown)}
      {...(tapsOnly && { onPress: ({ nativeEvent }) => choose(nativeEvent as unknown as MouseEvent) })}
      cursor={tapsOnly ? 'pointer' : 'ew-resize'}
      style={tapsOnly ? {} : { touchAction: 'pan-y' }}
    >
      {children}
    </View>
  );
}
