// One next step out of all that Today lists: what was begun, then what the weather allows, then looking.
import { english } from '@mortisect/words/all';
import { type NextGiven, nextStepOf } from './nextStep';

const item = { tree: { code: 'Lee wall 07' } } as NextGiven['run']['waiting'][number];
const cuts = (count: number) => ({
  open: null,
  left: [],
  waiting: Array.from({ length: count }, () => item),
});
const run = { ...cuts(3), open: {} as NonNullable<NextGiven['run']['open']> };
const next = { id: 'b', code: 'Slip side 01' } as NonNullable<NonNullable<NextGiven['queue']>['next']>;
const nothing: NextGiven = {
  trees: 48,
  run: cuts(0),
  urgent: null,
  verdict: 'wait',
  round: null,
  queue: null,
  rechecksDue: 0,
};
const walking = { round: { paused: false }, queue: { next } };

const urgent = { id: 'c', code: 'Slip side 04' };

test.each<[string, Partial<NextGiven>, string, string]>([
  [
    'what cannot wait comes before a round and good weather',
    { urgent, run: cuts(2), verdict: 'go', ...walking },
    'Cannot wait: Slip side 04',
    '/plan/c',
  ],
  [
    'but not before a run that is open',
    { urgent, run: { ...run, left: [item] } },
    'Continue the run: Lee wall 07',
    '/cut',
  ],
  [
    'no tree is written down',
    { trees: 0, run: cuts(2), verdict: 'go' },
    'Write down the first tree',
    '/round/register/new',
  ],
  ['one tree, and nothing is open', { trees: 1 }, 'Walk the round', '/round'],
  [
    'a run is open, whatever the weather',
    { run: { ...run, left: [item] }, verdict: 'wait', ...walking },
    'Continue the run: Lee wall 07',
    '/cut',
  ],
  ['all of a run is cut', { run, verdict: 'go', ...walking }, 'Close the run', '/cut'],
  [
    'good weather, in the middle of a round',
    { run: cuts(2), verdict: 'go', ...walking, rechecksDue: 3 },
    'Start cutting: 2 cuts',
    '/cut',
  ],
  ['good weather, one cut', { run: cuts(1), verdict: 'go' }, 'Start cutting: 1 cut', '/cut'],
  ['good weather and no cut', { verdict: 'go', ...walking }, 'Continue the round: Slip side 01', '/round/b'],
  [
    'weather that is only possible, in the middle of a round',
    { run: cuts(2), verdict: 'possible', ...walking },
    'Continue the round: Slip side 01',
    '/round/b',
  ],
  [
    'a round that is paused',
    { run: cuts(2), round: { paused: true }, queue: { next } },
    'Continue the round',
    '/round',
  ],
  [
    'a round in which all are seen',
    { round: { paused: false }, queue: { next: null }, rechecksDue: 1 },
    'Look again at 1 cut',
    '/book/rechecks',
  ],
  [
    'rechecks before cuts that can wait',
    { run: cuts(2), verdict: 'possible', rechecksDue: 3 },
    'Look again at 3 cuts',
    '/book/rechecks',
  ],
  ['weather that is possible', { run: cuts(2), verdict: 'possible' }, 'Cutting is possible: 2 cuts', '/cut'],
  ['wet bark', { run: cuts(2) }, 'Look through the plan: 2 cuts', '/plan'],
])('%s', (_said, given, words, href) => {
  expect(nextStepOf(english, { ...nothing, ...given })).toEqual({ words, href });
});
