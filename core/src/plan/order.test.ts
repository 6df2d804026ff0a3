import fc from 'fast-check';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { manyRuns } from '../testing/index';
import { OrderInput, orderOf } from './order';

const cut = fc.record({
  station: fc.constantFrom('ground, north', 'ground, south', 'ladder, east'),
  tool: fc.constantFrom('shear', 'saw'),
  infected: fc.boolean(),
  minutes: fc.integer({ min: 1, max: 40 }).map((n) => n / 10),
  later: fc.array(fc.nat(30), { maxLength: 1 }),
});

function visit(
  raw: { station: string; tool: string; infected: boolean; minutes: number; later: number[] }[],
  everyCut: boolean,
) {
  return OrderInput.parse({
    cuts: raw.map(({ later, ...cut }, i) => ({
      ...cut,
      id: `c${i}`,
      ladder: cut.station.startsWith('ladder'),
      // Only on to later ones in the list: no ring
      before: later
        .map((n) => i + 1 + n)
        .filter((j) => j < raw.length)
        .map((j) => `c${j}`),
    })),
    cleanMinutes: 0.8,
    everyCut,
  });
}

/** Minutes of one order by the rule, written down again; null where something comes before what must come first. */
function minutesOf(input: OrderInput, order: number[]): number | null {
  const done = new Set<string>();
  const dirty = new Map<string, 'unknown' | 'infected' | 'clean'>();
  let minutes = 0;
  let last: OrderInput['cuts'][number] | null = null;
  for (const i of order) {
    const cut = input.cuts[i] as OrderInput['cuts'][number];
    if (input.cuts.some((other) => other.before.includes(cut.id) && !done.has(other.id))) return null;
    const blade = dirty.get(cut.tool) ?? 'unknown';
    const cleans = blade === 'unknown' || (blade === 'infected' && (!cut.infected || input.everyCut));
    minutes += cut.minutes + (cleans ? input.cleanMinutes : 0);
    minutes += last?.station === cut.station ? 0.2 : cut.ladder ? 3 : 1;
    if (last && last.tool !== cut.tool) minutes += 0.3;
    dirty.set(cut.tool, cut.infected ? 'infected' : cleans ? 'clean' : blade);
    done.add(cut.id);
    last = cut;
  }
  return minutes;
}

function permutations(n: number): number[][] {
  if (n === 0) return [[]];
  return permutations(n - 1).flatMap((rest) =>
    Array.from({ length: n }, (_, at) => [...rest.slice(0, at), n - 1, ...rest.slice(at)]),
  );
}

test('exact: no order of up to six cuts is quicker', () => {
  fc.assert(
    fc.property(fc.array(cut, { minLength: 1, maxLength: 6 }), fc.boolean(), (raw, everyCut) => {
      const input = visit(raw, everyCut);
      const said = orderOf(input);
      const least = Math.min(...permutations(raw.length).flatMap((order) => minutesOf(input, order) ?? []));
      expect(said.gap).toBe(0);
      expect(said.tally.minutes).toBeCloseTo(least, 9);
      const order = said.order.map((id) => Number(id.slice(1)));
      expect(minutesOf(input, order)).toBeCloseTo(said.tally.minutes, 9);
      expect(said.naive.minutes).toBeGreaterThanOrEqual(said.tally.minutes - 1e-9);
    }),
    { numRuns: 150 },
  );
});

test('beyond twelve the distance from the bound is told, half of the time under 5 %', () => {
  const gaps: number[] = [];
  fc.assert(
    fc.property(fc.array(cut, { minLength: 14, maxLength: 18 }), (raw) => {
      const said = orderOf(visit(raw, true));
      expect(said.order).toHaveLength(raw.length);
      expect(said.bound).toBeLessThanOrEqual(said.tally.minutes + 1e-9);
      gaps.push(said.gap);
    }),
    { numRuns: 7, seed: 11 },
  );
  gaps.sort((a, b) => a - b);
  expect(gaps[Math.floor(gaps.length / 2)]).toBeLessThanOrEqual(0.05);
});

test('cuts that wait for one another are refused with their place', () => {
  const ring = {
    cuts: ['a', 'b'].map((id, i) => ({
      id,
      station: 's',
      ladder: false,
      tool: 't',
      infected: false,
      minutes: 1,
      before: [i === 0 ? 'b' : 'a'],
    })),
    cleanMinutes: 1,
  };
  expect(OrderInput.safeParse(ring).error?.issues[0]).toMatchObject({ path: ['cuts'] });
});

test('sixteen blades of unknown history are cleaned sixteen times', () => {
  for (const count of [2, 15, 16, 31]) {
    const cuts = Array.from({ length: count }, (_, i) => ({
      id: `c${i}`,
      station: 'ground',
      ladder: false,
      tool: `tool ${i}`,
      infected: false,
      suspect: false,
      minutes: 1,
      before: [],
    }));
    const { tally, naive } = orderOf({ cuts, cleanMinutes: 1, everyCut: true, bladesOfAKind: 1 });
    expect([count, tally.cleanings, naive.cleanings]).toEqual([count, count, count]);
  }
});

test('fresh visits of 13 to 40 cuts: within a twentieth of the bound in the median, and what must come first comes first', () => {
  const gaps: number[] = [];
  for (let seed = 1; seed <= manyRuns(20, 7); seed++) {
    const random = xoroshiro128plus(seed * 7919);
    const int = (from: number, to: number) => uniformInt(random, from, to);
    const count = 13 + ((seed * 5) % 28);
    const cuts = Array.from({ length: count }, (_, i) => {
      const ladder = int(0, 3) === 0;
      return {
        id: `c${i}`,
        station: `${ladder ? 'ladder' : 'ground'} ${int(0, 3)}`,
        ladder,
        tool: ['shear', 'lopper', 'saw'][int(0, 2)] as string,
        infected: int(0, 2) === 0,
        suspect: false,
        minutes: int(5, 40) / 10,
        before: int(0, 5) === 0 && i + 1 < count ? [`c${int(i + 1, count - 1)}`] : [],
      };
    });
    const said = orderOf({ cuts, cleanMinutes: 0.83, everyCut: seed % 2 === 0, bladesOfAKind: 1 });
    expect(said.bound).toBeLessThanOrEqual(said.tally.minutes + 1e-9);
    expect(said.tally.minutes).toBeLessThanOrEqual(said.naive.minutes + 1e-9);
    for (const { id, before } of cuts)
      for (const later of before) expect(said.order.indexOf(id)).toBeLessThan(said.order.indexOf(later));
    gaps.push(said.gap);
  }
  expect(gaps.sort((a, b) => a - b)[Math.floor(gaps.length / 2)]).toBeLessThanOrEqual(0.05);
});
