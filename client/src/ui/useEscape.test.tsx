// Escape and sheets: the uppermost closes, alone, from the moment it is on the page.
import { fireEvent, render } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { useEscape } from './useEscape';

function Layer({ open, onClose, first = false }: { open: boolean; onClose(): void; first?: boolean }) {
  useEscape(open, onClose);
  // A key that comes before anything has settled
  useLayoutEffect(() => {
    if (first) fireEvent.keyUp(document.body, { key: 'Escape' });
  }, [first]);
  return null;
}

test('the uppermost closes alone, and no listener of the library hears of it; then the one below', () => {
  const [lower, upper, library] = [jest.fn(), jest.fn(), jest.fn()];
  document.addEventListener('keyup', library);
  const page = (isUpper: boolean) => (
    <>
      <Layer open onClose={lower} />
      <Layer open={isUpper} onClose={upper} />
    </>
  );
  const { rerender, unmount } = render(page(true));
  fireEvent.keyUp(document.body, { key: 'Enter' });
  fireEvent.keyUp(document.body, { key: 'Escape' });
  expect([lower, upper, library].map(({ mock }) => mock.calls.length)).toEqual([0, 1, 1]);
  rerender(page(false));
  fireEvent.keyUp(document.body, { key: 'Escape' });
  expect([lower, upper].map(({ mock }) => mock.calls.length)).toEqual([1, 1]);
  unmount();
  fireEvent.keyUp(document.body, { key: 'Escape' });
  expect(lower).toHaveBeenCalledTimes(1);
  expect(library).toHaveBeenCalledTimes(2);
  document.removeEventListener('keyup', library);
});

test('a key that comes with the first drawing is heard', () => {
  const close = jest.fn();
  render(<Layer open onClose={close} first />);
  expect(close).toHaveBeenCalledTimes(1);
});
