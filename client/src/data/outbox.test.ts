// The outbox: in order, each once, stopped by no server and by nothing else.

import { tasksDone } from '../testing/settled';
import { NoAnswer, ServerProblem } from './api';
import { enqueue, isFailed, keepMine, letGo, openOutbox, send, tryAgain, useOutbox } from './outbox';
import { waitingOf } from './pending';

const mockSent: string[] = [];
let mockAnswer: (recordId: string, body?: unknown) => unknown = () => ({});
jest.mock('./api', () => ({
  ...jest.requireActual('./api'),
  ask: (_route: string, input: { params: { actionId?: string; jobId?: string }; body: unknown }) => {
    const id = input.params.actionId ?? input.params.jobId ?? '';
    const said = mockAnswer(id, input.body);
    if (said instanceof Error) return Promise.reject(said);
    mockSent.push(id);
    return Promise.resolve(said);
  },
}));

const put = (id: string) =>
  enqueue('putAction', id, {
    params: { actionId: id },
    body: { kind: 'roundPaused', at: '2026-11-24T10:00:00Z' },
  });
const refusal = (status: number, more = {}) =>
  new ServerProblem({ type: 'x', title: 'x', status, detail: 'x', instance: '', ...more });
const waiting = () => useOutbox.getState().items.map(({ recordId, state }) => [recordId, state]);

const signedOut = jest.fn();
/** Whether each item was still in the outbox when what was read took it over. */
const stillThere: boolean[] = [];
beforeAll(() =>
  openOutbox((item) => {
    if (item) stillThere.push(useOutbox.getState().items.some(({ id }) => id === item.id));
  }, signedOut),
);
beforeEach(async () => {
  await tasksDone();
  for (const item of useOutbox.getState().items) await letGo(item);
  mockSent.length = 0;
  mockAnswer = () => ({});
});

test('with no server it waits, in order; once there is one it goes out, each once', async () => {
  mockAnswer = () => new NoAnswer();
  for (const id of ['a', 'b', 'c']) await put(id);
  await tasksDone();
  expect(waiting()).toEqual([
    ['a', 'waiting'],
    ['b', 'waiting'],
    ['c', 'waiting'],
  ]);
  expect(useOutbox.getState().away).toBe(true);
  mockAnswer = () => ({});
  await Promise.all([send(), send(), send()]);
  await tasksDone();
  expect(mockSent).toEqual(['a', 'b', 'c']);
  expect(waiting()).toEqual([]);
});

test('a conflict holds back what follows on the same record and nothing else; kept, it goes first', async () => {
  const moved = refusal(409, { yours: {}, theirs: { revision: 3 } });
  mockAnswer = (id) => (id === 'a' ? moved : {});
  await put('a');
  await put('b');
  await put('a');
  await tasksDone();
  expect(mockSent).toEqual(['b']);
  expect(waiting()).toEqual([
    ['a', 'conflict'],
    ['a', 'waiting'],
  ]);
  mockAnswer = () => ({});
  const [first] = useOutbox.getState().items;
  if (first) await keepMine(first, 3);
  await tasksDone();
  expect(mockSent).toEqual(['b', 'a', 'a']);
});

test('letting theirs stand drops mine and what was built on it', async () => {
  mockAnswer = (id) => (id === 'a' ? refusal(409) : {});
  await put('a');
  await put('a');
  await tasksDone();
  const [first] = useOutbox.getState().items;
  if (first) await letGo(first);
  expect(waiting()).toEqual([]);
});

test('what the server fails over holds back its own record only; the fifth time a person decides, and it is still shown', async () => {
  mockAnswer = (id) => (id === 'a' ? refusal(500) : {});
  for (const id of ['a', 'b', 'a', 'c']) await put(id);
  await tasksDone();
  expect(mockSent).toEqual(['b', 'c']);
  for (let more = 0; more < 3; more++) await send();
  expect(waiting()).toEqual([
    ['a', 'waiting'],
    ['a', 'waiting'],
  ]);
  await send();
  expect(waiting()).toEqual([
    ['a', 'refused'],
    ['a', 'waiting'],
  ]);
  const [first] = useOutbox.getState().items;
  if (!first) throw new Error('It is gone.');
  expect(isFailed(first)).toBe(true);
  expect(waitingOf(useOutbox.getState().items)).toHaveLength(2);
  mockAnswer = () => ({});
  await tryAgain(first);
  await tasksDone();
  expect(mockSent).toEqual(['b', 'c', 'a', 'a']);
});

test('a server that is just not to be had is waited for', async () => {
  mockAnswer = (id) => (id === 'a' ? refusal(503) : {});
  for (const id of ['a', 'b']) await put(id);
  await tasksDone();
  for (let more = 0; more < 6; more++) await send();
  expect(mockSent).toEqual([]);
  expect(waiting()).toEqual([
    ['a', 'waiting'],
    ['b', 'waiting'],
  ]);
});

test.each([
  [401, 'waiting'],
  [429, 'waiting'],
  [500, 'waiting'],
  [422, 'refused'],
] as const)('an answer of %i leaves it %s, never gone', async (status, state) => {
  mockAnswer = () => refusal(status);
  await put('a');
  await tasksDone();
  expect(waiting()).toEqual([['a', state]]);
  if (status === 401) expect(signedOut).toHaveBeenCalled();
});

describe('two quick writes to one record', () => {
  type Sent = { baseRevision: number | null };
  const sentBases: (number | null)[] = [];
  /** As the server: the first write makes revision 1, an edit must name the revision that stands. */
  let stands = 0;
  const server = (loseFirstAnswer: boolean) => {
    let lost = loseFirstAnswer;
    let taken: string | null = null;
    return (_id: string, body: Sent) => {
      const same = taken === JSON.stringify({ ...body, baseRevision: 0 });
      if (!same && (body.baseRevision ?? 0) !== stands) return refusal(409);
      if (!same) {
        stands++;
        sentBases.push(body.baseRevision);
      }
      taken = JSON.stringify({ ...body, baseRevision: 0 });
      if (lost) {
        lost = false;
        return new NoAnswer();
      }
      return { revision: stands };
    };
  };
  const job = (id: string, base: number | null, doneAt: string | null) =>
    enqueue('putJob', id, {
      params: { jobId: id },
      body: { baseRevision: base, job: { doneAt } as never },
    });

  // The second is made on whatever revision the screen showed: none yet, the first one, or one too many
  test.each([
    [false, null],
    [false, 1],
    [false, 2],
    [true, null],
    [true, 2],
  ])('the later follows the earlier (its answer lost: %s, made on %s)', async (lose, shown) => {
    stands = 0;
    sentBases.length = 0;
    mockAnswer = server(lose) as never;
    await Promise.all([job('j', null, null), job('j', shown, 'now')]);
    await tasksDone();
    await send();
    await tasksDone();
    expect(waiting()).toEqual([]);
    expect(sentBases).toEqual([null, 1]);
  });

  test('three in a row follow one another; another record is left alone', async () => {
    stands = 0;
    sentBases.length = 0;
    mockAnswer = server(false) as never;
    await Promise.all([job('j', null, null), job('j', 9, 'a'), job('j', 9, 'b')]);
    await tasksDone();
    await send();
    await tasksDone();
    expect(sentBases).toEqual([null, 1, 2]);
  });
});

test('what was read takes an item over before it leaves the outbox: there is no moment in which it is nowhere', async () => {
  stillThere.length = 0;
  await put('a');
  await put('b');
  await tasksDone();
  expect(mockSent).toEqual(['a', 'b']);
  expect(stillThere).toEqual([true, true]);
});
