// The rule of the run: unknown blade first cleaned, sound wood before infected, hand-over never planned round (common practice).

import { siteToday, treeView } from '../present/index';
import type { Action, ActionBody } from '../records/index';
import { detail, did, finding, listedPlansOf, listedTreesOf, site, today } from '../testing/index';
import { bladeFor, cleaningsAhead } from './bladeAtHand';
import { bringFor } from './bring';
import { runOf } from './run';
import { workOf } from './work';

let count = 0;
/** Each with an id of its own, in the order they are written. */
const done = (action: ActionBody, undone = false): Action => ({
  ...did(action, undone),
  id: `0193f000-0000-7000-8000-${String(++count).padStart(12, '0')}`,
});
const at = (time: string, day = '2026-11-24') => `${day}T${time}:00Z`;
const BLADE = 'saw-1';
const cleaned = (when: string, undone = false) =>
  done({ kind: 'bladeCleaned', at: when, blade: BLADE, agentId: 'alcohol-70' }, undone);
const started = done({ kind: 'runStarted', at: at('07:00'), treeIds: ['a'], bladeIds: [], checked: [] });
const stands = (station: string) => done({ kind: 'stationTaken', at: at('09:00'), treeId: 'a', station });
const cut = (findingId: string, more: Partial<Extract<ActionBody, { kind: 'cutMade' }>> = {}) =>
  done({
    kind: 'cutMade',
    at: at('09:10'),
    treeId: 'a',
    blade: BLADE,
    findingIds: [findingId],
    disorders: ['FB_CANK_A'],
    cut: {
      limbId: 'S',
      limbName: 'South limb',
      atCm: 0,
      kind: 'collar',
      diameterMm: 40,
      clearanceCm: 30,
      shortfallCm: 0,
      sentence: '',
      massKg: 2,
    },
    ...more,
  });

const canker = finding('1', 'S', 'FB_CANK_A');
const dead = finding('2', 'R', 'DEAD');
/** All cuts are made with the saw: both limbs are too thick for the lopper. */
const run = (actions: Action[], tree = detail([canker, dead]), on = today, inHand: string | null = null) => {
  const view = treeView(tree, on);
  return runOf({ work: workOf(listedTreesOf([view], on)), actions, today: on, inHand });
};
const sawOnly = siteToday(
  { ...site, plan: { ...site.plan, kit: site.plan.kit.filter(({ id }) => id === 'saw') } },
  null,
  '2026-11-24',
);
const withSaw = (actions: Action[], inHand: string | null = null) =>
  run(actions, detail([canker, dead]), sawOnly, inHand);

test('no card before a run is started; then suspect wood before infected, and a blade of unknown history is cleaned first', () => {
  expect(withSaw([]).card).toEqual({ is: 'before' });
  const { left, card } = withSaw([started]);
  expect(left.map(({ limbId }) => limbId)).toEqual(['R', 'S']);
  expect(card).toMatchObject({ is: 'clean', why: 'unknown history' });
});

test.each([
  ['cleaned this morning', [cleaned(at('08:00'))], 'go'],
  ['cleaned yesterday', [cleaned(at('16:00', '2026-11-23'))], 'clean'],
  ['cleaned, but that was taken back', [cleaned(at('08:00'), true)], 'clean'],
])('a blade %s', (_, latest, expected) => {
  expect(withSaw([started, ...latest]).card.is).toBe(expected);
});

test('one card a step: clean, go while it is wet, wait, clean, cut, read, clean again', () => {
  const actions: Action[] = [started];
  const step = (action: Action, tree = detail([canker, dead])) => {
    actions.push(action);
    return run(actions, tree, sawOnly).card;
  };
  const after = detail([canker]);
  const station = withSaw(actions).item?.station ?? '';
  const wet = {
    kind: 'bladeWetted',
    blade: BLADE,
    agentId: 'alcohol-70',
    method: 'wipe',
    seconds: 30,
  } as const;
  expect(step(done({ ...wet, at: at('08:50') })).is).toBe('go');
  expect(step(stands(station))).toEqual({ is: 'wet', until: '2026-11-24T08:50:30.000Z' });
  expect(step(cleaned(at('09:01'))).is).toBe('cut');
  expect(step(cut('2', { disorders: ['DEAD'] })).is).toBe('read');
  const read = done({
    kind: 'woodRead',
    at: at('09:12'),
    treeId: 'a',
    cutId: actions.at(-1)?.id ?? '',
    pith: 'green',
    diameterMm: null,
    furtherCm: null,
  });
  expect(step(read, after)).toMatchObject({ is: 'clean', why: 'disease ahead' });
  expect(step(done({ kind: 'runPaused', at: at('09:20') }), after)).toMatchObject({
    is: 'paused',
    by: 'Wall crew',
  });
  expect(step(done({ kind: 'runResumed', at: at('09:50') }), after).is).toBe('clean');
});

