// The few words that stand everywhere: the place of a cut, what was done.

import { judgedAt, standingCuts, treeView } from '@mortisect/core/present';
import type { ActionBody } from '@mortisect/core/records';
import { english } from '@mortisect/words/all';
import { detail, finding, today } from '../testing/orchard';
import { actionWords, disorderWords, placeWords } from './words';

const at = '2026-11-24T09:00:00Z';
const base = { at, treeId: 'a', findingIds: ['1'] };

test.each<[ActionBody, string]>([
  [
    { kind: 'bladeCleaned', at, blade: 'Blade 1', agentId: 'hypochlorite-10' },
    'Blade 1 cleaned, Bleach, 1 part + 9 parts water',
  ],
  [
    {
      ...base,
      kind: 'cutMade',
      blade: 'Blade 1',
      cut: {
        limbId: 'S',
        limbName: 'Sucker at 4 o’clock',
        atCm: 0,
        kind: 'collar',
        diameterMm: 9,
        clearanceCm: 0,
        shortfallCm: 0,
        sentence: '',
      },
    },
    'cut on sucker at 4 o’clock',
  ],
  [{ ...base, kind: 'cutNotMade', reason: 'Out of reach' }, 'cut not made, out of reach'],
  [{ ...base, kind: 'decided', choice: 'watch', note: '' }, 'decided, watch'],
  [{ kind: 'undone', at, actionId: '0193f000-0000-7000-8000-000000000001' }, 'taken back'],
])('%j in words', (action, words) => {
  expect(actionWords(english, action)).toBe(words);
});

test('disorders are named once each, in the order they were found', () => {
  const found = ['DEAD', 'NEO', 'DEAD'].map((disorder) => ({ disorder }));
  expect(disorderWords(english, found)).toBe('Dead wood · Neonectria canker');
  expect(disorderWords(english, [{ disorder: 'unheard of' }])).toBe('unheard of');
});

test('the place of a cut: collar, figure, or up to a figure, toward the stool on the tape in hand', () => {
  const [cut] = standingCuts(treeView(detail([finding('1', 'S', 'FB_CANK_A')]), today));
  if (!cut) throw new Error('no cut');
  expect(placeWords(english, cut, 'metric')).toBe('collar');
  expect(placeWords(english, { ...cut, atCm: 41.6 }, 'metric')).toBe('41.5 cm');
  expect(placeWords(english, { ...cut, atCm: 41.6 }, 'us')).toBe('16¼ in');
  expect(placeWords(english, { ...cut, upToCm: 50 }, 'metric')).toBe('up to 50 cm');
});

test.each([
  [{}, 0],
  [{ heightCm: 620 }, 0],
  [{ hazards: ['lean' as const] }, 1],
  [{ hazards: ['power line' as const] }, 1],
  [{ hazards: ['slope' as const] }, 0],
])('%j: %i cuts are work for a licensed arborist', (tree, count) => {
  const view = treeView(detail([finding('1', 'S', 'FB_CANK_A')], tree), today);
  expect(standingCuts(view).filter((cut) => judgedAt(view, cut, today).handling.handOver)).toHaveLength(
    count,
  );
});
