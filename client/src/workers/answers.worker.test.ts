// What is handed over before it is checked: whoever asked hears of a fault before they use it.
import './importMeta';
import type { AnswersWork } from './answers.worker';

const mockExposed: { work?: AnswersWork } = {};
const mockTransferred: unknown[] = [];
jest.mock('comlink', () => ({
  expose: (work: AnswersWork) => {
    mockExposed.work = work;
  },
  transfer: (answer: unknown, over: unknown[]) => {
    mockTransferred.push(...over);
    return answer;
  },
}));
require('./answers.worker');
const work = mockExposed.work as AnswersWork;

const bytes = (answer: object) => new TextEncoder().encode(JSON.stringify(answer)).buffer;
const list = {
  ...{ revision: 'a:1', whole: true, day: '2026-11-30', siteRevision: 1 },
  ...{ trees: [], gone: [], latestActions: [] },
};
const log = { entries: [], more: false };

test('the longest is handed over at once, and found right or wrong after that', async () => {
  const good = work.read('getListedTrees', bytes(list));
  const bad = work.read('getListedTrees', bytes({ ...list, trees: [{}] }));
  const none = work.read('getListedTrees', new ArrayBuffer(9));
  const handed = [good, bad].map(({ answer, unchecked }) => [answer, JSON.parse(unchecked?.text ?? '')]);
  expect(handed).toEqual([
    [null, list],
    [null, { ...list, trees: [{}] }],
  ]);
  const found = ({ unchecked }: typeof good) => work.checked(unchecked?.check as number);
  await expect(found(good)).resolves.toBeUndefined();
  await expect(found(bad)).rejects.toThrow(/trees/);
  await expect(found(none)).rejects.toThrow(SyntaxError);
});

test('any other is checked before it is handed over', () => {
  expect(work.read('getLog', bytes(log))).toEqual({ answer: log, unchecked: null });
  expect(() => work.read('getLog', bytes({ ...log, more: 'some' }))).toThrow(/more/);
});

test('what it asks for itself comes with its bytes, which are handed over and not copied; a refusal is a fault', async () => {
  const body = bytes(log);
  const answers = { ok: true, status: 200, url: '/api/log', arrayBuffer: async () => body };
  globalThis.fetch = (async () => answers) as never;
  expect(await work.ask('getLog', '/api/log', {})).toMatchObject({
    answer: log,
    unchecked: null,
    bytes: body,
  });
  expect(mockTransferred).toEqual([body]);
  Object.assign(answers, { ok: false, status: 503 });
  await expect(work.ask('getLog', '/api/log', {})).rejects.toThrow('503');
});

test('a check lets answers pass that are on their way, and waits for none that does not come', async () => {
  jest.useFakeTimers();
  const done: string[] = [];
  let answer = () => {};
  const response = { ok: true, status: 200, url: '/api/log', arrayBuffer: async () => bytes(log) };
  globalThis.fetch = (() =>
    new Promise((next) => {
      answer = () => next(response);
    })) as never;
  const ask = () => void work.ask('getLog', '/api/log', {}).then(() => done.push('log'));
  const check = () => {
    const { unchecked } = work.read('getListedTrees', bytes(list));
    void work.checked(unchecked?.check as number).then(() => done.push('checked'));
  };
  ask();
  check();
  await jest.advanceTimersByTimeAsync(30);
  expect(done).toEqual([]);
  answer();
  await jest.advanceTimersByTimeAsync(6);
  expect(done).toEqual(['log', 'checked']);
  check();
  await jest.advanceTimersByTimeAsync(6);
  expect(done).toHaveLength(3);
  ask();
  check();
  await jest.advanceTimersByTimeAsync(38);
  expect(done).toHaveLength(3);
  await jest.advanceTimersByTimeAsync(6);
  expect(done).toEqual(['log', 'checked', 'checked', 'checked']);
  jest.useRealTimers();
});
