// What shades a tree: written down, told with the sky it hides, taken away again.
import { treeView } from '@mortisect/core/present';
import type { ActionBody } from '@mortisect/core/records';
import { configure, fireEvent, screen } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, press, show, write } from '../../testing/here';
import { detail, did, today } from '../../testing/orchard';
import { ShadePart } from './ShadePart';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const wall = { what: 'building', bearingDeg: 90, distanceCm: 400, heightCm: 900, widthCm: 2000 } as const;
const seen = (...shades: (typeof wall)[]) =>
  did({ kind: 'shadeSeen', at: '2026-11-20T09:00:00Z', treeId: 'a', shades } as ActionBody);

function come(...actions: ReturnType<typeof seen>[]): FakeServer {
  const server = new FakeServer([detail([])]);
  at.path = '/round/a';
  show(<ShadePart view={treeView({ ...detail([]), actions }, today)} today={today} />, server);
  return server;
}

test('all four things are needed, each within what can be', async () => {
  const server = come();
  expect(screen.getByText('Nobody wrote down anything that shades this tree.')).toBeTruthy();
  press('Add what shades it');
  write('Distance from the stem, cm', '4 m');
  write('Height, cm', '9 m');
  write('Width, cm', '20 m');
  press('Record it');
  expect(document.body.textContent).toMatch(/what it is, how far off, how high and how wide/);
  fireEvent.click(screen.getByRole('radio', { name: 'Building' }));
  write('Height, cm', '101 m');
  press('Record it');
  await allSent();
  expect(server.actions).toEqual([]);
  write('Height, cm', '9 m');
  press('Record it');
  await allSent();
  expect(server.actions.map(({ action }) => action)).toMatchObject([
    { kind: 'shadeSeen', treeId: 'a', shades: [{ ...wall, bearingDeg: 180 }] },
  ]);
});

test('the last word stands, with what it hides, and one is taken away alone', async () => {
  const hedge = { ...wall, what: 'hedge' as never, bearingDeg: 270 as never };
  const server = come(seen(hedge), seen(wall, hedge));
  expect(screen.getByText(/About \d+ % of its sky is hidden/)).toBeTruthy();
  expect(screen.getByText(/^Building toward 3 o’clock: 4.0 m away, 9.0 m high, 20.0 m wide$/)).toBeTruthy();
  press('Remove Building, 3 o’clock');
  await allSent();
  expect(server.actions.at(-1)?.action).toMatchObject({ kind: 'shadeSeen', shades: [hedge] });
});
