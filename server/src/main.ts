// The process: read the settings, start, say where, stop on a signal.
import { pino } from 'pino';
import { readConfig } from './config';
import { backup, restore } from './copyCommands';
import { StartFailure } from './failure';
import { HttpProblem } from './refusal';
import { type Running, start } from './start';
import { checkTables } from './tables';

async function main(): Promise<void> {
  // The database holds what signs sessions: nobody else on this machine reads it
  process.umask(0o077);
  const config = readConfig(process.argv.slice(2), process.env);
  if (config.tables) {
    const { words, agree } = await checkTables(config, config.now ?? new Date().toISOString());
    process.stdout.write(`${words.join('\n')}\n`);
    process.exit(agree ? 0 : 1);
  }
  if (config.backup !== undefined || config.restore !== undefined) {
    const words = config.restore === undefined ? await backup(config) : await restore(config, config.restore);
    process.stdout.write(`${words.join('\n')}\n`);
    process.exit(0);
  }
  const log = pino({ level: config.logLevel });
  const running = await start(config, log);
  log.info(
    { url: running.url, data: config.databaseUrl ? 'PostgreSQL' : config.dataFolder },
    'Mortisect answers',
  );
  const words = await startWords(running);
  if (process.send) process.send({ url: running.url, words });
  else process.stdout.write(`${words}\n`);
  let stopping = false;
  const stop = async (signal: string) => {
    if (stopping) return;
    stopping = true;
    log.info({ signal }, 'stopping');
    await running.stop();
    process.exit(0);
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

/** Where it answers, and how a phone comes in. */
async function startWords({ url, field }: Running): Promise<string> {
  if (!field) return `Mortisect answers at ${url}`;
  if (field.addresses.every((address) => new URL(address).hostname === 'localhost'))
    return `Mortisect answers at ${url}. This machine has no address on a local network: phones cannot reach it.`;
  const { default: encodeQR } = await import('qr');
  return [
    `Mortisect answers on the local network at ${field.addresses.join(', ')}`,
    '',
    `A phone scans this, or opens ${field.trustUrl}, and follows the steps:`,
    encodeQR(field.trustUrl, 'ascii'),
    `Fingerprint of its certificate (SHA-256): ${field.fingerprint}`,
  ].join('\n');
}

/** What did not happen. */
const FAILED = process.argv.includes('--backup')
  ? 'No copy was made.'
  : process.argv.includes('--restore')
    ? 'Nothing was restored.'
    : 'Mortisect did not start.';

main().catch((error: unknown) => {
  const words =
    error instanceof StartFailure
      ? `  ${error.message}\n  ${error.todo}`
      : error instanceof HttpProblem
        ? `  ${error.message}`
        : `  The reason is not known:\n${error instanceof Error ? error.stack : error}`;
  process.stderr.write(`\n${FAILED}\n${words}\n`);
  process.exit(1);
});
