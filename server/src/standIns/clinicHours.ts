// Lets the simulated clinic look at its samples every few seconds.
import type { Logger } from 'pino';
import type { Db } from '../store/openDb';
import { answerDue } from './clinicAnswers';

const EVERY_MS = 5000;

/** @returns closes the clinic */
export function runClinic(db: Db, log: Logger, now: () => string): () => Promise<void> {
  let working: Promise<unknown> = Promise.resolve();
  const timer = setInterval(() => {
    working = answerDue(db, new Date().toISOString(), now()).catch((error: unknown) => {
      log.error({ err: error }, 'the simulated clinic could not answer');
    });
  }, EVERY_MS);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await working;
  };
}
