// One finger drags, two pinch about the place between them, the wheel comes nearer only where it is taken.
import { render } from '@testing-library/react';
import { useRef } from 'react';
import { useHold } from './useHold';

function come({ takes = true, marksArea = false } = {}) {
  const told: unknown[] = [];
  function Held() {
    const box = useRef<HTMLDivElement>(null);
    useHold(box, {
      onTouch: (at) => told.push(['touch', at]),
      onDrag: (byPx, downPx) => told.push(['drag', byPx, downPx]),
      onPinch: (by, at, moved) => told.push(['pinch', Number(by.toFixed(3)), at, moved]),
      takesWheel: (isNearer) => takes && isNearer,
      onArea: (from, to, isLast) => told.push(['area', from, to, isLast]),
      marksArea,
    });
    return <div ref={box} />;
  }
  const box = render(<Held />).container.firstElementChild as HTMLElement;
  box.setPointerCapture = () => {};
  box.getBoundingClientRect = () => ({ left: 10, top: 20 }) as DOMRect;
  const point = (type: string, pointerId: number, clientX: number, clientY: number, shiftKey = false) =>
    box.dispatchEvent(Object.assign(new Event(type), { pointerId, clientX, clientY, shiftKey }));
  const wheel = (deltaY: number) => {
    const event = Object.assign(new Event('wheel', { cancelable: true }), {
      deltaY,
      clientX: 60,
      clientY: 70,
    });
    box.dispatchEvent(event);
    return event.defaultPrevented;
  };
  /** A click there, as the browser tells one after the pointer was lifted. @returns whether it was taken for a touch */
  const onlyTouched = () => {
    const before = told.length;
    point('click', 0, 15, 27);
    if (told.length > before) expect(told.at(-1)).toEqual(['touch', { x: 5, y: 7 }]);
    return told.length > before;
  };
  return { told, point, wheel, onlyTouched };
}

test('one finger tells each step, until it is lifted', () => {
  const { told, point } = come();
  point('pointermove', 1, 0, 0);
  point('pointerdown', 1, 100, 100);
  point('pointermove', 1, 110, 160);
  point('pointermove', 1, 105, 160);
  point('pointerup', 1, 105, 160);
  point('pointermove', 1, 300, 160);
  expect(told).toEqual([
    ['drag', 10, 60],
    ['drag', -5, 0],
  ]);
});

test('two fingers twice as far apart bring it twice as near, between them; lifted, one drags again', () => {
  const { told, point } = come();
  point('pointerdown', 1, 110, 120);
  point('pointerdown', 2, 150, 120);
  point('pointermove', 2, 190, 120);
  point('pointercancel', 1, 110, 120);
  point('pointermove', 2, 180, 120);
  expect(told).toEqual([
    ['pinch', 2, { x: 140, y: 100 }, { x: 20, y: 0 }],
    ['drag', -10, 0],
  ]);
});

test.each([
  [5, true],
  [6, false],
])('a finger that went %d px has only touched: %s', (far, touched) => {
  const { point, onlyTouched } = come();
  point('pointerdown', 1, 0, 0);
  point('pointermove', 1, 0, far);
  point('pointerup', 1, 0, far);
  expect(onlyTouched()).toBe(touched);
  // The next touch begins anew
  point('pointerdown', 1, 0, 0);
  point('pointerup', 1, 0, 0);
  expect(onlyTouched()).toBe(true);
});

test('with the shift key held an area is marked out, and nothing moves', () => {
  const { told, point } = come();
  point('pointerdown', 1, 20, 30, true);
  point('pointermove', 1, 60, 80);
  point('pointerup', 1, 60, 80);
  // A touch alone marks nothing out
  point('pointerdown', 1, 20, 30, true);
  point('pointerup', 1, 20, 30);
  expect(told).toEqual([
    ['area', { x: 10, y: 10 }, { x: 50, y: 60 }, false],
    ['area', { x: 10, y: 10 }, { x: 50, y: 60 }, true],
  ]);
});

test('a finger has no shift key: while an area is marked out every drag does it', () => {
  const { told, point } = come({ marksArea: true });
  point('pointerdown', 1, 20, 30);
  point('pointermove', 1, 60, 80);
  point('pointerup', 1, 60, 80);
  expect(told).toEqual([
    ['area', { x: 10, y: 10 }, { x: 50, y: 60 }, false],
    ['area', { x: 10, y: 10 }, { x: 50, y: 60 }, true],
  ]);
});

test('the wheel comes nearer where it is taken; else the page has it', () => {
  const { told, wheel } = come();
  expect([wheel(-100), wheel(100), wheel(0)]).toEqual([true, false, false]);
  expect(told).toEqual([['pinch', 1.2, { x: 50, y: 50 }, { x: 0, y: 0 }]]);
  expect(come({ takes: false }).wheel(-100)).toBe(false);
});
