// The table of the register: it sorts by its headings, moves by keys, opens with Enter, and shows the columns that are wanted.
import { english } from '@mortisect/words/all';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { press, show } from '../../testing/here';
import { laidOut } from '../../testing/laidOut';
import { detail } from '../../testing/orchard';
import { columnsIn } from './columns';
import { RegisterTable } from './RegisterTable';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const HEIGHTS = [320, 180, 260, 400, 180];
const trees = HEIGHTS.map(
  (heightCm, i) =>
    detail([], {
      id: `t${i}`,
      code: `Quay ${i + 1}`,
      heightCm,
      place: i + 1,
      nickname: i === 2 ? 'Old Tom' : null,
      hazards: i === 3 ? ['power line'] : i === 4 ? ['boundary mark'] : [],
    } as never).tree,
);

laidOut();

async function come(given = trees) {
  const onOpen = jest.fn();
  show(<RegisterTable trees={given} onOpen={onOpen} />, new FakeServer([]), { wide: true });
  const grid = screen.getByRole('grid', { name: 'Trees' });
  const rows = () => [...grid.querySelectorAll<HTMLElement>('.register-row')];
  /** Codes from top to bottom. */
  const codes = () =>
    rows()
      .sort((a, b) => Number(a.getAttribute('aria-rowindex')) - Number(b.getAttribute('aria-rowindex')))
      .map((row) => row.firstElementChild?.textContent);
  const at = () => rows().find((row) => row.getAttribute('aria-selected') === 'true')?.id;
  await waitFor(() => expect(rows()).toHaveLength(given.length));
  return { onOpen, grid, rows, codes, at };
}

test('a heading sorts up, then down, then not at all; trees of one height stay as they stood', async () => {
  const { codes } = await come();
  const heading = () => screen.getByRole('columnheader', { name: /^Height/ });
  const walking = ['Quay 1', 'Quay 2', 'Quay 3', 'Quay 4', 'Quay 5'];
  expect(codes()).toEqual(walking);
  for (const [way, order] of [
    ['ascending', ['Quay 2', 'Quay 5', 'Quay 3', 'Quay 1', 'Quay 4']],
    ['descending', ['Quay 4', 'Quay 1', 'Quay 3', 'Quay 2', 'Quay 5']],
    ['none', walking],
  ] as const) {
    fireEvent.click(within(heading()).getByRole('button'));
    expect(heading().getAttribute('aria-sort')).toBe(way);
    expect(codes()).toEqual(order);
  }
});

test('keys move within the table and no further; Enter opens the row that is focused, a tap its own', async () => {
  const { onOpen, grid, rows, at } = await come();
  const key = (name: string) => fireEvent.keyDown(grid, { key: name });
  for (const [pressed, row] of [
    ['ArrowDown', 1],
    ['ArrowDown', 2],
    ['ArrowUp', 1],
    ['End', 4],
    ['ArrowDown', 4],
    ['Home', 0],
    ['ArrowUp', 0],
    ['PageDown', 4],
    ['PageUp', 0],
  ] as const) {
    key(pressed);
    expect([pressed, at(), grid.getAttribute('aria-activedescendant')]).toEqual([
      pressed,
      `tree-row-${row}`,
      `tree-row-${row}`,
    ]);
  }
  key('End');
  key('Enter');
  expect(onOpen).toHaveBeenLastCalledWith(trees[4]);
  fireEvent.click(rows().find((row) => row.textContent?.includes('Quay 3')) as HTMLElement);
  expect(onOpen).toHaveBeenLastCalledWith(trees[2]);
  expect(onOpen).toHaveBeenCalledTimes(2);
});

test('danger to people marks its row; a boundary mark is none', async () => {
  const { rows } = await come();
  const marked = rows().filter((row) => row.className.includes('danger'));
  expect(marked.map((row) => row.firstElementChild?.textContent)).toEqual(['Quay 4']);
});

test('columns that are seldom wanted are hidden until they are chosen', async () => {
  const { grid } = await come();
  const titles = () =>
    within(grid)
      .getAllByRole('columnheader')
      .map((element) => element.textContent);
  expect(titles()).toEqual(
    columnsIn(english)
      .filter(({ hidden }) => !hidden)
      .map(({ title }) => title),
  );
  expect(grid.textContent).not.toContain('Old Tom');
  press('Columns');
  const sheet = await screen.findByRole('dialog', { name: 'Columns' });
  fireEvent.click(within(sheet).getByRole('checkbox', { name: 'Nickname' }));
  fireEvent.click(within(sheet).getByRole('checkbox', { name: 'Dangers' }));
  expect(titles()).toContain('Nickname');
  expect(titles()).not.toContain('Dangers');
  expect(grid.textContent).toContain('Old Tom');
});

test('no tree says so, and no key fails', async () => {
  const { grid, onOpen } = await come([]);
  expect(document.body.textContent).toContain('No tree fits.');
  expect(grid.getAttribute('aria-activedescendant')).toBeNull();
  for (const key of ['ArrowDown', 'End', 'Enter']) fireEvent.keyDown(grid, { key });
  expect(onOpen).not.toHaveBeenCalled();
});
