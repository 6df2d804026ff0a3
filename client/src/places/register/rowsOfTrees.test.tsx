// Rows by their plots: renamed, spaced and walked in another order, each on the revision it was read in.
import '../../workers/importMeta';
import { configure, screen, waitFor, within } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { at, press, show, write } from '../../testing/here';
import { detail } from '../../testing/orchard';
import { RowsOfTrees } from './RowsOfTrees';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const rows = ['Near', 'Middle', 'Far'].map((name, i) => ({
  ...{ id: `r${i}`, plotId: 'p', name, spacingCm: 400, revision: i + 1 },
}));

async function come() {
  const server = new FakeServer([detail([])]);
  const { tree } = detail([]);
  server.instead.set('getTrees', () => ({
    plots: [{ id: 'p', name: 'Plot', note: '' }],
    rows,
    trees: [{ ...tree, rowId: 'r1', row: 'Middle' }],
  }));
  server.instead.set('putRow', () => rows[0]);
  at.path = '/round/register/rows';
  show(<RowsOfTrees />, server);
  await screen.findByText('Middle');
  const sent = () =>
    server.asked
      .filter(({ name }) => name === 'putRow')
      .map(({ params, body }) => ({ ...params, ...(body as object) }));
  return { sent };
}

test('each stands in its plot with its trees and their spacing; the first cannot be walked earlier, the last no later', async () => {
  await come();
  const list = screen.getByRole('list', { name: 'Plot' });
  expect(
    within(list)
      .getAllByRole('listitem')
      .map((item) => item.textContent),
  ).toEqual(['Near0 trees, 4.0 m apart↑↓', 'Middle1 tree, 4.0 m apart↑↓', 'Far0 trees, 4.0 m apart↑↓']);
  const disabled = (name: string) =>
    screen.getByRole('button', { name }).getAttribute('aria-disabled') ??
    screen.getByRole('button', { name }).hasAttribute('disabled');
  expect(disabled('Walk Near earlier')).toBeTruthy();
  expect(disabled('Walk Far later')).toBeTruthy();
  expect(disabled('Walk Near later')).toBeFalsy();
});

test('walked later it takes the next place; renamed and spaced it keeps its own', async () => {
  const { sent } = await come();
  press('Walk Near later');
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(sent()[0]).toEqual({ rowId: 'r0', baseRevision: 1, row: { name: 'Near', spacingCm: 400, at: 1 } });
  await waitFor(() =>
    expect(screen.getByRole('button', { name: 'Walk Middle later' }).hasAttribute('disabled')).toBe(false),
  );
  press(/^Middle/);
  write('Name', '  By the burn ');
  write('From tree to tree, cm', '5.5 m');
  press('Save the row');
  await waitFor(() => expect(sent()).toHaveLength(2));
  expect(sent()[1]).toEqual({
    rowId: 'r1',
    baseRevision: 2,
    row: { name: 'By the burn', spacingCm: 550, at: 1 },
  });
});

test('without a name, or with its trees one in another, nothing is sent', async () => {
  const { sent } = await come();
  press(/^Middle/);
  write('Name', ' ');
  press('Save the row');
  write('Name', 'By the burn');
  write('From tree to tree, cm', '19');
  press('Save the row');
  expect(screen.getByText('Between 20 and 3000 cm.')).toBeTruthy();
  expect(sent()).toEqual([]);
});