test('a blade that met disease, taken in hand for sound wood, is stopped with the shortest way out', () => {
  const two = siteToday(
    {
      ...sawOnly.site,
      plan: { ...sawOnly.site.plan, kit: sawOnly.site.plan.kit.map((item) => ({ ...item, count: 2 })) },
    },
    null,
    '2026-11-24',
  );
  const actions = [
    started,
    cleaned(at('08:00')),
    done({ kind: 'bladeCleaned', at: at('08:01'), blade: 'saw-2', agentId: 'alcohol-70' }),
    cut('9'),
  ];
  const reading = done({
    kind: 'woodRead',
    at: at('09:12'),
    treeId: 'a',
    cutId: actions.at(-1)?.id ?? '',
    pith: 'not read',
    diameterMm: null,
    furtherCm: null,
  });
  const tree = detail([dead]);
  // By itself the run takes the clean one
  expect(run([...actions, reading], tree, two).blade?.id).toBe('saw-2');
  const { card } = run([...actions, reading], tree, two, 'saw-1');
  expect(card).toMatchObject({
    is: 'stop',
    why: 'met disease',
    ways: [
      { bladeId: 'saw-2', how: 'take' },
      { bladeId: 'saw-1', how: 'clean' },
    ],
  });
});

test('after a big cut one steps back', () => {
  const big = cut('9', { disorders: ['MISPLACED'] });
  if (big.action.kind !== 'cutMade') throw new Error('No cut.');
  big.action.cut.diameterMm = 70;
  expect(withSaw([started, big]).card.is).toBe('stand back');
  const back = done({
    kind: 'stoodBack',
    at: at('09:15'),
    treeId: 'a',
    cutId: big.id,
    photoId: null,
    note: '',
  });
  expect(withSaw([started, big, back]).card.is).toBe('clean');
});

test('a cut that was not made is out of today’s run with its reason, and back tomorrow', () => {
  const latest = [
    done({ kind: 'cutNotMade', at: at('08:00'), treeId: 'a', findingIds: ['2'], reason: 'Weather' }),
  ];
  expect(run(latest).left.map(({ limbId }) => limbId)).toEqual(['S']);
  expect(run(latest).leftOut).toMatchObject([{ because: { code: 'not made', reason: 'Weather' } }]);
  const tomorrow = siteToday(site, null, '2026-11-25');
  expect(run(latest, detail([canker, dead]), tomorrow).left).toHaveLength(2);
});

test('on a tall tree what is low is run; what no ladder leads to is handed over, and the run ends with the rest', () => {
  const tall = detail([canker, dead], { heightCm: 760 });
  const high = tall.limbs.map((limb) =>
    limb.id === 'T' ? { ...limb, lengthCm: 600 } : limb.id === 'S' ? { ...limb, jointCm: 420 } : limb,
  );
  const { left, leftOut } = run([started], { ...tall, limbs: high });
  expect(left.map(({ findingIds }) => findingIds)).toEqual([['2']]);
  expect(leftOut.map(({ findingIds, because }) => [findingIds, because.code])).toEqual([
    [['1'], 'hand over'],
  ]);
  const leaning = run([started], detail([canker, dead], { hazards: ['lean'] }));
  expect([leaning.left, leaning.card.is]).toEqual([[], 'close']);
});

test('disease on the stem is said in the run: no cut answers it', () => {
  const stem = finding('3', 'T', 'FB_CANK_A', { fromCm: 5, toCm: 12 });
  expect(run([started], detail([dead, stem])).toDecide.map(({ id }) => id)).toEqual(['a']);
});

test('a cut answers the findings of the cuts that it swallows', () => {
  // 71 cm out on S and at its very base: the second takes the first
  const low = { ...finding('3', 'S', 'FB_CANK_D'), fromCm: 20, toCm: 30 };
  const { left } = run([], detail([canker, low]));
  expect(left).toHaveLength(1);
  expect(left[0]?.findingIds.toSorted()).toEqual(['1', '3']);
});

test('what is missing is said before anybody leaves; cleanings ahead follow the rule', () => {
  const shearOnly = siteToday(
    { ...site, plan: { ...site.plan, kit: site.plan.kit.filter(({ id }) => id === 'shear') } },
    null,
    '2026-11-24',
  );
  const short = run([], detail([canker, dead]), shearOnly);
  expect(bringFor(short, shearOnly).missing.map(({ gap }) => gap)).toContain('nothing takes it');
  const { left } = withSaw([]);
  // First of all, and before the canker
  expect(cleaningsAhead(left, sawOnly)).toBe(2);
  expect(bringFor(withSaw([]), sawOnly).missing).toEqual([]);
});

