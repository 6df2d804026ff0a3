// How large is this box, and how large does the reader want text?
import { type RefObject, useEffect, useState, useSyncExternalStore } from 'react';

/** Width of an element in px, followed as it changes; null before it is laid out. */
export function useWidthOf(ref: RefObject<HTMLElement | null>): number | null {
  const [width, setWidth] = useState<number | null>(null);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    setWidth(element.clientWidth);
    return () => observer.disconnect();
  }, [ref]);
  return width;
}

const LARGEST_IN_DRAWINGS = 1.5;
const COMMON_ROOT_PX = 16;

/** The reader's text size for labels in drawings: 1 where unchanged. */
export function useTextScale(): number {
  const px = useSyncExternalStore(
    onResize,
    () => Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || COMMON_ROOT_PX,
  );
  return Math.min(LARGEST_IN_DRAWINGS, Math.max(1, px / COMMON_ROOT_PX));
}

/** One function for all: another one at each drawing would be another listener at each. */
function onResize(changed: () => void): () => void {
  window.addEventListener('resize', changed);
  return () => window.removeEventListener('resize', changed);
}
