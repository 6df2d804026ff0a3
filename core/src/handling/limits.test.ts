// What the kit lacks, how long a cut takes, what hangs on a limb, and what is refused. Capacities and times: common practice, no source.

import type { Limb } from '../tree/index';
import {
  CutAtHand,
  cutMinutes,
  fall,
  kitGap,
  LimbMassInput,
  limbMass,
  loadIn,
  pieces,
  reachCm,
  startingKit,
  Tool,
} from './index';
import type { Load } from './limbMass';
import { bladeSeconds } from './tools';
import { wayTo } from './way';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  id,
  parentId,
  jointCm: parentId === null ? 0 : 100,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 60,
  ageYears: 9,
  kind: parentId === null ? 'trunk' : 'scaffold',
  bearingDeg: 120,
  inclinationDeg: 40,
  ...more,
});

describe('what the kit lacks', () => {
  const cut = { kerfMm: 30, heightCm: 120, dead: false };
  test.each<[string, Partial<typeof cut>, boolean, ReturnType<typeof kitGap>]>([
    ['a lopper does it', {}, false, null],
    ['high wood from a ladder that is there', { kerfMm: 52, heightCm: 330 }, true, null],
    ['high wood, no ladder', { kerfMm: 52, heightCm: 330 }, false, 'ladder needed'],
    ['too high for the saw', { kerfMm: 52, heightCm: 460 }, true, 'nothing reaches it'],
    ['dead, as thick as it takes', { kerfMm: 125.9, dead: true }, false, null],
    // Dead and hard: a blade takes 0.7 of what it takes green
    ['dead, thicker', { kerfMm: 126.1, dead: true }, false, 'nothing takes it'],
  ])('%s', (_, more, hasLadder, gap) => {
    const { heightCm, ...rest } = { ...cut, ...more };
    const wood = {
      kerfs: [{ kerfMm: rest.kerfMm, heightCm }],
      dead: rest.dead,
      limbKg: 6,
      limbCm: 90,
      noLadder: null,
    };
    const { wielded } = wayTo(startingKit, wood);
    expect(kitGap(startingKit, { ...rest, wielded }, hasLadder)).toBe(gap);
  });

  test('a chainsaw is never chosen, and fills no gap', () => {
    const chainsaw = { id: 'cs', name: 'Chainsaw', kind: 'chainsaw' as const, takesMm: 400, lengthCm: 60 };
    const wood = { kerfs: [cut], dead: false, limbKg: 6, limbCm: 90, noLadder: null };
    expect(wayTo([chainsaw], wood)).toEqual({ wielded: null, against: [] });
    expect(kitGap([chainsaw], { ...cut, wielded: null }, true)).toBe('nothing takes it');
  });

  test('a saw reaches from the hand of somebody who stands on the ground', () => {
    expect(reachCm(startingKit.find((tool) => tool.id === 'saw') as Tool)).toBe(205);
    // 12–14 ft: pole pruners, common practice
    expect(reachCm({ lengthCm: 240 })).toBeGreaterThan(360);
    expect(reachCm({ lengthCm: 240 })).toBeLessThan(430);
    expect(reachCm({ lengthCm: 240 }, 125)).toBe(reachCm({ lengthCm: 240 }) - 15);
  });
});

