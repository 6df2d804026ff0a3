// Several trees changed at once: what is sent for each, and what is told where one is refused.
import '../../workers/importMeta';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer, refused } from '../../testing/fakeServer';
import { at, press, show, write } from '../../testing/here';
import { detail } from '../../testing/orchard';
import { ManyTrees } from './ManyTrees';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const [sample] = [detail([])];
const named = (id: string, code: string, place: number) => ({
  ...sample,
  tree: { ...sample.tree, id, code, place },
});
async function come() {
  const server = new FakeServer([named('a', 'Wall 1', 4), named('b', 'Wall 2', 2), named('c', 'Loft 1', 9)]);
  at.path = '/round/register/many';
  show(<ManyTrees />, server);
  await screen.findByText('Which trees');
  return server;
}
const main = () =>
  screen.getByRole('button', { name: /^(Change \d+ tree|Nothing to change)/ }) as HTMLButtonElement;
const check = (name: string) => fireEvent.click(screen.getByRole('checkbox', { name }));

test('all that fit move to another row and are numbered as they stand; the others are left alone', async () => {
  const server = await come();
  expect(main().disabled).toBe(true);
  write('Find', 'wall ');
  press('All 2 that fit');
  expect(main().disabled).toBe(true);
  write('Row', 'South');
  check('Number them along the row');
  fireEvent.click(main());
  await screen.findByText('2 trees changed');
  const sent = server.bodies<{ baseRevision: number; tree: { code: string; row: string; place: number } }>(
    'putTree',
  );
  expect(sent.map(({ tree: { code, row, place } }) => [code, row, place])).toEqual([
    ['Wall 2', 'South', 1],
    ['Wall 1', 'South', 2],
  ]);
  expect(sent.every(({ baseRevision }) => baseRevision === sample.tree.revision)).toBe(true);
});

test('one that is refused stays chosen and says why; the rest are changed', async () => {
  const server = await come();
  for (const code of ['Wall 1', 'Loft 1']) check(code);
  fireEvent.change(screen.getByLabelText('Status'), { target: { value: 'removed' } });
  server.instead.set('putTree', () => {
    server.instead.clear();
    throw refused(409, 'Changed meanwhile.');
  });
  fireEvent.click(main());
  expect(await screen.findByText('1 tree was not changed')).toBeTruthy();
  await waitFor(() => expect(server.bodies('putTree')).toHaveLength(2));
  const on = screen.getAllByRole('checkbox', { checked: true }).map((box) => box.getAttribute('aria-label'));
  expect(on).toHaveLength(1);
  expect(on[0]).toMatch(/^(Wall|Loft) 1$/);
});
