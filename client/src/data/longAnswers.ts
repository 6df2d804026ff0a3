// Answers that would hold the page up while they are read and checked: thousands of trees take a phone more than a second.
import { type Remote, wrap } from 'comlink';
import type { AnswersWork } from '../workers/answers.worker';

interface Reader {
  work: Remote<AnswersWork>;
  /** Rejects where its script cannot be had: then nothing that is asked of it comes back. */
  lost: Promise<never>;
}
let reader: Reader | null = null;

/**
 * Reads and checks an answer off the thread that draws.
 *
 * @throws where it is none of the route, or the thread cannot be had; the next answer starts a new one
 */
export async function readLong(
  name: Parameters<AnswersWork['read']>[0],
  bytes: ArrayBuffer,
): Promise<unknown> {
  reader ??= started();
  const { work, lost } = reader;
  return Promise.race([work.read(name, bytes), lost]);
}

/** The same of an answer that is not there yet. @throws as `readLong`, and where no answer came */
export async function askLong(...asked: Parameters<AnswersWork['ask']>): ReturnType<AnswersWork['ask']> {
  reader ??= started();
  const { work, lost } = reader;
  return Promise.race([work.ask(...asked), lost]);
}

/** An answer that was checked when it was read. @throws as `readLong` */
export async function parseLong(bytes: ArrayBuffer): Promise<unknown> {
  reader ??= started();
  const { work, lost } = reader;
  return Promise.race([work.parse(bytes), lost]);
}

function started(): Reader {
  const worker = new Worker(new URL('../workers/answers.worker', import.meta.url));
  const lost = new Promise<never>((_, reject) => {
    worker.onerror = () => {
      reader = null;
      reject(new Error('The thread that reads long answers could not be started.'));
    };
  });
  lost.catch(() => undefined);
  return { work: wrap<AnswersWork>(worker), lost };
}