describe('how long a cut takes', () => {
  // 10 cm of green wood with a hand saw at 1.3 cm² a second
  const green = (Math.PI * 25) / 1.3;
  test.each([
    ['hand saw', false, green],
    ['bow saw', false, green / 1.5],
    ['pole saw', false, green / 0.5],
    ['hand saw', true, green / 0.6],
    ['bow saw', true, green / 1.5 / 0.6],
    ['hand shear', false, 5],
    ['lopper', true, 8],
    ['pole shear', false, 20],
  ] as const)('%s through 10 cm (dead: %s)', (kind, dead, seconds) => {
    expect(bladeSeconds(kind, 100, dead)).toBeCloseTo(seconds, 6);
  });

  const saw = { id: 'saw', name: 'Pruning SAW', kind: 'hand saw' as const, takesMm: 100, lengthCm: 35 };
  test('its shares add up', () => {
    const { minutes, because } = cutMinutes({
      wielded: { tool: saw, station: 'ladder' },
      kerfMm: 100,
      dead: false,
      pieces: 3,
      kg: 20,
      cleanSeconds: 50,
    });
    const said = Object.fromEntries(because.map(({ what, minutes: own }) => [what, own * 60]));
    expect(said).toEqual({
      blade: expect.closeTo(green * 1.5, 6),
      place: 12,
      pieces: 60,
      carrying: 40,
      ladder: 90,
      cleaning: 50,
    });
    expect(minutes * 60).toBeCloseTo(green * 1.5 + 252, 6);
  });

  test('what takes no time is not said; without a tool it is guessed', () => {
    const given = {
      wielded: { tool: saw, station: 'ground' as const },
      kerfMm: 100,
      dead: false,
      pieces: 1,
      kg: 0,
      cleanSeconds: 0,
    };
    expect(cutMinutes(given).because.map(({ what }) => what)).toEqual(['blade', 'place']);
    expect(cutMinutes({ ...given, wielded: null }).because[0]).toEqual({
      what: 'no tool',
      minutes: 5,
    });
  });
});

describe('what hangs on a limb', () => {
  const tree = [limb('T', null), limb('A', 'T', { lengthCm: 60, baseMm: 50, tipMm: 50 })];
  const kg = (load: Load) => limbMass(tree, 'apple', { limbId: 'A', atCm: 0 }, load).kg;
  test('a quarter more in leaf, as much again with fruit; summer hangs full', () => {
    expect(kg('in leaf') / kg('bare')).toBeCloseTo(1.25, 9);
    expect(kg('in leaf and fruit') / kg('bare')).toBeCloseTo(1.5, 9);
    expect((['dormant', 'bloom', 'summer', 'autumn'] as const).map(loadIn)).toEqual([
      'bare',
      'in leaf',
      'in leaf and fruit',
      loadIn('autumn'),
    ]);
  });

  test('its own wood beyond the kerf and all that stands on that, no more', () => {
    const sided = [...tree, limb('B', 'A', { jointCm: 30, lengthCm: 40, baseMm: 20, tipMm: 20 })];
    const at = (atCm: number) => limbMass(sided, 'apple', { limbId: 'A', atCm }, 'bare').woodM3 * 1e6;
    const own = (cm: number) => Math.PI * 2.5 ** 2 * cm;
    const side = Math.PI * 40;
    expect(at(0)).toBeCloseTo(own(60) + side, 3);
    expect(at(29.9)).toBeCloseTo(own(30.1) + side, 3);
    expect(at(30)).toBeCloseTo(own(30), 3);
    expect(at(999)).toBeCloseTo(0, 6);
    expect(limbMass(sided, 'apple', { limbId: 'none', atCm: 0 }, 'bare')).toMatchObject({
      kg: 0,
      rangeKg: [0, 0],
      fromBaseAlone: false,
    });
  });

  test('whether branches of its base weigh more is told', () => {
    const long = (tipMm: number) => [limb('T', null), limb('A', 'T', { lengthCm: 300, baseMm: 100, tipMm })];
    const said = (tipMm: number) =>
      limbMass(long(tipMm), 'apple', { limbId: 'A', atCm: 0 }, 'bare').fromBaseAlone;
    // 300 cm of 10 cm thickness weigh 26 kg, such branches 48 kg (Jenkins et al. 2003 × 1.9)
    expect(said(99)).toBe(true);
    expect(
      limbMass(
        [limb('T', null), limb('A', 'T', { lengthCm: 800, baseMm: 100, tipMm: 100 })],
        'apple',
        { limbId: 'A', atCm: 0 },
        'bare',
      ).fromBaseAlone,
    ).toBe(false);
  });

  test('a heavy side branch is a piece of its own, one at the kerf stays on the tree', () => {
    const heavy = [
      limb('T', null),
      limb('A', 'T', { baseMm: 90, tipMm: 90 }),
      limb('B', 'A', { jointCm: 80, lengthCm: 150, baseMm: 80, tipMm: 80 }),
    ];
    const ids = (atCm: number) => [
      ...new Set(pieces(heavy, 'apple', { limbId: 'A', atCm }, 'bare', 15).map(({ limbId }) => limbId)),
    ];
    expect(ids(20)).toEqual(['B', 'A']);
    expect(ids(80)).toEqual(['A']);
    expect(pieces(heavy, 'apple', { limbId: 'none', atCm: 0 }, 'bare', 15)).toEqual([]);
  });

  test('it falls the way it points, from the kerf outward', () => {
    expect(fall(limb('A', 'T', { lengthCm: 400 }), 100, 50)).toEqual({ bearingDeg: 120, clearZoneCm: 450 });
    expect(fall(limb('A', 'T', { lengthCm: 400 }), 300, 280)).toEqual({ bearingDeg: 120, clearZoneCm: 420 });
  });
});

