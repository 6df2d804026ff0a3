// A run, card by card, before a server: what is recorded, in which order, and what each card refuses.
import '../../workers/importMeta';
import { agentOf } from '@mortisect/core/blades';
import { bladesOf } from '@mortisect/core/present';
import type { ActionBody } from '@mortisect/core/records';
import { act, configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { useInHand } from '../../data/inHand';
import { queryClient } from '../../data/queryClient';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, clock, field, findButton, press, show, went, write } from '../../testing/here';
import { detail, did, finding, limbs, NOW } from '../../testing/orchard';
import { settled, timersHeld } from '../../testing/settled';
import { CutPlace } from './CutPlace';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
jest.mock('../../data/qrCode', () => ({ tagInPhoto: () => Promise.resolve(null) }));
configure({ defaultHidden: true });

const OTHER = '0193f000-0000-7000-8000-000000000012';
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
  await lookAndStart();
}

async function lookAndStart(): Promise<void> {
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

test('the blades to choose from stay open where the card behind them is drawn anew', async () => {
  const server = orchard();
  await startRun(server);
  await findButton('This blade is clean already');
  await allSent();
  fireEvent.click(screen.getByRole('button', { name: /^Blade: / }));
  await screen.findByRole('dialog', { name: 'Which blade is in your hand?' });
  // Somebody else cleans all blades meanwhile
  bladesOf(server.site.site.plan.kit).forEach(({ id: blade }, i) => {
    const cleaned = did({ kind: 'bladeCleaned', at: NOW, blade, agentId: 'alcohol-70', before: true });
    server.actions.push({ ...cleaned, id: `0193f000-0000-7000-8000-0000000002${10 + i}` });
  });
  await act(() => queryClient.invalidateQueries());
  await findButton('I stand there');
  expect(screen.getByRole('dialog', { name: 'Which blade is in your hand?' })).toBeTruthy();
});

test.each([
  ['away', /^Slope the face .* Put nothing on the wound\.$/],
  ['square', /^Cut square across\. Put nothing on the wound\.$/],
] as const)(
  'the card says how the face of the cut lies by the school of the site: %s',
  async (slope, words) => {
    const server = orchard();
    const { site } = server.site;
    server.site = { ...server.site, site: { ...site, schools: { ...site.schools, slope } } };
    await toTheCut(server);
    expect(screen.getByText(words)).toBeTruthy();
  },
);

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
  expect(made.cut.shortfallCm).toBe(0);
  expect(screen.getByText(/^That disease stays behind: under 1 in 100/)).toBeTruthy();
  press('Cut face is sound');
  await screen.findByText('Count the blades back in');
  expect(screen.getByRole('button', { name: /^Close without \d+ blades?$/ })).toBeTruthy();
  for (const box of screen.getAllByRole('checkbox').slice(0, 2)) fireEvent.click(box);
  // Drawn again, as when lists are read anew meanwhile: what was ticked stays ticked
  await allSent();
  show(<CutPlace />, server);
  await screen.findByText('Count the blades back in');
  const boxes = screen.getAllByRole('checkbox');
  expect(boxes.filter((box) => box.getAttribute('aria-checked') === 'true')).toEqual(boxes.slice(0, 2));
  for (const box of boxes.slice(2)) fireEvent.click(box);
  press('Close the run');
  await waitFor(() => expect(kindsAt(server)).toContain('runClosed'));
  expect(last(server, 'woodRead')).toMatchObject({ pith: 'green', furtherCm: null });
  expect(last(server, 'runClosed').bladeIds).toEqual(last(server, 'runStarted').bladeIds);
  expect(server.details.get('a')?.findings[0]?.state).toBe('closed');
});

test('a run that was paused is ended with a cut left, which waits for another run; that one is not closed down by itself', async () => {
  const server = orchard();
  const pause = async () => {
    fireEvent.click(await findButton('Pause the run'));
    await screen.findByText('Run paused');
  };
  await startRun(server);
  await pause();
  press('End the run');
  expect(await screen.findByText('1 cut is left')).toBeTruthy();
  press('Back to the run');
  await screen.findByText('Run paused');
  press('End the run');
  await screen.findByText('Count the blades back in');
  for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
  press('Close the run');
  await waitFor(() => expect(kindsAt(server)).toContain('runClosed'));
  expect(kindsAt(server)).not.toContain('cutMade');
  expect(server.details.get('a')?.findings[0]?.state).toBe('open');
  await lookAndStart();
  await pause();
  expect(screen.queryByText('Count the blades back in')).toBeNull();
});

