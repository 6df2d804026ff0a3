// The rule of the run: unknown blade first cleaned, sound wood before infected, hand-over never planned round (common practice).
import type { Action, ActionBody, Finding, Site, TreeDetail } from '@mortisect/contracts';
import { defaultSchoolOf } from '@mortisect/core/disorders';
import type { Limb } from '@mortisect/core/tree';
import { siteToday, treeView } from '../../data/orchardView';
import { BLADE, runOf } from './run';

const site: Site = {
  name: 'Test',
  latitude: 54,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: {
    clearance: { ...defaultSchoolOf },
    halveDefiniteDormant: false,
    inSeasonStub: false,
    finish: 'tight',
    cleaning: 'every',
  },
  agentId: 'alcohol-70',
};
const today = siteToday(site, null, '2026-11-24');
const limb = (id: string, parentId: string | null, jointCm: number, bearingDeg: number): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm: 180,
  baseMm: parentId === null ? 90 : 40,
  tipMm: 8,
  ageYears: 9,
  kind: parentId === null ? 'trunk' : 'scaffold',
  bearingDeg,
  inclinationDeg: parentId === null ? 90 : 30,
  budsComplete: true,
});
const finding = (id: string, limbId: string, disorder: string): Finding => ({
  id,
  treeId: 'a',
  limbId,
  limbName: limbId,
  fromCm: 100,
  toCm: 120,
  disorder,
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: '2026-11-20T09:00:00Z',
  withdrawn: false,
  state: 'open',
  revision: 1,
  by: 'x',
  receivedAt: '2026-11-20T09:00:00Z',
});
const detail = (findings: Finding[], heightCm = 250): TreeDetail => ({
  tree: {
    id: 'a',
    code: 'A',
    nickname: null,
    plotId: 'p',
    rowId: 'r',
    place: 1,
    species: 'Apple',
    cultivar: null,
    rootstock: null,
    plantedYear: 2000,
    form: 'open centre',
    heightCm,
    spreadCm: 300,
    susceptible: false,
    note: '',
    hazards: [],
    latitude: null,
    longitude: null,
    openFindings: findings.length,
  },
  limbs: [limb('T', null, 0, 0), limb('S', 'T', 60, 90), limb('R', 'T', 80, 270)],
  findings,
  actions: [],
});
const did = (action: ActionBody, undone = false): Action => ({
  id: 'x',
  action,
  undone,
  by: 'x',
  receivedAt: action.at,
});
const cleaned = (at: string) => did({ kind: 'bladeCleaned', at, blade: BLADE, agentId: 'alcohol-70' });
const canker = finding('1', 'S', 'FB_CANK_A');
const dead = finding('2', 'R', 'DEAD');
const run = (latest: Action[], tree = detail([canker, dead])) =>
  runOf([treeView(tree, today)], latest, today);

test('sound wood comes before infected, and a blade of unknown history is cleaned first', () => {
  const { left, step } = run([]);
  expect(left.map((item) => item.cut.limbId)).toEqual(['R', 'S']);
  expect(step).toMatchObject({ do: 'clean', why: 'unknown history' });
});

test.each([
  ['cleaned this morning', [cleaned('2026-11-24T08:00:00Z')], 'cut'],
  ['cleaned yesterday', [cleaned('2026-11-23T16:00:00Z')], 'clean'],
  ['cleaned, but that was taken back', [{ ...cleaned('2026-11-24T08:00:00Z'), undone: true }], 'clean'],
])('a blade %s', (_, latest, expected) => {
  expect(run(latest).step.do).toBe(expected);
});

test('a cut that was not made is out of today’s run with its reason, and back tomorrow', () => {
  const latest = [
    did({
      kind: 'cutNotMade',
      at: '2026-11-24T08:00:00Z',
      treeId: 'a',
      findingIds: ['2'],
      reason: 'Weather',
    }),
  ];
  expect(run(latest).left.map((item) => item.cut.limbId)).toEqual(['S']);
  expect(run(latest).leftOut).toMatchObject([{ why: 'Not made today: Weather' }]);
  const tomorrow = siteToday(site, null, '2026-11-25');
  expect(runOf([treeView(detail([canker, dead]), tomorrow)], latest, tomorrow).left).toHaveLength(2);
});

test('a tree over 6 m is handed over, not run', () => {
  const { left, leftOut, step } = run([], detail([canker, dead], 640));
  expect(left).toEqual([]);
  expect(leftOut.map((item) => item.why.startsWith('For a licensed arborist.'))).toEqual([true, true]);
  expect(step.do).toBe('done');
});

test('a cut answers the findings of the cuts that it swallows', () => {
  // 71 cm out on S and at its very base: the second takes the first
  const low = { ...finding('3', 'S', 'FB_CANK_D'), fromCm: 20, toCm: 30 };
  const { left } = run([], detail([canker, low]));
  expect(left).toHaveLength(1);
  expect(left[0]?.findingIds.toSorted()).toEqual(['1', '3']);
});
