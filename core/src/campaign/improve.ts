// A plan made by hand, and made better step by step: what fits goes in where it brings most, and what brings more drives out what brings less.
import type { Board } from './board';
import type { Option } from './model';

const BETTER = 1e-7;
/** Rounds over all visits, and how many places each tries to drive others out of. */
const EFFORT = { rounds: 12, places: 8 };
/** Of more visits than that each is tried less hard: they are many enough to fill whatever room is left. */
const MANY = 1000;
const LESS_EFFORT = { rounds: 2, places: 1 };

/** What minutes of a place are worth: points a minute, by place. */
export type Prices = (option: Option) => number;

const free: Prices = () => 0;

/** Fills the room there is: those that bring most beyond what their minutes are worth elsewhere go first. */
export function fill(board: Board, visits: readonly number[], prices: Prices = free): void {
  const { input, options } = board.model;
  const order = visits
    .map((v) => {
      const minutes = input.visits[v]?.minutes ?? 1;
      const worth = (options[v] ?? []).map((option, i) => ({
        i,
        over: option.gain - prices(option) * minutes,
      }));
      const best = worth.toSorted((a, b) => b.over - a.over || a.i - b.i);
      return { v, minutes, best, most: Math.max(0, ...(options[v] ?? []).map(({ gain }) => gain)) };
    })
    .sort(
      (a, b) =>
        (b.best[0]?.over ?? 0) / b.minutes - (a.best[0]?.over ?? 0) / a.minutes ||
        b.most / b.minutes - a.most / a.minutes ||
        a.v - b.v,
    );
  for (const { v, best } of order) {
    let to: number | null = null;
    let most = Number.NEGATIVE_INFINITY;
    for (const { i, over } of best) {
      if (over <= most) break;
      const option = options[v]?.[i] as Option;
      // Where somebody is in its plot already nothing more is needed to begin there
      const net = over - (board.begins(v, option) ? prices(option) * input.plotMinutes : 0);
      if (option.gain <= BETTER || net <= most || !board.fits(v, option)) continue;
      to = i;
      most = net;
    }
    if (to !== null) board.put(v, to);
  }
}

/**
 * Fills place after place, the one that brings most first, each with the plot that brings most for its minutes: who has begun in a plot goes on there.
 * Where plots are large this is much better than tree by tree, which begins everywhere.
 */
export function fillByPlot(board: Board, visits: readonly number[]): void {
  const { input, options, plotOf, plots, room } = board.model;
  const byMinute = (v: number, option: Option) => option.gain / (input.visits[v]?.minutes ?? 1);
  // What may stand in each place, plot by plot, the best by the minute first
  const wishes = Array.from(room, () => plots.map((): { v: number; i: number }[] => []));
  for (const v of visits)
    options[v]?.forEach((option, i) => {
      if (option.gain > BETTER) wishes[board.placeOf(option)]?.[plotOf[v] as number]?.push({ v, i });
    });
  const optionOf = ({ v, i }: { v: number; i: number }) => options[v]?.[i] as Option;
  const worth = wishes.map((ofPlots) => {
    const all = ofPlots.flat();
    return all.reduce((sum, wish) => sum + byMinute(wish.v, optionOf(wish)), 0) / Math.max(1, all.length);
  });
  for (const ofPlots of wishes)
    for (const own of ofPlots)
      own.sort((a, b) => byMinute(b.v, optionOf(b)) - byMinute(a.v, optionOf(a)) || a.v - b.v);
  const order = worth
    .map((_, place) => place)
    .sort((a, b) => (worth[b] as number) - (worth[a] as number) || a - b);
  for (const place of order) {
    const tried = new Set<number>();
    while (tried.size < plots.length) {
      let best = -1;
      let most = 0;
      wishes[place]?.forEach((own, plot) => {
        if (tried.has(plot)) return;
        let left = (room[place] as number) - board.usedIn(place) - input.plotMinutes;
        let [gain, minutes] = [0, input.plotMinutes];
        for (const wish of own) {
          const needs = input.visits[wish.v]?.minutes ?? 0;
          if (board.optionOf(wish.v) || needs > left) continue;
          left -= needs;
          gain += optionOf(wish).gain;
          minutes += needs;
        }
        if (gain / minutes > most) {
          best = plot;
          most = gain / minutes;
        }
      });
      if (best < 0) break;
      tried.add(best);
      for (const wish of wishes[place]?.[best] ?? [])
        if (!board.optionOf(wish.v) && board.fits(wish.v, optionOf(wish))) board.put(wish.v, wish.i);
    }
  }
}

