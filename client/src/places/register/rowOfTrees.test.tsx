// A row written down at once: what is refused by field, and what goes to the server.
import '../../workers/importMeta';
import { english } from '@mortisect/words/all';
import { configure, screen, waitFor } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { at, press, show, write } from '../../testing/here';
import { detail } from '../../testing/orchard';
import { RowOfTrees } from './RowOfTrees';
import { fileOfTrees, MOST_IN_A_ROW, type RowForm, treesOfRow } from './rowOfTrees';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const row: RowForm = {
  ...{ count: '3', plot: 'Quay', row: 'By the wall', species: 'pear', cultivar: '', plantedYear: '2014' },
  ...{ heightCm: '3.5 m', spreadCm: '2 m', spacingCm: '2.5 m' },
};
const read = (more: Partial<RowForm> = {}, codes: string[] = []) =>
  treesOfRow(english, { ...row, ...more }, 'metric', new Set(codes));
const faulty = (more: Partial<RowForm>, codes: string[] = []) => {
  const answer = read(more, codes);
  return 'faults' in answer ? Object.keys(answer.faults) : [];
};

test('trees alike, each with its number, of the usual form of their kind', () => {
  const answer = read();
  if (!('trees' in answer)) throw new Error('The row was refused.');
  expect(answer.trees).toHaveLength(3);
  expect(answer.spacingCm).toBe(250);
  expect(answer.trees[2]).toMatchObject({
    ...{
      code: 'By the wall 03',
      plot: 'Quay',
      row: 'By the wall',
      place: 3,
      species: 'pear',
      cultivar: null,
    },
    ...{ plantedYear: 2014, form: 'central leader', heightCm: 350, spreadCm: 200 },
  });
  const hundred = read({ count: '100' });
  expect('trees' in hundred && hundred.trees[6]?.code).toBe('By the wall 007');
});

test.each<[Partial<RowForm>, string[]]>([
  [{ count: '' }, ['count']],
  [{ count: '0' }, ['count']],
  [{ count: '2.5' }, ['count']],
  [{ count: `${MOST_IN_A_ROW}` }, []],
  [{ count: `${MOST_IN_A_ROW + 1}` }, ['count']],
  [{ plot: ' ' }, ['plot']],
  [{ row: '' }, ['row']],
  [{ plantedYear: 'soon' }, ['plantedYear']],
  [{ plantedYear: '' }, []],
  [{ heightCm: 'tall', spreadCm: '' }, ['heightCm', 'spreadCm']],
])('%j: what is wrong stands at %j', (more, fields) => {
  expect(faulty(more)).toEqual(fields);
});

test('a code that is taken is said before anything is sent; the file holds every word as it was typed', async () => {
  expect(faulty({}, ['By the wall 02'])).toEqual(['row']);
  const answer = read({ cultivar: 'The "old", one' });
  if (!('trees' in answer)) throw new Error('The row was refused.');
  const { file, mapping } = fileOfTrees(answer.trees);
  const text = await new Promise<string>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsText(file);
  });
  const [head, first] = text.split('\n');
  expect(head?.split(',').every((column) => mapping[column] === column)).toBe(true);
  expect(first).toBe(
    '"By the wall 01","Quay","By the wall","1","pear","The ""old"", one","2014","central leader","350","200"',
  );
});

test('the page says what is wrong, then sends the row in one go', async () => {
  const server = new FakeServer([detail([])]);
  const report = { rows: [], columns: [], mapping: {}, starts: [], asks: [], units: [] };
  server.instead.set('importTrees', () => ({ ...report, written: 12 }));
  at.path = '/round/register/row';
  show(<RowOfTrees />, server);
  await screen.findByLabelText('How many trees');
  write('How many trees', 'many');
  press('Write them down');
  expect(await screen.findByText('A whole number from 1 to 200.')).toBeTruthy();
  expect(server.asked.some(({ name }) => name === 'importTrees')).toBe(false);
  write('How many trees', '12');
  press('Write them down');
  await waitFor(() => expect(server.asked.some(({ name }) => name === 'importTrees')).toBe(true));
  const { query } = server.asked.findLast(({ name }) => name === 'importTrees') ?? {};
  expect([query?.get('format'), query?.get('take')]).toEqual(['csv', 'good']);
});
