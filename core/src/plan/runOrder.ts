// In which order are the trees of a run visited: sound, then suspect, then infected, and on the shortest way?

import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { woodClasses } from '../blades/index';
import { issueOf, refusal } from '../refusal/index';

const place = z.strictObject({ x: z.number(), y: z.number() }).describe('on the ground, metres');
const id = z.string().min(1).max(200);

/** Between trees, with tools in hand. Common practice, no source. */
export const WALKED_M_A_MINUTE = 50;

export const RunTree = z.strictObject({
  id,
  class: z.enum(woodClasses),
  ...place.shape,
  cleanings: z.number().int().min(0).max(2000).default(1).describe('on this tree, coming to it included'),
});
export type RunTree = z.infer<typeof RunTree>;

export const RunOrderInput = z
  .strictObject({
    trees: z.array(RunTree).max(400).describe('as listed: the order they are walked in otherwise'),
    start: place.nullable().default(null),
    end: place.nullable().default(null).describe('where the cart goes out'),
    metresPerMinute: z.number().positive().max(200).default(WALKED_M_A_MINUTE),
  })
  .superRefine(({ trees }, context) => {
    const seen = new Set<string>();
    trees.forEach((tree, i) => {
      if (seen.has(tree.id)) context.addIssue(issueOf(['trees', i, 'id'], refusal('treeTwice')));
      seen.add(tree.id);
    });
  })
  .meta({ id: 'RunOrderInput' });
export type RunOrderInput = z.infer<typeof RunOrderInput>;

const Walk = z.strictObject({ metres: z.number(), minutes: z.number() });
export const RunOrder = z
  .strictObject({
    order: z.array(z.string()),
    walk: Walk,
    naive: Walk.extend({
      carried: z.number().int().describe('times it goes from an infected tree to one that is less so'),
    }).describe('the trees as listed'),
    cleanings: z.number().int(),
    bound: z.number().describe('metres that no order of this kind goes below'),
    gap: z.number().describe('0 where the order is proved shortest'),
  })
  .meta({ id: 'RunOrder' });
export type RunOrder = z.infer<typeof RunOrder>;

type Place = z.infer<typeof place>;
const EXACT_UP_TO = 11;
const RESTARTS = 12;
/** Of one class: more than these are first put in order by what stands near to each of them, with fewer restarts. */
const LARGE = 60;
const FEWEST_RESTARTS = 2;
/** Of one class: in more than these only what stands near is tried. */
const WHOLLY_UP_TO = 400;
const NEIGHBOURS = 8;
const SEED = 17;

/**
 * Sound trees before suspect before infected ones, and within that the least walking. Proved where no class has more than
 * eleven trees (a dynamic programme over sets, class by class); beyond, a local search whose distance from a bound is told.
 */
export function runOrder(input: RunOrderInput): RunOrder {
  const { trees, start, end, metresPerMinute } = input;
  const groups = woodClasses
    .map((woodClass) => trees.flatMap((tree, i) => (tree.class === woodClass ? [i] : [])))
    .filter((group) => group.length > 0);
  const exact = groups.every((group) => group.length <= EXACT_UP_TO);
  const best = exact ? shortest(input, groups) : improved(input, groups);
  const lengthOf = (order: readonly number[]) => walkMetres(trees, order, start, end);
  const metres = lengthOf(best);
  const naive = lengthOf(trees.map((_, i) => i));
  const bound = exact ? metres : Math.min(metres, lowerBound(input, groups));
  return {
    order: best.map((i) => (trees[i] as RunTree).id),
    walk: { metres, minutes: metres / metresPerMinute },
    naive: { metres: naive, minutes: naive / metresPerMinute, carried: carriedBack(trees) },
    cleanings: trees.reduce((sum, tree) => sum + tree.cleanings, 0),
    bound,
    gap: metres === 0 ? 0 : (metres - bound) / metres,
  };
}

function carriedBack(trees: readonly RunTree[]): number {
  const rank = (tree: RunTree) => woodClasses.indexOf(tree.class);
  return trees.filter((tree, i) => i > 0 && rank(tree) < rank(trees[i - 1] as RunTree)).length;
}

