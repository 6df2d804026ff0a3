// A long list of trees, so many at once: a thousand rows keep a phone busy for seconds.
import { View } from '@tamagui/core';
import { type ReactNode, startTransition, useEffect, useState } from 'react';
import { useSay } from '../data/useSay';
import { Button } from './Button';

const AT_ONCE = 60;
/** More than any screen shows: they are drawn before the others of the first part. */
const ON_SCREEN = 12;
/** Of a list among others, and those that are drawn first: the screen of a phone is full with them, so that nothing on it moves. */
const AMONG_OTHERS = 20;
const FIRST_AMONG_OTHERS = 8;

interface InParts<T> {
  shown: readonly T[];
  /** The button that shows more; null where nothing is left. */
  more: ReactNode;
}

/** @param least so many are shown in any case */
export function useInParts<T>(
  all: readonly T[],
  least = 0,
  { atOnce = AT_ONCE, first = ON_SCREEN } = {},
): InParts<T> {
  const say = useSay();
  const [most, setMost] = useState(first);
  useEffect(() => {
    startTransition(() => setMost((before) => Math.max(before, atOnce)));
  }, [atOnce]);
  const shown = all.slice(0, Math.max(most, least));
  const trees = all.length - shown.length;
  const showMore = () => setMost(shown.length + atOnce);
  return {
    shown,
    more:
      trees > 0 && most >= atOnce ? (
        <Button onPress={showMore}>{say('shared.moreTrees', { trees })}</Button>
      ) : null,
  };
}

/** The same among other rows, which run to the edges of a screen. */
export function useFewRows<T>(all: readonly T[]): InParts<T> {
  const { shown, more } = useInParts(all, 0, { atOnce: AMONG_OTHERS, first: FIRST_AMONG_OTHERS });
  return {
    shown,
    more: more ? (
      <View paddingHorizontal={16} paddingVertical={8}>
        {more}
      </View>
    ) : null,
  };
}

/** Whether what fills the screen stands, and what lies under it can be drawn. */
export function useAfterwards(): boolean {
  const [isTime, setTime] = useState(false);
  useEffect(() => startTransition(() => setTime(true)), []);
  return isTime;
}

/** What lies under a long list: it is drawn when that stands. */
export function Afterwards({ children }: { children: ReactNode }) {
  return useAfterwards() ? children : null;
}
