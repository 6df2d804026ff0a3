// What is about to come is waited for, so that a page is drawn once and nothing moves under the finger a moment later.
import { useEffect, useState } from 'react';

/** Whoever waits longer is better served by a page without it. */
const BRIEFLY_MS = 1000;

/** @returns whether to wait; false from then on, whatever is still waited for */
export function useBriefly(isWaiting: boolean): boolean {
  const [isOver, setOver] = useState(false);
  useEffect(() => {
    const over = setTimeout(() => setOver(true), BRIEFLY_MS);
    return () => clearTimeout(over);
  }, []);
  return isWaiting && !isOver;
}
