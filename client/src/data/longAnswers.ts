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
export async function readLong(...read: Parameters<AnswersWork['read']>): Promise<unknown> {
  const { answer } = await checked((work) => work.read(...read));
  return answer;
}

/** The same of an answer that is not there yet. @throws as `readLong`, and where no answer came */
export const askLong = (...asked: Parameters<AnswersWork['ask']>) => checked((work) => work.ask(...asked));

/** The text of an answer. @throws where the thread cannot be had */
export const textOf = (bytes: ArrayBuffer): Promise<string> => byThread((work) => work.text(bytes));

async function checked<T extends Awaited<ReturnType<Remote<AnswersWork>['read']>>>(
  asked: (work: Remote<AnswersWork>) => Promise<T>,
): Promise<T> {
  const read = await byThread(asked);
  const { unchecked } = read;
  if (!unchecked) return read;
  const answer: unknown = JSON.parse(unchecked.text);
  await byThread((work) => work.checked(unchecked.check));
  return { ...read, answer };
}

function byThread<T>(asked: (work: Remote<AnswersWork>) => Promise<T>): Promise<T> {
  reader ??= started();
  const { work, lost } = reader;
  return Promise.race([asked(work), lost]);
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
