// Figures that take too long to be measured whenever somebody wants to see them: each command keeps its own as it ends, `npm run bench` prints
// the last ones with their day and commit, and `npm run bench -- --keep` puts them where they are committed.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { git, root } from './steps.mjs';

const MEASURED = path.join(root, 'node_modules/.figures.json');
const COMMITTED = path.join(root, 'docs/figures.json');

/** @param lines what is printed of it, one line each */
export function keepFigures(name, lines) {
  const all = { ...read(MEASURED), [name]: { at: new Date().toISOString(), commit: commit(), said: lines } };
  writeFileSync(MEASURED, JSON.stringify(all, null, 1));
}

/** The newest of each, by name. */
export function lastFigures() {
  const newest = read(COMMITTED);
  for (const [name, figure] of Object.entries(read(MEASURED)))
    if (!newest[name] || newest[name].at < figure.at) newest[name] = figure;
  return Object.fromEntries(Object.entries(newest).sort(([a], [b]) => a.localeCompare(b)));
}

export function commitFigures() {
  writeFileSync(COMMITTED, `${JSON.stringify(lastFigures(), null, 1)}\n`);
}

function read(file) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
}

function commit() {
  const head = git('rev-parse', '--short', 'HEAD');
  return head === null ? 'no commit' : head + (git('status', '--porcelain') ? ' and changes' : '');
}
