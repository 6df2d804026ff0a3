// Ranges no finer than they are known, and each fault with what to do about it.
import type { LimbFault, PairFault, StationFault } from '@mortisect/core/survey';
import { english, sayIn } from '@mortisect/words/all';
import { degWithin, lengthWithin, surveyFaultWords } from './surveyWords';

const spanish = sayIn('es-ES');

test.each([
  [{ value: 240.4, give: 12.3 }, 'metric', '240 cm ± 12'],
  [{ value: 240.6, give: 0.2 }, 'metric', '241 cm ± 1'],
  [{ value: 254, give: 25.4 }, 'us', '100 in ± 10'],
] as const)('%j in %s units: %s', (length, units, words) => {
  expect(lengthWithin(english, length, units)).toBe(words);
});

test('an angle is never surer than a degree', () => {
  expect(degWithin(english, { value: 41.6, give: 0.1 })).toBe('42° ± 1°');
  expect(degWithin(english, { value: 41.4, give: 7.6 })).toBe('41° ± 8°');
});

test.each<[StationFault | PairFault | LimbFault, RegExp]>([
  [{ why: 'poleSmall', deg: 9.6, leastDeg: 12 }, /10°.*12°/],
  [{ why: 'doesNotFit', wouldFitCm: 437, saidCm: 600 }, /440 cm away, you said 600 cm/],
  [{ why: 'sameSide', deg: 20.4, leastDeg: 30 }, /20° apart.*30°/],
  [{ why: 'fewShared', shared: 1, needed: 2 }, /2 limbs on both/],
  [{ why: 'raysClose', deg: 12, leastDeg: 30 }, /12°, 30° are needed/],
  [{ why: 'offLine', offPx: 48.7, mostPx: 17.2 }, /49 px off its line, 17 at most/],
  [{ why: 'noHour' }, /on the second photo, or say its hour/],
])('%j says what to do', (fault, words) => {
  expect(surveyFaultWords(english, fault, 'metric')).toMatch(words);
  expect(surveyFaultWords(spanish, fault, 'metric')).not.toBe(surveyFaultWords(english, fault, 'metric'));
});

test('who aims is told to aim, not to tap', () => {
  expect(surveyFaultWords(english, { why: 'noHour' }, 'metric', true)).toBe(
    'Aim at its tip from the second place, or say its hour.',
  );
});
