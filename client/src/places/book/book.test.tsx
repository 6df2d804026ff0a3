// The Book before a server: settings that cannot be used are not saved, cuts are looked at again, graft wood is refused, stages are dated.
import '../../workers/importMeta';
import type { Action, ActionBody, Site } from '@mortisect/core/records';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { FakeServer, refused } from '../../testing/fakeServer';
import {
  allSent,
  at,
  buttons,
  field,
  findButton,
  findField,
  press,
  show,
  went,
  write,
} from '../../testing/here';
import { detail, did, finding, NOW } from '../../testing/orchard';
import { settled, timersHeld } from '../../testing/settled';
import { GraftWood } from './aftercare/GraftWood';
import { Rechecks } from './aftercare/Rechecks';
import { Log } from './Log';
import { Settings } from './Settings';
import { ImportWeather } from './weather/ImportWeather';
import { WeatherBook } from './weather/WeatherBook';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const CUT = '0193f000-0000-7000-8000-000000000021';
const cutOn = (day: string, more: object = {}): Action => ({
  ...did({
    kind: 'cutMade',
    at: `${day}T09:00:00Z`,
    treeId: 'a',
    blade: 'shears-1',
    findingIds: [],
    disorders: ['FB_SHOOT'],
    cut: {
      limbId: 'S',
      limbName: '3 o’clock, low',
      atCm: 0,
      kind: 'collar',
      diameterMm: 30,
      clearanceCm: 60,
      shortfallCm: 20,
      sentence: 'Cut at the collar.',
      ...more,
    },
  } as ActionBody),
  id: CUT,
});
const last = <K extends ActionBody['kind']>(server: FakeServer, kind: K) =>
  server.actions.findLast(({ action }) => action.kind === kind)?.action as Extract<ActionBody, { kind: K }>;
const choose = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });

describe('settings', () => {
  async function come(server = new FakeServer([detail([])])): Promise<FakeServer> {
    at.path = '/book/settings';
    show(<Settings />, server);
    await findField('Latitude, °');
    return server;
  }
  const saved = (server: FakeServer) => server.bodies<{ site: Site }>('putSite').map(({ site }) => site);

  // One page for all of them: it takes longer to come than to be filled in
  test('what cannot be is not saved, and is gone to; what can be at its farthest is saved', async () => {
    const server = await come();
    const value = (label: string) => screen.getAllByLabelText(label)[0] as HTMLInputElement;
    for (const [label, text] of [
      ['Latitude, °', 'abc'],
      ['Latitude, °', '91'],
      ['Longitude, °', '-181'],
      ['Time zone', 'Orrin/Bight'],
      ['12 o’clock points to, ° from north', 'north'],
      ['Name', ''],
    ] as const) {
      const field = value(label);
      const before = field.value;
      fireEvent.change(field, { target: { value: text } });
      await waitFor(() => expect(buttons('Save site')[0]?.disabled).toBe(false));
      press('Save site');
      await waitFor(() =>
        expect([label, text, field.getAttribute('aria-invalid')]).toEqual([label, text, 'true']),
      );
      await waitFor(() => expect([label, document.activeElement === field]).toEqual([label, true]));
      expect(saved(server)).toEqual([]);
      fireEvent.change(field, { target: { value: before } });
      await waitFor(() => expect(field.getAttribute('aria-invalid')).toBe('false'));
    }
    for (const [label, text, key, is] of [
      ['Latitude, °', '-90', 'latitude', -90],
      ['Longitude, °', '180', 'longitude', 180],
      ['Time zone', 'Europe/Lisbon', 'timeZone', 'Europe/Lisbon'],
    ] as const) {
      write(label, text);
      await waitFor(() => expect(buttons('Save site')[0]?.disabled).toBe(false));
      press('Save site');
      await waitFor(() => expect(saved(server).at(-1)).toMatchObject({ [key]: is }));
      await findButton('Saved');
    }
    expect(saved(server)).toHaveLength(3);
  });

  test('a tool with no name, or one that takes nothing, holds the whole page back', async () => {
    const server = await come();
    write('Latitude, °', '50');
    const [tool] = screen.getAllByRole('group', { name: /^Tool: / });
    const takes = within(tool as HTMLElement).getByLabelText('Takes, mm');
    fireEvent.change(takes, { target: { value: '0' } });
    press('Save site');
    expect(await screen.findByText(/^Not saved: “Takes, mm” cannot be used/)).toBeTruthy();
    expect(saved(server)).toEqual([]);
    fireEvent.change(takes, { target: { value: '12' } });
    press('Save site');
    await waitFor(() => expect(saved(server)[0]?.plan.kit[0]?.takesMm).toBe(12));
  });

  test('two versions of a site: theirs replaces what was typed, mine goes out on their revision', async () => {
    const server = await come();
    const theirs = { ...server.site, revision: 4, site: { ...server.site.site, name: 'Their orchard' } };
    server.instead.set('putSite', () => {
      throw refused(409, 'Changed meanwhile.', { type: 'moved-meanwhile', yours: {}, theirs });
    });
    fireEvent.change(screen.getAllByLabelText('Name')[0] as HTMLElement, { target: { value: 'My orchard' } });
    press('Save site');
    await findButton('Keep mine');
    server.instead.delete('putSite');
    server.site = theirs;
    press('Keep mine');
    await waitFor(() => expect(server.site).toMatchObject({ revision: 5, site: { name: 'My orchard' } }));
  });
});

