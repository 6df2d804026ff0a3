// Adding a disorder is adding a row: what asks for its traits does as they say, without a line of its own.
jest.mock('../disorders/handlingTable', () => {
  const { handlingTable } = jest.requireActual('../disorders/handlingTable');
  const { madeUp } = jest.requireActual('../testing/newDisorder');
  return { handlingTable: [...handlingTable, madeUp] };
});

import { debrisOf, startingDebris } from '../aftercare/index';
import { woodClass } from '../blades/index';
import { treeCuts } from '../cuts/index';
import { causeGroups } from '../diagnosis/index';
import { DisorderCode, disorders, isCutFor } from '../disorders/index';
import { planning } from '../plan/index';
import { defaultSchools, Finding, Site, type TreeDetail, TreeSummary } from '../records/index';
import { pathogenOf } from '../timing/index';
import { planInputOf } from './index';

const AT = '2026-11-20T10:00:00.000Z';
const stamp = { revision: 1, by: 'x', receivedAt: AT };
const limb = (id: string, parentId: string | null, baseMm: number) => ({
  id,
  parentId,
  jointCm: parentId === null ? 0 : 60,
  lengthCm: 180,
  baseMm,
  tipMm: 8,
  ageYears: 9,
  kind: parentId === null ? ('trunk' as const) : ('scaffold' as const),
  bearingDeg: 0,
  inclinationDeg: parentId === null ? 90 : 30,
});
const id = '0193f000-0000-7000-8000-000000000001';
const site = Site.parse({
  name: 'Test orchard',
  latitude: 54,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
});
const finding = Finding.parse({
  id,
  state: 'open',
  treeId: 'a',
  limbId: 'S',
  limbName: 'S',
  fromCm: 90,
  toCm: 100,
  disorder: 'ZZZ',
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: AT,
  withdrawn: false,
  ...stamp,
});
const tree: TreeDetail = {
  tree: TreeSummary.parse({
    id: 'a',
    plotId: 'p',
    rowId: 'r',
    code: 'A 1',
    plot: 'P',
    row: 'R',
    place: 1,
    species: 'apple',
    form: 'open centre',
    heightCm: 300,
    spreadCm: 300,
    openFindings: 1,
    lastSeenAt: null,
    ...stamp,
  }),
  limbs: [limb('T', null, 120), limb('S', 'T', 60), limb('R', 'T', 50)],
  limbsRevision: 1,
  surveyedAt: '2026-01-01T00:00:00.000Z',
  findings: [finding],
  actions: [],
  jobs: [],
};

test('it is taken at the border, has a school of its own and is grouped by its treatment', () => {
  expect(disorders.at(-1)?.code).toBe('ZZZ');
  expect([DisorderCode.safeParse('ZZZ').success, DisorderCode.safeParse('ZZY').success]).toEqual([
    true,
    false,
  ]);
  expect(isCutFor('ZZZ', 'dormant')).toBe(true);
  expect(site.schools.clearance.ZZZ).toBeDefined();
  expect(causeGroups.find((group) => group.id === 'canker')?.members).toContain('ZZZ');
});

test('it is cut by its distance, in dry summer, as an active disease', () => {
  const input = planInputOf(tree, site, '2026-11-24');
  expect(input.tree.stressed).toBe(true);
  const [cut] = treeCuts(input.tree, input.findings, input.schools, 'dormant', 2026).cuts;
  expect(cut?.because.map(({ clearanceCm }) => clearanceCm)).toEqual([7]);
  const { prepared } = planning(input);
  const own = prepared.all.filter(({ candidate }) => candidate.answers.some((one) => one.findingId === id));
  expect(own.length).toBeGreaterThan(0);
  for (const { candidate } of own) expect(candidate.passes).toEqual(['summer']);
});

test('blades, chips and wounds know it', () => {
  expect(woodClass(['ZZZ'])).toBe('infected');
  const burned = debrisOf(['ZZZ'], 10, startingDebris());
  expect(burned.allowed).not.toContain('chip');
  expect(burned.because.join(' ')).toContain('Made-up canker goes on shedding');
  expect(pathogenOf('NEO').disorders).toEqual(['NEO', 'ZZZ']);
});
