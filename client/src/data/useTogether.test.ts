// Answers that come one after the other are drawn together: at once when all are there, now and then while some are waited for.
import { QueryClient } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import { type Answer, SHOWN_MS, useTogether } from './useTogether';

/** Questions that are answered by hand. */
function come(names: readonly string[]) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: 1000 } } });
  const hand = new Map<string, { answer(value: string): void; refuse(): void }>();
  const ask = (name: string) => ({
    queryKey: [name],
    queryFn: () =>
      new Promise<string>((answer, refuse) =>
        hand.set(name, { answer, refuse: () => refuse(new Error(name)) }),
      ),
  });
  const asked = new Map(names.map((name) => [name, ask(name)]));
  let drawn = 0;
  const hook = renderHook(
    ({ queries }) => {
      drawn++;
      return useTogether<string>(client, queries);
    },
    { initialProps: { queries: names.map((name) => asked.get(name) ?? ask(name)) } },
  );
  const say = async (name: string, how: 'answer' | 'refuse' = 'answer') => {
    await act(async () => {
      if (how === 'answer') hand.get(name)?.answer(name.toUpperCase());
      else hand.get(name)?.refuse();
      await jest.advanceTimersByTimeAsync(1);
    });
  };
  const shown = (): Answer<string>[] => hook.result.current;
  return { say, shown, drawn: () => drawn, hook, ask, asked, client };
}
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('while some are waited for, what has come is shown once in a while; the last one shows all at once', async () => {
  const { say, shown, drawn, client } = come(['a', 'b', 'c', 'd']);
  expect(shown()).toEqual([null, null, null, null]);
  await act(async () => jest.advanceTimersByTimeAsync(1));
  const before = drawn();
  await say('a');
  await say('b');
  expect([shown(), drawn()]).toEqual([[null, null, null, null], before]);
  await act(async () => jest.advanceTimersByTimeAsync(SHOWN_MS));
  expect([shown(), drawn()]).toEqual([['A', 'B', null, null], before + 1]);
  await say('c', 'refuse');
  expect(drawn()).toBe(before + 1);
  await say('d');
  expect([shown(), drawn()]).toEqual([['A', 'B', 'failed', 'D'], before + 2]);
  client.clear();
});

test('what is known already is there at once, and what is asked besides comes to it', async () => {
  const { say, shown, hook, ask, asked, client } = come(['a']);
  await act(async () => jest.advanceTimersByTimeAsync(1));
  await say('a');
  expect(shown()).toEqual(['A']);
  client.setQueryData(['known'], 'KNOWN');
  hook.rerender({ queries: [asked.get('a') ?? ask('a'), ask('known'), ask('new')] });
  expect(shown()).toEqual(['A', 'KNOWN', null]);
  await act(async () => jest.advanceTimersByTimeAsync(1));
  await say('known');
  await say('new');
  expect(shown()).toEqual(['A', 'KNOWN', 'NEW']);
  client.clear();
});

test('what rests on the answers is made once: they are the same array until one of them is another', async () => {
  const { say, shown, hook, ask, asked, client } = come(['a', 'b']);
  await act(async () => jest.advanceTimersByTimeAsync(1));
  const none = shown();
  hook.rerender({ queries: [ask('a'), ask('b')] });
  expect(shown()).toBe(none);
  const same = () => [asked.get('a') ?? ask('a'), asked.get('b') ?? ask('b')];
  hook.rerender({ queries: same() });
  await say('a');
  await say('b');
  const both = shown();
  expect(both).toEqual(['A', 'B']);
  hook.rerender({ queries: same() });
  expect(shown()).toBe(both);
  hook.rerender({ queries: same().slice(0, 1) });
  expect(shown()).toEqual(['A']);
  client.clear();
});
