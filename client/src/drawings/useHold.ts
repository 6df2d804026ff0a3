// A drawing held by one finger, or by two: how far one has moved, and how much nearer two bring it, and where.
import { type RefObject, useEffect, useRef } from 'react';

export interface Place {
  x: number;
  y: number;
}

interface Hold {
  /** It was touched there and let go of again. */
  onTouch(at: Place): void;
  /** One finger, or the mouse, has moved so far to the right and down since it was told last. */
  onDrag(byPx: number, downPx: number): void;
  /** Whoever drags marks out an area, without the shift key as well. */
  marksArea?: boolean;
  /** With the shift key held it marks out an area, from where it was put down; the last word once it is lifted. */
  onArea?(from: Place, to: Place, isLast: boolean): void;
  /** Two fingers, or the wheel: so many times nearer, at a place of the drawing that has moved so far since it was told last. */
  onPinch(by: number, at: Place, moved: Place): void;
  /** Does the wheel work here now? Else the page scrolls. */
  takesWheel(isNearer: boolean): boolean;
}

const A_WHEEL_STEP = 1.2;
/** A finger that moves less has only touched. */
const STILL_PX = 6;

/** Binds to the element itself: its pointers are captured, so that a drag goes on outside it. */
export function useHold(target: RefObject<HTMLElement | null>, hold: Hold): void {
  const latest = useRef(hold);
  latest.current = hold;
  useEffect(() => {
    const element = target.current;
    if (!element) return;
    const held = new Map<number, Place>();
    let areaFrom: Place | null = null;
    let far = 0;
    let corner = { left: 0, top: 0 };
    const placeOf = ({ clientX, clientY }: { clientX: number; clientY: number }): Place => ({
      x: clientX - corner.left,
      y: clientY - corner.top,
    });
    // Asked for once: to ask at every move would have the page laid out each time
    const look = () => {
      corner = element.getBoundingClientRect();
    };
    const down = (event: PointerEvent) => {
      if (held.size === 0) {
        far = 0;
        look();
      }
      held.set(event.pointerId, placeOf(event));
      const { onArea, marksArea } = latest.current;
      areaFrom = onArea && (event.shiftKey || marksArea) ? placeOf(event) : null;
      element.setPointerCapture(event.pointerId);
    };
    const move = (event: PointerEvent) => {
      const before = held.get(event.pointerId);
      if (!before) return;
      const [other] = [...held].flatMap(([id, place]) => (id === event.pointerId ? [] : [place]));
      const now = placeOf(event);
      held.set(event.pointerId, now);
      far += Math.hypot(now.x - before.x, now.y - before.y);
      if (areaFrom) return latest.current.onArea?.(areaFrom, now, false);
      if (!other) return latest.current.onDrag(now.x - before.x, now.y - before.y);
      const apart = (at: Place) => Math.max(1, Math.hypot(at.x - other.x, at.y - other.y));
      const [was, is] = [middle(before, other), middle(now, other)];
      latest.current.onPinch(apart(now) / apart(before), is, { x: is.x - was.x, y: is.y - was.y });
    };
    const up = (event: PointerEvent) => {
      held.delete(event.pointerId);
      if (areaFrom && far >= STILL_PX) latest.current.onArea?.(areaFrom, placeOf(event), true);
      areaFrom = null;
    };
    const click = (event: MouseEvent) => {
      look();
      if (far < STILL_PX) latest.current.onTouch(placeOf(event));
    };
    const wheel = (event: WheelEvent) => {
      const isNearer = event.deltaY < 0;
      if (event.deltaY === 0 || !latest.current.takesWheel(isNearer)) return;
      event.preventDefault();
      look();
      latest.current.onPinch(isNearer ? A_WHEEL_STEP : 1 / A_WHEEL_STEP, placeOf(event), { x: 0, y: 0 });
    };
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', up);
    element.addEventListener('click', click);
    element.addEventListener('wheel', wheel, { passive: false });
    return () => {
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', up);
      element.removeEventListener('click', click);
      element.removeEventListener('wheel', wheel);
    };
  }, [target]);
}

const middle = (a: Place, b: Place): Place => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