test('brown wood on the face is marked toward the trunk and proposed as the next cut', async () => {
  const server = orchard();
  await toTheCut(server);
  press('Cut elsewhere');
  const sheet = await screen.findByRole('dialog', { name: 'Where did you cut?' });
  const record = () => within(sheet).getByRole('button', { name: 'Record it' });
  expect(record()).toHaveProperty('disabled', true);
  // The limb is 180 cm long: a cut at its end or beyond is none
  write(/^Cut at, cm/, '180');
  expect(record()).toHaveProperty('disabled', true);
  expect(screen.getByText('From 0 to 180 cm.')).toBeTruthy();
  write(/^Cut at, cm/, '80');
  fireEvent.click(record());
  fireEvent.click(await screen.findByRole('radio', { name: 'Still brown' }));
  // 20 cm from the canker where 30 are asked for
  expect(screen.getByText(/as it was cut that was (about \d+|under 1) in 100/)).toBeTruthy();
  write(/^How far toward the trunk/, 'far');
  expect(screen.getByRole('button', { name: 'Still brown: plan a cut further back' })).toHaveProperty(
    'disabled',
    true,
  );
  write(/^How far toward the trunk/, '12');
  press('Still brown: plan a cut further back');
  await findButton(/Blade is wet|Made the cut|I stand there|The ladder stands/);
  await allSent();
  expect(last(server, 'cutMade').cut).toMatchObject({ clearanceCm: 30, shortfallCm: 10 });
  expect(last(server, 'cutMade').onMap).toBe(detail([]).limbsRevision);
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
  press('Skip this cut');
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
  await findButton('Did not check');
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
  await findButton('Did not check');
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
  await findButton('Did not check');
  expect(kindsAt(server)).not.toContain('cutMade');
  server.down = false;
  press('Did not check');
  await waitFor(() => expect(kindsAt(server)).toContain('woodRead'), { timeout: 15_000 });
  expect(kindsAt(server).indexOf('cutMade')).toBeLessThan(kindsAt(server).indexOf('woodRead'));
});

describe('the contact time', () => {
  /** The card while the blade is wet, `seconds` after it went in. */
  async function wetFor(seconds: number): Promise<FakeServer> {
    const server = orchard();
    await startRun(server);
    fireEvent.click(await findButton('Blade is wet'));
    fireEvent.click(await findButton('I stand there'));
    await findButton('Blade clean');
    await allSent();
    // By the clock of the page, which never goes back: a test before this one may have brought it further
    const wetAt = new Date(Date.parse(clock()) - seconds * 1000).toISOString();
    server.actions = server.actions.map((action) =>
      action.action.kind === 'bladeWetted' ? { ...action, action: { ...action.action, at: wetAt } } : action,
    );
    show(<CutPlace />, server);
    await findButton('Blade clean');
    return server;
  }
  const contact = agentOf('alcohol-70').contactSeconds;

  test('runs from its stored start: a page that is read anew goes on counting, and nothing is clean before it is over', async () => {
    const began = Date.now();
    await wetFor(contact / 2);
    const left = Number(screen.getByRole('timer').textContent);
    const tookS = (Date.now() - began) / 1000;
    expect(left).toBeGreaterThan(contact / 2 - tookS - 1);
    expect(left).toBeLessThanOrEqual(contact / 2);
    expect(screen.getByRole('timer').getAttribute('aria-label')).toBe(`${left} seconds left`);
    expect(await findButton('Blade clean')).toHaveProperty('disabled', true);
    expect(document.body.textContent).toContain('It goes on counting while the screen is dark');
  });

  test('over, the blade is clean by a tap, with its agent', async () => {
    const server = await wetFor(contact + 5);
    expect(screen.getByRole('timer').textContent).toBe('0');
    expect(document.body.textContent).toContain('The time is over');
    press('Blade clean');
    await findButton('Made the cut');
    await allSent();
    expect(last(server, 'bladeCleaned')).toMatchObject({ agentId: 'alcohol-70' });
    expect(last(server, 'bladeCleaned').before).toBeUndefined();
  });
});

