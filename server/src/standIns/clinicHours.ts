// Lets the simulated clinic look at its samples every few seconds.
import type { Logger } from 'pino';
import type { Db } from '../store/openDb';
import { answerDue } from './clinicAnswers';

const MOST_OFTEN_MS = 1000;
const SELDOM_MS = 5000;

/**
 * @param answersAfterSeconds how long a sample takes
 * @param onAnswered called when it has answered something
 * @returns closes the clinic
 */
export function runClinic(
  db: Db,
  log: Logger,
  now: () => string,
  answersAfterSeconds: number,
  onAnswered: () => void,
): () => Promise<void> {
  const everyMs = Math.min(SELDOM_MS, Math.max(MOST_OFTEN_MS, answersAfterSeconds * 1000));
  let working: Promise<unknown> = Promise.resolve();
  const timer = setInterval(() => {
    const before = new Date(Date.now() - answersAfterSeconds * 1000).toISOString();
    working = answerDue(db, before, now())
      .then((answered) => answered > 0 && onAnswered())
      .catch((error: unknown) => {
        log.error({ err: error }, 'the simulated clinic could not answer');
      });
  }, everyMs);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await working;
  };
}