describe('a cut is looked at again', () => {
  async function look(more: object = {}): Promise<FakeServer> {
    const server = new FakeServer([detail([])], [cutOn('2026-09-20', more)]);
    const { site } = server.site;
    server.site = { ...server.site, site: { ...site, rechecks: { ...site.rechecks, overdueDays: 90 } } };
    at.path = '/book/rechecks';
    show(<Rechecks />, server);
    return server;
  }

  test('nothing to tap stands before its limb is drawn above it; without the tree it stands after a second', async () => {
    let answer: () => void = () => {};
    const held = new Promise<void>((resolve) => {
      answer = resolve;
    });
    const choices = () => screen.queryAllByRole('radio', { name: 'Came back' }).length;
    const timers = timersHeld(1000);
    const open = async () => {
      const server = await look();
      server.instead.set('getTree', () => held);
      const [row] = await screen.findAllByRole('button', { name: /Tree A/ });
      fireEvent.click(row as HTMLElement);
      await settled();
    };
    await open();
    expect(choices()).toBe(0);
    timers.goOff();
    expect(choices()).toBe(1);
    await open();
    expect(choices()).toBe(0);
    answer();
    await screen.findByRole('radio', { name: 'Came back' });
    expect(document.body.textContent).toMatch('Cut at the collar');
    timers.end();
  });

  test('what came back needs how far, is recorded, and leads to the limb', async () => {
    const server = await look();
    const [row] = await screen.findAllByRole('button', { name: /Tree A/ });
    fireEvent.click(row as HTMLElement);
    fireEvent.click(await screen.findByRole('radio', { name: 'Came back' }));
    expect((await findButton('Record, mark it')).disabled).toBe(true);
    write(/^How far from the cut/, 'near');
    expect((await findButton('Record, mark it')).disabled).toBe(true);
    write(/^How far from the cut/, '14,5');
    press('Record, mark it');
    await allSent();
    expect(last(server, 'recheckDone')).toMatchObject({
      cutId: CUT,
      outcome: 'came back',
      distanceCm: 14.5,
      shoots: null,
    });
    expect(went.at(-1)?.[1]).toMatchObject({ params: { treeId: 'a', limb: 'S' } });
  });

  test.each([
    ['-1', true],
    ['0', false],
    ['200', false],
    ['201', true],
    ['2.5', true],
  ])('%s shoots: refused %s', async (shoots, isRefused) => {
    await look();
    const [row] = await screen.findAllByRole('button', { name: /Tree A/ });
    fireEvent.click(row as HTMLElement);
    fireEvent.click(await screen.findByRole('radio', { name: 'Clean' }));
    write('Shoots at the cut', shoots);
    expect((await findButton('Record it')).disabled).toBe(isRefused);
  });

  const open = async () => {
    const [row] = await screen.findAllByRole('button', { name: /Tree A/ });
    fireEvent.click(row as HTMLElement);
    fireEvent.click(await screen.findByRole('radio', { name: 'Clean' }));
  };

  // One of the upper three leads on: common practice, no source
  test.each([
    ['a limb that was shortened', { atCm: 90 }, 0],
    ['a stem that was shortened', { limbId: 'T', atCm: 90 }, 1],
    ['a stem that was cut at the ground', { limbId: 'T', atCm: 0 }, 0],
  ])('nothing said of the shoots of %s: so many stay', async (_said, cut, stay) => {
    const server = await look(cut);
    await open();
    write('Shoots at the cut', '5');
    expect((await screen.findByText(/come off by/)).textContent).toMatch(
      stay === 1 ? /^Empty: one, which goes on as the new leader/ : /^Empty: none\./,
    );
    press('Record it');
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({ kind: 'recheckDone', shoots: 5, stay });
  });

  test.each([
    ['', false, 0],
    ['2', false, 2],
    ['5', false, 5],
    ['6', true, null],
    ['-1', true, null],
    ['1.5', true, null],
  ])('of five shoots “%s” stay: refused %s', async (staying, isRefused, stay) => {
    const server = await look();
    await open();
    // Nobody is asked which stay of none
    write('Shoots at the cut', '0');
    expect(screen.queryByLabelText('How many of them stay')).toBeNull();
    write('Shoots at the cut', '5');
    write('How many of them stay', staying);
    const button = await findButton('Record it');
    expect(button.disabled).toBe(isRefused);
    if (isRefused) return;
    fireEvent.click(button);
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({ kind: 'recheckDone', shoots: 5, stay });
  });
});

