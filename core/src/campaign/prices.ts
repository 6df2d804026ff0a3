// What a minute of each place is worth, and what no plan goes beyond: by Lagrange, place by place, without a program.
import type { Choices } from './choices';
import { type Model, placeOf } from './model';
import type { CampaignVisit } from './shapes';

export interface Priced {
  /** Points a minute, by place; and the same of minutes on a ladder. */
  room: Float64Array;
  ladder: Float64Array;
  /** Points above leaving all that no plan goes beyond which is as little late. */
  bound: number;
}

export const ROUNDS = 240;
/** For a first look at a large season. */
export const FEW_ROUNDS = 60;
/** A step as a share of the first price. */
const FIRST_STEP = 0.1;
/** Points a minute: where all fits, prices begin at nothing. */
const LEAST_PRICE = 0.01;
/** After so many rounds without a better bound the steps are halved. */
const PATIENCE = 8;

/**
 * Prices by the subgradient: where more is wanted than there is room for they rise, elsewhere they fall. Whatever they are, a visit brings at
 * most what it gains beyond them, and all room together what it is priced at: each round gives a bound, the least counts. To begin in a
 * plot is shared among as many visits of it as fit into the place.
 *
 * @param choices what any plan may do with each visit
 */
export function roughPrices(model: Model, choices: Choices, rounds = ROUNDS): Priced {
  const { input, plotOf, plots } = model;
  const places = model.room.length;
  const alone = plots.map((_, plot) => {
    const own = input.visits.flatMap(({ minutes }, v) => (plotOf[v] === plot ? [minutes] : []));
    return Float64Array.from({ length: places }, (_, place) => input.plotMinutes / mostOf(model, own, place));
  });
  const rows = choices.options.map((open, v) => {
    const { minutes, ladder } = input.visits[v] as CampaignVisit;
    return {
      isRequired: choices.required[v],
      place: Int32Array.from(open, (option) => placeOf(input, option)),
      gain: Float64Array.from(open, ({ gain }) => gain),
      minutes: Float64Array.from(
        open,
        (option) => minutes + (alone[plotOf[v] as number]?.[placeOf(input, option)] ?? 0),
      ),
      onLadder: ladder ? minutes : 0,
    };
  });
  // At first each minute costs what the last visit brings that would fit if all room were one
  const first = firstPrice(rows, model);
  const room = new Float64Array(places).fill(first);
  const ladder = new Float64Array(places);
  let best: Priced = { room: room.slice(), ladder: ladder.slice(), bound: Number.POSITIVE_INFINITY };
  let scale = Math.max(first, LEAST_PRICE) * FIRST_STEP;
  let since = 0;
  for (let round = 0; round < rounds && scale > 0; round++) {
    const used = new Float64Array(places);
    const climbed = new Float64Array(places);
    let bound = roomWorth(model, room, ladder);
    for (const { isRequired, place, gain, minutes, onLadder } of rows) {
      let most = isRequired ? Number.NEGATIVE_INFINITY : 0;
      let at = -1;
      for (let i = 0; i < gain.length; i++) {
        const p = place[i] as number;
        const over =
          (gain[i] as number) -
          (minutes[i] as number) * (room[p] as number) -
          onLadder * (ladder[p] as number);
        if (over > most) {
          most = over;
          at = i;
        }
      }
      if (at < 0) continue;
      bound += most;
      const p = place[at] as number;
      used[p] = (used[p] as number) + (minutes[at] as number);
      climbed[p] = (climbed[p] as number) + onLadder;
    }
    if (bound < best.bound - 1e-9) {
      best = { room: room.slice(), ladder: ladder.slice(), bound };
      since = 0;
    } else if (++since >= PATIENCE) {
      scale /= 2;
      since = 0;
    }
    step(room, used, model.room, scale);
    step(ladder, climbed, model.ladderRoom, scale);
  }
  return best;
}

/** Points that all room together is worth at a price of its minutes, and of those on ladders. */
export function roomWorth({ room, ladderRoom }: Model, minutes: Float64Array, ladders: Float64Array): number {
  let worth = 0;
  for (let place = 0; place < room.length; place++)
    worth +=
      (minutes[place] as number) * (room[place] as number) +
      (ladders[place] as number) * (ladderRoom[place] as number);
  return worth;
}

/** Visits of one plot that fit into a place at most: they begin there together. */
function mostOf(model: Model, minutes: readonly number[], place: number): number {
  const room = (model.room[place] as number) - model.input.plotMinutes;
  return Math.max(1, Math.min(minutes.length, Math.floor(room / Math.min(...minutes) + 1e-9)));
}

interface Wish {
  gain: Float64Array;
  minutes: Float64Array;
}

function firstPrice(rows: readonly Wish[], { room }: Model): number {
  const space = room.reduce((sum, each) => sum + each, 0);
  const best = rows
    .map(({ gain, minutes }) => {
      const most = gain.reduce((at, each, i) => (each > (gain[at] ?? 0) ? i : at), 0);
      return { minutes: minutes[most] ?? 0, each: (gain[most] ?? 0) / (minutes[most] || 1) };
    })
    .sort((a, b) => b.each - a.each);
  let taken = 0;
  for (const { minutes, each } of best) {
    taken += minutes;
    if (taken > space) return Math.max(0, each);
  }
  // All would fit: what room there is costs little
  const mean = best.reduce((sum, { each }) => sum + each, 0) / Math.max(1, best.length);
  return Math.max(0, mean / 10);
}

/** Prices go up where more is wanted than there is, by its share of what there is. */
function step(prices: Float64Array, wanted: Float64Array, room: Float64Array, scale: number): void {
  for (let place = 0; place < prices.length; place++) {
    const there = room[place] as number;
    if (there <= 0) continue;
    const over = Math.max(-1, Math.min(2, ((wanted[place] as number) - there) / there));
    prices[place] = Math.max(0, (prices[place] as number) + scale * over);
  }
}
