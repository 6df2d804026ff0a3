// One tree in the round, before a server: without a map, with a limb missing, with a finding let go; and a round that is read onto the device.
import type { Action } from '@mortisect/core/records';
import { act, cleanup, configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { queryClient } from '../../data/queryClient';
import { FakeServer, refused } from '../../testing/fakeServer';
import { allSent, at, buttons, field, findButton, press, show, went, write } from '../../testing/here';
import { detail, did, finding, limb } from '../../testing/orchard';
import { useDrafts } from './marking/draft';
import { RoundList } from './RoundList';
import { RoundTree } from './RoundTree';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('../../data/qrCode', () => ({ tagInPhoto: () => Promise.resolve(null) }));
configure({ defaultHidden: true });

const CANKER = '0193f000-0000-7000-8000-000000000011';
const bare = () => ({ ...detail([]), limbs: [limb('T', null, 0, 0)] });
const tap = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));

async function come(server: FakeServer, params: Record<string, string> = {}): Promise<void> {
  at.path = '/round/a';
  at.params = params;
  useDrafts.setState({ byTree: {} });
  show(<RoundTree treeId="a" />, server);
  await findButton('New finding');
}
const stored = (server: FakeServer) => server.details.get('a')?.findings ?? [];

describe('a tree whose limbs nobody has drawn', () => {
  test('takes a finding somewhere in its crown; it waits unmeasured, with hour and height', async () => {
    const server = new FakeServer([bare()]);
    await come(server);
    press('New finding');
    fireEvent.change(field('Seen from above, at'), { target: { value: '9' } });
    write('Above ground, cm', '240');
    press('Mark it there');
    tap('Dead');
    expect(screen.getByText('Somewhere in the crown, 9 o’clock, 2.4 m up')).toBeTruthy();
    // No tape of the stem: a drag on it would measure the wrong wood
    expect(screen.queryByRole('slider')).toBeNull();
    press('Save finding');
    await allSent();
    expect(stored(server)).toMatchObject([
      {
        somewhere: { hour: 9, heightCm: 240 },
        measured: false,
        disorder: 'DEAD',
        limbId: 'T',
        limbName: 'somewhere in the crown, 9 o’clock, 2.4 m up',
      },
    ]);
  });

  test('takes one on its stem, which is marked as ever', async () => {
    const server = new FakeServer([bare()]);
    await come(server);
    press('New finding');
    press('On the stem');
    tap('Damaged');
    press('Save finding');
    await allSent();
    expect(stored(server)).toMatchObject([{ somewhere: null, limbId: 'T', disorder: 'DMG' }]);
  });

  test('leads to its map', async () => {
    await come(new FakeServer([bare()]));
    press('New finding');
    press('Draw its limbs now');
    expect(went.at(-1)).toEqual(['navigate', '/round/a/map']);
  });

  test('shows its map as the next step, until it has one', async () => {
    await come(new FakeServer([bare()]));
    press('Draw its limbs');
    expect(went.at(-1)).toEqual(['navigate', '/round/a/map']);
    cleanup();
    await come(new FakeServer([detail([])]));
    expect(screen.queryByRole('button', { name: 'Draw its limbs' })).toBeNull();
  });

  test('once its limbs are drawn a tap on one places the finding', async () => {
    const waiting = finding(CANKER, 'T', 'DEAD', {
      measured: false,
      somewhere: { hour: 3, heightCm: 120 },
      limbName: 'somewhere in the crown, 3 o’clock, 1.2 m up',
    });
    const server = new FakeServer([detail([waiting])]);
    await come(server);
    press(/^Change: Dead wood on somewhere/);
    press('All limbs');
    const limbs = screen.getAllByRole('listitem');
    fireEvent.click(limbs[1]?.querySelector('button') as HTMLElement);
    press('Save finding');
    await allSent();
    expect(stored(server)).toMatchObject([
      { id: CANKER, limbId: 'S', somewhere: null, measured: false, revision: 2 },
    ]);
  });
});

