// Copies everything into one file, read back before it counts: `npm run backup [-- FILE] [--data FOLDER]`. A server may run meanwhile.
import { command, installed, serverBuilt, serverCommand } from './steps.mjs';

await command(async () => {
  await installed();
  await serverBuilt();
  const [file = '', ...args] = named(process.argv.slice(2));
  serverCommand(['--backup', file, ...args]);
});

/** The file first, where one is named. */
function named(args) {
  return args[0] === undefined || args[0].startsWith('--') ? ['', ...args] : args;
}
