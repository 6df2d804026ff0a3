// On the web a view is an element of the page. Tamagui’s types speak of native views only: what the two sides call differently is said here, once.
import type { GetProps, GetRef, View } from '@tamagui/core';
import type { KeyboardEvent, RefObject } from 'react';

type ViewProps = GetProps<typeof View>;

/** The element that a view is. */
export function elementRef(ref: RefObject<HTMLElement | null>): RefObject<GetRef<typeof View>> {
  return ref as never;
}

/** Keys that are pressed in the element. */
export function keysOf(onKeyDown: (event: KeyboardEvent) => void): NonNullable<ViewProps['onKeyDown']> {
  return onKeyDown as never;
}
