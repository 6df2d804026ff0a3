// A fault of the app, reported to the server's log once, so that whoever keeps the server can see what people met.
import { ask } from './api';

const MOST_CHARACTERS = 4000;
const reported = new Set<string>();

/** @param path of the page that failed; nothing that was entered goes along */
export function reportFault(error: Error, path: string): void {
  const key = `${path} ${error.message}`;
  if (reported.has(key)) return;
  reported.add(key);
  const body = {
    message: String(error.message).slice(0, 500),
    stack: String(error.stack ?? '').slice(0, MOST_CHARACTERS),
    path: path.slice(0, 200),
  };
  // Without a server there is no log: the page has said so already
  void ask('reportFault', { body }).catch(() => reported.delete(key));
}
