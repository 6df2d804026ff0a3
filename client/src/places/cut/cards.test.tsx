// A run, card by card, before a server: what is recorded, in which order, and what each card refuses.
import '../../workers/importMeta';
import type { ActionBody } from '@mortisect/contracts';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { useInHand } from '../../data/inHand';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, findButton, press, show, went, write } from '../../testing/here';
import { detail, finding } from '../../testing/orchard';
import { CutPlace } from './CutPlace';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
jest.mock('../../data/tagInPhoto', () => ({ tagInPhoto: () => Promise.resolve(null) }));
configure({ defaultHidden: true, asyncUtilTimeout: 20_000 });
jest.setTimeout(90_000);

const CANKER = '0193f000-0000-7000-8000-000000000011';
const orchard = () => new FakeServer([detail([finding(CANKER, 'S', 'FB_CANK_A')])]);

/** Kinds of what was recorded, oldest first. */
const kindsAt = (server: FakeServer) => server.actions.map(({ action }) => action.kind);
const last = <K extends ActionBody['kind']>(server: FakeServer, kind: K) =>
  server.actions.findLast(({ action }) => action.kind === kind)?.action as Extract<ActionBody, { kind: K }>;

/** Starts the run on Tree A, once all that is looked at first is ticked. */
async function startRun(server: FakeServer): Promise<void> {
  at.path = '/cut';
  useInHand.setState({ bladeId: null, itemId: null });
  show(<CutPlace />, server);
  await findButton('Look around first');
  const tree = screen.getByRole('checkbox', { name: /Tree A/ });
  if (tree.getAttribute('aria-checked') !== 'true') fireEvent.click(tree);
  press('Look around first');
  const sheet = await screen.findByRole('dialog', { name: 'Look around first' });
  expect(await findButton('Start the run')).toHaveProperty('disabled', true);
  for (const box of within(sheet).getAllByRole('checkbox')) fireEvent.click(box);
  press('Start the run');
}

/** Puts the run up to the card of the cut, with a blade that is clean. */
async function toTheCut(server: FakeServer): Promise<void> {
  await startRun(server);
  fireEvent.click(await findButton('This blade is clean already'));
  fireEvent.click(await findButton('I stand there'));
  await findButton('Made the cut');
}

test('started after every point was looked at; the blade that is clean already needs no minute', async () => {
  const server = orchard();
  await toTheCut(server);
  await allSent();
  expect(kindsAt(server)).toEqual(['runStarted', 'bladeCleaned', 'stationTaken']);
  expect(last(server, 'runStarted').checked.length).toBeGreaterThan(4);
  expect(last(server, 'bladeCleaned').before).toBe(true);
});

test('the cut is recorded with its place, its blade and its sentence; ill wood is read; the run is closed with its blades', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Made the cut');
  fireEvent.click(await screen.findByRole('radio', { name: 'Green, clean' }));
  await allSent();
  const made = last(server, 'cutMade');
  expect(made).toMatchObject({
    treeId: 'a',
    findingIds: [CANKER],
    disorders: ['FB_CANK_A'],
    cut: { limbId: 'S', kind: 'collar', atCm: 0 },
  });
  expect(made.cut.sentence).toMatch(/^\w.*\.$/);
  expect(made.dirtyBlade).toBeUndefined();
  press('Wood is read');
  await screen.findByText('Count the blades back in');
  expect(screen.getByRole('button', { name: /^Close without \d+ blades?$/ })).toBeTruthy();
  const section = screen.getAllByRole('checkbox');
  for (const box of section) fireEvent.click(box);
  press('Close the run');
  await waitFor(() => expect(kindsAt(server)).toContain('runClosed'));
  expect(last(server, 'woodRead')).toMatchObject({ pith: 'green', furtherCm: null });
  expect(last(server, 'runClosed').bladeIds).toEqual(last(server, 'runStarted').bladeIds);
  expect(server.details.get('a')?.findings[0]?.state).toBe('closed');
});

