// The parts of a tree before a server: its shape and what is waved off, how open it is, its jobs, whether it is worth the saw; and ways to it.
import { english } from '@mortisect/words/all';
import '../../workers/importMeta';
import { faultKey } from '@mortisect/core/faults';
import { type SiteToday, type TreeView, treeView } from '@mortisect/core/present';
import type { Action, Job } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { configure, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { usePreferences } from '../../data/preferences';
import { FakeServer, refused } from '../../testing/fakeServer';
import { allSent, at, buttons, field, findButton, press, show, went, write } from '../../testing/here';
import { detail, did, finding, limb, limbs, NOW, today } from '../../testing/orchard';
import { PlaceKeys, useKeys } from '../shell/Keys';
import { FindByTag } from './FindByTag';
import { RoundList } from './RoundList';
import { faultDetail, faultTitle } from './shape/faultWords';
import { ShapePart } from './shape/ShapePart';
import { TreePart } from './TreePart';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
const mockTag = jest.fn<Promise<string | null>, []>();
jest.mock('../../data/qrCode', () => ({ tagInPhoto: () => mockTag() }));
configure({ defaultHidden: true });

const text = () => document.body.textContent ?? '';

/** Two limbs that grow from one spot in nearly one direction and cross. */
const crossing: Limb[] = [
  ...limbs,
  { ...limb('X', 'S', 40, 0), kind: 'branch', baseMm: 20, lengthCm: 90, bearingDeg: 40, inclinationDeg: 25 },
  { ...limb('Y', 'S', 60, 0), kind: 'branch', baseMm: 20, lengthCm: 90, bearingDeg: 20, inclinationDeg: 25 },
  {
    ...limb('U', 'S', 100, 0),
    kind: 'branch',
    baseMm: 22,
    lengthCm: 120,
    bearingDeg: 90,
    inclinationDeg: 89,
    ageYears: 1,
  },
];

describe('wood out of place', () => {
  const shaped = (actions: Action[] = [], own: Limb[] = crossing) => ({
    ...detail([], {}, actions),
    limbs: own,
  });
  const view = (given = shaped()): TreeView => treeView(given, today);

  function come(given = shaped()) {
    const server = new FakeServer([given]);
    const onLimb = jest.fn();
    show(<ShapePart view={view(given)} today={today} onLimb={onLimb} />, server);
    return { server, onLimb };
  }

  test('a fault is noted as a finding that carries it, shown on its limb, or waved off as bad as it is', async () => {
    const { server, onLimb } = come();
    const notes = buttons(/^Note: /);
    expect(notes.length).toBeGreaterThan(0);
    const title = (notes[0]?.getAttribute('aria-label') ?? '').replace('Note: ', '');
    fireEvent.click(buttons(`Show: ${title}`)[0] as HTMLElement);
    expect(onLimb).toHaveBeenCalledTimes(1);
    fireEvent.click(notes[0] as HTMLElement);
    fireEvent.click(buttons(`Ignore: ${title}`)[0] as HTMLElement);
    await allSent();
    const [noted] = server.details.get('a')?.findings ?? [];
    expect(noted).toMatchObject({ kind: 'misplaced', disorder: 'MISPLACED', treeId: 'a' });
    const waved = server.actions.at(-1)?.action;
    expect(waved).toMatchObject({ kind: 'wavedOff', treeId: 'a' });
    if (waved?.kind === 'wavedOff' && noted?.fault) {
      expect(waved.faultKey).toBe(noted.fault.key);
      expect(waved.severity).toBeCloseTo(noted.fault.severity, 9);
      expect(faultKey(noted.fault)).toBe(noted.fault.key);
    } else throw new Error('Neither was recorded.');
  });

  test('all of a kind, or all on a limb, are noted at once; each is a finding of its own, and the sheet closes', async () => {
    const { server } = come();
    const before = buttons(/^Note: /).length;
    press('Note several');
    const [all] = buttons(/^Note \d+ faults: /);
    const count = Number(/\d+/.exec(all?.getAttribute('aria-label') ?? '')?.[0]);
    expect(count).toBeGreaterThan(1);
    fireEvent.click(all as HTMLElement);
    expect(buttons(/^Note \d+ faults: /)).toEqual([]);
    await allSent();
    const noted = server.details.get('a')?.findings ?? [];
    expect(noted).toHaveLength(count);
    expect(new Set(noted.map(({ fault }) => fault?.key)).size).toBe(count);
    expect(count).toBeLessThanOrEqual(before);
  });

  // Ours: a fault that was waved off speaks up again when it is worse by more than a quarter
  test.each([
    ['as it was', 1, true],
    ['just within a quarter', 0.801, true],
    ['a little more than a quarter worse', 0.799, false],
  ])('what was waved off stays quiet while it is %s', async (_said, share, quiet) => {
    const { server } = come();
    const before = buttons(/^Note: /).length;
    fireEvent.click(buttons(/^Ignore: /)[0] as HTMLElement);
    await allSent();
    const waved = server.actions.at(-1) as Action;
    if (waved.action.kind !== 'wavedOff') throw new Error('It was not waved off.');
    const then = { ...waved, action: { ...waved.action, severity: waved.action.severity * share } };
    come(shaped([then]));
    expect(buttons(/^Note: /)).toHaveLength(quiet ? before - 1 : before);
    expect(/1 fault waved off earlier and not worse since/.test(text())).toBe(quiet);
    come(shaped([{ ...then, undone: true }]));
    expect(buttons(/^Note: /)).toHaveLength(before);
  });

  test('a tree of which only the stem is mapped is asked for its limbs; gaps of a map are named', () => {
    come(shaped([], [limbs[0] as Limb]));
    expect(text()).toContain('Only the stem is mapped');
    press('Draw the limb map');
    expect(went).toEqual([['navigate', '/round/a/map']]);
    come(shaped([], limbs));
    expect(text()).toMatch(
      /3 limbs mapped\. 2 main limbs without side branches\. (Their ages are guesses|\d ages? of them guessed)\./,
    );
  });

  test.each([
    [
      'crossing',
      { limbIds: ['S', 'R'], measured: 3.4, limit: 20, unit: 'cm' },
      'Crosses',
      'east and west: axes apart by 3 cm, limit 20 cm',
    ],
    [
      'double leader',
      { limbIds: ['S'], measured: 0.876, limit: 0.75, unit: 'ratio' },
      'Double leader',
      'East: thickness ratio 0.88, limit 0.75',
    ],
    [
      'downward',
      { limbIds: ['S'], measured: 12.5, limit: 10, unit: '°' },
      'Hangs down',
      'East: below level 13°, limit 10°',
    ],
    [
      'cluster',
      { limbIds: ['S', 'R', 'T', 'Q'], measured: 4, limit: 3, unit: 'limbs' },
      'Several from one spot',
      'East and west and 2 more: shoots 4, limit 3',
    ],
    [
      'sucker',
      { limbIds: ['Q'], measured: 0, limit: 0, unit: '' },
      'Sucker from the rootstock',
      'Q: below the graft union',
    ],
  ])('%s is told with what was measured and its limit', (kind, more, title, words) => {
    const fault = { kind, atCm: 0, severity: 1, ...more } as Parameters<typeof faultDetail>[1];
    expect(faultTitle(english, fault)).toBe(title);
    const names = new Map([
      ['S', 'East'],
      ['R', 'West'],
    ]);
    expect(faultDetail(english, fault, names).toLowerCase()).toBe(words.toLowerCase());
  });
});

describe('open enough?', () => {
  const given = { ...detail([]), limbs: crossing };

  test('hats thrown through the map have an interval; a real throw is a whole number of those thrown', async () => {
    const server = new FakeServer([given]);
    show(<ShapePart view={treeView(given, today)} today={today} onLimb={jest.fn()} />, server);
    await waitFor(() => expect(text()).toMatch(/\d+of 100 hats come through \(\d+–\d+\)/));
    const [, share, low, high] = (/(\d+)of 100 hats come through \((\d+)–(\d+)\)/.exec(text()) ?? []).map(
      Number,
    );
    expect(low).toBeLessThanOrEqual(share as number);
    expect(high).toBeGreaterThanOrEqual(share as number);
    press('I tested it with a hat');
    const sheet = await screen.findByRole('dialog', { name: 'I tested it with a hat' });
    const enter = () => within(sheet).getByRole('button', { name: 'Enter' }) as HTMLButtonElement;
    for (const [throws, passed, good] of [
      ['10', '', false],
      ['10', '0', true],
      ['10', '10', true],
      ['10', '11', false],
      ['10', '-1', false],
      ['10', '2.5', false],
      ['0', '0', false],
      ['500', '7', true],
      ['501', '7', false],
    ] as const) {
      write('Throws', throws);
      write('Came through', passed);
      expect([throws, passed, enter().disabled]).toEqual([throws, passed, !good]);
    }
    write('Throws', '10');
    write('Came through', '4');
    fireEvent.click(enter());
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({ kind: 'hatThrown', throws: 10, passed: 4 });
  });

  test('the last real throw that was not taken back stands beside it', async () => {
    const hat = (passed: number, undone = false) =>
      did({ kind: 'hatThrown', at: '2026-11-20T09:00:00Z', treeId: 'a', throws: 10, passed }, undone);
    const thrown = { ...given, actions: [hat(3), hat(9, true)] };
    show(
      <ShapePart view={treeView(thrown, today)} today={today} onLimb={jest.fn()} />,
      new FakeServer([thrown]),
    );
    expect(text()).toContain('Thrown for real: 3 of 10 came through');
  });
});

describe('what is known of the tree', () => {
  const job = (n: number, more: Partial<Job>): Job => ({
    id: `0193f000-0000-7000-8000-00000000005${n}`,
    treeId: 'a',
    job: 'guard',
    dueOn: '2026-12-01',
    note: '',
    doneAt: null,
    withdrawn: false,
    revision: 1,
    by: 'Wall crew',
    receivedAt: '2026-11-01T09:00:00Z',
    ...more,
  });

  function come(more: object = {}, jobs: Job[] = [], on: SiteToday = today) {
    const given = { ...detail([finding('f', 'S', 'DEAD')], more), jobs };
    const server = new FakeServer([given]);
    server.jobs = [...jobs];
    at.path = '/round/a';
    show(<TreePart view={treeView(given, on)} detail={given} today={on} />, server);
    return server;
  }

  test('the first row of the table that holds says whether it is worth the saw, and why', async () => {
    come();
    expect(text()).toMatch(/Worth the saw\?(Keep it|Renovate it|Give it a trial year|Replace it)/);
    fireEvent.click(buttons('Why')[0] as HTMLElement);
    const sheet = await screen.findByRole('dialog', { name: 'Worth the saw?' });
    expect(sheet.textContent).toMatch(
      /The first row that holds decides: “.+”\. \d+ % of the crown is dead or diseased/,
    );
    expect(within(sheet).getAllByText(/Hand to a licensed arborist/).length).toBeGreaterThan(0);
    come({ hazards: ['power line'] });
    expect(text()).toContain('Hand to a licensed arborist');
    expect(text()).not.toMatch(/About .* a season/);
  });

  test('facts that nobody said are left out, those that were said stand with their unit', () => {
    come({
      rootstock: 'M26',
      graftUnionCm: 20,
      girthCm: 62,
      targetHeightCm: 220,
      hazards: ['boundary mark'],
    });
    expect(text()).toMatch(/M26, union at 20 cm/);
    expect(text()).toMatch(/2\.5 m high \(should be 2\.2 m\), 3\.0 m wide, 62 cm round/);
    expect(text()).toContain('boundary mark');
    come();
    expect(text()).not.toMatch(/union at|\(should be|round it/i);
  });

  test('a job is late from the day after it was due; done and removed it is gone, removed it can be put back', async () => {
    const server = come({}, [
      job(1, { dueOn: '2026-11-24' }),
      job(2, { dueOn: '2026-11-23', job: 'vines', note: 'by the gate' }),
      job(3, { doneAt: '2026-11-20T09:00:00Z', job: 'mulch' }),
    ]);
    expect(text()).toMatch(/Due 24 Nov 2026/);
    expect(text()).toMatch(/Late: was due 23 Nov 2026 · by the gate/);
    expect(buttons(/^Done: /)).toHaveLength(2);
    press(/^Remove: Take vines/);
    expect(text()).toMatch(/is removed\./);
    await allSent();
    expect(server.jobs.find(({ job: kind }) => kind === 'vines')?.withdrawn).toBe(true);
    press('Restore it');
    await allSent();
    expect(server.jobs.find(({ job: kind }) => kind === 'vines')?.withdrawn).toBe(false);
    fireEvent.click(buttons(/^Done: /)[0] as HTMLElement);
    await allSent();
    expect(server.jobs.filter(({ doneAt }) => doneAt !== null)).toHaveLength(2);
  });

  test('a new job has its usual day, which can be another; a day that is none is refused', async () => {
    const server = come();
    press('Add a job');
    const sheet = await screen.findByRole('dialog', { name: 'Add a job' });
    const add = () => within(sheet).getByRole('button', { name: 'Add' }) as HTMLButtonElement;
    const day = within(sheet).getByLabelText('Due, year-month-day') as HTMLInputElement;
    expect(day.value).toMatch(/^20\d\d-\d\d-\d\d$/);
    for (const wrong of ['2026-02-30', '2027-02-29', 'soon', '2026-13-01', '']) {
      write('Due, year-month-day', wrong);
      expect([wrong, add().disabled]).toEqual([wrong, true]);
      expect(sheet.textContent).toContain('Write the day like 2026-11-30.');
    }
    write('Due, year-month-day', '2026-12-24');
    write('Note', '  before the frost  ');
    fireEvent.click(add());
    await allSent();
    expect(server.jobs.at(-1)).toMatchObject({ job: 'guard', dueOn: '2026-12-24', note: 'before the frost' });
  });

  test('a tree that cannot be looked at now is skipped with its reason', async () => {
    const server = come();
    press('Skip for now');
    const sheet = await screen.findByRole('dialog', { name: 'Skip Tree A' });
    fireEvent.click(within(sheet).getByRole('radio', { name: 'Bees' }));
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({ kind: 'treeSkipped', treeId: 'a', reason: 'Bees' });
    expect(went.at(-1)?.[0]).toBe('replace');
  });
});

describe('to a tree by its tag', () => {
  async function come() {
    const server = new FakeServer([
      detail([]),
      detail([], { id: 'b', code: 'Lee wall 07', nickname: 'Old Tom' }),
    ]);
    show(<FindByTag />, server);
    await waitFor(() => expect(server.asked.map(({ name }) => name)).toContain('getTrees'));
    press('Find by tag');
    return screen.findByRole('dialog', { name: 'Find by tag' });
  }
  const photograph = async () => {
    fireEvent.change(field('Photo of a tag'), {
      target: { files: [new File(['x'], 'tag.jpg')] },
    });
  };

  test.each([
    ['lee', 1],
    ['OLD TOM', 1],
    ['e', 2],
    ['  wall 07 ', 1],
    ['nobody', 0],
  ])('“%s” fits %i', async (typed, count) => {
    const sheet = await come();
    write('Tag or nickname', typed);
    await waitFor(() =>
      expect(
        [...sheet.querySelectorAll('button')].filter(({ textContent }) =>
          /Tree A|Lee wall 07/.test(textContent ?? ''),
        ),
      ).toHaveLength(count),
    );
    expect(sheet.textContent?.includes('No tree has this in its code or nickname.')).toBe(count === 0);
  });

  test.each([
    ['lee wall 07', /^\/round\/b$/],
    ['b', /^\/round\/b$/],
  ])('a photo of the tag “%s” leads to its tree', async (read, where) => {
    mockTag.mockResolvedValueOnce(read);
    await come();
    await photograph();
    await waitFor(() => expect(went.at(-1)?.[1]).toMatch(where));
  });

  test('a tag of no tree, and a photo without one, say what was read', async () => {
    mockTag.mockResolvedValueOnce('Quay 99');
    const sheet = await come();
    await photograph();
    await waitFor(() =>
      expect(sheet.textContent).toContain('The tag says “Quay 99”; no tree has that code.'),
    );
    mockTag.mockResolvedValueOnce(null);
    await photograph();
    await waitFor(() => expect(sheet.textContent).toContain('No QR code was found on the photo.'));
    expect(went).toEqual([]);
  });
});

describe('keys', () => {
  const hit = (key: string, target: Element | Window = window) =>
    fireEvent.keyDown(target, { key, code: `Key${key.toUpperCase()}` });
  function Bound({ act }: { act: () => void }) {
    useKeys({ f: act });
    return <input aria-label="typed" />;
  }

  test('g and a letter go to a place, ? lists all keys', async () => {
    show(<PlaceKeys />, new FakeServer());
    for (const [letter, path] of [
      ['t', '/today'],
      ['r', '/round'],
      ['p', '/plan'],
      ['c', '/cut'],
      ['b', '/book'],
    ] as const) {
      hit('g');
      hit(letter);
      expect(went.at(-1)).toEqual(['navigate', path]);
    }
    hit('?');
    expect(await screen.findByRole('dialog', { name: 'Keys' })).toBeTruthy();
    expect(text()).toContain('previous and next tree');
    // While a sheet is open no key leads away from under it
    hit('g');
    hit('t');
    expect(went).toHaveLength(5);
  });

  test('a page drawn anew between two keys forgets neither', () => {
    const first = jest.fn();
    const second = jest.fn();
    const Two = ({ act }: { act: () => void }) => {
      useKeys({ 'g b': act });
      return null;
    };
    const { rerender } = render(<Two act={first} />);
    hit('g');
    rerender(<Two act={second} />);
    hit('b');
    expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1]);
  });

  test('none acts while somebody types, nor when keys are switched off', () => {
    const act = jest.fn();
    show(<Bound act={act} />, new FakeServer());
    hit('f');
    expect(act).toHaveBeenCalledTimes(1);
    hit('f', field('typed'));
    expect(act).toHaveBeenCalledTimes(1);
    usePreferences.setState({ keys: false });
    try {
      show(<Bound act={act} />, new FakeServer());
      hit('f');
      expect(act).toHaveBeenCalledTimes(1);
    } finally {
      usePreferences.setState({ keys: true });
    }
  });
});

test('the trees of a round are read onto the device; what could not be read is not called ready', async () => {
  const started = did({ kind: 'roundStarted', at: NOW, order: 'serpentine', plotIds: [] });
  const server = new FakeServer([detail([])], [started]);
  server.instead.set('getPlotTrees', () => {
    throw refused(503, 'The server is starting.');
  });
  at.path = '/round';
  show(<RoundList />, server);
  fireEvent.click(await findButton('Round options'));
  press('Read all trees onto this device');
  await findButton('Not all were read: read again');
  server.instead.set('getPlotTrees', () => ({ trees: [...server.details.values()] }));
  press('Not all were read: read again');
  await findButton('Read: ready for no signal');
});
