// A page is drawn once, with what is about to come, and not again a moment later.
import { useEffect, useState } from 'react';

/** So long it waits: of thousands of trees, to be drawn without something and then with it takes longer, where both come at once. */
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
