// Makes the tables anew from the history: `npm run rebuild -- --data FOLDER`; `--check` only says what differs.
import { command, installed, serverBuilt, serverCommand } from './steps.mjs';

await command(async () => {
  await installed();
  await serverBuilt();
  const given = process.argv.slice(2);
  const tables = given.includes('--check') ? 'check' : 'rebuild';
  const args = given.filter((arg) => arg !== '--check');
  serverCommand(['--tables', tables, ...args]);
});