test('a tree that was deleted takes no new finding until it is taken back', async () => {
  const server = new FakeServer([detail([], { deleted: true })]);
  Object.assign(at, { path: '/round/a', params: {} });
  useDrafts.setState({ byTree: {} });
  show(<RoundTree treeId="a" />, server);
  await screen.findByText('This tree is deleted');
  expect(buttons(/New finding|Mark sound/)).toEqual([]);
  fireEvent.keyDown(document, { key: 'f' });
  expect(useDrafts.getState().byTree).toEqual({});
  press('Restore this tree');
  await findButton('New finding');
  fireEvent.keyDown(document, { key: 'f' });
  expect(useDrafts.getState().byTree).toMatchObject({ a: { limbId: 'S' } });
});

test('a limb that is missing is added while marking; the finding moves onto it and the map is saved first', async () => {
  const server = new FakeServer([detail([])]);
  await come(server);
  press('New finding');
  tap('Diseased');
  press('Its limb is not on the map: add it');
  fireEvent.change(field('It grows from'), { target: { value: 'S' } });
  write('So far out on it, cm', '181');
  press('Add it');
  expect(await screen.findByText(/^Not saved: “So far out on it, cm” cannot be used/)).toBeTruthy();
  write('So far out on it, cm', '90');
  fireEvent.change(field('It points to'), { target: { value: '5' } });
  write('Length, cm', '75');
  press('Add it');
  await waitFor(() => expect(buttons('Add it')).toEqual([]));
  press('Save finding');
  await allSent();
  const added = server.details.get('a')?.limbs.at(-1);
  expect(added).toMatchObject({ parentId: 'S', jointCm: 90, lengthCm: 75, bearingDeg: 150 });
  expect(stored(server)).toMatchObject([{ limbId: added?.id, disorder: 'SUSPECT' }]);
  const writes = server.asked.flatMap(({ name }) => (name.startsWith('put') ? [name] : []));
  expect(writes.indexOf('putLimbs')).toBeLessThan(writes.indexOf('putFinding'));
});

describe('what was let go', () => {
  test('is taken up again with all that was said; one in which nothing was said just goes', async () => {
    await come(new FakeServer([detail([])]));
    press('New finding');
    press('Cancel');
    expect(buttons('Continue marking')).toEqual([]);
    press('New finding');
    tap('Diseased');
    write('Note', 'Ooze at the spur.');
    press('Cancel');
    press('Continue marking');
    expect(field('Note').value).toBe('Ooze at the spur.');
  });

  test('a finding taken back is put back on the revision that taking it back made', async () => {
    const server = new FakeServer([detail([finding(CANKER, 'S', 'FB_CANK_A')])]);
    await come(server);
    press(/^Change: Fire blight canker/);
    press('Delete this finding');
    await allSent();
    expect(stored(server)).toMatchObject([{ state: 'withdrawn', revision: 2 }]);
    await waitFor(() => expect(buttons('Restore the finding')).toHaveLength(1));
    await screen.findByText('The finding is deleted. The log keeps it.');
    press('Restore the finding');
    await allSent();
    expect(stored(server)).toMatchObject([{ state: 'open', revision: 3, disorder: 'FB_CANK_A' }]);
  });
});

test('who came from the run is led back to it; who did not is not', async () => {
  await come(new FakeServer([detail([])]), { from: 'run' });
  press('Back to the run');
  expect(went.at(-1)).toEqual(['navigate', '/cut']);
  await come(new FakeServer([detail([])]));
  expect(buttons('Back to the run')).toEqual([]);
});

