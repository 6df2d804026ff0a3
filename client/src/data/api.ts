// Asks the server by the table of routes: what goes out and what comes back is checked against it.

import {
  type appRoutes,
  firstRoutes,
  Problem,
  type Route,
  type RouteInput,
  type RouteResponse,
} from '@mortisect/contracts';
import type { Say } from '@mortisect/words';
import { type Answered, fetchTimed, takeEarly } from './early';
import { usePreferences } from './preferences';
import { useWords } from './useSay';

export type RouteName = keyof typeof appRoutes;
export type Answer<K extends RouteName> = RouteResponse<(typeof appRoutes)[K]>;
/** What a route is asked with; one that takes a file takes it as a blob. */
export type Ask<K extends RouteName> = RouteInput<(typeof appRoutes)[K]> &
  ((typeof appRoutes)[K] extends { rawBody: unknown } ? { file: Blob } : object);

/** Bytes from which handing an answer over takes less of the page than reading it. */
export const LONG = 200_000;
/** The same where the thread is still to be started: it reads as much script as the page. */
export const LONG_AT_FIRST = 400_000;
const longOnes = new WeakMap<object, ArrayBuffer>();
/** How it came over the network, where it was so long that it was read off the thread that draws: whoever keeps it need not write it out again. */
export const bytesOf = (answer: unknown): ArrayBuffer | undefined =>
  typeof answer === 'object' && answer !== null ? longOnes.get(answer) : undefined;

/** The answer that was kept so. It was checked when it was read. @throws {SyntaxError} where it is none */
export async function answerFrom(bytes: ArrayBuffer): Promise<object> {
  const text = await (await reader())?.textOf(bytes).catch(() => null);
  return taken(text ? JSON.parse(text) : parsed(bytes), bytes) as object;
}

/** The server answered with a problem (RFC 9457). */
export class ServerProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
    this.name = 'ServerProblem';
  }
}

/** No answer came: the server is down or the network is away. */
export class NoAnswer extends Error {
  constructor() {
    super('The server does not answer.');
    this.name = 'NoAnswer';
  }
}

/**
 * A server that does not know this device, as after its data folder was put back, is told who works here and asked again.
 *
 * @param signal aborted when nobody waits for the answer any more
 * @throws {ServerProblem} with the server's own words
 * @throws {NoAnswer} when nothing came back
 */
export async function ask<K extends RouteName>(
  name: K,
  input: Ask<K>,
  signal?: AbortSignal,
): Promise<Answer<K>> {
  return (await askTimed(name, input, signal)).answer;
}

interface Timed<K extends RouteName> extends Omit<Answered, 'response'> {
  answer: Answer<K>;
}

/** The same, with when it was asked and when an answer came. */
export async function askTimed<K extends RouteName>(
  name: K,
  input: Ask<K>,
  signal?: AbortSignal,
): Promise<Timed<K>> {
  try {
    return await askOnce(name, input, signal);
  } catch (error) {
    const { deviceId, person } = usePreferences.getState();
    const unknown =
      error instanceof ServerProblem && error.problem.type === 'device-unknown' && person !== '';
    if (!unknown) throw error;
    await askOnce('putDevice', { params: { deviceId }, body: { name: person } });
    return askOnce(name, input, signal);
  }
}

/** @throws {NoAnswer} where the rest of the table is still to be read and the network is away */
async function routeOf(name: RouteName): Promise<Route> {
  if (name in firstRoutes) return firstRoutes[name as keyof typeof firstRoutes];
  const { appRoutes } = await import('./laterRoutes').catch(() => {
    throw new NoAnswer();
  });
  return appRoutes[name];
}

/**
 * What is megabytes in a large orchard, and what lists wait for with it: once an answer was long, the thread that reads such answers asks for these by
 * itself. An answer to the page is heard when it has drawn what a tap asked for.
 */
const BY_THREAD: ReadonlySet<RouteName> = new Set([
  'getTrees',
  'getListedTrees',
  'getOpenWork',
  'getTiming',
  'getRun',
  'getSite',
]);
let long: typeof import('./longAnswers') | null = null;