describe('graft wood', () => {
  const walked = {
    ...did({
      kind: 'treeSeen',
      at: '2026-11-20T09:00:00Z',
      treeId: 'a',
      verdict: 'sound',
      seen: 'all round',
    }),
    id: CUT,
  };

  test('is taken from a tree that was walked round and is clean, with a label of its own', async () => {
    const server = new FakeServer([detail([], {}, [walked])], [walked]);
    at.path = '/book/graft-wood';
    show(<GraftWood />, server);
    await screen.findByText('A clean record');
    write('Sticks', '12');
    press('Take and label');
    await allSent();
    expect(last(server, 'scionTaken')).toMatchObject({
      treeId: 'a',
      sticks: 12,
      label: expect.stringMatching(/^Tree A 2026-11-24 [0-9A-F]{4}$/),
    });
    const label = screen.getByRole('img', { name: /^Label: .*Tree A 2026-11-24/ });
    // A code of version 3 or more with its quiet zone, whose corner is dark
    await waitFor(() => expect(label.querySelector('path')?.getAttribute('d')).toMatch(/^M2 2h1v1h-1z/));
    expect(Number(label.getAttribute('viewBox')?.split(' ')[2])).toBeGreaterThanOrEqual(33);
  });

  test('is refused from one with fire blight, and there is nothing to press', async () => {
    const server = new FakeServer([detail([finding(CUT, 'S', 'FB_CANK_A')])]);
    at.path = '/book/graft-wood';
    show(<GraftWood />, server);
    await screen.findByText('Not from this tree');
    expect(buttons('Take and label')).toEqual([]);
  });
});

describe('the weather', () => {
  async function come(actions: Action[] = []): Promise<FakeServer> {
    const server = new FakeServer([detail([])], actions);
    at.path = '/book/weather';
    show(<WeatherBook />, server);
    await findButton('Say what stage I saw');
    return server;
  }

  test('a stage is dated to the day it was seen, at noon there; days that cannot be are refused', async () => {
    const server = await come();
    press('Say what stage I saw');
    const stages = field<HTMLSelectElement>('Stage of most buds');
    choose('Stage of most buds', stages.options[2]?.value ?? '');
    for (const [day, said] of [
      ['2026-11-25', 'That day is still to come.'],
      ['2025-11-22', 'That is more than a year ago.'],
      ['2026-13-01', 'Write the day like 2026-04-02.'],
    ] as const) {
      write('Seen on, year-month-day', day);
      expect(screen.getByText(said)).toBeTruthy();
      expect(buttons(/^Seen (on|today)/)[0]?.disabled).toBe(true);
    }
    write('Seen on, year-month-day', '2025-11-23');
    expect(buttons(/^Seen on/)[0]?.disabled).toBe(false);
    write('Seen on, year-month-day', '2026-04-02');
    press('Seen on 2026-04-02');
    await allSent();
    expect(last(server, 'stageSeen')).toMatchObject({
      at: '2026-04-02T12:00:00.000Z',
      species: 'apple',
      cultivar: null,
    });
  });

  test('a stage that was seen stands with who saw it, and is taken back', async () => {
    const seen = {
      ...did({
        kind: 'stageSeen',
        at: '2026-04-02T12:00:00Z',
        species: 'apple',
        cultivar: null,
        stage: 'green tip',
        share: 0.3,
      }),
      id: CUT,
    };
    const server = await come([seen]);
    expect(screen.getByText(/^Apple: green tip, seen 2 Apr 2026 by Wall crew$/)).toBeTruthy();
    press('Remove: Apple: green tip');
    await waitFor(() => expect(buttons(/^Remove: /)).toEqual([]));
    expect(last(server, 'undone').actionId).toBe(CUT);
  });

  test('what was put on needs a name and its label', async () => {
    const server = await come();
    press('Write down what was put on');
    write('What', 'Copper');
    expect((await findButton('Put on just now')).disabled).toBe(true);
    write('Label', 'Reg. 12-34');
    press('Put on just now');
    await allSent();
    expect(last(server, 'protectantApplied')).toMatchObject({
      product: 'Copper',
      label: 'Reg. 12-34',
      species: [],
    });
  });

  test('the ground as it was seen holds for a day and a half', async () => {
    const server = await come();
    fireEvent.click(screen.getByRole('radio', { name: 'Snow lies' }));
    await allSent();
    const { at: from, until, state } = last(server, 'groundSaid');
    expect(state).toBe('snow');
    expect(Date.parse(until) - Date.parse(from)).toBe(36 * 3_600_000);
  });
});