describe('a round', () => {
  const open = did({ kind: 'roundStarted', at: '2026-11-24T08:00:00Z', order: 'serpentine', plotIds: ['p'] });
  const comeToList = (server: FakeServer) => {
    at.path = '/round';
    at.params = {};
    show(<RoundList />, server);
  };

  test('is read onto every device that opens it, plot by plot, without being asked', async () => {
    const server = new FakeServer([detail([])], [open]);
    comeToList(server);
    await screen.findByText(/it goes on without signal/);
    expect(
      server.asked.filter(({ name }) => name === 'getPlotTrees').map(({ params }) => params.plotId),
    ).toEqual(['p']);
  });

  test('says when its trees could not be read, and reads them when asked again', async () => {
    const server = new FakeServer([detail([])], [open]);
    server.instead.set('getPlotTrees', () => {
      throw refused(503, 'Busy.');
    });
    comeToList(server);
    await screen.findByText('Not all trees are on this device yet');
    server.instead.delete('getPlotTrees');
    press('Read them now');
    await screen.findByText(/it goes on without signal/);
  });

  test('is waited for: a plot that is tapped before it is read would stay closed when it comes', async () => {
    const plots = ['P', 'Q'].map((id) => ({ id: id.toLowerCase(), name: `Plot ${id}`, note: '' }));
    const trees = [detail([], { id: 'first' }), detail([], { id: 'second', plotId: 'q' })];
    const seen = did({
      ...{ kind: 'treeSeen', treeId: 'first', verdict: 'sound', seen: 'all round' },
      at: '2026-11-24T09:00:00Z',
    });
    const ofAll = did({ ...open.action, plotIds: [] } as Action['action']);
    const server = new FakeServer(trees, [ofAll, { ...seen, id: CANKER }]);
    server.instead.set('getTrees', () => ({ plots, rows: [], trees: trees.map(({ tree }) => tree) }));
    server.instead.set('getPlotTrees', () => ({ trees: [] }));
    let answer: () => void = () => {};
    const held = new Promise<void>((resolve) => {
      answer = resolve;
    });
    server.instead.set('getRound', () => held);
    comeToList(server);
    await waitFor(() => expect(queryClient.getQueryData(['trees'])).toBeTruthy());
    await act(() => new Promise((next) => setTimeout(next, 50)));
    expect(buttons(/^Plot|round/i)).toEqual([]);
    answer();
    await findButton('Round options');
    expect(buttons(/^Plot/).map((plot) => plot.getAttribute('aria-expanded'))).toEqual(['false', 'true']);
  });

  test('that cannot be read is said, and read again', async () => {
    const server = new FakeServer([detail([])], [open]);
    server.instead.set('getRound', () => {
      throw refused(503, 'Busy.');
    });
    comeToList(server);
    const again = await findButton('Try again');
    expect(buttons('Start a round')).toEqual([]);
    server.instead.delete('getRound');
    fireEvent.click(again);
    await findButton('Round options');
  });

  test.each([
    [1000, true],
    [1001, false],
  ])('of %i trees is read without asking: %s', async (count, unasked) => {
    const trees = Array.from({ length: count }, (_, i) =>
      detail([], { id: `t${i}`, code: `Tree ${i}`, place: i + 1 }),
    );
    const server = new FakeServer(trees, [open]);
    server.instead.set('getPlotTrees', () => ({ trees: [] }));
    comeToList(server);
    const asked = () => server.asked.some(({ name }) => name === 'getPlotTrees');
    if (!unasked) {
      await findButton('Read them all onto this device');
      expect(asked()).toBe(false);
      press('Read them all onto this device');
    }
    await screen.findByText(/it goes on without signal/);
    expect(asked()).toBe(true);
  });

  test('that is paused, or none, reads nothing', async () => {
    const paused = { ...did({ kind: 'roundPaused', at: '2026-11-24T09:00:00Z' }), id: CANKER };
    for (const actions of [[open, paused], []]) {
      const server = new FakeServer([detail([])], actions);
      comeToList(server);
      await screen.findAllByText(/Paused|No round is open/);
      expect(server.asked.some(({ name }) => name === 'getPlotTrees')).toBe(false);
    }
  });
});
