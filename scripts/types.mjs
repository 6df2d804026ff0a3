// Checks the types of every workspace, and that the addresses in them are those of client/app; what was checked before and has not changed since is not checked again.
import { command, run } from './steps.mjs';

await command(async () => {
  await run('Addresses', process.execPath, ['scripts/routes.mjs', '--check']);
  for (const workspace of ['core', 'contracts', 'words', 'server', 'client', 'e2e'])
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