async function askOnce<K extends RouteName>(name: K, input: Ask<K>, signal?: AbortSignal): Promise<Timed<K>> {
  const route = await routeOf(name);
  const { params, query, body, file } = input as {
    params?: Record<string, string>;
    query?: Record<string, unknown>;
    body?: unknown;
    file?: Blob;
  };
  const { deviceId, deviceKey } = usePreferences.getState();
  const url = urlOf(route.path, params, query);
  const early = await takeEarly(route.method, url);
  const asking = {
    method: route.method.toUpperCase(),
    headers: {
      'Accept-Language': useWords.getState().say.locale,
      ...(body !== undefined && { 'Content-Type': 'application/json' }),
      ...(file && { 'Content-Type': file.type || 'application/octet-stream' }),
      ...(route.fromDevice && { 'X-Device-Id': deviceId }),
      ...((route.fromDevice || name === 'putDevice') && { 'X-Device-Key': deviceKey }),
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
    ...(file && { body: file }),
    ...(signal && { signal }),
  };
  if (!early && !signal && long && BY_THREAD.has(name)) {
    // Refused, or no answer: that is heard here
    const read = await long.askLong(name, url, asking).catch(() => null);
    if (read) {
      const { answer, bytes, askedAt, answeredAt } = read;
      return { answer: taken(answer, bytes) as Answer<K>, askedAt, answeredAt };
    }
  }
  const { response, ...times } =
    early ??
    (await fetchTimed(url, asking).catch(() => {
      throw new NoAnswer();
    }));
  // A connection that broke in the middle of it left no answer
  const bytes = await response.arrayBuffer().catch(() => {
    throw new NoAnswer();
  });
  if (response.ok) return { answer: (await checked(name, route, bytes)) as Answer<K>, ...times };
  const problem = Problem.safeParse(jsonIn(bytes));
  if (problem.success) throw new ServerProblem(problem.data);
  throw new NoAnswer();
}

/** @throws {ZodError} where it is none of the route */
async function checked(name: RouteName, route: Route, bytes: ArrayBuffer): Promise<unknown> {
  const here = () => route.response.parse(jsonIn(bytes));
  if (bytes.byteLength < (long ? LONG : LONG_AT_FIRST)) return here();
  return taken(await ((await reader())?.readLong(name, bytes) ?? Promise.reject()).catch(here), bytes);
}

async function reader(): Promise<typeof long> {
  long ??= await import('./longAnswers').catch(() => null);
  return long;
}

function taken(answer: unknown, bytes: ArrayBuffer): unknown {
  if (bytes.byteLength >= LONG) longOnes.set(answer as object, bytes);
  return answer;
}

/** @throws {SyntaxError} where it is no JSON */
const parsed = (bytes: ArrayBuffer): unknown => JSON.parse(new TextDecoder().decode(bytes));

/** Null where it is no JSON. */
function jsonIn(bytes: ArrayBuffer): unknown {
  try {
    return parsed(bytes);
  } catch {
    return null;
  }
}

function urlOf(
  path: string,
  params: Record<string, string> = {},
  query: Record<string, unknown> = {},
): string {
  const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  ).toString();
  return search ? `${filled}?${search}` : filled;
}

/** A path of the server for a link, which says no language by itself. */
export const inLanguage = ({ locale }: Say, path: string): string =>
  `${path}${path.includes('?') ? '&' : '?'}language=${locale}`;

/** What to say about a failure, and that nothing typed is gone. */
export function inWords(say: Say, error: unknown): string {
  if (error instanceof ServerProblem) return error.problem.detail;
  if (error instanceof NoAnswer) return say('shared.theServerDoesNotAnswerWhatYou');
  if (error instanceof DOMException && error.name === 'QuotaExceededError')
    return say('shared.thisDeviceHasNoRoomLeftSo');
  return say('shared.somethingWentWrongHereWhatYouEntered');
}
