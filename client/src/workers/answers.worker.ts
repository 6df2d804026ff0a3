// Long answers of the server are read and checked off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import { appRoutes } from '@mortisect/contracts';
import { expose, transfer } from 'comlink';
import { fetchTimed } from '../data/early';

type Name = keyof typeof appRoutes;

const work = {
  /** @throws {ZodError} where the answer is none of that route; {SyntaxError} where it is no JSON */
  read: (name: Name, bytes: ArrayBuffer): unknown => appRoutes[name].response.parse(work.parse(bytes)),
  /**
   * Asks the server by itself: neither what it sends nor its reading goes by the thread that draws.
   *
   * @throws as `read`, and where the server refuses or no answer comes
   */
  async ask(name: Name, url: string, init: RequestInit) {
    const { response, ...times } = await fetchTimed(url, init);
    if (!response.ok) throw new Error(`The server refused: ${response.status}`);
    const bytes = await response.arrayBuffer();
    return transfer({ answer: work.read(name, bytes), bytes, ...times }, [bytes]);
  },
  /** What was checked when it was read. @throws {SyntaxError} where it is no JSON */
  parse: (bytes: ArrayBuffer): unknown => JSON.parse(new TextDecoder().decode(bytes)),
};
export type AnswersWork = typeof work;

expose(work);
