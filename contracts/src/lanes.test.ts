// A lane tells what holds for most trees of its kind; groups are made of what trees share.

import { type SiteFacts, treeGroups, treesOfGroups } from '@mortisect/core/present';
import { startingTimingSettings } from '@mortisect/core/timing';
import { countsAt, lanesOf, windowsAt } from './index';

const cell = (verdict: 'go' | 'possible' | 'wait', why: string | null = null) => ({
  day: '2026-11-24',
  half: 'morning',
  verdict,
  why,
  score: [5, 10, 20],
});

/** One dry morning of six hours, light throughout, from hour 96 on. */
const DAY = { day: '2026-11-24', fromHour: 96, toHour: 120 };
const clear = Array.from({ length: 24 }, (_, h) => (h < 12 ? [] : ['dark']));

const group = (key: string, verdict: 'go' | 'possible' | 'wait', fromHour: number) => ({
  key,
  species: 'apple',
  lane: 'pome',
  cells: [cell(verdict, verdict === 'go' ? null : 'risk')],
  windows: [{ fromHour, toHour: fromHour + 5, lightHours: 5, verdict: 'go', dryH: 60, score: [1, 2, 3] }],
});

function told(trees: Record<string, string>, groups: object[]) {
  return {
    treesOf: treesOfGroups(new Map(Object.entries(trees))),
    now: new Date(96 * 3_600_000).toISOString(),
    timing: {
      groups,
      deadCells: [cell('go')],
      deadWindows: [],
      days: [DAY],
      fromHour: DAY.fromHour,
      living: clear,
      least: clear,
      rainMm: clear.map(() => 0),
    },
  } as unknown as Parameters<typeof lanesOf>[0];
}

test('the verdict of most trees holds; of two that as many share, the worse', () => {
  const groups = [group('a', 'go', 100), group('b', 'wait', 200)];
  const lane = (trees: Record<string, string>) => lanesOf(told(trees, groups))[0];
  expect(lane({ t1: 'a', t2: 'a', t3: 'b' })?.cells[0]).toMatchObject({ verdict: 'go', why: null });
  expect(lane({ t1: 'a', t2: 'b' })?.cells[0]).toMatchObject({ verdict: 'wait', why: 'risk' });
  const most = lane({ t1: 'a', t2: 'b', t3: 'b' });
  // The windows of a lane are those of the half-days that it shows
  expect(most?.windows).toEqual([]);
  expect(lane({ t1: 'a', t2: 'a', t3: 'b' })?.windows).toMatchObject([
    { fromHour: 96, toHour: 108, verdict: 'go', dryH: 24 },
  ]);
  expect(most && countsAt(most, 0)).toEqual({ go: 1, possible: 0, wait: 2 });
});

test('a kind that does not stand here has no lane; dead wood always has one', () => {
  expect(lanesOf(told({ t: 'a' }, [group('a', 'go', 1)])).map((lane) => lane.id)).toEqual(['pome', 'dead']);
});

test('the open window, the next, and the next good one', () => {
  const window = (fromHour: number, verdict: 'go' | 'possible') => ({
    fromHour,
    toHour: fromHour + 10,
    verdict,
    dryH: 1,
  });
  const all = [window(30, 'go'), window(0, 'possible'), window(15, 'possible')];
  expect(windowsAt(all, 5)).toMatchObject({
    open: { fromHour: 0 },
    next: { fromHour: 15 },
    nextGood: { fromHour: 30 },
  });
  expect(windowsAt(all, 12).open).toBeNull();
});

describe('groups of trees', () => {
  const tree = (id: string, species: string, more: object = {}) =>
    ({ id, species, cultivar: null, status: 'keep', ...more }) as unknown as SiteFacts['trees'][number];
  const site = {
    timeZone: 'UTC',
    cultivars: [
      {
        species: 'apple',
        name: 'Bosun’s Late',
        habit: 'spur',
        susceptibility: 'low',
        note: '',
        bloomOffsetDays: 7,
      },
    ],
    blightHosts: [],
    absentHere: ['SIL'],
    timing: startingTimingSettings(),
  } as unknown as SiteFacts['site'];
  const facts = (more: Partial<SiteFacts>): SiteFacts => ({
    site,
    trees: [],
    findings: [],
    seen: [],
    ...more,
  });
  const NOW = '2026-04-20T10:00:00Z';

  test('trees that share everything share a group; a canker of its own, a late cultivar, another species part them', () => {
    const trees = [
      tree('a', 'apple'),
      tree('b', 'apple'),
      tree('sick', 'apple'),
      tree('late', 'apple', { cultivar: 'Bosun’s Late' }),
      tree('plum', 'european-plum'),
      tree('gone', 'apple', { status: 'removed' }),
    ];
    const { groups, keyOf } = treeGroups(
      facts({ trees, findings: [{ treeId: 'sick', disorder: 'NEO' }] }),
      NOW,
    );
    expect(keyOf.get('a')).toBe(keyOf.get('b'));
    expect(new Set(keyOf.values()).size).toBe(4);
    expect(keyOf.has('gone')).toBe(false);
    const loads = (id: string) => groups.find((group) => group.key === keyOf.get(id))?.loads;
    // On the tree 2, on the site 1, nothing known 0.3, absent here none
    expect(loads('sick')?.NEO).toBe(2);
    expect(loads('a')?.NEO).toBe(1);
    expect(loads('a')?.BOT).toBe(0.3);
    expect(loads('plum')?.SIL).toBeUndefined();
    expect(groups.find((group) => group.key === keyOf.get('late'))?.offsetDays).toBe(7);
  });

  test('hosts of blight nearby count as blight on the site', () => {
    const near = { ...site, blightHosts: [{ name: 'Hawthorn', where: '' }] } as SiteFacts['site'];
    const load = (own: SiteFacts['site']) =>
      treeGroups(facts({ site: own, trees: [tree('a', 'pear')] }), NOW).groups[0]?.loads.FB;
    expect([load(site), load(near)]).toEqual([0.3, 1]);
  });

  test('a word on a cultivar outweighs one on its species; what was seen last year says nothing', () => {
    const seen = (at: string, cultivar: string | null, share: number) =>
      ({ kind: 'stageSeen', at, species: 'apple', cultivar, stage: 'x', share }) as SiteFacts['seen'][number];
    const trees = [tree('a', 'apple'), tree('late', 'apple', { cultivar: 'Bosun’s Late' })];
    const { groups, keyOf } = treeGroups(
      facts({
        trees,
        seen: [
          seen('2025-04-01T10:00:00Z', null, 1),
          seen('2026-04-18T10:00:00Z', null, 0.7),
          seen('2026-04-19T10:00:00Z', 'Bosun’s Late', 0.4),
        ],
      }),
      NOW,
    );
    const of = (id: string) => groups.find((group) => group.key === keyOf.get(id))?.seen;
    expect(of('a')).toEqual([{ day: '2026-04-18', share: 0.7 }]);
    expect(of('late')).toEqual([{ day: '2026-04-19', share: 0.4 }]);
  });
});
