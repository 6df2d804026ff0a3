// Starts Mortisect, with `npm run demo` with the demo orchard: installs, builds and sets up what is missing, then says where it answers.
import { command, installed, say, serverBuilt, webAppBuilt } from './steps.mjs';

await command(async () => {
  await installed();
  await webAppBuilt();
  await serverBuilt();
  const { startServer } = await import('./server.mjs');
  say('Starting …');
  const given = process.argv.slice(2);
  const { child, words } = await startServer(given);
  const demo = given.includes('--demo') ? '\nIt holds the demo orchard, Orrin Bight.' : '';
  say(`\n${words}${demo}\nStop it with Ctrl+C. What you enter is kept in the data folder.`);
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 1));
});
