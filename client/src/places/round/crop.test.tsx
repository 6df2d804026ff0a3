// Crops are written down year by year, and say of the next one what they can.
import type { ActionBody } from '@mortisect/core/records';
import { configure, fireEvent, screen } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, buttons, press, show, write } from '../../testing/here';
import { detail, did, today } from '../../testing/orchard';
import { CropPart } from './CropPart';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const crop = (year: number, seen: string, thinned = false) =>
  did({ kind: 'cropSeen', at: '2026-11-20T09:00:00Z', treeId: 'a', year, crop: seen, thinned } as ActionBody);

function come(...actions: ReturnType<typeof crop>[]): FakeServer {
  const server = new FakeServer([detail([])]);
  at.path = '/round/a';
  show(<CropPart treeId="a" actions={actions} today={today} />, server);
  return server;
}

test('a crop needs a year that has come and a word on how much there was', async () => {
  const server = come();
  expect(screen.getByText('Nobody has written down a crop yet.')).toBeTruthy();
  press('Write down a crop');
  const record = () => buttons('Record it')[0] as HTMLButtonElement;
  expect(record().disabled).toBe(true);
  fireEvent.click(screen.getByRole('radio', { name: 'Heavy' }));
  for (const [year, fits] of [
    ['2027', false],
    ['26', false],
    ['', false],
    ['last', false],
    ['1799', false],
    ['2026', true],
    ['2025', true],
  ] as const) {
    write('Harvest of the year', year);
    expect(record().disabled).toBe(!fits);
  }
  press('Record it');
  await allSent();
  expect(server.actions.map(({ action }) => action)).toMatchObject([
    { kind: 'cropSeen', treeId: 'a', year: 2025, crop: 'heavy', thinned: false },
  ]);
});

test('the latest years stand first, the last word on each, and a rhythm says what comes', () => {
  come(
    crop(2023, 'none'),
    crop(2024, 'good', true),
    crop(2025, 'fair'),
    crop(2025, 'light'),
    crop(2026, 'heavy'),
  );
  expect(screen.getAllByText(/^20\d\d$/).map((each) => each.textContent)).toEqual([
    '2026',
    '2025',
    '2024',
    '2023',
  ]);
  expect(screen.getByText('Light')).toBeTruthy();
  expect(screen.queryByText('Fair')).toBeNull();
  expect(screen.getByText('Good, thinned')).toBeTruthy();
  expect(screen.getByText(/its poor year is likely next/)).toBeTruthy();
});

test('before a heavy year it says how to thin; where there is no rhythm it says nothing', () => {
  come(crop(2023, 'good'), crop(2024, 'none'), crop(2025, 'good'), crop(2026, 'light'));
  expect(screen.getByText(/Thin the fruit in early summer to one on a spur, a hand apart/)).toBeTruthy();
});

test('three years are no rhythm', () => {
  come(crop(2024, 'none'), crop(2025, 'good'), crop(2026, 'light'));
  expect(screen.queryByText(/every second year/)).toBeNull();
});
