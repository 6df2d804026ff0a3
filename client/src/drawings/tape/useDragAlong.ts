// Dragging along the tape with a thumb or a mouse: how far the pointer has gone since it was put down.
import { type RefObject, useEffect, useRef } from 'react';

interface Drag<T> {
  /** Called as the pointer goes down; what it returns is handed to every move. undefined: not a drag. */
  onStart(event: PointerEvent): T | undefined;
  onMove(from: T, byPx: number, downPx: number): void;
}

/** Binds to the element itself: the pointer is captured, so that a drag goes on outside it. */
export function useDragAlong<T>(target: RefObject<HTMLElement | null>, drag: Drag<T>): void {
  const latest = useRef(drag);
  latest.current = drag;
  useEffect(() => {
    const element = target.current;
    if (!element) return;
    let held: { from: T; x: number; y: number } | null = null;
    const down = (event: PointerEvent) => {
      const from = latest.current.onStart(event);
      if (from === undefined) return;
      held = { from, x: event.clientX, y: event.clientY };
      element.setPointerCapture(event.pointerId);
    };
    const move = (event: PointerEvent) => {
      if (held) latest.current.onMove(held.from, event.clientX - held.x, event.clientY - held.y);
    };
    const up = () => {
      held = null;
    };
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', up);
    return () => {
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', up);
    };
  }, [target]);
}
