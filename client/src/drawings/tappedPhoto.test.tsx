// A photo without a finger: marks are put and carried by keys, the nearer the finer, and never off the picture.
import { fireEvent, screen } from '@testing-library/react';
import '../workers/importMeta';
import { FakeServer } from '../testing/fakeServer';
import { show } from '../testing/here';
import { detail } from '../testing/orchard';
import { TappedPhoto } from './TappedPhoto';

jest.mock('expo-router', () => require('../testing/here').router);

function come(at: { x: number; y: number } | null) {
  const [tapped, moved]: [unknown[], unknown[]] = [[], []];
  show(
    <TappedPhoto
      label="Photo"
      url="blob:photo"
      widthPx={1200}
      heightPx={1600}
      marks={at ? [{ id: 'tip 1', at, text: '1', says: 'Tip of limb 1' }] : []}
      wood={[]}
      line={null}
      inHandId={at && 'tip 1'}
      onTap={(spot) => tapped.push({ x: Math.round(spot.x), y: Math.round(spot.y) })}
      onMove={(id, spot) => moved.push([id, Math.round(spot.x), Math.round(spot.y)])}
    />,
    new FakeServer([detail([])]),
  );
  const photo = screen.getByRole('group', { name: 'Photo' });
  const key = (name: string, shiftKey = false) => fireEvent.keyDown(photo, { key: name, shiftKey });
  return { tapped, moved, key };
}

test('Enter puts a mark in the middle of what is seen; arrows have nothing to move before', () => {
  const { tapped, moved, key } = come(null);
  key('ArrowRight');
  key('Enter');
  expect([tapped, moved]).toEqual([[{ x: 600, y: 800 }], []]);
});

test('arrows carry the last mark, with Shift ten times as far, and nearer by less', () => {
  const { moved, key } = come({ x: 600, y: 800 });
  key('ArrowRight');
  key('ArrowUp');
  key('ArrowLeft', true);
  key('+');
  key('ArrowDown');
  key('-');
  key('ArrowDown');
  expect(moved).toEqual([
    ['tip 1', 608, 800],
    ['tip 1', 600, 792],
    ['tip 1', 520, 800],
    ['tip 1', 600, 805],
    ['tip 1', 600, 808],
  ]);
});

test('no mark leaves the picture', () => {
  const { moved, key } = come({ x: 2, y: 1599 });
  key('ArrowLeft', true);
  key('ArrowDown', true);
  expect(moved).toEqual([
    ['tip 1', 0, 1599],
    ['tip 1', 2, 1600],
  ]);
});
