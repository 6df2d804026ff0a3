// What the app makes of the server's answers: words for people, and no record lost or doubled.
import { english } from '@mortisect/words/all';
import '../workers/importMeta';
import {
  answerFrom,
  ask,
  askTimed,
  bytesOf,
  inWords,
  LONG,
  LONG_AT_FIRST,
  NoAnswer,
  ServerProblem,
} from './api';

const wasLong = (answer: unknown) => bytesOf(answer) !== undefined;

import { usePreferences } from './preferences';

const mockRead: {
  read?: (name: string) => Promise<unknown>;
  ask?: (name: string, url: string, init: RequestInit) => Promise<unknown>;
  text?: (bytes: ArrayBuffer) => Promise<string>;
  checked?: (check: number) => Promise<void>;
  worker?: { onerror?: () => void };
} = {};
jest.mock('comlink', () => ({
  wrap: (worker: { onerror?: () => void }) => {
    mockRead.worker = worker;
    return {
      read: (name: string) => mockRead.read?.(name),
      text: (bytes: ArrayBuffer) => mockRead.text?.(bytes),
      checked: (check: number) => mockRead.checked?.(check),
      ask: (name: string, url: string, init: RequestInit) => mockRead.ask?.(name, url, init),
    };
  },
}));

const answers: [number, unknown][] = [];
const asked: { url: string; init: RequestInit }[] = [];
beforeEach(() => {
  answers.length = 0;
  asked.length = 0;
  usePreferences.setState({ person: 'Wall crew' });
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    asked.push({ url, init });
    const next = answers.shift();
    if (!next) throw new TypeError('network');
    const [status, body] = next;
    const bytes = new TextEncoder().encode(JSON.stringify(body));
    return { ok: status < 400, status, arrayBuffer: async () => bytes.buffer };
  }) as never;
});

const problem = (status: number, type: string) =>
  [status, { type, title: 'x', status, detail: `It is ${type}.`, instance: '1' }] as [number, unknown];
const action = {
  kind: 'bladeCleaned' as const,
  at: '2026-11-24T09:00:00Z',
  blade: 'Blade 1',
  agentId: 'alcohol-70',
};
const actionId = '0193f000-0000-7000-8000-000000000001';
const kept = { id: actionId, action, undone: false, by: 'Wall crew', receivedAt: action.at };

test('paths and queries are filled in and escaped; a write names its device', async () => {
  answers.push([200, { entries: [], more: false }], [200, kept]);
  await ask('getLog', { query: { before: 7, limit: 2 } });
  expect(asked[0]?.url).toBe('/api/log?before=7&limit=2');
  expect(asked[0]?.init.headers).toEqual({ 'Accept-Language': 'en-GB' });
  await ask('putAction', { params: { actionId }, body: action });
  expect(asked[1]).toMatchObject({
    url: `/api/actions/${actionId}`,
    init: {
      method: 'PUT',
      headers: {
        'X-Device-Id': usePreferences.getState().deviceId,
        'X-Device-Key': usePreferences.getState().deviceKey,
      },
    },
  });
});

test('what was asked for before the app was read is not asked for again', async () => {
  const bytes = new TextEncoder().encode(JSON.stringify({ required: false, signedIn: true })).buffer;
  const response = { ok: true, arrayBuffer: async () => bytes } as Response;
  const times = { askedAt: Date.now(), answeredAt: Date.now() + 3 };
  globalThis.mortisectEarly = new Map([['/api/session', Promise.resolve({ response, ...times })]]);
  expect(await askTimed('getSession', {})).toEqual({ answer: { required: false, signedIn: true }, ...times });
  expect(asked).toEqual([]);
  answers.push([200, { required: false, signedIn: false }]);
  expect(await ask('getSession', {})).toEqual({ required: false, signedIn: false });
});

test('a problem is passed on in the server’s words', async () => {
  answers.push(problem(404, 'not-there'));
  const failed = await ask('getTree', { params: { treeId: 'x' } }).catch((error) => error);
  expect(failed).toBeInstanceOf(ServerProblem);
  expect(inWords(english, failed)).toBe('It is not-there.');
});

test.each<[string, [number, unknown] | null]>([
  ['nothing', null],
  ['something that is no problem document', [502, 'Bad gateway']],
])('%s comes back: said as no answer, with what was entered kept', async (_, answer) => {
  if (answer) answers.push(answer);
  const failed = await ask('getSite', {}).catch((error) => error);
  expect(failed).toBeInstanceOf(NoAnswer);
  expect(inWords(english, failed)).toContain('What you entered is still here');
});

test('a server that does not know the device is told who it is, and the same write goes out again', async () => {
  const { deviceId } = usePreferences.getState();
  answers.push(problem(422, 'device-unknown'), [200, { id: deviceId, name: 'Wall crew' }], [200, kept]);
  await expect(ask('putAction', { params: { actionId }, body: action })).resolves.toEqual(kept);
  expect(asked.map(({ url }) => url)).toEqual([
    `/api/actions/${actionId}`,
    `/api/devices/${deviceId}`,
    `/api/actions/${actionId}`,
  ]);
  expect(asked[2]?.init.body).toBe(asked[0]?.init.body);
});

test('an answer that is not what the contract says is refused', async () => {
  answers.push([200, { site: { name: 'half a site' } }]);
  await expect(ask('getSite', {})).rejects.toThrow();
});

