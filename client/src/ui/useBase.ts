// What a form was begun on.
import { useLayoutEffect, useRef } from 'react';

/**
 * The newest record until something was changed in the form, then the one that was changed: a record that moves meanwhile is a conflict, and
 * is not written over unseen.
 */
export function useBase<T>(newest: T, changed: boolean): T {
  const base = useRef(newest);
  useLayoutEffect(() => {
    if (!changed) base.current = newest;
  });
  return changed ? base.current : newest;
}
