// A tree on record, in tests: a stem and two scaffolds, with what was found and done on it.
import {
  type Action,
  type ActionBody,
  defaultSchools,
  Finding,
  Site,
  type TreeDetail,
  TreeSummary,
} from '../../records/index';

export const AT = '2026-11-20T10:00:00.000Z';
export const id = (n: number) => `0193f000-0000-7000-8000-0000000000${String(n).padStart(2, '0')}`;
const STAMP = { revision: 1, by: 'x', receivedAt: AT };

export const givenSite = (): Site =>
  Site.parse({
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

const limb = (name: string, parentId: string | null, baseMm: number) => ({
  id: name,
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

export function detail(actions: ActionBody[], findings: object[] = [{}], tree: object = {}): TreeDetail {
  return {
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
      ...STAMP,
      ...tree,
    }),
    limbs: [limb('T', null, 120), limb('S', 'T', 60), limb('R', 'T', 50)],
    limbsRevision: 1,
    surveyedAt: '2026-01-01T00:00:00.000Z',
    findings: findings.map((more, i) =>
      Finding.parse({
        id: id(i),
        state: 'open',
        treeId: 'a',
        limbId: 'S',
        limbName: 'S',
        fromCm: 90,
        toCm: 100,
        disorder: 'NEO',
        edge: 'definite',
        growthRapid: false,
        note: '',
        seenAt: AT,
        withdrawn: false,
        ...STAMP,
        ...more,
      }),
    ),
    actions: actions.map(
      (action, i): Action => ({ id: id(50 + i), action, undone: false, by: 'x', receivedAt: AT }),
    ),
    jobs: [],
  };
}
