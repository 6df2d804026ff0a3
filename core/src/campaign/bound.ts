// What a relaxed program says of its season: what a minute of each place is worth, and what no plan goes beyond.
import type { Choices } from './choices';
import type { Prices } from './improve';
import { beginRow, type Column, ladderRow, mostIn, roomRow, type SolverAnswer } from './lp';
import type { Model, Option } from './model';
import type { CampaignVisit } from './shapes';

const priceAt = (answer: SolverAnswer | null, row: string) => Math.max(0, answer?.prices[row] ?? 0);

export function pricesOf(answer: SolverAnswer): Prices {
  return ({ pool, slot }) => priceAt(answer, roomRow(pool, slot));
}

export function pricesBySlot({ input }: Model, prices: Prices): number[][] {
  return input.pools.map((_, pool) => input.slots.map((_, slot) => prices({ pool, slot, gain: 0, late: 0 })));
}

/**
 * No plan that is as little late brings more: whatever minutes, ladders and beginnings are priced at, a visit brings at most what it gains
 * beyond their price, and all room together what it is priced at (Lagrange).
 */
export function boundOf(
  model: Model,
  { options, required }: Choices,
  columns: readonly Column[],
  answer: SolverAnswer | null,
): number {
  const { input } = model;
  const slots = input.slots.length;
  let bound = 0;
  const minuteAt = (place: number) => priceAt(answer, roomRow(Math.floor(place / slots), place % slots));
  model.room.forEach((room, place) => {
    const [pool, slot] = [Math.floor(place / slots), place % slots];
    bound += minuteAt(place) * room;
    bound += priceAt(answer, ladderRow(pool, slot)) * (model.ladderRoom[place] as number);
  });
  // What beginning in a plot brings all that is done there
  const begins = new Map<string, number>();
  const columnOf = new Map<number, number>();
  columns.forEach((column, c) => {
    for (const v of column.visits) columnOf.set(v, c);
    for (const { pool, slot } of column.options) {
      const place = pool * slots + slot;
      const key = `${column.plot} ${place}`;
      const brings = priceAt(answer, beginRow(c, pool, slot)) * mostIn(model, column, place);
      if (brings > 0) begins.set(key, (begins.get(key) ?? 0) + brings);
    }
  });
  for (const [key, brings] of begins)
    bound += Math.max(0, brings - input.plotMinutes * minuteAt(Number(key.split(' ')[1])));
  options.forEach((all, v) => {
    const { minutes, ladder } = input.visits[v] as CampaignVisit;
    const c = columnOf.get(v);
    const over = ({ pool, slot, gain }: Option) => {
      const onLadder = ladder ? priceAt(answer, ladderRow(pool, slot)) : 0;
      const begin = c === undefined ? 0 : priceAt(answer, beginRow(c, pool, slot));
      return gain - minutes * (priceAt(answer, roomRow(pool, slot)) + onLadder) - begin;
    };
    const most = Math.max(...all.map(over));
    bound += required[v] ? most : Math.max(0, most);
  });
  return bound;
}
