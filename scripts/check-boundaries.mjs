// Module boundaries, and whether their checker finds what it is there for: forbidden imports are planted in a copy, and it must tell of each of
// them and of nothing else. One run for both: it reads every module.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { command, root, StepFailed, say } from './steps.mjs';

const PLANTED = [
  ['core-is-pure', 'core/src/measure/planted.ts', "import 'express';\n"],
  ['core-rooms-in-order', 'core/src/measure/plantedRoom.ts', "import '../cuts/index';\n"],
  ['core-room-has-one-door', 'core/src/cuts/planted.ts', "import '../tree/walk';\n"],
  ['contracts-on-core', 'contracts/src/planted.ts', "import 'react';\n"],
  // Its entry stands in a folder that is called dist
  ['contracts-on-core', 'contracts/src/plantedDist.ts', "import 'sharp';\n"],
  ['words-before-applications', 'words/src/planted.ts', "import 'react';\n"],
  ['client-not-server', 'client/src/planted.ts', "import '../../server/src/config';\n"],
  ['package-declared', 'server/src/plantedPackage.ts', "import 'acorn';\n"],
  ['server-not-client', 'server/src/planted.ts', "import '../../client/src/ui/theme';\n"],
];

await command(async () => {
  const copy = mkdtempSync(path.join(tmpdir(), 'boundaries-'));
  try {
    for (const part of [
      'core/src',
      'contracts/src',
      'words/src',
      'words/en',
      'words/es',
      'words/compiled',
      'words/package.json',
      'server/src',
      'client/src',
      'client/app',
      '.dependency-cruiser.cjs',
      'tsconfig.base.json',
      'package.json',
      'core/package.json',
      'contracts/package.json',
      'server/package.json',
      'client/package.json',
    ]) {
      cpSync(path.join(root, part), path.join(copy, part), { recursive: true });
    }
    linkPackages(copy);
    for (const [, file, source] of PLANTED) writeFileSync(path.join(copy, file), source);
    const found = violationsIn(copy);
    const isPlanted = ({ rule, from }) =>
      PLANTED.some(([broken, file]) => rule.name === broken && from === file);
    const real = found.filter((violation) => !isPlanted(violation));
    if (real.length > 0)
      throw new StepFailed(
        `Forbidden imports:\n${real.map(({ rule, from, to }) => `  ${rule.name}: ${from} → ${to}`).join('\n')}`,
      );
    const missed = PLANTED.filter(
      ([rule, file]) => !found.some((violation) => violation.rule.name === rule && violation.from === file),
    );
    if (missed.length > 0) {
      throw new StepFailed(
        `The checker missed imports that break: ${missed.map(([rule]) => rule).join(', ')}.`,
      );
    }
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
  say(`  no forbidden imports; ${PLANTED.length} planted ones, each found`);
});

/** The packages stay where they are; the workspaces are those of the copy. */
function linkPackages(copy) {
  const packages = path.join(root, 'node_modules');
  mkdirSync(path.join(copy, 'node_modules/@mortisect'), { recursive: true });
  for (const name of readdirSync(packages))
    if (name !== '@mortisect') symlinkSync(path.join(packages, name), path.join(copy, 'node_modules', name));
  for (const workspace of ['core', 'contracts', 'words'])
    symlinkSync(path.join(copy, workspace), path.join(copy, 'node_modules/@mortisect', workspace));
}

/** Each breach that the checker finds: its rule, the module and what it imports. */
function violationsIn(folder) {
  const checker = path.join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
  const parts = ['core', 'contracts', 'words', 'server', 'client'];
  const { stdout, stderr } = spawnSync(
    process.execPath,
    [checker, ...parts, '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    { cwd: folder, encoding: 'utf8', maxBuffer: 256 * 1024 * 1024 },
  );
  if (!stdout) throw new StepFailed(`The checker of module boundaries did not run: ${stderr.trim()}`);
  return JSON.parse(stdout).summary.violations;
}
