// Starts the compiled server (`serverBuilt` makes it) as a process of its own and waits until it answers.
import { fork } from 'node:child_process';
import { root, StepFailed } from './steps.mjs';

/**
 * @param args options of the server, as in `--port 3000`; `node`: options of Node itself
 * @returns the child process, the address that it answers at, and what it says of it
 * @throws {StepFailed} when the process ends before it answers; it has said why
 */
export function startServer(args, { env = {}, quiet = false, node = [] } = {}) {
  const child = fork('server/dist/js/main.mjs', args, {
    cwd: root,
    execArgv: node,
    env: { ...process.env, LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn', ...env },
    stdio: quiet ? ['ignore', 'ignore', 'pipe', 'ipc'] : 'inherit',
  });
  let said = '';
  child.stderr?.on('data', (text) => {
    said += text;
  });
  return new Promise((resolve, reject) => {
    child.once('message', ({ url, words }) => resolve({ child, url, words }));
    // Not quiet, it has said so itself.
    child.once('exit', (code) =>
      reject(new StepFailed(quiet ? said.trim() || `The server ended with exit code ${code}.` : '')),
    );
  });
}

export function stopServer(child) {
  return new Promise((resolve) => {
    if (child.exitCode !== null) return resolve(child.exitCode);
    child.once('exit', resolve);
    child.kill('SIGTERM');
  });
}

/** Until all plans are searched that are searched ahead: a day's work begins on a server that has done so. */
export async function settled(url) {
  let before = -1;
  for (let same = 0; same < 4; ) {
    await new Promise((resolve) => setTimeout(resolve, 2500));
    const ask = () => fetch(`${url}/api/plans`);
    // A connection that was idle may be closed just as it is taken: then by another
    const { plans } = await (await ask().catch(ask)).json();
    same = plans.length === before ? same + 1 : 0;
    before = plans.length;
  }
}