/**
 * @param held visits that stay where they are
 * @param done visits that may go elsewhere and stay done
 */
export function improve(board: Board, held: ReadonlySet<number>, done: ReadonlySet<number>): void {
  const { options } = board.model;
  const open = options.flatMap((_, v) => (held.has(v) || options[v]?.length === 0 ? [] : [v]));
  const { rounds, places } = open.length > MANY ? LESS_EFFORT : EFFORT;
  for (let round = 0; round < rounds; round++) {
    let isBetter = false;
    for (const v of open) {
      isBetter = moved(board, v) || isBetter;
      isBetter = drivenOut(board, v, { held, done }, places) || isBetter;
    }
    if (!isBetter) return;
  }
}

/** The place with room that brings most beyond where it stands. */
function bestWithRoom(board: Board, v: number, least: number): number | null {
  const options = board.model.options[v] as readonly Option[];
  const before = board.at[v] as number;
  board.take(v);
  let best: number | null = null;
  let most = least + BETTER;
  options.forEach((option, i) => {
    if (option.gain > most && board.fits(v, option)) {
      best = i;
      most = option.gain;
    }
  });
  if (before >= 0) board.put(v, before);
  return best;
}

function moved(board: Board, v: number): boolean {
  const to = bestWithRoom(board, v, board.optionOf(v)?.gain ?? 0);
  if (to === null) return false;
  board.take(v);
  board.put(v, to);
  return true;
}

/** It takes the place of one that brings less there, which goes where it still fits, or is left. */
function drivenOut(
  board: Board,
  v: number,
  { held, done }: { held: ReadonlySet<number>; done: ReadonlySet<number> },
  places: number,
): boolean {
  const { options } = board.model;
  const own = board.optionOf(v)?.gain ?? 0;
  const wanted = (options[v] as readonly Option[])
    .map((option, i) => ({ option, i }))
    .filter(({ option }) => option.gain > own + BETTER)
    .sort((a, b) => b.option.gain - a.option.gain || a.i - b.i)
    .slice(0, places);
  for (const { option, i } of wanted) {
    for (const other of [...board.standingIn(board.placeOf(option))].sort((a, b) => a - b)) {
      if (other === v || held.has(other) || !board.fits(v, option, other)) continue;
      const [was, mine] = [board.at[other] as number, board.at[v] as number];
      const lost = (options[other] as readonly Option[])[was]?.gain ?? 0;
      // Before it is tried: nowhere would the other bring more than where it does best
      const least = done.has(other) ? Number.NEGATIVE_INFINITY : 0;
      const most = Math.max(least, ...(options[other] as readonly Option[]).map(({ gain }) => gain));
      if (option.gain - own + most - lost <= BETTER) continue;
      board.take(other);
      board.take(v);
      board.put(v, i);
      const to = bestWithRoom(board, other, least);
      const back = to === null ? least : ((options[other] as readonly Option[])[to]?.gain ?? 0);
      if (option.gain - own + back - lost > BETTER) {
        if (to !== null) board.put(other, to);
        return true;
      }
      board.take(v);
      if (mine >= 0) board.put(v, mine);
      board.put(other, was);
    }
  }
  return false;
}