describe('the blade that is put into the hand', () => {
  const blades = ['saw-1', 'saw-2', 'saw-3'].map((id) => ({ id, name: id, tool: {} as never }));
  const take = (bladeId: string) => ({ bladeId, how: 'take' as const, seconds: 5 });
  const clean = (bladeId: string) => ({ bladeId, how: 'clean' as const, seconds: 60 });
  const logs = (wet?: string) =>
    new Map(blades.map(({ id }) => [id, { state: id === wet ? { is: 'wet' } : { is: 'unknown' } } as never]));
  const ways = [clean('saw-1'), take('saw-2'), clean('saw-3')];

  test.each([
    [
      'one that may cut goes before the first of the kit, which must be cleaned',
      ways,
      undefined,
      null,
      'saw-2',
    ],
    ['one that is chosen by hand stays, clean or not', ways, undefined, 'saw-1', 'saw-1'],
    ['where none may cut, one that is wet already', [clean('saw-1'), clean('saw-3')], 'saw-3', null, 'saw-3'],
    ['one that may cut goes before one that is wet', ways, 'saw-3', null, 'saw-2'],
    ['where none may cut and none is wet, the first', [clean('saw-2')], undefined, null, 'saw-1'],
    ['a hand that holds what is not of the kit holds none', ways, undefined, 'axe-9', 'saw-2'],
  ] as const)('%s', (_said, given, wet, inHand, expected) => {
    expect(bladeFor(blades, given, logs(wet), inHand)?.id).toBe(expected);
  });

  test('of an empty kit none', () => expect(bladeFor([], [], new Map(), null)).toBeNull());
});

describe('what the run tells of itself', () => {
  const marked = (limbId: string) =>
    done({ kind: 'limbMarked', at: at('06:00'), treeId: 'a', limbId, limbName: limbId, how: 'chalk' });

  test('cuts with what was measured on them, cleanings, marks, and the last thing it can take back', () => {
    const made = cut('2', { disorders: ['DEAD'] });
    const read = done({
      kind: 'woodRead',
      at: at('09:12'),
      treeId: 'a',
      cutId: made.id,
      pith: 'green',
      diameterMm: 38,
      furtherCm: null,
    });
    const other = cut('9', { at: at('09:20') });
    const cleared = done({ kind: 'debrisCleared', at: at('09:30'), class: 'infected', routes: [] } as never);
    const told = withSaw([
      started,
      cleaned(at('08:00')),
      cleaned(at('08:30')),
      marked('R'),
      made,
      read,
      other,
      cleared,
    ]);
    expect(told.madeCuts.map(({ id, measuredMm }) => [id, measuredMm])).toEqual([
      [made.id, 38],
      [other.id, null],
    ]);
    expect(told.cleanings).toBe(2);
    expect([...told.marks]).toEqual([['a R', 'chalk']]);
    expect(told.last?.id).toBe(other.id);
    expect(withSaw([started]).last).toBeNull();
    expect(withSaw([started]).madeCuts).toEqual([]);
  });

  test('without a run it tells of today, not of yesterday', () => {
    const today10 = cleaned(at('08:00'));
    expect(withSaw([cleaned(at('16:00', '2026-11-23')), today10])).toMatchObject({
      cleanings: 1,
      last: today10,
    });
  });

  test('a cut on record that does not say what it met is read by its findings, and an unheard-of one as unknown', () => {
    const unsaid = (id: string) => cut(id, { disorders: undefined });
    const of = (id: string) => withSaw([started, cleaned(at('08:00')), unsaid(id)]).logs.get(BLADE)?.lastCut;
    expect(of('1')?.disorders).toEqual(['FB_CANK_A']);
    expect(of('77')?.disorders).toEqual(['unknown']);
  });

  test('wood that is read already is not read twice; a reading of another cut, or from before, does not count', () => {
    const made = cut('9');
    const read = (cutId: string, when: string) =>
      done({
        kind: 'woodRead',
        at: at(when),
        treeId: 'a',
        cutId,
        pith: 'green',
        diameterMm: null,
        furtherCm: null,
      });
    expect(withSaw([started, made]).card.is).toBe('read');
    expect(withSaw([started, made, read('0193f000-0000-7000-8000-0000000000ff', '09:12')]).card.is).toBe(
      'read',
    );
    expect(withSaw([started, made, read(made.id, '09:12')]).card.is).not.toBe('read');
    const stoodBack = done({
      kind: 'stoodBack',
      at: at('09:12'),
      treeId: 'a',
      cutId: made.id,
      photoId: null,
      note: '',
    });
    expect(withSaw([started, made, stoodBack]).card.is).toBe('read');
  });

  test('a heavy limb is stood back from, however thin it is', () => {
    const heavy = (massKg: number | undefined) => {
      const made = cut('9', { disorders: ['MISPLACED'] });
      if (made.action.kind !== 'cutMade') throw new Error('No cut.');
      made.action.cut.massKg = massKg;
      made.action.cut.diameterMm = 30;
      return withSaw([started, made]).card.is;
    };
    expect(heavy(40)).toBe('stand back');
    expect(heavy(undefined)).not.toBe('stand back');
  });

  test('one stands where the cut is made from: another tree, or another side, is gone to first', () => {
    const { item } = withSaw([started]);
    const where = (treeId: string, station: string) =>
      withSaw([
        started,
        cleaned(at('08:00')),
        done({ kind: 'stationTaken', at: at('09:00'), treeId, station }),
      ]).card.is;
    expect(where('a', item?.station ?? '')).toBe('cut');
    expect(where('b', item?.station ?? '')).toBe('go');
    expect(where('a', 'ladder, nowhere')).toBe('go');
  });
});

