// A plan in words: what is done and what for, when, what was pinned, and what cannot all be kept.

import { disorderOf } from '@mortisect/core/disorders';
import { otherKinds } from '@mortisect/core/plan';
import type { Goal } from '@mortisect/core/shaping';
import { english, sayIn } from '../all';
import {
  arboristWords,
  clashSentence,
  leftWords,
  lowersWords,
  otherWords,
  passWords,
  pinSentence,
  reasonWords,
  stepSentence,
  stillTallWords,
  told,
  visitTitle,
} from './index';

const names = new Map([
  ['A', '4 o’clock, low'],
  ['B', 'The swing limb'],
]);
const findings = new Map([['f', 'The canker on 4 o’clock']]);

test.each([
  [1, 'dormant', 2026, 'Winter 2026/27'],
  [3, 'dormant', 2026, 'Winter 2028/29'],
  [1, 'dormant', 2099, 'Winter 2099/00'],
  [1, 'summer', 2026, 'Summer 2027'],
  [2, 'summer', 2026, 'Summer 2028'],
] as const)('season %i, %s, from %i on is %s', (season, pass, firstYear, title) => {
  expect(passWords(english, season, pass, firstYear)).toBe(title);
  expect(visitTitle(english, { season, pass, firstYear } as never)).toBe(title);
});

test.each([
  [{ kind: 'stays', limbId: 'A' }, '4 o’clock, low stays'],
  [{ kind: 'stays', limbId: 'B' }, 'The swing limb stays'],
  [{ kind: 'stays', limbId: 'Z' }, 'Z stays'],
  [
    { kind: 'goes', candidateId: 'A 41.5 heading', season: 2 },
    'the cut on 4 o’clock, low is made in season 2',
  ],
  [
    { kind: 'not before', candidateId: 'B 0 collar', season: 3 },
    'the cut on the swing limb waits until season 3',
  ],
  [
    { kind: 'follower', limbId: 'A', followerId: 'B', untilMm: 20 },
    '4 o’clock, low stays until the swing limb is 20 mm thick',
  ],
] as const)('%j: %s', (pin, sentence) => {
  expect(pinSentence(english, pin, { names })).toBe(sentence);
});

const stays = { pin: { kind: 'stays', limbId: 'A' } };
test.each([
  [[stays], '“4 o’clock, low stays” cannot be kept.'],
  [
    [{ findingId: 'f' }, stays],
    'The canker on 4 o’clock must come out and “4 o’clock, low stays” cannot all be kept together.',
  ],
  [
    [stays, { findingId: 'unheard of' }, { season: 2 }],
    '“4 o’clock, low stays”, a finding must come out and the limit of season 2 cannot all be kept together.',
  ],
])('%j cannot be kept', (parts, sentence) => {
  expect(clashSentence(english, parts as never, { names, findings })).toBe(sentence);
});

test('what a step is for: each thing once, by its name, then what the tree is brought to', () => {
  const step = (...ids: string[]) => ({
    solves: ids.map((findingId) => ({ findingId, chance: 0, range: [0, 0] as [number, number] })),
    serves: [] as Goal[],
  });
  const disorders = new Map([
    ['f', 'NEO'],
    ['g', 'NEO'],
    ['h', 'BRK'],
    ['i', 'NOT_A_CODE'],
  ]);
  const [canker, broken] = ['NEO', 'BRK'].map((code) => told(english, disorderOf(code)?.name));
  expect(reasonWords(english, step('f', 'g', 'h'), disorders)).toBe(`${canker} · ${broken}`);
  expect(reasonWords(english, step('i', 'gone'), disorders)).toBe('NOT_A_CODE');
  expect(reasonWords(english, { ...step('h'), serves: ['height', 'training', 'light'] }, disorders)).toBe(
    `${broken} · Lower the tree · Train the young tree · Let light in`,
  );
});

test('what is no cut is said by what it is and where', () => {
  const step = (limbId: string) =>
    stepSentence(
      english,
      { candidate: { what: { is: 'other', kind: 'tie down', limbId } } } as never,
      { names } as never,
    );
  expect(step('B')).toBe('Spread or tie it down: the swing limb.');
  expect(step('Z')).toMatch(/: z\.$/i);
});

test('every other thing to do has words of its own', () => {
  expect(new Set(otherKinds.map((each) => otherWords(english, each))).size).toBe(otherKinds.length);
});

test('every reason to leave a finding has words of its own', () => {
  const whys = [
    ...['pinned', 'not worth it', 'no room', 'hand over', 'no candidate', 'decision', 'held', 'healed'],
    ...['fruit', 'measure', 'wait', 'leave'],
  ] as Parameters<typeof leftWords>[1][];
  expect(new Set(whys.map((each) => leftWords(english, each))).size).toBe(whys.length);
  expect(leftWords(english, 'hand over')).toMatch(/licensed arborist/);
});

test.each([
  ['metric', [3.2, 18.6], '4.7 m over the ground · 68 mm thick · 3.2–19 kg'],
  ['metric', [0.4, 2], '4.7 m over the ground · 68 mm thick · 400 g–2 kg'],
  ['metric', [2, 2], '4.7 m over the ground · 68 mm thick · 2 kg'],
  ['us', [3.2, 18.6], '15 ft 5 in over the ground · 2 5/8 in thick · 7.1–41 lb'],
] as const)('what an arborist asks first, %s, %j', (units, massRangeKg, words) => {
  const priced = { handling: { kerfHeightCm: 470, kerfMm: 68, massRangeKg } };
  expect(arboristWords(english, { priced } as never, units)).toBe(words);
});

test.each([
  ['en-GB', '6 o’clock, middle', 'no heir', /^6 o’clock, middle still ends at 4\.1 m: no side branch/],
  ['es-ES', '6 o’clock, middle', 'no heir', /^Las 6, media sigue acabando a 4,1 m: ninguna rama lateral/],
  ['es-ES', 'Stem', 'hand over', /^Tronco sigue acabando a 4,1 m: solo un arborista llega ahí/],
  ['en-GB', 'Stem', 'reached', /^$/],
] as const)('%s: why %s still ends too high, as a sentence', (locale, name, left, words) => {
  const limb = { limbId: 'X', tipCm: 500, afterCm: 410, left };
  const telling = { limbs: [], names: new Map([['X', name]]), units: 'metric' as const, twelveBearingDeg: 0 };
  expect(stillTallWords(sayIn(locale), limb, telling)).toMatch(words);
});

test('how far a limb is brought down, and what takes over', () => {
  const telling = {
    limbs: [],
    names: new Map([['X', '6 o’clock, low']]),
    units: 'metric' as const,
    twelveBearingDeg: 0,
  };
  const of = (heir: 'stout' | 'weak' | 'none') =>
    lowersWords(english, { limbId: 'X', tipCm: 560, afterCm: 420, heir }, 350, telling);
  expect(of('stout')).toBe(
    '6 o’clock, low: the highest point goes from 5.6 m to 4.2 m. The tree should end at 3.5 m.',
  );
  expect(of('weak')).toMatch(/3\.5 m\. No branch there is stout enough, so a weak heir takes over/);
  expect(of('none')).toBe('6 o’clock, low goes whole: it ends at 5.6 m, and the tree should end at 3.5 m.');
});
