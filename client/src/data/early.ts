// What was asked for before the app was read (`begin.ts`): the network works while a slow phone reads the scripts.
import type { PagePlace } from '@mortisect/words';

/** Words that every page needs. */
export const SHARED = ['shared', 'tables', 'trade', 'fault'] as const satisfies PagePlace[];

/** An answer of the server, and when it was asked for and came, ms by this device's clock. */
export interface Answered {
  response: Response;
  askedAt: number;
  answeredAt: number;
}

declare global {
  /** By address. The script that asks is not the one that takes it. */
  var mortisectEarly: Map<string, Promise<Answered>> | undefined;
}

/** An app that is read more slowly than this asks again, ms. */
const FRESH_MS = 30_000;

/**
 * A page that is still being made hears of an answer seconds after it came: the browser knows when it did.
 *
 * @throws {TypeError} where no answer came
 */
export async function fetchTimed(url: string, init: RequestInit): Promise<Answered> {
  const [askedAt, from] = [Date.now(), performance.now()];
  const response = await fetch(url, init);
  const known = performance.getEntriesByName?.(response.url, 'resource') as
    | PerformanceResourceTiming[]
    | undefined;
  const came = known?.findLast(({ startTime }) => startTime >= from)?.responseStart;
  return { response, askedAt, answeredAt: came ? askedAt + came - from : Date.now() };
}

/**
 * The answer that was asked for early, to whoever asks first; null where there is none, or it failed, or is old. What was asked for before
 * something was sent may be from before it: nobody is given it.
 */
export async function takeEarly(method: string, url: string): Promise<Answered | null> {
  const early = globalThis.mortisectEarly;
  if (method !== 'get') early?.clear();
  const asked = early?.get(url);
  early?.delete(url);
  const answered = await asked?.catch(() => null);
  return answered && Date.now() - answered.askedAt < FRESH_MS ? answered : null;
}