const between = (a: Place, b: Place) => Math.hypot(a.x - b.x, a.y - b.y);

function walkMetres(
  trees: readonly Place[],
  order: readonly number[],
  start: Place | null,
  end: Place | null,
): number {
  const way = [...(start ? [start] : []), ...order.map((i) => trees[i] as Place), ...(end ? [end] : [])];
  return way.reduce((sum, at, i) => (i === 0 ? 0 : sum + between(way[i - 1] as Place, at)), 0);
}

interface Layer {
  /** Metres so far by last tree, and the way there. */
  at: number;
  metres: number;
  order: number[];
}

/** Held and Karp's programme over sets of trees, one class after the other. @source Held & Karp 1962, J. SIAM 10:196 */
function shortest({ trees, start, end }: RunOrderInput, groups: readonly number[][]): number[] {
  let from: Layer[] = [{ at: -1, metres: 0, order: [] }];
  for (const group of groups) from = throughClass(trees, group, from, start);
  const closing = (layer: Layer) =>
    layer.metres + (end && layer.at >= 0 ? between(trees[layer.at] as Place, end) : 0);
  return from.reduce((a, b) => (closing(b) < closing(a) ? b : a)).order;
}

function throughClass(
  trees: readonly Place[],
  group: readonly number[],
  from: readonly Layer[],
  start: Place | null,
): Layer[] {
  const n = group.length;
  const whole = 1 << n;
  const metres = new Float64Array(whole * n).fill(Number.POSITIVE_INFINITY);
  const before = new Int16Array(whole * n).fill(-1);
  const entry = new Int16Array(n);
  const spot = (i: number) => trees[group[i] as number] as Place;
  const come = (layer: Layer, to: Place) => {
    const last = layer.at >= 0 ? (trees[layer.at] as Place) : start;
    return layer.metres + (last ? between(last, to) : 0);
  };
  for (let i = 0; i < n; i++) {
    let cheapest = 0;
    from.forEach((layer, l) => {
      if (come(layer, spot(i)) < come(from[cheapest] as Layer, spot(i))) cheapest = l;
    });
    entry[i] = cheapest;
    metres[(1 << i) * n + i] = come(from[cheapest] as Layer, spot(i));
  }
  for (let set = 1; set < whole; set++) {
    for (let last = 0; last < n; last++) {
      const here = metres[set * n + last] as number;
      if (!Number.isFinite(here)) continue;
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const key = (set | (1 << next)) * n + next;
        const there = here + between(spot(last), spot(next));
        if (there < (metres[key] as number)) {
          metres[key] = there;
          before[key] = last;
        }
      }
    }
  }
  return group.map((at, last): Layer => {
    const way: number[] = [];
    let set = whole - 1;
    let i = last;
    for (;;) {
      way.push(i);
      const previous = before[set * n + i] as number;
      if (previous < 0) break;
      set &= ~(1 << i);
      i = previous;
    }
    const entered = from[entry[way.at(-1) as number] as number] as Layer;
    const wayInGroup = way.reverse().map((k) => group[k] as number);
    return { at, metres: metres[(whole - 1) * n + last] as number, order: [...entered.order, ...wayInGroup] };
  });
}

/** Nearest neighbour, then reversals and moves of short pieces inside a class until none helps; from several starts. */
function improved(input: RunOrderInput, groups: readonly number[][]): number[] {
  const { trees, start, end } = input;
  const random = xoroshiro128plus(SEED);
  const borders = bordersOf(groups);
  const large = groups.map((group) => (group.length > LARGE ? nearTo(trees, group) : null));
  const most = Math.max(...groups.map((group) => group.length));
  const restarts = Math.max(FEWEST_RESTARTS, Math.floor((RESTARTS * LARGE) / Math.max(most, LARGE)));
  const first = groups.map((group) => nearest(trees, group));
  let best: number[] = [];
  let least = Number.POSITIVE_INFINITY;
  for (let restart = 0; restart < restarts; restart++) {
    const order = first.flatMap((group) => (restart === 0 ? group : kicked(group, random)));
    large.forEach((near, i) => {
      if (near) descendNear(trees, order, borders[i] as [number, number], near, start, end);
    });
    if (most <= LARGE) descend(trees, order, borders, start, end);
    const metres = walkMetres(trees, order, start, end);
    if (metres < least - 1e-9) {
      least = metres;
      best = order;
    }
  }
  if (most > LARGE && most <= WHOLLY_UP_TO) descend(trees, best, borders, start, end);
  return best;
}

