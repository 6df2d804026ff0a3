// Long answers of the server are read and checked off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import { appRoutes } from '@mortisect/contracts';
import { expose } from 'comlink';

const work = {
  /** @throws {ZodError} where the answer is none of that route; {SyntaxError} where it is no JSON */
  read: (name: keyof typeof appRoutes, bytes: ArrayBuffer): unknown =>
    appRoutes[name].response.parse(JSON.parse(new TextDecoder().decode(bytes))),
};
export type AnswersWork = typeof work;

expose(work);