test('before the run its trees are ordered once; the list stands still while they are chosen, and its numbers follow', async () => {
  const server = new FakeServer([
    detail([finding(CANKER, 'S', 'FB_CANK_A')]),
    detail([finding(OTHER, 'R', 'DEAD', { treeId: 'b' })], { id: 'b', code: 'Tree B', place: 2 }),
  ]);
  at.path = '/cut';
  queryClient.removeQueries({ queryKey: ['run-order'] });
  show(<CutPlace />, server);
  await findButton('Look around first');
  const orders = () => queryClient.getQueryCache().findAll({ queryKey: ['run-order'] });
  expect(orders().filter(({ state }) => state.data !== undefined)).toHaveLength(1);
  const rows = () => screen.getAllByRole('checkbox', { name: /Tree [AB]/ });
  const named = () =>
    rows().map((row) => /(\d · )?Tree ([AB])/.exec(row.getAttribute('aria-label') ?? row.textContent ?? ''));
  const listed = named().map((row) => row?.[2]);
  for (const row of rows()) if (row.getAttribute('aria-checked') === 'true') fireEvent.click(row);
  expect(named().map((row) => row?.[1])).toEqual([undefined, undefined]);
  // The lower one alone is the first of the run, where it stands
  fireEvent.click(rows()[1] as HTMLElement);
  await waitFor(() => expect(named().map((row) => row?.[1])).toEqual([undefined, '1 · ']));
  expect(named().map((row) => row?.[2])).toEqual(listed);
});

describe('a blade that would carry disease', () => {
  /** Two trees with a canker each: the blade goes from one to the other. */
  async function toTheNextTree(): Promise<FakeServer> {
    const server = new FakeServer([
      detail([finding(CANKER, 'S', 'FB_CANK_A')]),
      detail([finding(OTHER, 'R', 'FB_CANK_A', { treeId: 'b' })], { id: 'b', code: 'Tree B', place: 2 }),
    ]);
    at.path = '/cut';
    useInHand.setState({ bladeId: null, itemId: null });
    show(<CutPlace />, server);
    await findButton('Look around first');
    for (const box of screen.getAllByRole('checkbox', { name: /Tree [AB]/ }))
      if (box.getAttribute('aria-checked') !== 'true') fireEvent.click(box);
    press('Look around first');
    const sheet = await screen.findByRole('dialog', { name: 'Look around first' });
    for (const box of within(sheet).getAllByRole('checkbox')) fireEvent.click(box);
    press('Start the run');
    return server;
  }

  /** Goes through the cards until the blade has met the canker, and another tree is next. */
  async function metTheCanker(server: FakeServer): Promise<void> {
    for (let cards = 0; cards < 12; cards++) {
      const due = await findButton(
        /^(This blade is clean already|I stand there|The ladder stands|Made the cut|Did not check|Seen from the ground)$/,
      );
      if (kindsAt(server).includes('woodRead') && /clean already/.test(due.textContent ?? '')) return;
      fireEvent.click(due);
      await allSent();
    }
    throw new Error('The canker was not cut.');
  }

  test('is only asked to be cleaned; taken in the hand all the same it stops the cut, with the shortest way out', async () => {
    const server = await toTheNextTree();
    await metTheCanker(server);
    const next =
      last(server, 'cutMade').treeId === 'a' ? { id: 'b', code: 'Tree B' } : { id: 'a', code: 'Tree A' };
    expect(document.body.textContent).not.toContain('Stop. Do not cut');
    fireEvent.click(await findButton(/^Blade: /));
    const sheet = await screen.findByRole('dialog', { name: 'Which blade is in your hand?' });
    const used = within(sheet)
      .getAllByRole('button')
      .find(({ textContent }) => /met fire blight/i.test(textContent ?? ''));
    if (!used) throw new Error('No blade is used.');
    fireEvent.click(used);
    await screen.findByText('Stop. Do not cut with this blade');
    expect(document.body.textContent).toContain(`It would carry that to ${next.code}.`);
    expect(document.body.textContent).toMatch(/Clean this one: \d+ s\.|is clean: take it, \d+ s\./);
    // What is cut already is told as it was
    fireEvent.click(await findButton('It is cut already, with this blade'));
    await allSent();
    expect(last(server, 'cutMade')).toMatchObject({ treeId: next.id, dirtyBlade: true });
  });
});

