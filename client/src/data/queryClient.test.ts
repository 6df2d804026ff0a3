// What is kept on the device is shown at once and read anew behind it, whatever becomes of that read.
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { askedForWhatItHolds, type KeptIn, keeping } from './queryClient';

const mockLong = new Map<unknown, string>();
jest.mock('./api', () => ({
  ...jest.requireActual('./api'),
  bytesOf: (answer: unknown) => mockLong.get(answer),
  answerFrom: async (bytes: string) => `read from ${bytes}`,
}));
const KEY = ['tree', 'a'];
const wait = () => new Promise((resolve) => setTimeout(resolve, 5));
/** However slow the machine. */
async function until(holds: () => boolean): Promise<void> {
  for (let looks = 0; looks < 1000 && !holds(); looks++) await wait();
  expect(holds()).toBe(true);
}

function deviceWith(full = false) {
  const kept = new Map<string, unknown>();
  const store: KeptIn = {
    getItem: async (key) => kept.get(key),
    setItem: async (key, value) => {
      if (full) throw new Error('the device is full');
      kept.set(key, JSON.parse(JSON.stringify(value)));
    },
    removeItem: async (key) => void kept.delete(key),
  };
  return { kept, store, device: keeping(store) };
}

/** A client that shows this query, answered one read after another. */
function shown({ device }: ReturnType<typeof deviceWith>, read: jest.Mock) {
  const client = new QueryClient({
    defaultOptions: {
      queries: { persister: device.read as never, staleTime: 0, retry: false, networkMode: 'always' },
    },
  });
  const observer = new QueryObserver<string>(client, { queryKey: KEY, queryFn: read });
  observer.subscribe(() => {});
  return { client, current: () => observer.getCurrentResult() };
}

/** As an earlier visit left it. */
async function visited(read = jest.fn(async () => 'of yesterday')) {
  const on = deviceWith();
  const { client } = shown(on, read);
  await until(() => on.kept.size > 0);
  client.clear();
  return on;
}

test('what an earlier visit read stands at once, and gives way to what is read anew', async () => {
  const on = await visited();
  let answer = (_: string) => {};
  const { client, current } = shown(
    on,
    jest.fn(() => new Promise<string>((resolve) => (answer = resolve))),
  );
  await until(() => current().data !== undefined && current().isFetching);
  expect(current().data).toBe('of yesterday');
  answer('of today');
  await until(() => current().data === 'of today' && !current().isFetching);
  await until(() =>
    [...on.kept.values()].some((kept) => (kept as { state: { data: string } }).state.data === 'of today'),
  );
  client.clear();
});

// A rejection that nobody hears fails the test by itself
test('a read that fails leaves what was kept on the screen, and no error that nobody hears', async () => {
  const on = await visited();
  const { client, current } = shown(on, jest.fn().mockRejectedValue(new Error('no answer')));
  await until(() => current().error !== null);
  expect([current().data, current().error?.message]).toEqual(['of yesterday', 'no answer']);
  await wait();
  client.clear();
});

test('a read that two changes overtake ends with the last answer, and no error that nobody hears', async () => {
  const on = await visited();
  const answers: ((answer: string) => void)[] = [];
  const { client, current } = shown(
    on,
    jest.fn(() => new Promise<string>((resolve) => answers.push(resolve))),
  );
  await until(() => answers.length === 1);
  for (const reads of [2, 3]) {
    void client.invalidateQueries({ queryKey: KEY });
    await until(() => answers.length === reads);
  }
  for (const [i, answer] of answers.entries()) answer(`read ${i}`);
  await until(() => current().data === 'read 2');
  await wait();
  client.clear();
});

test('a device that is full shows what it cannot keep, and says so where it was meant to be kept', async () => {
  const on = deviceWith(true);
  const { client, current } = shown(
    on,
    jest.fn(async () => 'of today'),
  );
  await until(() => current().data === 'of today');
  await expect(on.device.keep(client, KEY)).rejects.toThrow('the device is full');
  client.clear();
});

