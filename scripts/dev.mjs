// Server and app in watch mode with the demo orchard: `npm run dev`. What is saved in an editor is on the screen a moment later.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { command, installed, root, run, say } from './steps.mjs';

const API_PORT = process.env.API_PORT ?? '3100';
const WEB_PORT = process.env.WEB_PORT ?? '3000';

await command(async () => {
  await installed();
  await run('Copying the fonts', process.execPath, ['scripts/copy-fonts.mjs']);
  const children = [
    start([
      ...[
        '--watch-path=server/src',
        '--watch-path=core/src',
        '--watch-path=contracts/src',
        '--watch-path=words/src',
        '--import',
        'tsx',
      ],
      ...['server/src/main.ts', '--demo', '--port', API_PORT, '--data', path.join(root, '.dev-data')],
      ...process.argv.slice(2),
    ]),
    start([path.join(root, 'node_modules/expo/bin/cli'), 'start', '--web', '--port', WEB_PORT], {
      cwd: path.join(root, 'client'),
      // No account is asked for and no browser opened
      env: {
        EXPO_OFFLINE: '1',
        EXPO_NO_TELEMETRY: '1',
        EXPO_NO_TYPESCRIPT_SETUP: '1',
        BROWSER: 'none',
        API_ORIGIN: `http://127.0.0.1:${API_PORT}`,
      },
    }),
  ];
  say(
    `\nThe app answers at http://localhost:${WEB_PORT} once Metro has built it, the server beside it on port ${API_PORT}.\nStop both with Ctrl+C.`,
  );
  const stop = () => {
    for (const child of children) child.kill('SIGTERM');
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
  // One without the other is no use
  await Promise.race(children.map((child) => new Promise((resolve) => child.once('exit', resolve))));
  stop();
});

function start(args, { cwd = root, env = {} } = {}) {
  return spawn(process.execPath, args, { cwd, env: { ...process.env, ...env }, stdio: 'inherit' });
}
