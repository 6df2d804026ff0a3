// Does the checker of module boundaries find what it is there for? Plants forbidden imports in a copy and expects to be told.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { command, root, StepFailed, say } from './steps.mjs';

const PLANTED = [
  ['core-is-pure', 'core/src/measure/planted.ts', "import 'express';\n"],
  ['core-rooms-in-order', 'core/src/measure/plantedRoom.ts', "import '../cuts/index';\n"],
  ['core-room-has-one-door', 'core/src/cuts/planted.ts', "import '../tree/walk';\n"],
  ['contracts-on-core', 'contracts/src/planted.ts', "import 'react';\n"],
  ['client-not-server', 'client/src/planted.ts', "import '../../server/src/config';\n"],
  ['server-not-client', 'server/src/planted.ts', "import '../../client/src/ui/theme';\n"],
];

await command(async () => {
  const copy = mkdtempSync(path.join(tmpdir(), 'boundaries-'));
  try {
    for (const part of [
      'core/src',
      'contracts/src',
      'server/src',
      'client/src',
      'client/app',
      '.dependency-cruiser.cjs',
      'tsconfig.base.json',
      'package.json',
    ]) {
      cpSync(path.join(root, part), path.join(copy, part), { recursive: true });
    }
    symlinkSync(path.join(root, 'node_modules'), path.join(copy, 'node_modules'));
    for (const [, file, source] of PLANTED) writeFileSync(path.join(copy, file), source);
    const said = checked(copy);
    const missed = PLANTED.filter(([rule, file]) => !said.includes(`error ${rule}: ${file}`));
    if (missed.length > 0) {
      throw new StepFailed(
        `The checker missed imports that break: ${missed.map(([rule]) => rule).join(', ')}.`,
      );
    }
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
  say(`  ${PLANTED.length} planted imports, each found`);
});

/** What the checker says about a folder; '' when it finds nothing to say. */
function checked(folder) {
  const checker = path.join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
  const parts = ['core', 'contracts', 'server', 'client'];
  const { status, stdout } = spawnSync(
    process.execPath,
    [checker, ...parts, '--config', '.dependency-cruiser.cjs'],
    {
      cwd: folder,
      encoding: 'utf8',
    },
  );
  return status === 0 ? '' : stdout;
}
