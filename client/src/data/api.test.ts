// What the app makes of the server's answers: words for people, and no record lost or doubled.
import { english } from '@mortisect/words/all';
import { ask, inWords, NoAnswer, ServerProblem } from './api';
import { usePreferences } from './preferences';

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
    return { ok: status < 400, status, json: async () => body };
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
