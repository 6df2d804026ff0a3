// The table of the register is typed into: each cell is checked and saved alone, and nothing is saved that was not meant.
import type { TreeDetail, TreeSummary } from '@mortisect/core/records';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { useTrees } from '../../data/queries';
import { FakeServer } from '../../testing/fakeServer';
import { buttons, press, show } from '../../testing/here';
import { laidOut } from '../../testing/laidOut';
import { detail } from '../../testing/orchard';
import { RegisterTable } from './RegisterTable';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });
laidOut();

const onOpen = jest.fn();
const NO_TREES: TreeSummary[] = [];
const Table = () => <RegisterTable trees={useTrees().data?.trees ?? NO_TREES} onOpen={onOpen} />;

async function come() {
  onOpen.mockReset();
  const server = new FakeServer(
    [1, 2, 3].map((number) =>
      detail([], { id: `t${number}`, code: `Quay ${number}`, place: number, heightCm: 300 } as never),
    ),
  );
  show(<Table />, server, { wide: true });
  const grid = await screen.findByRole('grid', { name: 'Trees' });
  await waitFor(() => expect(grid.querySelectorAll('.register-row')).toHaveLength(3));
  press('Type in the table');
  const cellOf = (row: number, text: string) =>
    [...(grid.querySelector(`#tree-row-${row}`)?.children ?? [])].find(
      (cell) => cell.textContent === text,
    ) as HTMLElement;
  const key = (name: string, on: Element = grid) => fireEvent.keyDown(on, { key: name });
  const input = () => grid.querySelector('input') as HTMLInputElement;
  const type = (text: string) => fireEvent.change(input(), { target: { value: text } });
  const tree = (id: string) => (server.details.get(id) as TreeDetail).tree;
  const says = () => screen.getByRole('status').textContent;
  return { server, grid, cellOf, key, input, type, tree, says };
}

test('a tap opens a cell, Enter saves it and goes down; the tree is not opened', async () => {
  const { cellOf, input, type, key, tree, says, grid } = await come();
  fireEvent.click(cellOf(0, 'Quay 1'));
  expect([input().value, input().getAttribute('aria-label')]).toEqual(['Quay 1', 'Tree, Quay 1']);
  expect(document.activeElement).toBe(input());
  // What is typed takes its place
  expect([input().selectionStart, input().selectionEnd]).toEqual([0, 'Quay 1'.length]);
  type('Quay 9');
  key('Enter', input());
  await waitFor(() => expect(tree('t1').code).toBe('Quay 9'));
  await waitFor(() => expect(says()).toBe('Quay 9: Code on its tag is now Quay 9.'));
  expect(grid.getAttribute('aria-activedescendant')).toBe('tree-row-1');
  expect(onOpen).not.toHaveBeenCalled();
  // And back again, by its own button
  press('Take it back');
  await waitFor(() => expect(tree('t1').code).toBe('Quay 1'));
  await waitFor(() => expect(says()).toBe('Quay 1 is as it was.'));
});

test('arrows and letters type without a mouse; Tab saves and goes right, Esc leaves all as it was', async () => {
  const { key, input, type, tree, grid } = await come();
  key('ArrowDown');
  key('ArrowRight');
  key('ArrowRight');
  // No key of the page acts besides
  expect(key('B')).toBe(false);
  expect([input().value, input().getAttribute('aria-label')]).toEqual(['B', 'Cultivar, Quay 2']);
  expect([input().selectionStart, input().selectionEnd]).toEqual([1, 1]);
  type('Bell tower');
  key('Tab', input());
  await waitFor(() => expect(tree('t2').cultivar).toBe('Bell tower'));
  await waitFor(() => expect(document.activeElement).toBe(grid));
  key('F2');
  expect(input().getAttribute('aria-label')).toBe('Planted, Quay 2');
  type('1');
  key('Escape', input());
  expect(input()).toBeNull();
  expect(document.activeElement).toBe(grid);
  expect(tree('t2').plantedYear).toBe(detail([], {}).tree.plantedYear);
});

test('what is wrong is said at the cell and stays there; what is odd is asked once', async () => {
  const { cellOf, key, input, type, tree, says } = await come();
  fireEvent.click(cellOf(0, '3.0 m'));
  type('tall');
  key('Enter', input());
  expect(input().value).toBe('tall');
  expect(input().getAttribute('aria-invalid')).toBe('true');
  expect(says()).not.toBe('');
  type('30000');
  expect(input().getAttribute('aria-invalid')).toBe('false');
  type('2500');
  key('Enter', input());
  expect(says()).toMatch(/few fruit trees have that\. Press Enter once more/);
  // Another odd number is another question
  type('2600');
  key('Enter', input());
  expect(tree('t1').heightCm).toBe(300);
  key('Enter', input());
  await waitFor(() => expect(tree('t1').heightCm).toBe(2600));
});

test('a row that is not there yet is made by no slip of the finger', async () => {
  const { cellOf, key, input, type, tree, says } = await come();
  fireEvent.click(cellOf(0, tree('t1').plot));
  type('Nowhere');
  key('Enter', input());
  expect(says()).toMatch(/There is no row .* in Nowhere yet\. Press Enter once more/);
  key('Escape', input());
  expect(tree('t1').plot).not.toBe('Nowhere');
});

test('a tap on another cell saves what was typed in the first; what cannot be saved keeps its cell open', async () => {
  const { cellOf, input, type, tree } = await come();
  fireEvent.click(cellOf(0, 'Quay 1'));
  type('');
  fireEvent.click(cellOf(1, 'Quay 2'));
  expect(input().getAttribute('aria-label')).toBe('Tree, Quay 1');
  expect(input().getAttribute('aria-invalid')).toBe('true');
  type('Quay 8');
  fireEvent.click(cellOf(1, 'Quay 2'));
  await waitFor(() => expect(input().getAttribute('aria-label')).toBe('Tree, Quay 2'));
  expect(tree('t1').code).toBe('Quay 8');
});

test('without the server the cell stays as it is typed; once it is done the rows open trees again', async () => {
  const { server, cellOf, key, input, type, says } = await come();
  server.down = true;
  fireEvent.click(cellOf(2, 'Quay 3'));
  type('Quay 7');
  key('Enter', input());
  await waitFor(() => expect(says()).toMatch(/does not answer/));
  expect(input().value).toBe('Quay 7');
  key('Escape', input());
  press('Done typing');
  await waitFor(() => expect(buttons('Type in the table')).toHaveLength(1));
  fireEvent.click(cellOf(2, 'Quay 3'));
  expect(onOpen).toHaveBeenCalledTimes(1);
});

test('Enter pressed twice while a cell is on its way sends it once, and a cell that is tapped meanwhile opens after it', async () => {
  const { cellOf, input, type, key, tree, server } = await come();
  fireEvent.click(cellOf(0, 'Quay 1'));
  type('Quay 9');
  key('Enter', input());
  key('Enter', input());
  fireEvent.click(cellOf(2, 'Quay 3'));
  await waitFor(() => expect(input()?.getAttribute('aria-label')).toBe('Tree, Quay 3'));
  expect(tree('t1').code).toBe('Quay 9');
  expect(server.asked.filter(({ name }) => name === 'putTree')).toHaveLength(1);
});