describe('what is refused', () => {
  const mass = { limbs: [limb('T', null), limb('A', 'T')], species: 'apple', limbId: 'A', atCm: 0 };
  test.each<[string, object, boolean]>([
    ['as it is', {}, true],
    ['at its very end', { atCm: 200 }, true],
    ['beyond its end', { atCm: 200.1 }, false],
    ['before its base', { atCm: -0.1 }, false],
    ['on another tree', { limbId: 'Z' }, false],
    ['a lift of 1 kg', { liftKg: 1 }, true],
    ['a lift under 1 kg', { liftKg: 0.9 }, false],
    ['a lift of 60 kg', { liftKg: 60 }, true],
    ['a lift over 60 kg', { liftKg: 60.1 }, false],
  ])('the weight of a limb: %s', (_, more, taken) => {
    expect(LimbMassInput.safeParse({ ...mass, ...more }).success).toBe(taken);
  });

  const atHand = { hazards: [], kerfHeightCm: 100, kerfMm: 20 };
  test.each<[string, object, boolean]>([
    ['as it is', {}, true],
    ['no length, no thickness', { limbCm: 0, kerfMm: 0 }, true],
    ['a length below none', { limbCm: -1 }, false],
    ['200 m long', { limbCm: 20_000 }, true],
    ['longer', { limbCm: 20_001 }, false],
    ['in 401 pieces', { farther: Array(400).fill({ heightCm: 0, kerfMm: 0 }) }, true],
    ['in more', { farther: Array(401).fill({ heightCm: 0, kerfMm: 0 }) }, false],
    ['a kit of 40 tools', { kit: Array(40).fill(startingKit[0]) }, true],
    ['a larger one', { kit: Array(41).fill(startingKit[0]) }, false],
    ['a kerf 10 m under the ground level of the stem', { kerfHeightCm: -1000 }, true],
    ['a kerf deeper', { kerfHeightCm: -1001 }, false],
    ['a kerf at 200 m', { kerfHeightCm: 20_000 }, true],
    ['a kerf higher', { kerfHeightCm: 20_001 }, false],
    ['2.5 m thick', { kerfMm: 2500 }, true],
    ['thicker', { kerfMm: 2501 }, false],
    ['thinner than nothing', { kerfMm: -1 }, false],
    ['a lift of 60 kg', { liftKg: 60 }, true],
    ['a lift over 60 kg', { liftKg: 61 }, false],
    ['a lift under 1 kg', { liftKg: 0.5 }, false],
    ['a danger nobody knows', { hazards: ['dragon'] }, false],
    ['something more', { colour: 'red' }, false],
  ])('a cut at hand: %s', (_, more, taken) => {
    expect(CutAtHand.safeParse({ ...atHand, ...more }).success).toBe(taken);
  });

  test.each<[string, object, boolean]>([
    ['as it is', {}, true],
    ['5 cm long', { lengthCm: 5 }, true],
    ['shorter', { lengthCm: 4.9 }, false],
    ['8 m long', { lengthCm: 800 }, true],
    ['longer', { lengthCm: 801 }, false],
    ['takes 600 mm', { takesMm: 600 }, true],
    ['takes more', { takesMm: 601 }, false],
    ['takes nothing', { takesMm: 0.5 }, false],
    ['twenty of them', { count: 20 }, true],
    ['more', { count: 21 }, false],
    ['none of them', { count: 0 }, false],
    ['without a name', { name: ' ' }, false],
  ])('a tool: %s', (_, more, taken) => {
    expect(Tool.safeParse({ ...startingKit[0], ...more }).success).toBe(taken);
  });
});
