// Long answers of the server are read and checked off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import { appRoutes } from '@mortisect/contracts';
import { expose, transfer } from 'comlink';
import { fetchTimed } from '../data/early';

type Name = keyof typeof appRoutes;

/** What the server has filled in itself: the check finds nothing missing (tests of the server hold their answers against it). */
const WHOLE: ReadonlySet<Name> = new Set(['getListedTrees', 'getTiming']);

/** Asked for and not there yet. */
let asked = 0;
/** So long a check waits for them, ms. */
const LET_PASS_MS = 40;
const LOOK_MS = 5;

/** Short answers that are on their way go by a check that takes a second: whoever waits for them all is done sooner. */
async function letOthersPass(): Promise<void> {
  const until = performance.now() + LET_PASS_MS;
  do await new Promise((next) => setTimeout(next, LOOK_MS));
  while (asked > 0 && performance.now() < until);
}

let checks = 0;
const underCheck = new Map<number, Promise<void>>();

interface Read {
  /** As it was checked. */
  answer: unknown;
  /**
   * Or its text, which is handed over at once: to read it takes a page half of what taking objects over takes it, and it does that while it is checked
   * here, for whoever waits for `checked`.
   */
  unchecked: { text: string; check: number } | null;
}

/** @throws {ZodError} where the answer is none of that route; {SyntaxError} where it is no JSON */
function read(name: Name, bytes: ArrayBuffer): Read {
  const { response } = appRoutes[name];
  const text = work.text(bytes);
  if (!WHOLE.has(name)) return { answer: response.parse(JSON.parse(text)), unchecked: null };
  const check = ++checks;
  const checked = letOthersPass().then(() => void response.parse(JSON.parse(text)));
  checked.catch(() => undefined);
  underCheck.set(check, checked);
  return { answer: null, unchecked: { text, check } };
}

async function fetched(url: string, init: RequestInit) {
  const { response, ...times } = await fetchTimed(url, init);
  return { response, bytes: await response.arrayBuffer(), ...times };
}

const work = {
  read,
  /** @throws {ZodError} where the answer that was handed over is none of its route */
  async checked(check: number): Promise<void> {
    const checked = underCheck.get(check);
    underCheck.delete(check);
    await checked;
  },
  /**
   * Asks the server by itself: neither what it sends nor its reading goes by the thread that draws.
   *
   * @throws as `read`, and where the server refuses or no answer comes
   */
  async ask(name: Name, url: string, init: RequestInit) {
    asked++;
    const { response, bytes, ...times } = await fetched(url, init).finally(() => asked--);
    if (!response.ok) throw new Error(`The server refused: ${response.status}`);
    return transfer({ ...read(name, bytes), bytes, ...times }, [bytes]);
  },
  text: (bytes: ArrayBuffer): string => new TextDecoder().decode(bytes),
};
export type AnswersWork = typeof work;

expose(work);
