// Checks the types of every workspace; what was checked before and has not changed since is not checked again.
import { command, run } from './steps.mjs';

await command(async () => {
  for (const workspace of ['core', 'contracts', 'server', 'client', 'e2e'])
    await run(`Types of ${workspace}`, process.execPath, [
      'node_modules/typescript-native/bin/tsc',
      '--noEmit',
      '--incremental',
      '--tsBuildInfoFile',
      `node_modules/.cache/types/${workspace}.json`,
      '-p',
      workspace,
    ]);
});
