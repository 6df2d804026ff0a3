// The phone at the saw: the screen stays on while somebody works, the seconds run by the clock of the orchard, and the end is heard.
import { act, renderHook, waitFor } from '@testing-library/react';
import { ring, useScreenAwake, useSecondsLeft } from './awake';

const looked = (state: 'visible' | 'hidden') => {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
};
const offer = (request: unknown) =>
  Object.defineProperty(navigator, 'wakeLock', { value: request && { request }, configurable: true });
afterEach(() => {
  offer(undefined);
  looked('visible');
  jest.useRealTimers();
});

test('the screen is held while it is asked for, let go afterwards, and held again when it is looked at', async () => {
  const release = jest.fn(async () => {});
  const request = jest.fn(async () => ({ release }));
  offer(request);
  const { result, rerender, unmount } = renderHook(({ on }) => useScreenAwake(on), {
    initialProps: { on: false },
  });
  expect(result.current).toBe('off');
  expect(request).not.toHaveBeenCalled();
  rerender({ on: true });
  await waitFor(() => expect(result.current).toBe('awake'));
  expect(request).toHaveBeenCalledWith('screen');
  // The browser lets go of it while the page is hidden
  act(() => looked('hidden'));
  expect(request).toHaveBeenCalledTimes(1);
  await act(async () => looked('visible'));
  expect(request).toHaveBeenCalledTimes(2);
  rerender({ on: false });
  expect(result.current).toBe('off');
  expect(release).toHaveBeenCalledTimes(1);
  unmount();
  act(() => looked('visible'));
  expect(request).toHaveBeenCalledTimes(2);
});

test('a lock that comes too late is let go at once; one that is refused or not offered is said so', async () => {
  const release = jest.fn(async () => {});
  let come = (_: { release: () => Promise<void> }) => {};
  offer(
    () =>
      new Promise((resolve) => {
        come = resolve;
      }),
  );
  const late = renderHook(() => useScreenAwake(true));
  late.unmount();
  await act(async () => come({ release }));
  expect(release).toHaveBeenCalledTimes(1);
  offer(() => Promise.reject(new Error('low battery')));
  const refused = renderHook(() => useScreenAwake(true));
  await waitFor(() => expect(refused.result.current).toBe('not offered'));
  offer(undefined);
  expect(renderHook(() => useScreenAwake(true)).result.current).toBe('not offered');
});

test('seconds left are those of the clock, told five times a second and never below none', () => {
  jest.useFakeTimers();
  let now = Date.parse('2026-11-24T10:00:00Z');
  const clock = () => new Date(now).toISOString();
  const { result, rerender } = renderHook(({ until }) => useSecondsLeft(until, clock), {
    initialProps: { until: null as string | null },
  });
  expect(result.current).toBeNull();
  rerender({ until: '2026-11-24T10:01:00Z' });
  expect(result.current).toBe(60);
  now += 45_500;
  act(() => jest.advanceTimersByTime(199));
  expect(result.current).toBe(60);
  act(() => jest.advanceTimersByTime(1));
  expect(result.current).toBe(14.5);
  now += 60_000;
  act(() => jest.advanceTimersByTime(200));
  expect(result.current).toBe(0);
  rerender({ until: null });
  expect(result.current).toBeNull();
  expect(jest.getTimerCount()).toBe(0);
});

test('three tones after one another, and a buzz', () => {
  const tones: [number, number][] = [];
  const vibrate = jest.fn();
  Object.defineProperty(navigator, 'vibrate', { value: vibrate, configurable: true });
  class Sound {
    currentTime = 5;
    destination = {};
    resume = jest.fn();
    createOscillator() {
      const tone: [number, number] = [0, 0];
      tones.push(tone);
      return {
        frequency: { value: 0 },
        connect: () => {},
        start: (at: number) => {
          tone[0] = at;
        },
        stop: (at: number) => {
          tone[1] = at;
        },
      };
    }
  }
  Object.assign(globalThis, { AudioContext: Sound });
  ring();
  expect(vibrate).toHaveBeenCalledTimes(1);
  expect(tones.map(([from]) => from)).toEqual([5, 5.44, 5.88].map((at) => expect.closeTo(at, 9)));
  for (const [from, to] of tones) expect(to - from).toBeCloseTo(0.22, 9);
});