function bordersOf(groups: readonly number[][]): [number, number][] {
  let from = 0;
  return groups.map((group) => {
    const border: [number, number] = [from, from + group.length];
    from += group.length;
    return border;
  });
}

function nearest(trees: readonly Place[], group: readonly number[]): number[] {
  const left = [...group];
  const order = [left.shift() as number];
  while (left.length > 0) {
    const last = trees[order.at(-1) as number] as Place;
    let near = 0;
    left.forEach((k, i) => {
      if (between(last, trees[k] as Place) < between(last, trees[left[near] as number] as Place)) near = i;
    });
    order.push(...left.splice(near, 1));
  }
  return order;
}

/** Pieces in another order: far enough from where the search was stuck. @source Martin, Otto & Felten 1991, double bridge */
function kicked(order: number[], random: ReturnType<typeof xoroshiro128plus>): number[] {
  if (order.length < 4) return order;
  const cuts = [0, 1, 2].map(() => uniformInt(random, 1, order.length - 1)).sort((a, b) => a - b) as [
    number,
    number,
    number,
  ];
  const [a, b, c] = cuts;
  return [...order.slice(0, a), ...order.slice(b, c), ...order.slice(a, b), ...order.slice(c)];
}

/** The nearest trees of the same class to each, nearest first; by tree. */
function nearTo(trees: readonly Place[], group: readonly number[]): ReadonlyMap<number, readonly number[]> {
  return new Map(
    group.map((tree) => {
      const near: { other: number; metres: number }[] = [];
      for (const other of group) {
        if (other === tree) continue;
        const metres = between(trees[tree] as Place, trees[other] as Place);
        if (near.length === NEIGHBOURS && metres >= (near.at(-1)?.metres ?? 0)) continue;
        near.splice(near.findLastIndex((each) => each.metres <= metres) + 1, 0, { other, metres });
        near.length = Math.min(near.length, NEIGHBOURS);
      }
      return [tree, near.map(({ other }) => other)];
    }),
  );
}

/**
 * As `descend`, but a tree is only tried beside those near to it: reversals that join the two, and pieces that are moved there.
 *
 * @source Johnson & McGeoch 1997, “The traveling salesman problem: a case study in local optimization”: neighbour lists
 */
function descendNear(
  trees: readonly Place[],
  order: number[],
  [from, to]: readonly [number, number],
  near: ReadonlyMap<number, readonly number[]>,
  start: Place | null,
  end: Place | null,
): void {
  const spot = (i: number): Place | null =>
    i < 0 ? start : i >= order.length ? end : (trees[order[i] as number] as Place);
  const step = (i: number, j: number) => {
    const [a, b] = [spot(i), spot(j)];
    return a && b ? between(a, b) : 0;
  };
  const placeOf = new Map<number, number>();
  const place = (first: number, last: number) => {
    for (let i = first; i <= last; i++) placeOf.set(order[i] as number, i);
  };
  place(from, to - 1);
  const at = (tree: number) => placeOf.get(tree) as number;

  function reversed(i: number, j: number): boolean {
    if (j <= i) return false;
    const gain = step(i - 1, i) + step(j, j + 1) - step(i - 1, j) - step(i, j + 1);
    if (gain <= 1e-9) return false;
    order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
    place(i, j);
    return true;
  }
  /** Puts `length` trees from `i` on before the one at `before`. */
  function moved(i: number, length: number, before: number): boolean {
    if (i < from || i + length > to || (before >= i && before <= i + length)) return false;
    const gain =
      step(i - 1, i) +
      step(i + length - 1, i + length) +
      step(before - 1, before) -
      step(i - 1, i + length) -
      step(before - 1, i) -
      step(i + length - 1, before);
    if (gain <= 1e-9) return false;
    const piece = order.splice(i, length);
    order.splice(before > i ? before - length : before, 0, ...piece);
    place(Math.min(i, before), Math.max(i + length, before) - 1);
    return true;
  }
  function betterBeside(tree: number, other: number): boolean {
    const [low, high] = at(tree) < at(other) ? [at(tree), at(other)] : [at(other), at(tree)];
    if (reversed(low + 1, high) || reversed(low, high - 1)) return true;
    for (let length = 1; length <= LONGEST_MOVED; length++) {
      const [i, beside] = [at(tree), at(other)];
      if (moved(i, length, beside + 1) || moved(i - length + 1, length, beside)) return true;
    }
    return false;
  }

  for (let better = true; better; ) {
    better = false;
    for (const [tree, others] of near)
      for (const other of others) if (betterBeside(tree, other)) better = true;
  }
}

