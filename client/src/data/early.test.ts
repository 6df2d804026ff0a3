// What was asked for before the app was read is handed on once, and only while it tells how things stand.
import { type Answered, fetchTimed, takeEarly } from './early';

const answered = (ageMs = 0): Answered => ({
  response: {} as Response,
  askedAt: Date.now() - ageMs,
  answeredAt: Date.now(),
});
const early = (...answers: [string, Promise<Answered>][]) => {
  globalThis.mortisectEarly = new Map(answers);
};

test('it is given to who asks first', async () => {
  const answer = answered();
  early(['/api/trees', Promise.resolve(answer)], ['/api/round', Promise.resolve(answered())]);
  expect(await takeEarly('get', '/api/trees')).toBe(answer);
  expect(await takeEarly('get', '/api/trees')).toBeNull();
  expect(await takeEarly('get', '/api/site')).toBeNull();
  expect(await takeEarly('get', '/api/round')).not.toBeNull();
  globalThis.mortisectEarly = undefined;
  expect(await takeEarly('get', '/api/round')).toBeNull();
});

test.each([
  [29_000, true],
  [30_000, false],
])('of an app that was read for %i ms it is still taken: %s', async (ageMs, isTaken) => {
  jest.useFakeTimers({ now: 1_800_000_000_000 });
  early(['/api/trees', Promise.resolve(answered(ageMs))]);
  expect((await takeEarly('get', '/api/trees')) !== null).toBe(isTaken);
  jest.useRealTimers();
});

test('one that failed, and one that something was sent after, are asked for anew', async () => {
  early(
    ['/api/trees', Promise.reject(new TypeError('network'))],
    ['/api/round', Promise.resolve(answered())],
  );
  expect(await takeEarly('get', '/api/trees')).toBeNull();
  expect(await takeEarly('put', '/api/actions/1')).toBeNull();
  expect(await takeEarly('get', '/api/round')).toBeNull();
});

describe('an answer comes with when it was asked for and when it came', () => {
  const response = { url: 'http://here/api/health' } as Response;
  const asked = 1_800_000_000_000;
  const entry = (startTime: number, responseStart: number) => ({ startTime, responseStart });
  test.each<[string, ReturnType<typeof entry>[], number]>([
    ['as the browser knows it, however late it is heard of', [entry(10, 900), entry(1000, 1040)], 40],
    ['as it is heard of, where the browser has not noted it yet', [entry(10, 900)], 250],
    ['as it is heard of, where the browser keeps that to itself', [entry(1000, 0)], 250],
  ])('%s', async (_, entries, afterMs) => {
    jest.useFakeTimers({ now: asked });
    jest.spyOn(performance, 'now').mockReturnValue(1000);
    const names: string[] = [];
    performance.getEntriesByName = ((name: string) => {
      names.push(name);
      return entries;
    }) as never;
    globalThis.fetch = (async () => {
      jest.setSystemTime(asked + 250);
      return response;
    }) as never;
    expect(await fetchTimed('/api/health', {})).toEqual({
      ...{ response, askedAt: asked, answeredAt: asked + afterMs },
    });
    expect(names).toEqual([response.url]);
    jest.useRealTimers();
    jest.restoreAllMocks();
  });
});
