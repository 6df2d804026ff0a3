// The process: read the settings, start, say where, stop on a signal.
import { pino } from 'pino';
import { readConfig } from './config';
import { StartFailure } from './failure';
import { start } from './start';
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
  const log = pino({ level: config.logLevel });
  const running = await start(config, log);
  log.info(
    { url: running.url, data: config.databaseUrl ? 'PostgreSQL' : config.dataFolder },
    'Mortisect answers',
  );
  process.send?.({ url: running.url });
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

main().catch((error: unknown) => {
  if (error instanceof StartFailure)
    process.stderr.write(`\nMortisect did not start.\n  ${error.message}\n  ${error.todo}\n`);
  else
    process.stderr.write(
      `\nMortisect did not start, for a reason it does not know:\n${error instanceof Error ? error.stack : error}\n`,
    );
  process.exit(1);
});
