// Before and around the places: the passphrase and the name, what waits to be sent, a page that fails.
import { act, configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { enqueue, useOutbox } from '../../data/outbox';
import { usePreferences } from '../../data/preferences';
import { queryClient } from '../../data/queryClient';
import { useWords } from '../../data/useSay';
import { entryOf } from '../../data/version';
import { FakeServer, refused } from '../../testing/fakeServer';
import { allSent, at, buttons, findButton, press, show, went, write } from '../../testing/here';
import { detail } from '../../testing/orchard';
import { Gate } from './Gate';
import { NewVersion } from './NewVersion';
import { OutboxBar } from './OutboxBar';
import { PlaceBar } from './PlaceBar';
import { Bounded } from './PlaceError';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const HOUSE = <span>The house</span>;
const orchard = () => new FakeServer([detail([])]);
const pause = (id: string) =>
  enqueue('putAction', id, {
    params: { actionId: id },
    body: { kind: 'roundPaused', at: '2026-11-24T10:00:00Z' },
  });
const ID = (n: number) => `0193f000-0000-7000-8000-0000000000${n}`;

describe('the gate', () => {
  test('asks once who works on this device, and then lets in', async () => {
    const server = orchard();
    show(<Gate>{HOUSE}</Gate>, server);
    act(() => usePreferences.setState({ person: '' }));
    await findButton('Start');
    await screen.findByText(/keeps the app, 4\.2 MB, and of this orchard about 50 kB\./);
    expect(buttons('Start')[0]?.disabled).toBe(true);
    write('Who works on this device?', '   ');
    expect(buttons('Start')[0]?.disabled).toBe(true);
    write('Who works on this device?', 'Boat crew');
    press('Start');
    await waitFor(() => expect(usePreferences.getState().person).toBe('Boat crew'));
    expect(server.bodies('putDevice')).toEqual([{ name: 'Boat crew' }]);
    await screen.findByText('The house');
  });

  test('asks for the passphrase first where there is one; a wrong one is said', async () => {
    const server = orchard();
    let signedIn = false;
    server.instead.set('getSession', () => ({ required: true, signedIn }));
    server.instead.set('signIn', ({ body }) => {
      if ((body as { passphrase: string }).passphrase !== 'quay')
        throw refused(401, 'That is not the passphrase.');
      signedIn = true;
      return { required: true, signedIn: true };
    });
    show(<Gate>{HOUSE}</Gate>, server);
    write(await screen.findByText('Passphrase of the site').then(() => 'Passphrase of the site'), 'wrong');
    press('Sign in');
    await screen.findByText('That is not the passphrase.');
    expect(screen.queryByText('The house')).toBeNull();
    write('Passphrase of the site', 'quay');
    press('Sign in');
    await screen.findByText('The house');
  });

  test('says when the server does not answer, and tries again', async () => {
    const server = orchard();
    server.down = true;
    show(<Gate>{HOUSE}</Gate>, server);
    await screen.findByText('The server does not answer', undefined, { timeout: 5000 });
    server.down = false;
    press('Try again');
    await screen.findByText('The house');
  });
});

describe('what waits', () => {
  const bar = (server: FakeServer) => show(<OutboxBar />, server);
  const spoken = () => document.querySelector('[role=status]')?.textContent;

  test('nothing waits: nothing is shown, and the place where it will be said is there', () => {
    bar(orchard());
    expect(buttons('Show')).toEqual([]);
    expect(spoken()).toBe('');
  });

  test('is counted, said aloud, kept while the server is away, and said to be sent', async () => {
    const server = orchard();
    bar(server);
    server.down = true;
    await act(() => pause(ID(61)));
    await act(() => pause(ID(62)));
    await screen.findByText('2 to send, no server');
    expect(spoken()).toBe('Kept on this device. Waiting: 2.');
    server.down = false;
    press('Show');
    press('Send now');
    await allSent();
    expect(spoken()).toBe('All sent.');
    expect(server.actions).toHaveLength(2);
  });

  test('a record that changed meanwhile needs a word; both versions stand there, and mine goes out on their revision', async () => {
    const server = orchard();
    server.instead.set('putJob', () => {
      throw refused(409, 'Changed meanwhile.', {
        type: 'moved-meanwhile',
        yours: { note: 'mine' },
        theirs: { note: 'theirs', revision: 4 },
      });
    });
    bar(server);
    const job = {
      treeId: 'a',
      job: 'guard',
      dueOn: '2026-11-30',
      note: 'mine',
      doneAt: null,
      withdrawn: false,
    };
    await act(() =>
      enqueue('putJob', ID(63), { params: { jobId: ID(63) }, body: { baseRevision: 1, job } } as never),
    );
    await screen.findByText('1 change conflicts: choose one');
    press('Show');
    expect(screen.getByText('note: mine')).toBeTruthy();
    expect(screen.getByText('note: theirs')).toBeTruthy();
    server.instead.delete('putJob');
    press('Keep mine');
    await allSent();
    expect(server.bodies('putJob').at(-1)).toMatchObject({ baseRevision: 4, job: { note: 'mine' } });
  });

  test('what was refused for good is dropped, and what follows goes out', async () => {
    const server = orchard();
    server.instead.set('putAction', ({ params }) => {
      if (params.actionId === ID(64)) throw refused(422, 'That does not fit.');
      return {
        id: params.actionId,
        action: { kind: 'roundPaused', at: '2026-11-24T10:00:00Z' },
        undone: false,
        by: 'Wall crew',
        receivedAt: '2026-11-24T10:00:00Z',
      };
    });
    bar(server);
    await act(() => pause(ID(64)));
    await act(() => pause(ID(65)));
    await screen.findByText('1 change conflicts: choose one');
    press('Show');
    expect(screen.getByText('That does not fit.')).toBeTruthy();
    press('Drop it');
    await waitFor(() => expect(useOutbox.getState().items).toEqual([]));
  });
});

describe('a page that fails', () => {
  function Fails({ broken }: { broken: { is: boolean } }) {
    if (broken.is) throw new Error('no such limb');
    return <span>Mended</span>;
  }
  let said: jest.SpyInstance;
  beforeEach(() => {
    said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  });
  afterEach(() => said.mockRestore());

  test.each([
    ['/round/a', '/round'],
    ['/plan', '/today'],
  ])('at %s says so, tells the server’s log, and leads back to %s', async (path, to) => {
    const server = orchard();
    at.path = path;
    const broken = { is: true };
    show(
      <Bounded>
        <Fails broken={broken} />
      </Bounded>,
      server,
    );
    await screen.findByText(/what you had begun is kept on this device.*no such limb/);
    await waitFor(() => expect(server.bodies('reportFault')).toHaveLength(1));
    expect(server.bodies<{ path: string; message: string }>('reportFault')[0]).toMatchObject({
      path,
      message: 'no such limb',
    });
    broken.is = false;
    press('Back');
    expect(went.at(-1)).toEqual(['replace', to]);
    await screen.findByText('Mended');
  });
});

describe('a newer version', () => {
  const page = (served: string | null, server = orchard()) => {
    show(<NewVersion />, server);
    act(() => {
      queryClient.setQueryData(['health'], {
        ok: true,
        demo: false,
        app: served,
        clockSet: true,
        aheadMs: 0,
      });
    });
  };
  const script = document.createElement('script');
  beforeAll(() => {
    script.setAttribute('type', 'text/plain');
    script.src = '/_expo/static/js/web/entry-0a1b.js';
    document.head.append(script);
  });
  afterAll(() => script.remove());

  test.each([
    ['entry-0a1b.js', 0],
    ['entry-0a1c.js', 1],
    [null, 0],
  ])('a server that serves %s: told %d times', async (served, times) => {
    page(served);
    await waitFor(() => expect(buttons('Reload')).toHaveLength(times));
    expect(screen.queryAllByText(/A newer version is here\./)).toHaveLength(times);
  });

  test('what waits is named, and stays', async () => {
    const server = orchard();
    server.instead.set('putAction', () => {
      throw refused(503, 'Away.');
    });
    page('entry-0a1c.js', server);
    await act(() => pause(ID(70)));
    await screen.findByText('A newer version is here. What waits to be sent stays on this device.');
    act(() => useOutbox.setState({ items: [] }));
  });

  test('the script of an exported app is known by its digest; of one in development there is none', () => {
    expect(entryOf(['https://a/_expo/x.js', 'https://a/_expo/static/js/web/entry-09af.js'])).toBe(
      'entry-09af.js',
    );
    expect(entryOf(['https://a/entry.bundle?platform=web', 'https://a/other/my-entry-09.js'])).toBeNull();
  });
});

afterAll(() => queryClient.clear());

test('a finger on a place reads its page and its words, and what lists of trees are made from; a page that cannot be had is told of later', async () => {
  const server = orchard();
  const read: string[] = [];
  const pages = {
    cut: async () => void read.push('cut'),
    book: async () => {
      read.push('book');
      throw new Error('no network');
    },
  };
  show(<PlaceBar pages={pages} />, server);
  const isListRead = () => server.asked.some(({ name }) => name === 'getListedTrees');
  for (const name of ['Round', 'Book']) fireEvent.pointerDown(await screen.findByText(name));
  expect([read, isListRead()]).toEqual([['book'], false]);
  fireEvent.pointerDown(screen.getByText('Cut'));
  await waitFor(() => expect(isListRead()).toBe(true));
  expect(read).toEqual(['book', 'cut']);
  await waitFor(() =>
    expect([...useWords.getState().loaded]).toEqual(expect.arrayContaining(['book', 'cut'])),
  );
});
