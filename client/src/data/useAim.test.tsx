// A browser tells where a phone points on a secure address alone, after a tap, and where the phone knows it: each other case is said.
import { act, renderHook } from '@testing-library/react';
import { useAim } from './useAim';

const has = (sensor: object | undefined, secure = true) => {
  Object.defineProperty(window, 'isSecureContext', { value: secure, configurable: true });
  Object.defineProperty(globalThis, 'DeviceOrientationEvent', { value: sensor, configurable: true });
};
const turned = (angles: { alpha: number | null; beta: number; gamma: number }) =>
  act(() => {
    window.dispatchEvent(Object.assign(new Event('deviceorientation'), angles));
  });
const watched = () => renderHook(useAim).result;

test('no secure address, no sensor', () => {
  has(class {}, false);
  expect(watched().current.state).toBe('notSecure');
  has(undefined);
  expect(watched().current.state).toBe('none');
});

test('asked by a tap, then it tells; held upright it looks level', () => {
  has(class {});
  const aim = watched();
  expect(aim.current).toMatchObject({ state: 'ask', aim: null });
  act(() => aim.current.start());
  expect(aim.current.state).toBe('waiting');
  // A sensor that does not know says nothing
  turned({ alpha: null, beta: 90, gamma: 0 });
  expect(aim.current.state).toBe('waiting');
  turned({ alpha: 350, beta: 100, gamma: 0 });
  expect(aim.current).toMatchObject({
    state: 'live',
    aim: { headingDeg: expect.closeTo(10, 6), tiltDeg: expect.closeTo(10, 6) },
  });
});

test('a sensor that tells again and again is heard ten times a second', () => {
  jest.useFakeTimers();
  has(class {});
  const aim = watched();
  act(() => aim.current.start());
  const headings: number[] = [];
  for (let i = 0; i < 12; i++) {
    turned({ alpha: 360 - i, beta: 90, gamma: 0 });
    headings.push(Math.round(aim.current.aim?.headingDeg ?? -1));
    act(() => jest.advanceTimersByTime(20));
  }
  // At 0, 100 and 200 ms
  expect([...new Set(headings)]).toEqual([0, 5, 10]);
  jest.useRealTimers();
});

test('a device that says nothing for three seconds has none', () => {
  jest.useFakeTimers();
  has(class {});
  const aim = watched();
  act(() => aim.current.start());
  act(() => jest.advanceTimersByTime(2999));
  expect(aim.current.state).toBe('waiting');
  act(() => jest.advanceTimersByTime(1));
  expect(aim.current.state).toBe('none');
  jest.useRealTimers();
});

test.each([
  [async () => 'granted' as const, 'waiting'],
  [async () => 'denied' as const, 'refused'],
  [() => Promise.reject(new Error('No tap.')), 'refused'],
])('where it must be allowed, the answer counts', async (requestPermission, state) => {
  has(Object.assign(class {}, { requestPermission }));
  const aim = watched();
  await act(async () => aim.current.start());
  expect(aim.current.state).toBe(state);
});
