// What others wrote is read anew when the server tells of it; a server that is away is tried less and less often.
import { act } from '@testing-library/react';
import { changesAreTold, followChanges } from './changes';
import { queryClient } from './queryClient';

class Source {
  static readonly OPEN = 1;
  static readonly CLOSED = 2;
  static made: Source[] = [];
  readyState = 0;
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(readonly url: string) {
    Source.made.push(this);
  }
  close() {
    this.readyState = Source.CLOSED;
  }
  tell(reached: string, of: 'revision' | 'plans' = 'revision') {
    this.readyState = Source.OPEN;
    this.onmessage?.({ data: JSON.stringify({ [of]: reached }) });
  }
}
const last = () => Source.made.at(-1) as Source;
const show = (state: 'visible' | 'hidden') => {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
};

test('from the first word to the server that comes back', () => {
  jest.useFakeTimers();
  Object.assign(globalThis, { EventSource: Source });
  const invalidated = jest.spyOn(queryClient, 'invalidateQueries').mockResolvedValue();
  const keys = () => invalidated.mock.calls.map(([filters]) => filters?.queryKey?.[0]);
  followChanges();
  expect(last().url).toMatch(/^\/api\/changes\?device=[0-9a-f-]{36}$/);
  expect(changesAreTold()).toBe(false);
  last().tell('o:1');
  expect(changesAreTold()).toBe(true);
  // The first word, and the same again, tell of nothing new
  last().tell('o:1');
  expect(keys()).toEqual([]);
  last().tell('o:2');
  expect(keys()).toEqual([
    ...['round', 'run', 'open-work', 'listed-trees', 'tree', 'jobs', 'aftercare', 'log', 'removed-photos'],
    'season-plan',
  ]);
  // A plan that was kept changes nothing else
  invalidated.mockClear();
  last().tell('o:1', 'plans');
  expect(keys()).toEqual(['kept-plans', 'listed-trees']);
  // Those that follow at once come together
  for (const seq of [2, 3, 4]) last().tell(`o:${seq}`, 'plans');
  jest.advanceTimersByTime(1999);
  expect(keys()).toHaveLength(2);
  jest.advanceTimersByTime(1);
  expect(keys()).toHaveLength(4);
  jest.advanceTimersByTime(9000);
  expect(keys()).toHaveLength(4);
  // Nobody looks: nothing is listened to. Back again, what was missed meanwhile is read
  show('hidden');
  expect(changesAreTold()).toBe(false);
  expect(Source.made).toHaveLength(1);
  invalidated.mockClear();
  show('visible');
  expect(Source.made).toHaveLength(2);
  last().tell('o:5');
  expect(keys()).toContain('open-work');
  // Away: tried after 2, 5, 10 and 20 seconds, and no more than one at a time
  for (const seconds of [2, 5, 10, 20, 20]) {
    const before = Source.made.length;
    last().onerror?.();
    act(() => jest.advanceTimersByTime(seconds * 1000 - 1));
    expect(Source.made).toHaveLength(before);
    act(() => jest.advanceTimersByTime(1));
    expect(Source.made).toHaveLength(before + 1);
  }
  window.dispatchEvent(new Event('online'));
  const now = Source.made.length;
  last().tell('o:6');
  last().onerror?.();
  act(() => jest.advanceTimersByTime(2000));
  expect(Source.made).toHaveLength(now + 1);
  jest.useRealTimers();
});
