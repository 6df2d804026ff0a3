// The blade rule of the trade: unknown is dirty, between trees always, after disease always (common practice, no source).
import { type BladeEvent, nextStep, type RunCut } from './index';

const cut = (id: string, treeId: string, ...disorders: string[]): RunCut => ({ id, treeId, disorders });
const made = (treeId: string, ...disorders: string[]): BladeEvent => ({ kind: 'cut', treeId, disorders });
const cleaned: BladeEvent = { kind: 'cleaned' };

test.each<[string, RunCut, BladeEvent[], 'every' | 'season', string]>([
  ['unknown history', cut('a', '1', 'DEAD'), [], 'every', 'clean: unknown history'],
  ['only ever cut', cut('a', '1', 'DEAD'), [made('1', 'DEAD')], 'every', 'clean: unknown history'],
  ['just cleaned', cut('a', '1', 'FB_CANK_A'), [cleaned], 'every', 'cut'],
  [
    'same tree, dead wood after dead wood',
    cut('b', '1', 'DEAD'),
    [cleaned, made('1', 'DEAD')],
    'every',
    'cut',
  ],
  ['another tree', cut('b', '2', 'DEAD'), [cleaned, made('1', 'DEAD')], 'every', 'clean: another tree'],
  ['after a canker', cut('b', '1', 'DEAD'), [cleaned, made('1', 'CYT')], 'every', 'clean: met disease'],
  [
    'before a canker',
    cut('b', '1', 'FB_CANK_A'),
    [cleaned, made('1', 'DEAD')],
    'every',
    'clean: disease ahead',
  ],
  [
    'of a disorder not in the table',
    cut('b', '1', 'DEAD'),
    [cleaned, made('1', 'unheard of')],
    'season',
    'clean: met disease',
  ],
  ['dormant, by evidence', cut('b', '1', 'DEAD'), [cleaned, made('1', 'FB_CANK_A')], 'season', 'cut'],
])('a blade %s', (_, next, events, school, expected) => {
  const step = nextStep([next], events, 'dormant', school);
  expect(step.do === 'clean' ? `clean: ${step.why}` : step.do).toBe(expected);
});

test('in growth fire blight cleans before every cut, and a run without cuts is done', () => {
  expect(
    nextStep([cut('b', '1', 'FB_CANK_A')], [cleaned, made('1', 'DEAD')], 'summer', 'season'),
  ).toMatchObject({ why: 'disease ahead' });
  expect(nextStep([], [cleaned], 'summer', 'every')).toEqual({ do: 'done' });
});