test('what was read is kept when the page rests, as it stands then: a change made meanwhile is not overwritten, and what was taken away is not brought back', async () => {
  const resting: (() => void)[] = [];
  Object.assign(globalThis, { requestIdleCallback: (work: () => void) => resting.push(work) });
  try {
    const on = deviceWith();
    const { client, current } = shown(
      on,
      jest.fn(async () => 'as read'),
    );
    await until(() => current().data === 'as read' && resting.length === 1);
    expect(on.kept.size).toBe(0);
    client.setQueryData(KEY, 'as changed here');
    resting[0]?.();
    await until(() => on.kept.size > 0);
    expect([...on.kept.values()]).toMatchObject([{ state: { data: 'as changed here' }, queryKey: KEY }]);
    // Read twice before it rests, it is written once
    await client.refetchQueries({ queryKey: KEY });
    await client.refetchQueries({ queryKey: KEY });
    expect(resting).toHaveLength(2);
    on.kept.clear();
    client.clear();
    resting[1]?.();
    await wait();
    expect(on.kept.size).toBe(0);
  } finally {
    Object.assign(globalThis, { requestIdleCallback: undefined });
  }
});

test('a long answer is kept as it came, and a while after: whoever waits for a thread is not held up by it', async () => {
  mockLong.set('a long one', 'its bytes');
  const on = deviceWith();
  const begun = Date.now();
  const { client, current } = shown(
    on,
    jest.fn(async () => 'a long one'),
  );
  await until(() => current().data === 'a long one');
  await until(() => on.kept.size > 0);
  expect(Date.now() - begun).toBeGreaterThanOrEqual(1490);
  expect([...on.kept.values()]).toMatchObject([{ bytes: 'its bytes', queryKey: KEY }]);
  expect(JSON.stringify([...on.kept.values()])).not.toContain('a long one');
  client.clear();
  const later = shown(
    on,
    jest.fn(() => new Promise<string>(() => undefined)),
  );
  await until(() => later.current().data === 'read from its bytes');
  later.client.clear();
});

test('it waits while anything else is read, but not for ever', async () => {
  jest.useFakeTimers();
  try {
    mockLong.set('a long one', 'its bytes');
    for (const isAnswered of [true, false]) {
      const on = deviceWith();
      const { client, current } = shown(
        on,
        jest.fn(async () => 'a long one'),
      );
      await jest.advanceTimersByTimeAsync(50);
      expect(current().data).toBe('a long one');
      let answer = (_: string) => {};
      const other = new Promise<string>((resolve) => (answer = resolve));
      void client.prefetchQuery({ queryKey: ['order'], queryFn: () => other, persister: undefined as never });
      // 1.5 s after it came, then up to eight times a quarter of a second
      await jest.advanceTimersByTimeAsync(isAnswered ? 2550 : 3400);
      expect(on.kept.size).toBe(0);
      if (isAnswered) answer('of another');
      await jest.advanceTimersByTimeAsync(260);
      expect(on.kept.size).toBe(1);
      client.clear();
    }
  } finally {
    jest.useRealTimers();
  }
});

test('the device is not asked for what it does not hold, but once more for what another page may have kept', async () => {
  const { kept, store } = deviceWith();
  const getItem = jest.spyOn(store, 'getItem');
  kept.set('trees', 'of yesterday');
  let read = (_: string[]) => {};
  const device = askedForWhatItHolds(store, new Promise((resolve) => (read = resolve)));
  expect(await device.getItem('run')).toBeUndefined();
  expect(getItem.mock.calls).toEqual([['run']]);
  read(['trees']);
  await wait();
  expect(await device.getItem('trees')).toBe('of yesterday');
  expect(await device.getItem('site')).toBeUndefined();
  expect(getItem.mock.calls).toEqual([['run'], ['trees']]);
  kept.set('site', 'of another page');
  expect(await device.getItem('site')).toBe('of another page');
  // What this page has kept is known to be there
  await device.setItem('people', 'of here');
  expect(await device.getItem('people')).toBe('of here');
});

test('where its keys cannot be read it is asked for everything', async () => {
  const { kept, store } = deviceWith();
  kept.set('trees', 'of yesterday');
  const device = askedForWhatItHolds(store, Promise.reject(new Error('not readable')));
  await wait();
  expect(await device.getItem('trees')).toBe('of yesterday');
});
