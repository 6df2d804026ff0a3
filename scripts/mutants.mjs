// Does a test notice when the code changes? `npm run mutants -- handling [--all] [--seed 7] [--sample 200]`: small changes to a room of the core, or to
// `server/services` or `client/data`, made one at a time by StrykerJS; a seeded sample, and the share that was noticed
// with its 95 % interval.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { keepFigures } from './figures.mjs';
import { command, installed, root, run, StepFailed, say } from './steps.mjs';

/** The share that is asked of a room, and of the others. */
const ASKED = {
  handling: 0.9,
  blades: 0.9,
  present: 0.9,
  run: 0.9,
  records: 0.9,
  'server/services': 0.7,
  'client/data': 0.7,
};
const ASKED_ELSEWHERE = 0.75;
/** Folders outside the core. */
const FOLDERS = { 'server/services': 'server/src/services', 'client/data': 'client/src/data' };
/** Lines of code carry about so many changes each. */
const CHANGES_A_LINE = 1.6;
const Z95 = 1.959964;

await command(async () => {
  await installed();
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: {
      all: { type: 'boolean', default: false },
      seed: { type: 'string', default: '7' },
      sample: { type: 'string', default: '200' },
    },
  });
  const rooms = readdirSync(path.join(root, 'core/src'));
  const room = positionals[0] ?? '';
  const folder = FOLDERS[room] ?? (rooms.includes(room) ? `core/src/${room}` : null);
  if (folder === null) throw new StepFailed(`Name one of ${[...rooms, ...Object.keys(FOLDERS)].join(', ')}.`);
  const kept = mkdtempSync(path.join(tmpdir(), 'mutants-'));
  try {
    const report = path.join(kept, 'report.json');
    const mutate = values.all
      ? [`${folder}/*.ts`]
      : sampleOf(folder, Number(values.seed), Number(values.sample));
    const args = ['stryker', 'run', 'stryker.config.mjs', '--mutate', [...mutate, '!**/*.test.ts'].join(',')];
    const env = { MUTANTS_REPORT: report, MUTANTS_FOLDER: folder, ORCHARDS_AT: kept };
    await run('Changes', 'npx', args, { env });
    tell(room, JSON.parse(readFileSync(report, 'utf8')));
  } finally {
    rmSync(kept, { recursive: true, force: true });
  }
});

/** Lines of the folder, drawn by the seed until they carry about so many changes. */
function sampleOf(folder, seed, sample) {
  const lines = readdirSync(path.join(root, folder))
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .flatMap((name) => {
      const file = `${folder}/${name}`;
      const text = readFileSync(path.join(root, file), 'utf8').split('\n');
      return text.flatMap((line, i) => (isCode(line) ? [`${file}:${i + 1}-${i + 1}`] : []));
    });
  const random = mulberry(seed);
  for (let i = lines.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [lines[i], lines[j]] = [lines[j], lines[i]];
  }
  return lines.slice(0, Math.ceil(sample / CHANGES_A_LINE));
}

function isCode(line) {
  const text = line.trim();
  return (
    text.length > 3 &&
    !/^(import|export \{|\/\/|\/?\*|\}|\)|\]|interface|type )/.test(text) &&
    /[=<>+*/!&|?(]/.test(text)
  );
}

function mulberry(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function tell(room, { files }) {
  const all = Object.entries(files).flatMap(([file, { mutants }]) =>
    mutants.map((mutant) => ({ file, ...mutant })),
  );
  const counted = all.filter(({ status }) =>
    ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status),
  );
  const noticed = counted.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  for (const { file, status, location, mutatorName, replacement } of counted) {
    if (status === 'Killed' || status === 'Timeout') continue;
    say(
      `  ${status === 'Survived' ? 'lives' : 'no test'}  ${file}:${location.start.line}  ${mutatorName}  → ${String(replacement).slice(0, 60).replaceAll('\n', ' ')}`,
    );
  }
  const [low, high] = wilson(noticed, counted.length);
  const share = counted.length === 0 ? 0 : noticed / counted.length;
  const percent = (part) => `${Math.round(part * 100)} %`;
  const said = `${noticed} of ${counted.length} changes noticed, ${percent(share)} (95 %: ${percent(low)}–${percent(high)}); asked ${percent(ASKED[room] ?? ASKED_ELSEWHERE)}`;
  say(`\n${room}: ${said}.`);
  keepFigures(`npm run mutants -- ${room}`, [said]);
}

/** @source Wilson 1927, J. Am. Stat. Assoc. 22:209 */
function wilson(count, of) {
  if (of === 0) return [0, 1];
  const p = count / of;
  const middle = (p + Z95 ** 2 / (2 * of)) / (1 + Z95 ** 2 / of);
  const half = (Z95 * Math.sqrt((p * (1 - p)) / of + Z95 ** 2 / (4 * of * of))) / (1 + Z95 ** 2 / of);
  return [middle - half, middle + half];
}
