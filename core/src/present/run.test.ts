// The run, its blades and the way back, read from what was done in whatever order it arrives.
import fc from 'fast-check';
import type { Action, ActionBody } from '../records/index';
import {
  bladeLogs,
  bladesOf,
  cutsOnRecord,
  lookedAgain,
  marksStanding,
  mixes,
  openRun,
  rechecksDue,
} from './index';

let count = 0;
const act = (at: string, action: object, more: Partial<Action> = {}): Action => ({
  id: `0193f000-0000-7000-8000-${String(++count).padStart(12, '0')}`,
  action: { at: `${at}:00Z`, ...action } as ActionBody,
  undone: false,
  by: 'Wall crew',
  receivedAt: '2026-11-24T12:00:00Z',
  ...more,
});
const made = {
  limbId: 'S',
  limbName: 'S',
  atCm: 40,
  kind: 'reduction',
  diameterMm: 30,
  clearanceCm: 30,
  shortfallCm: 0,
  sentence: '',
};
const cut = (at: string, more: object = {}) =>
  act(at, {
    kind: 'cutMade',
    treeId: 'a',
    blade: 'saw-1',
    findingIds: [],
    disorders: ['FB_SHOOT'],
    cut: made,
    ...more,
  });
const day = '2026-11-24';
const start = act(`${day}T09:00`, {
  kind: 'runStarted',
  treeIds: ['b', 'a'],
  bladeIds: ['saw-1'],
  checked: [],
});
const wet = act(`${day}T09:05`, {
  kind: 'bladeWetted',
  blade: 'saw-1',
  agentId: 'alcohol-70',
  method: 'wipe',
  seconds: 30,
});
const clean = act(`${day}T09:06`, { kind: 'bladeCleaned', blade: 'saw-1', agentId: 'alcohol-70' });
const first = cut(`${day}T09:10`);
const paused = act(`${day}T09:20`, { kind: 'runPaused' });

test('it stands where it was left, in whatever order the records come, and every step leads to one state', () => {
  const kit = bladesOf([{ id: 'saw', name: 'Saw', kind: 'hand saw', takesMm: 100, lengthCm: 35, count: 2 }]);
  expect(kit.map(({ name }) => name)).toEqual(['Saw 1', 'Saw 2']);
  fc.assert(
    fc.property(fc.shuffledSubarray([start, wet, clean, first, paused], { minLength: 5 }), (actions) => {
      expect(openRun(actions)).toMatchObject({ treeIds: ['b', 'a'], paused: { by: 'Wall crew' } });
      const log = bladeLogs(kit, actions, `${day}T00:00:00Z`).get('saw-1');
      expect(log?.log.map(({ state }) => state.is)).toEqual(['wet', 'clean', 'used']);
      expect(log?.state).toMatchObject({ is: 'used', disorders: ['FB_SHOOT'], treeIds: ['a'] });
    }),
  );
  expect(openRun([start, act(`${day}T10:00`, { kind: 'runClosed', bladeIds: [], checked: [] })])).toBeNull();
  // Two phones that both begin share one run
  expect(openRun([act(`${day}T09:01`, { ...start.action, at: undefined }), start])?.id).toBe(start.id);
});

test('yesterday’s blade is of unknown history, but what it did is still told', () => {
  const log = bladeLogs([{ id: 'saw-1' }], [clean, first], '2026-11-25T00:00:00Z').get('saw-1');
  expect(log).toMatchObject({ state: { is: 'unknown' }, log: [], cutsSinceSharpened: 1 });
  expect(log?.lastCut).toMatchObject({ treeId: 'a', disorders: ['FB_SHOOT'] });
  const undone = bladeLogs([{ id: 'saw-1' }], [clean, { ...first, undone: true }], `${day}T00:00:00Z`).get(
    'saw-1',
  );
  expect(undone?.state).toEqual({ is: 'clean' });
});

test('a mark from the ground is ticked off by the cut of its limb; a mix is spent after its hours', () => {
  const mark = act(`${day}T08:00`, {
    kind: 'limbMarked',
    treeId: 'a',
    limbId: 'S',
    limbName: 'S',
    how: 'tape',
  });
  expect(marksStanding([mark])).toHaveLength(1);
  expect(marksStanding([mark, first])).toEqual([]);
  const mix = act(`${day}T08:00`, {
    kind: 'mixMade',
    agentId: 'hypochlorite-10',
    litres: 1,
    strength: 5250,
    keeping: 'sappy',
    usableHours: 2,
  });
  expect(mixes([mix], `${day}T09:59:00Z`)[0]?.spent).toBe(false);
  expect(mixes([mix], `${day}T10:00:00Z`)[0]).toMatchObject({ spent: true, useBy: `${day}T10:00:00.000Z` });
});

const site = {
  latitude: 54,
  timeZone: 'Europe/London',
  rechecks: { meanC: 18, monthDays: 30, overdueDays: 21 },
};

test('a summer cut is due after eleven days and a month; what is done is not asked for again', () => {
  const summer = cut('2026-06-20T10:00');
  const seen = (at: string, recheck: string, outcome: string) =>
    act(at, {
      kind: 'recheckDone',
      treeId: 'a',
      cutId: summer.id,
      recheck,
      outcome,
      distanceCm: null,
      shoots: null,
      note: '',
    });
  const due = (today: string, ...more: Action[]) =>
    rechecksDue(cutsOnRecord([summer, ...more], site, today)).map(({ kind }) => kind);
  expect(due('2026-06-30')).toEqual([]);
  expect(due('2026-07-02')).toEqual(['strikes']);
  const strikes = seen('2026-07-02T10:00', 'strikes', 'came back');
  expect(due('2026-07-22', strikes)).toEqual(['month']);
  expect(due('2026-07-22')).toEqual(['strikes', 'month']);
  expect(due('2026-07-22', { ...strikes, undone: true })).toEqual(['strikes', 'month']);
  const looked = lookedAgain(cutsOnRecord([summer, strikes], site, '2026-08-01'), site.latitude);
  expect(looked).toEqual([{ disorder: 'FB_SHOOT', clearanceCm: 30, season: 'growing', cameBack: true }]);
});

test('a cut with a blade that was not clean is looked at again, whatever it was for', () => {
  const sound = cut('2026-06-20T10:00', { disorders: ['MISPLACED'] });
  const dirty = cut('2026-06-20T10:00', { disorders: ['MISPLACED'], dirtyBlade: true });
  const kinds = (action: Action) => cutsOnRecord([action], site, day)[0]?.rechecks.map(({ kind }) => kind);
  expect(kinds(sound)).not.toContain('strikes');
  expect(kinds(dirty)).toContain('strikes');
});
