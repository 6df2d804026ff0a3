// How long cuts really take, as it is told.
import { english, sayIn } from '../all';
import { paceWords, personalPaceWords } from './paces';

const pace = {
  by: null,
  kind: 'hand saw',
  cuts: 43,
  actualMinutes: 200,
  estimateMinutes: 160,
  factor: 1.2,
  range: [1.05, 1.35] as [number, number],
} as const;
const paces = [pace, { ...pace, by: 'Boat crew', cuts: 1, factor: 1 }].map((each) => ({
  ...each,
  range: pace.range,
}));

test('everybody together stands by itself, each person under their name', () => {
  expect(paceWords(english, paces)).toEqual(['Hand saw: 1.2 times the estimate (1.05–1.35), 43 cuts timed']);
  expect(personalPaceWords(english, paces)).toEqual([
    'Boat crew: Hand saw: 1 times the estimate (1.05–1.35), one cut timed',
  ]);
  expect(paceWords(sayIn('es-ES'), paces)[0]).toMatch(/1,2 veces lo estimado \(1,05–1,35\), 43 cortes/);
  expect(paceWords(english, [])).toEqual([]);
});