describe('after a big cut', () => {
  /** A limb of 60 mm at its collar: three strokes. */
  async function bigCutMade(): Promise<FakeServer> {
    const thick = limbs.map((limb) => (limb.id === 'S' ? { ...limb, baseMm: 60, lengthCm: 140 } : limb));
    const server = new FakeServer([{ ...detail([finding(CANKER, 'S', 'FB_CANK_A')]), limbs: thick }]);
    await toTheCut(server);
    press('Made the cut');
    fireEvent.click(await findButton('Did not check'));
    await findButton('Seen from the ground');
    return server;
  }

  test('one steps back: what was seen and the hats that came through go on record, no more than were thrown', async () => {
    const server = await bigCutMade();
    await waitFor(() =>
      expect(document.body.textContent).toMatch(/In the map \d+ % of the hats come through\./),
    );
    write('Thrown', '8');
    write('Came through', '9');
    expect(field('Came through').getAttribute('aria-invalid')).toBe('true');
    write('Came through', '0');
    await waitFor(() => expect(document.body.textContent).toMatch(/You: 0 %/));
    write('What you saw', `  ${'Open to the east. '.repeat(40)}`);
    press('Seen from the ground');
    await screen.findByText('Count the blades back in');
    await allSent();
    expect(last(server, 'hatThrown')).toMatchObject({ treeId: 'a', throws: 8, passed: 0 });
    const seen = last(server, 'stoodBack');
    expect(seen).toMatchObject({ treeId: 'a', photoId: null });
    expect(seen.note.length).toBeLessThanOrEqual(300);
    expect(seen.note).toMatch(/^Open to the east\./);
    const { id } = server.actions.find(({ action }) => action.kind === 'cutMade') ?? {};
    expect(seen.cutId).toBe(id);
  });

  test('left untouched, no throw goes on record', async () => {
    const server = await bigCutMade();
    press('Seen from the ground');
    await screen.findByText('Count the blades back in');
    await allSent();
    expect(kindsAt(server)).not.toContain('hatThrown');
    expect(last(server, 'stoodBack').note).toBe('');
  });
});

test('the trees that the season has for a crew today are chosen, until somebody chooses otherwise', async () => {
  const server = orchard();
  const halfDay = { half: 'morning', crewId: 'wall', crew: 'Wall crew', treeIds: ['elsewhere'] };
  server.instead.set('getSeasonToday', () => ({
    ...{ day: NOW.slice(0, 10), madeAt: NOW, isAnew: false, halfDays: [halfDay] },
  }));
  at.path = '/cut';
  at.params = { crew: 'wall', half: 'morning' };
  show(<CutPlace />, server);
  await screen.findByText('Wall crew, as the season has it today.');
  const tree = screen.getByRole('checkbox', { name: /Tree A/ });
  expect(tree.getAttribute('aria-checked')).toBe('false');
  fireEvent.click(tree);
  expect(screen.queryByText(/as the season has it/)).toBeNull();
  expect(screen.getByRole('checkbox', { name: /Tree A/ }).getAttribute('aria-checked')).toBe('true');
  at.params = {};
});

describe('weather that is slow to come', () => {
  const slow = () => {
    const server = orchard();
    server.instead.set('getTiming', () => new Promise(() => {}));
    return server;
  };

  test('is waited for before a run, but not for long', async () => {
    const timers = timersHeld(1000);
    at.path = '/cut';
    show(<CutPlace />, slow());
    await waitFor(() => expect(queryClient.getQueryData(['listed-trees', 'metric'])).toBeTruthy());
    await settled();
    expect(document.body.textContent).toMatch('Reading the orchard');
    timers.goOff();
    await screen.findByText('Trees in this order');
    timers.end();
  });

  test('holds up no run that is open', async () => {
    const server = slow();
    server.actions = [did({ kind: 'runStarted', at: NOW, treeIds: ['a'], bladeIds: [], checked: [] })];
    const timers = timersHeld(1000);
    at.path = '/cut';
    useInHand.setState({ bladeId: null, itemId: null });
    show(<CutPlace />, server);
    await findButton('This blade is clean already');
    timers.end();
  });
});

test('what each crew does today is asked for only where somebody comes from it', async () => {
  const server = orchard();
  at.path = '/cut';
  show(<CutPlace />, server);
  await findButton('Look around first');
  await settled();
  expect(server.asked.map(({ name }) => name)).toContain('getTiming');
  expect(server.asked.map(({ name }) => name)).not.toContain('getSeasonToday');
});
