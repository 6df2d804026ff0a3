// Starts Mortisect with the demo orchard: installs, builds and sets up what is missing, then says where it answers.
import { command, installed, say, serverBuilt, webAppBuilt } from './steps.mjs';

await command(async () => {
  await installed();
  await webAppBuilt();
  await serverBuilt();
  const { startServer } = await import('./server.mjs');
  say('Starting …');
  const { child, url } = await startServer(['--demo', ...process.argv.slice(2)]);
  say(
    `\nMortisect, with the demo orchard Orrin Bight, answers at ${url}\nStop it with Ctrl+C. What you enter is kept in the data folder.`,
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 1));
});
