// What opens and what closes: rounds that are reopened, findings that a cut or a step answers, and what a late edit must not undo.

import { openRound } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import request from 'supertest';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { get, put } = requestsTo(() => orchard);
const post = (url: string, body: object) =>
  request(orchard.app).post(url).set('Host', '127.0.0.1').send(body);
const act = async (action: object, at = NOW) => {
  const id = newId();
  await put(`/api/actions/${id}`, { at, ...action }).expect(200);
  return id;
};
const TREE = 'slip-side-02';
const detail = async (): Promise<TreeDetail> => (await get(`/api/trees/${TREE}`).expect(200)).body;
const stateOf = async (id: string) => (await detail()).findings.find((finding) => finding.id === id)?.state;

const dead = deadOn(TREE);
async function found(body = dead): Promise<string> {
  const id = newId();
  await put(`/api/findings/${id}`, { baseRevision: null, finding: body }).expect(200);
  return id;
}

const step = (id: string) =>
  act({ kind: 'stepDone', treeId: TREE, findingIds: [id], what: 'tie down', limbId: 'A', limbName: 'A' });
const cut = (id: string) =>
  act({
    kind: 'cutMade',
    treeId: TREE,
    blade: 'saw-1',
    findingIds: [id],
    cut: {
      limbId: 'A',
      limbName: 'A',
      atCm: 15,
      kind: 'reduction',
      diameterMm: 30,
      clearanceCm: 0,
      shortfallCm: 0,
      sentence: '',
    },
  });

const round = async () => (await get('/api/round').expect(200)).body;

test('a round that was closed is open again, with all that was seen, when the close is taken back', async () => {
  const before = await round();
  expect(
    before.actions.some(({ action }: { action: { kind: string } }) => action.kind === 'roundStarted'),
  ).toBe(true);
  const later = new Date(Date.parse(NOW) + 60_000).toISOString();
  const ids = ({ actions }: { actions: { id: string }[] }) => actions.map(({ id }) => id);
  const closeId = await act({ kind: 'roundClosed' }, later);
  // The last round with its close: whoever takes that back sees it open at once, without the server too
  const closed = await round();
  expect(openRound(closed.actions)).toBeNull();
  expect(ids(closed)).toEqual([...ids(before), closeId]);
  await act({ kind: 'undone', actionId: closeId }, later);
  const after = await round();
  expect(openRound(after.actions)?.entries.size).toBe(openRound(before.actions)?.entries.size);
  // A new round begins empty
  await act({ kind: 'roundClosed' }, new Date(Date.parse(later) + 1000).toISOString());
  const begun = new Date(Date.parse(later) + 2000).toISOString();
  await act({ kind: 'roundStarted', order: 'serpentine', plotIds: [] }, begun);
  expect(openRound((await round()).actions)?.entries.size).toBe(0);
});

test('a step that is done closes its findings, and opens them when it is taken back', async () => {
  const id = await found();
  const done = await step(id);
  expect(await stateOf(id)).toBe('closed');
  await act({ kind: 'undone', actionId: done });
  expect(await stateOf(id)).toBe('open');
});

test.each([
  ['cut', cut],
  ['step', step],
])(
  'an edit of a finding that a %s has answered leaves it closed; taken back it is withdrawn',
  async (_, answer) => {
    const id = await found();
    await answer(id);
    expect(await stateOf(id)).toBe('closed');
    const edit = { baseRevision: 1, finding: { ...dead, note: 'Looked again.' } };
    await put(`/api/findings/${id}`, edit).expect(200);
    expect(await stateOf(id)).toBe('closed');
    await put(`/api/findings/${id}`, { baseRevision: 2, finding: { ...dead, withdrawn: true } }).expect(200);
    expect(await stateOf(id)).toBe('withdrawn');
  },
);

test('a finding that two things answer stays closed until both are taken back', async () => {
  const id = await found();
  const [first, second] = [await cut(id), await step(id)];
  await act({ kind: 'undone', actionId: first });
  expect(await stateOf(id)).toBe('closed');
  await act({ kind: 'undone', actionId: second });
  expect(await stateOf(id)).toBe('open');
});

test('a finding that was taken back, and cut all the same, is closed once it is there again', async () => {
  const other = await found();
  await act({ kind: 'undone', actionId: await cut(other) });
  expect(await stateOf(other)).toBe('open');
  await put(`/api/findings/${other}`, { baseRevision: 1, finding: { ...dead, withdrawn: true } }).expect(200);
  await cut(other);
  await put(`/api/findings/${other}`, { baseRevision: 2, finding: dead }).expect(200);
  expect(await stateOf(other)).toBe('closed');
});

test('a place that nobody measured is kept as such', async () => {
  const id = await found({ ...dead, measured: false });
  expect((await detail()).findings.find((finding) => finding.id === id)?.measured).toBe(false);
});

test('a page that failed is told to the log; what is too much of it is refused with its field', async () => {
  const fault = { message: 'broke', stack: 'at x', path: '/plan' };
  await post('/api/faults', fault).expect(200, { noted: true });
  const refused = await post('/api/faults', { ...fault, path: 'x'.repeat(201) }).expect(400);
  expect(refused.body.detail).toContain('path');
});
