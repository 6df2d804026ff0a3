// Recorded facts through the triage table: what counts, what does not, and the trend.
import { openQuestion, treeView } from '@mortisect/core/present';
import { detail, did, finding, today } from '../testing/orchard';
import { triageOf } from './triageOf';

const said = (...given: Parameters<typeof detail>) => {
  const tree = detail(...given);
  return triageOf(treeView(tree, today), tree, today);
};
const seen = did({
  kind: 'treeSeen',
  at: '2026-01-10T09:00:00Z',
  treeId: 'a',
  verdict: 'sound',
  seen: 'all round',
});

test('one of two equal limbs dead from its base is half of the crown', () => {
  const dead = finding('f', 'S', 'DEAD', { fromCm: 0, toCm: 180 });
  expect(said([dead], { cultivar: 'Known' })).toMatchObject({ share: 0.5, verdict: 'trial year' });
});

test('mummies and damage are no dead wood; a canker on the stem counts by its girdling', () => {
  const fruit = finding('f', 'S', 'BRN', { place: 'fruit', fromCm: 0 });
  const broken = finding('b', 'S', 'BRK', { fromCm: 0 });
  expect(said([fruit, broken], { cultivar: 'Known' }).share).toBe(0);
  const stem = (widthsCm: number[]) => finding('t', 'T', 'NEO', { fromCm: 10, toCm: 20, widthsCm });
  expect(said([stem([5])], { cultivar: 'Known' }).verdict).toBe('keep');
  expect(said([stem([20])], { cultivar: 'Known' }).verdict).toBe('replace');
});

test('worse than a season ago is said only where somebody looked then', () => {
  const dead = finding('f', 'S', 'DEAD', { fromCm: 60, toCm: 180 });
  expect(said([dead]).trend).toBe('unknown');
  expect(said([dead], {}, [seen]).trend).toBe('worse');
});

test('a question holds the cut until it is answered', () => {
  const asked = {
    ...did({
      kind: 'asked',
      at: '2026-11-23T09:00:00Z',
      treeId: 'a',
      findingId: 'f',
      of: 'Boat crew',
      question: '?',
    }),
    id: 'q',
  };
  const answered = did({
    kind: 'answered',
    at: '2026-11-23T10:00:00Z',
    treeId: 'a',
    findingId: 'f',
    askedId: 'q',
    answer: 'Cut.',
  });
  const canker = finding('f', 'S', 'NEO');
  const view = (actions: Parameters<typeof detail>[2]) => treeView(detail([canker], {}, actions), today);
  expect(view([asked]).cuts).toMatchObject({ cuts: [], uncut: [{ findingId: 'f', why: 'held' }] });
  expect(view([asked, answered]).cuts.cuts).toHaveLength(1);
  expect(openQuestion([asked], 'f')).toMatchObject({ id: 'q', of: 'Boat crew' });
});
