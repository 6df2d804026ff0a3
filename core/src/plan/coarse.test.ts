// A tree mapped coarsely is planned much as the same tree mapped limb by limb. Its grain is the brief’s; the trees are invented.
import { withinOf } from './grain';
import { isWithin, twiceMapped, wholeOf } from './testing/coarse';
import { given, limb, planTree } from './testing/given';
import { inVisits } from './visit';

const planned = (input: Parameters<typeof planTree>[0]) => {
  const { prepared, plan } = planTree(input, 60);
  return { ...inVisits(prepared, plan).plan, room: prepared.limits.limits };
};

test('with counts a fifth wrong, what the full map comes to lies within what is told, nineteen times in twenty', () => {
  const trees = Array.from({ length: 20 }, (_, i) => {
    const { full, coarse } = twiceMapped(i + 1, (i % 5) * 10 - 20);
    return { full: planned(full), coarse: planned(coarse) };
  });
  const sums = trees.map(({ full, coarse }) => ({ full: wholeOf(full), coarse: wholeOf(coarse) }));
  for (const what of ['minutes', 'crown'] as const) {
    const told = sums.filter(({ full, coarse }) => isWithin(full[what], coarse[what], coarse.grain[what]));
    expect(told.length).toBeGreaterThanOrEqual(19);
    // A range that holds everything would say nothing: neither end is far from what some tree comes to
    const share = sums.map(({ full, coarse }) => {
      const [least, most] = withinOf(coarse[what], coarse.grain[what]) as [number, number];
      return (full[what] - least) / (most - least);
    });
    expect(Math.max(...share)).toBeGreaterThan(0.8);
    expect(Math.min(...share)).toBeLessThan(0.6);
  }
  for (const { full, coarse } of trees) {
    // One step for each handful, not for each shoot
    expect(coarse.steps.length).toBeLessThanOrEqual(10);
    expect(full.steps.length).toBeGreaterThan(coarse.steps.length);
    expect(full.steps.every(({ grain }) => grain.minutes[1] === 0 && grain.crown[1] === 0)).toBe(true);
    for (const { season, crown, grain } of coarse.seasons)
      expect(crown + grain.crown[1]).toBeLessThanOrEqual((coarse.room[season - 1] as number) + 1e-9);
  }
});

/** Ten uprights in two parts, six of which go, on a limb that stays. */
const parted = ({ tree = {}, ...more }: { tree?: object; plan?: object } = {}) => {
  const of = (which: 'steepest' | 'flattest', about: number, jointCm: number) =>
    limb(`u~${which}`, 'A', jointCm, 100, 12, {
      ...{ inclinationDeg: 82, ageYears: 3, kind: 'sprout', tipMm: 4 },
      bundle: { about, overCm: 10 * about, part: { which, of: 10, atCm: 100 } },
    });
  const limbs = [
    limb('T', null, 0, 120, 180),
    limb('A', 'T', 80, 260, 80),
    limb('B', 'T', 90, 260, 80, { bearingDeg: 180 }),
    of('steepest', 6, 80),
    of('flattest', 4, 130),
  ];
  return planned(given([], { ...more, tree: { limbs, form: 'open centre', ...tree } }));
};

test('from seven tenths of what was counted, up to seven fifths of all of the bundle, each cut by itself', () => {
  const { steps, seasons } = parted({ plan: { limit: 500 } });
  expect(steps.map(({ candidateId }) => candidateId)).toEqual(['u~steepest collar 0']);
  const [{ crown, grain }] = steps as [(typeof steps)[number]];
  expect(grain.crown[0]).toBeCloseTo(0.3 * crown, 9);
  // Alike, the four that may stay carry four sixths of it
  expect(grain.crown[1] / crown).toBeCloseTo((10 / 6) * 1.4 - 1, 1);
  // Six by shears at 0.15, each a few seconds to carry; by themselves 0.13 and 0.2 to look and 0.2 to the next, and a change of tools
  expect(grain.minutes[0]).toBeCloseTo(0.3 * (6 * 0.15), 1);
  expect(grain.minutes[1]).toBeGreaterThan(14 * 0.5 - 6 * 0.15);
  expect(grain.minutes[1]).toBeLessThan(14 * 0.6 + 0.6 - 6 * 0.15);
  expect(seasons[0]?.grain.minutes).toEqual(grain.minutes);
});

test('no more than the limit leaves room for', () => {
  const { seasons } = parted({ plan: { limit: 80 } });
  expect(seasons[0]?.grain.crown[1]).toBeCloseTo(80 - (seasons[0]?.crown ?? 0), 9);
});

test('an arborist’s minutes are nobody’s own, the crown that goes with them is', () => {
  const { steps, seasons } = parted({
    tree: { leanDeg: 20, hazards: ['lean'] },
    plan: { limit: 500, booked: [1] },
  });
  expect(steps.map(({ pass }) => pass)).toEqual(['hired']);
  expect(steps[0]?.grain.minutes[1]).toBeGreaterThan(0);
  expect(seasons[0]?.grain).toEqual({ minutes: [0, 0], crown: steps[0]?.grain.crown });
});

test.each([
  [12, [4, 20], [8, 32]],
  [12, [0, 0], null],
  [12, [0, 3], [12, 15]],
] as const)('%d within %j is %j', (figure, grain, range) => {
  expect(withinOf(figure, [...grain])).toEqual(range);
});
