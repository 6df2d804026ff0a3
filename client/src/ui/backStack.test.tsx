// Back takes off what lies on the page, one layer at a time, and leaves the page alone.
import { render } from '@testing-library/react';
import { settled } from '../testing/settled';
import { parentsOf, useBackLayer, watchBack } from './backStack';

const closed: string[] = [];
const seenByRouter = jest.fn();
let routerWrites = false;
// Some routers write to the entry that is gone to before anybody is told of the pop
window.addEventListener(
  'popstate',
  () => routerWrites && window.history.replaceState({ id: 'tree' }, '', '/round/x'),
  { capture: true },
);
// Before the router: as the app loads
watchBack();
window.addEventListener('popstate', seenByRouter);

function Layer({ name, open }: { name: string; open: boolean }) {
  useBackLayer(open, () => closed.push(name));
  return null;
}

const back = async () => {
  window.history.back();
  await settled();
};

beforeEach(() => {
  closed.length = 0;
  seenByRouter.mockClear();
});

test('the pages above an address', () => {
  expect(parentsOf('/round/x/map')).toEqual(['/round', '/round/x']);
  expect(parentsOf('/plan')).toEqual([]);
  expect(parentsOf('/')).toEqual([]);
});

test('a marking with a sheet over it: the sheet first, then the marking, then the page before', async () => {
  window.history.pushState({ id: 'list' }, '', '/round');
  window.history.pushState({ id: 'tree' }, '', '/round/x');
  const { rerender } = render(<Layer name="marking" open />);
  rerender(
    <>
      <Layer name="marking" open />
      <Layer name="sheet" open />
    </>,
  );
  await back();
  expect(closed).toEqual(['sheet']);
  rerender(<Layer name="marking" open />);
  await settled();
  expect(window.location.pathname).toBe('/round/x');
  await back();
  expect(closed).toEqual(['sheet', 'marking']);
  rerender(<Layer name="marking" open={false} />);
  await settled();
  expect(window.location.pathname).toBe('/round/x');
  expect(seenByRouter).not.toHaveBeenCalled();
  await back();
  expect(window.location.pathname).toBe('/round');
  expect(seenByRouter).toHaveBeenCalledTimes(1);
  expect(window.history.state).toEqual({ id: 'list' });
});

test('Back closes what is open even where the router writes to the page below it meanwhile', async () => {
  window.history.pushState({ id: 'tree' }, '', '/round/x');
  const { rerender } = render(<Layer name="form" open />);
  routerWrites = true;
  await back();
  routerWrites = false;
  expect(closed).toEqual(['form']);
  expect(seenByRouter).not.toHaveBeenCalled();
  rerender(<Layer name="form" open={false} />);
  await settled();
});

test('a sheet that is closed by its button leaves no entry behind', async () => {
  window.history.pushState({ id: 'a' }, '', '/book');
  const before = window.history.length;
  const { rerender } = render(<Layer name="sheet" open />);
  rerender(<Layer name="sheet" open={false} />);
  await settled();
  expect(window.history.state).toEqual({ id: 'a' });
  expect(closed).toEqual([]);
  rerender(<Layer name="sheet" open />);
  rerender(<Layer name="sheet" open={false} />);
  await settled();
  expect(window.history.length).toBe(before + 1);
  expect(seenByRouter).not.toHaveBeenCalled();
});

test('a page that was gone to from a sheet stays, and Back from it passes over the sheet', async () => {
  window.history.pushState({ id: 'here' }, '', '/plan');
  window.history.pushState({ id: 'tree' }, '', '/plan/x');
  const { rerender } = render(<Layer name="sheet" open />);
  window.history.pushState({ id: 'on' }, '', '/round/x');
  rerender(<Layer name="sheet" open={false} />);
  await settled();
  expect(window.location.pathname).toBe('/round/x');
  await back();
  expect(window.location.pathname).toBe('/plan/x');
  await back();
  expect(window.location.pathname).toBe('/plan');
});

test('what the router writes over the entry of a sheet keeps the sheet', async () => {
  window.history.pushState({ id: 'r' }, '', '/cut');
  render(<Layer name="sheet" open />);
  window.history.replaceState({ id: 'r' }, '', '/cut');
  await back();
  expect(closed).toEqual(['sheet']);
  expect(window.location.pathname).toBe('/cut');
});
