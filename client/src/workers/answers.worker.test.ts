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
