// Which journeys a check walks: all of them take longer than anybody waits before a commit, so they take turns. `npm run long` walks them all.
import { git } from './steps.mjs';

/** In every check. */
export const ALWAYS = ['monkey'];
/** In every check of .ci/run; before a commit they take turns with the others. */
export const ALWAYS_WIDE = ['path', 'ways'];
/** One of these in every check; each takes about as long as the others. */
const TURNS_OF_ALL = [
  ['everyone'],
  ['everyoneBook'],
  ['sheets'],
  ['kept'],
  ['trouble'],
  ['answers'],
  ['plan', 'archive', 'newcomer'],
  ['days'],
  ['day'],
  ['round'],
  ['kill', 'spanish'],
  ['pseudo'],
  ['opinion', 'survey'],
  ['run'],
];
const WIDE = process.env.CHECK === 'wide';
export const TURNS = WIDE ? TURNS_OF_ALL : [...TURNS_OF_ALL, ...ALWAYS_WIDE.map((name) => [name])];

/** The turn of this commit, from 0, so that a check of the same commit walks the same journeys; `TURN`, from 1, chooses another. */
export function turnOfCheck() {
  if (process.env.TURN) return (Number(process.env.TURN) - 1 + TURNS.length) % TURNS.length;
  const commit = git('rev-parse', 'HEAD');
  // Unpacked from an archive: by the day
  const drawn = commit === null ? Math.floor(Date.now() / 864e5) : Number.parseInt(commit.slice(0, 8), 16);
  return drawn % TURNS.length;
}

/**
 * @param turn from 0
 * @returns names of the spec files
 */
export function journeysOf(turn) {
  return [...ALWAYS, ...(WIDE ? ALWAYS_WIDE : []), ...TURNS[turn]];
}
