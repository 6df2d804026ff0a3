// Brings a copy into an empty place: `npm run restore -- FILE [--data FOLDER]`, or into the database that DATABASE_URL names.
import { command, installed, StepFailed, serverBuilt, serverCommand } from './steps.mjs';

await command(async () => {
  await installed();
  await serverBuilt();
  const [file, ...args] = process.argv.slice(2);
  if (file === undefined || file.startsWith('--'))
    throw new StepFailed('Name the copy: npm run restore -- FILE [--data FOLDER]');
  serverCommand(['--restore', file, ...args]);
});