test('brown wood on the face is marked toward the trunk and proposed as the next cut', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Cut elsewhere');
  const sheet = await screen.findByRole('dialog', { name: 'Where did it fall?' });
  const record = () => within(sheet).getByRole('button', { name: 'Record it' });
  expect(record()).toHaveProperty('disabled', true);
  // The limb is 180 cm long: a cut at its end or beyond is none
  write(/^Cut at, cm/, '180');
  expect(record()).toHaveProperty('disabled', true);
  expect(screen.getByText('From 0 to 180 cm.')).toBeTruthy();
  write(/^Cut at, cm/, '80');
  fireEvent.click(record());
  fireEvent.click(await screen.findByRole('radio', { name: 'Still brown' }));
  write(/^How far toward the trunk/, 'far');
  expect(screen.getByRole('button', { name: 'Mark it, cut back' })).toHaveProperty('disabled', true);
  write(/^How far toward the trunk/, '12');
  press('Mark it, cut back');
  await findButton(/Blade is wet|Made the cut|I stand there|The ladder stands/);
  await allSent();
  expect(last(server, 'cutMade').elsewhere).toEqual({
    why: 'other place',
    plannedLimbId: 'S',
    plannedAtCm: 0,
  });
  // What was really cut decides: 80 cm is 20 cm short of the canker at 100
  expect(last(server, 'cutMade').cut).toMatchObject({ atCm: 80, kind: 'heading' });
  expect(last(server, 'cutMade').cut.shortfallCm).toBeGreaterThan(0);
  const marked = server.details.get('a')?.findings.find(({ id }) => id !== CANKER);
  expect(marked).toMatchObject({ limbId: 'S', fromCm: 68, toCm: 80, state: 'open' });
  expect(last(server, 'woodRead')).toMatchObject({ pith: 'brown', furtherCm: 12, marked: marked?.id });
});

test('a cut that could not be made needs a reason, stays in the plan and is out of the run', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Couldn’t');
  const sheet = await screen.findByRole('dialog', { name: 'Why not?' });
  expect(within(sheet).getByRole('button', { name: 'Leave it' })).toHaveProperty('disabled', true);
  fireEvent.click(within(sheet).getByRole('radio', { name: 'Out of reach' }));
  write('Note', 'Pole saw is at the shed');
  fireEvent.click(within(sheet).getByRole('button', { name: 'Leave it' }));
  await screen.findByText(/Not made today: Out of reach: Pole saw is at the shed/);
  await allSent();
  expect(last(server, 'cutNotMade')).toMatchObject({
    findingIds: [CANKER],
    reason: 'Out of reach: Pole saw is at the shed',
  });
  expect(server.details.get('a')?.findings[0]?.state).toBe('open');
});

test('a slip is undone: the record stays, another takes it back, and the cut is due again', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Made the cut');
  await findButton('Not read');
  await allSent();
  const { id } = server.actions.findLast(({ action }) => action.kind === 'cutMade') ?? {};
  press(/^Undo: Cut on|^Undo: cut on/);
  await findButton(/Made the cut|This blade is clean already/);
  await allSent();
  expect(last(server, 'undone').actionId).toBe(id);
  expect(kindsAt(server)).toContain('cutMade');
});

test('a cut made before the blade was clean goes on record as it was done', async () => {
  const server = orchard();
  await startRun(server);
  fireEvent.click(await findButton('It is cut already, with this blade'));
  await findButton('Not read');
  await allSent();
  expect(last(server, 'cutMade')).toMatchObject({ dirtyBlade: true, findingIds: [CANKER] });
});

test('what else is found leads to the tree and says that it came from the run; a dead server stops nothing', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Found more');
  expect(went.at(-1)).toEqual([
    'navigate',
    { pathname: '/round/[treeId]', params: { treeId: 'a', limb: 'S', from: 'run' } },
  ]);
  await allSent();
  server.down = true;
  press('Made the cut');
  await findButton('Not read');
  expect(kindsAt(server)).not.toContain('cutMade');
  server.down = false;
  press('Not read');
  await waitFor(() => expect(kindsAt(server)).toContain('woodRead'), { timeout: 15_000 });
  expect(kindsAt(server).indexOf('cutMade')).toBeLessThan(kindsAt(server).indexOf('woodRead'));
});