describe('which cuts are in the run', () => {
  const both = (actions: Action[], order?: string[]) => {
    const views = ['a', 'b', 'c'].map((id, i) =>
      treeView(
        {
          ...detail([finding(id, 'S', ['FB_CANK_A', 'DEAD', 'FB_CANK_A'][i] as string, { treeId: id })], {
            id,
          }),
        },
        today,
      ),
    );
    return runOf({
      work: workOf(listedTreesOf(views, today)),
      actions,
      today,
      ...(order && { order }),
    });
  };
  const trees = ({ stops }: ReturnType<typeof both>) => stops.map(({ tree }) => tree.id);

  test('trees that no order names come by what their wood is, after those it names', () => {
    expect(trees(both([]))).toEqual(['b', 'a', 'c']);
    expect(trees(both([], ['c', 'b', 'a']))).toEqual(['c', 'b', 'a']);
    expect(trees(both([], ['c']))).toEqual(['c', 'b', 'a']);
    const begun = done({
      kind: 'runStarted',
      at: at('07:00'),
      treeIds: ['c', 'a'],
      bladeIds: [],
      checked: [],
    });
    const open = both([begun], ['b']);
    expect(trees(open)).toEqual(['c', 'a']);
    expect(open).toMatchObject({ notChosen: 1, left: { length: 2 }, waiting: { length: 3 } });
  });

  test('a cut is left out once all that it answers was not made', () => {
    // One cut takes both: only the first of them was reported
    const low = { ...finding('3', 'S', 'FB_CANK_D'), fromCm: 20, toCm: 30 };
    const notMade = (...findingIds: string[]) =>
      run(
        [done({ kind: 'cutNotMade', at: at('08:00'), treeId: 'a', findingIds, reason: 'Weather' })],
        detail([canker, low]),
      );
    expect(notMade('1').left).toHaveLength(1);
    expect(notMade('1', '3').leftOut).toHaveLength(1);
  });

  test('what the plan hands over stays out, whatever is said of the cut alone', () => {
    const view = treeView(detail([canker]), today);
    const work = workOf(listedTreesOf([view], today));
    const [item] = work.items;
    if (!item) throw new Error('Nothing to cut.');
    const given = (more: object) =>
      runOf({ work: { ...work, items: [{ ...item, ...more }] }, actions: [], today });
    expect(given({}).left).toHaveLength(1);
    expect(given({ handedOver: true }).leftOut).toMatchObject([{ because: { code: 'hand over' } }]);
    const heavy = { ...item.handling, handOver: true };
    expect(given({ handling: heavy }).leftOut).toHaveLength(1);
  });

  test('a plan from before a cut, or from before the map was drawn anew, names what is gone by now', () => {
    const before = treeView(detail([canker, dead]), today);
    const plans = listedPlansOf([before], today);
    const left = (tree: ReturnType<typeof detail>) =>
      workOf(listedTreesOf([treeView(tree, today)], today, plans)).items.map(({ limbId }) => limbId);
    expect(left(detail([canker, dead])).toSorted()).toEqual(['R', 'S']);
    expect(left(detail([dead]))).toEqual(['R']);
    const drawn = detail([canker, { ...dead, limbId: 'S' }]);
    expect(left({ ...drawn, limbs: drawn.limbs.filter(({ id }) => id !== 'R') })).toEqual(['S']);
    expect(workOf(listedTreesOf([before], today, new Map())).items).toEqual([]);
  });
});