describe('a long answer', () => {
  const long = { entries: [], more: false, note: 'x'.repeat(LONG) };
  type Began = { worker: { onerror?: () => void }; asked: string[] };
  function workerThat(answers: (began: Began) => Promise<unknown>): Began {
    const began: Began = { worker: {}, asked: [] };
    (globalThis as { Worker?: unknown }).Worker = class {
      constructor() {
        began.worker = this;
      }
    };
    mockRead.read = (name: string) => {
      began.asked.push(name);
      return answers(began);
    };
    return began;
  }

  test('is read and checked by a thread of its own, a short one here', async () => {
    const began = workerThat(async () => ({ answer: { entries: [], more: true }, unchecked: null }));
    const empty = JSON.stringify({ ...long, note: '' }).length;
    const asked = async (length: number) => {
      answers.push([200, { ...long, note: 'x'.repeat(length - empty) }]);
      const read = await ask('getLog', { query: {} });
      return [read.more, wasLong(read)];
    };
    // To start the thread for it would take longer
    expect(await asked(LONG_AT_FIRST - 1)).toEqual([false, false]);
    expect(began.asked).toEqual([]);
    for (const length of [LONG_AT_FIRST, LONG]) expect(await asked(length)).toEqual([true, true]);
    expect(await asked(LONG - 1)).toEqual([false, false]);
    expect(began.asked).toEqual(['getLog', 'getLog']);
    expect(wasLong('text')).toBe(false);
  });

  test('once there was one, that thread asks for the longest by itself; here where it has none', async () => {
    workerThat(async () => ({ answer: { entries: [], more: true }, unchecked: null }));
    answers.push([200, long]);
    await ask('getLog', { query: {} });
    const trees = { plots: [], rows: [], trees: [] };
    for (const [length, isLong] of [
      [LONG, true],
      [LONG - 1, false],
    ] as const) {
      mockRead.ask = jest.fn(async () => ({
        answer: { ...trees },
        unchecked: null,
        bytes: new ArrayBuffer(length),
        askedAt: 1,
        answeredAt: 2,
      }));
      const read = await askTimed('getTrees', {});
      expect(read).toEqual({ answer: trees, askedAt: 1, answeredAt: 2 });
      expect(wasLong(read.answer)).toBe(isLong);
      expect(mockRead.ask).toHaveBeenCalledWith(
        ...['getTrees', '/api/trees', expect.objectContaining({ headers: { 'Accept-Language': 'en-GB' } })],
      );
    }
    // What lists wait for with the longest too
    for (const name of ['getListedTrees', 'getTiming', 'getRun', 'getSite', 'getOpenWork'] as const) {
      await ask(name, { query: {} } as never);
      expect(mockRead.ask).toHaveBeenLastCalledWith(name, expect.anything(), expect.anything());
    }
    expect(asked).toHaveLength(1);
    mockRead.ask = async () => {
      throw new Error('refused');
    };
    answers.push([200, trees]);
    expect(await ask('getTrees', {})).toEqual(trees);
    expect(asked).toHaveLength(2);
    // Of the others it is not asked
    answers.push([200, { entries: [], more: false }]);
    expect((await ask('getLog', { query: {} })).more).toBe(false);
  });

  test('that is handed over before it is checked is given to nobody until it is; found wrong, it is asked for again', async () => {
    workerThat(async () => ({
      ...{ answer: null, unchecked: { text: '{"entries":[],"more":true}', check: 4 } },
    }));
    answers.push([200, long], [200, long]);
    let found = () => {};
    mockRead.checked = jest.fn(() => new Promise<void>((next) => (found = next)));
    const given = jest.fn();
    const asking = ask('getLog', { query: {} }).then(given);
    await new Promise((next) => setTimeout(next, 20));
    expect(mockRead.checked).toHaveBeenCalledWith(4);
    expect(given).not.toHaveBeenCalled();
    found();
    await asking;
    expect(given).toHaveBeenCalledWith({ entries: [], more: true });
    mockRead.checked = async () => {
      throw new Error('is none');
    };
    expect((await ask('getLog', { query: {} })).more).toBe(false);
  });

  test('is kept as it came, and read from that: by the thread, or here where it cannot be had', async () => {
    const trees = { plots: [], rows: [], trees: [] };
    const bytes = new TextEncoder().encode(JSON.stringify({ ...trees, note: 'x'.repeat(LONG) })).buffer;
    workerThat(async () => ({}));
    mockRead.text = jest.fn(async () => JSON.stringify(trees));
    const read = await answerFrom(bytes);
    expect(read).toEqual(trees);
    expect(bytesOf(read)).toBe(bytes);
    mockRead.text = async () => {
      throw new Error('lost');
    };
    expect(await answerFrom(bytes)).toMatchObject({ ...trees, note: expect.stringMatching(/^x+$/) });
    await expect(answerFrom(new ArrayBuffer(LONG))).rejects.toThrow(SyntaxError);
  });

  test('is read here where that thread cannot be started, or does not take it', async () => {
    const lost = workerThat(({ worker }) => {
      setTimeout(() => worker.onerror?.());
      return new Promise(() => undefined);
    });
    // The thread of the test before is told to be lost first
    answers.push([200, long], [200, long]);
    mockRead.worker?.onerror?.();
    expect(await ask('getLog', { query: {} })).toMatchObject({ entries: [], more: false });
    expect(lost.asked).toEqual(['getLog']);
    workerThat(async () => {
      throw new Error('is none');
    });
    expect(await ask('getLog', { query: {} })).toMatchObject({ entries: [], more: false });
    answers.push([200, { ...long, entries: 'none' }]);
    await expect(ask('getLog', { query: {} })).rejects.toThrow(/entries/);
  });
});

test('a connection that breaks in the middle of an answer left none', async () => {
  globalThis.fetch = (async () => ({
    ok: true,
    status: 200,
    arrayBuffer: async () => {
      throw new TypeError('network');
    },
  })) as never;
  await expect(ask('getLog', { query: {} })).rejects.toThrow(NoAnswer);
});