const LONGEST_MOVED = 3;

function descend(
  trees: readonly Place[],
  order: number[],
  borders: readonly [number, number][],
  start: Place | null,
  end: Place | null,
): void {
  const spot = (i: number): Place | null =>
    i < 0 ? start : i >= order.length ? end : (trees[order[i] as number] as Place);
  const step = (a: Place | null, b: Place | null) => (a && b ? between(a, b) : 0);
  for (let better = true; better; ) {
    better = false;
    for (const [from, to] of borders) {
      for (let i = from; i < to; i++) {
        for (let j = i + 1; j < to; j++) {
          const now = step(spot(i - 1), spot(i)) + step(spot(j), spot(j + 1));
          const then = step(spot(i - 1), spot(j)) + step(spot(i), spot(j + 1));
          if (then >= now - 1e-9) continue;
          order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
          better = true;
        }
        for (let length = 1; length <= LONGEST_MOVED && i + length <= to; length++) {
          const taken = step(spot(i - 1), spot(i)) + step(spot(i + length - 1), spot(i + length));
          const joined = step(spot(i - 1), spot(i + length));
          for (let at = from; at <= to; at++) {
            if (at >= i && at <= i + length) continue;
            const opened = step(spot(at - 1), spot(at));
            const put = step(spot(at - 1), spot(i)) + step(spot(i + length - 1), spot(at));
            if (joined + put >= taken + opened - 1e-9) continue;
            const piece = order.splice(i, length);
            order.splice(at > i ? at - length : at, 0, ...piece);
            better = true;
            break;
          }
        }
      }
    }
  }
}

/** Every class is joined at least as by its shortest tree, and one class to the next by its shortest link. */
function lowerBound({ trees, start, end }: RunOrderInput, groups: readonly number[][]): number {
  const spots = groups.map((group) => group.map((i) => trees[i] as Place));
  const ways = [...(start ? [[start]] : []), ...spots, ...(end ? [[end]] : [])];
  const inside = ways.reduce((sum, way) => sum + spanning(way), 0);
  const links = ways.slice(1).map((way, i) => shortestLink(ways[i] as Place[], way));
  return inside + links.reduce((sum, link) => sum + link, 0);
}

function shortestLink(from: readonly Place[], to: readonly Place[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const a of from) for (const b of to) least = Math.min(least, between(a, b));
  return least;
}

/** Length of the minimum spanning tree. @source Prim 1957, Bell Syst. Tech. J. 36:1389 */
function spanning(spots: readonly Place[]): number {
  const away = spots.map((_, i) => (i === 0 ? 0 : Number.POSITIVE_INFINITY));
  const inTree = spots.map(() => false);
  let sum = 0;
  for (let step = 0; step < spots.length; step++) {
    let near = -1;
    away.forEach((metres, i) => {
      if (!inTree[i] && (near < 0 || metres < (away[near] as number))) near = i;
    });
    inTree[near] = true;
    sum += away[near] as number;
    spots.forEach((spot, i) => {
      if (!inTree[i]) away[i] = Math.min(away[i] as number, between(spots[near] as Place, spot));
    });
  }
  return sum;
}