test('a file of weather: its choices go along, a zone that is none is said, hours are taken once', async () => {
  const report = {
    columns: ['Date', 'Time', 'Temp'],
    mapping: { at: 'Date', 'at:clock': 'Time', temperatureC: 'Temp' },
    sample: [],
    hours: 5,
    from: '2026-03-01T06:00:00.000Z',
    to: '2026-03-01T10:00:00.000Z',
    fresh: 4,
    same: 0,
    differing: 1,
    refused: [],
    refusedCount: 0,
    faults: [],
    faultCount: 0,
    written: 0,
  };
  const server = new FakeServer([detail([])]);
  server.instead.set('importWeather', ({ query }) => ({
    ...report,
    written: query.get('take') === 'good' ? 5 : 0,
  }));
  at.path = '/book/import-weather';
  show(<ImportWeather />, server);
  const input = await findField('File of weather');
  fireEvent.change(input, { target: { files: [new File(['x'], 'station.csv')] } });
  await findButton('Take 4 hours');
  expect(field<HTMLSelectElement>('Time of day, if it stands apart').value).toBe('Time');
  fireEvent.click(screen.getByRole('radio', { name: 'Replace; the old values are kept' }));
  await findButton('Take 5 hours');
  write('Time zone of times without an offset', 'Europe/Lisbon');
  press('Use this time zone');
  await waitFor(() => expect(server.asked.at(-1)?.query.get('zone')).toBe('Europe/Lisbon'));
  press('Take 5 hours');
  await screen.findByText('5 hours taken');
  const { query } = server.asked.findLast(({ name }) => name === 'importWeather') ?? {};
  expect(Object.fromEntries(query ?? [])).toMatchObject({
    take: 'good',
    differing: 'replace',
    kind: 'observed',
    format: 'csv',
  });
  expect(JSON.parse(query?.get('mapping') ?? '')).toEqual(report.mapping);
});

test('the log tells what was done in words, with who and when, the newest first', async () => {
  const server = new FakeServer(
    [detail([])],
    [
      cutOn('2026-05-20'),
      {
        ...did({ kind: 'bladeCleaned', at: NOW, blade: 'shears-1', agentId: 'alcohol-70', before: true }),
        id: CUT,
      },
    ],
  );
  at.path = '/book';
  show(<Log />, server);
  await screen.findByText(/Tree A · Cut on 3 o’clock, low/);
  expect(document.querySelector('main')?.textContent).toMatch(/clean already, as said.*Cut on/s);
});

describe('the log', () => {
  const looked = (n: number, treeId: string): Action => ({
    ...did({
      kind: 'treeSeen',
      at: `2026-11-${String(1 + (n % 20)).padStart(2, '0')}T09:00:00Z`,
      treeId,
      verdict: 'sound',
      seen: 'all round',
    }),
    id: `0193f000-0000-7000-8000-${String(n + 100).padStart(12, '0')}`,
  });
  const wholeLog = () => document.querySelector('main')?.textContent ?? '';

  test('of one tree shows that tree alone, and leads to it and back to all', async () => {
    const server = new FakeServer(
      [detail([]), detail([], { id: 'b', code: 'Tree B' })],
      [cutOn('2026-05-20'), looked(1, 'b')],
    );
    at.path = '/book';
    at.params = { tree: 'b' };
    show(<Log />, server);
    await screen.findByText(/^Tree B · /);
    at.params = {};
    expect(wholeLog()).toContain('What was recorded of Tree B');
    expect(wholeLog()).not.toContain('Tree A ·');
    fireEvent.click(screen.getByRole('button', { name: 'Look at Tree B' }));
    fireEvent.click(screen.getByRole('button', { name: 'All trees' }));
    expect(went).toEqual([
      ['navigate', '/round/b'],
      ['navigate', '/book'],
    ]);
  });

  test('a search reads on through older entries until it finds what is sought, and says how far it looked', async () => {
    const server = new FakeServer(
      [detail([])],
      [cutOn('2026-05-20'), ...Array.from({ length: 120 }, (_, n) => looked(n, 'a'))],
    );
    at.path = '/book';
    show(<Log />, server);
    await screen.findByRole('button', { name: 'Older entries' });
    expect(wholeLog()).not.toContain('Cut on');
    write('Search the log', 'CUT clock');
    await screen.findByText(/Tree A · Cut on 3 o’clock, low/);
    expect(await screen.findByText('1 of all 121 entries')).toBeTruthy();
    write('Search the log', 'no such word');
    expect(await screen.findByText('0 of all 121 entries')).toBeTruthy();
    write('Search the log', '');
    expect(screen.queryByText(/of all 121 entries/)).toBeNull();
  });
});
