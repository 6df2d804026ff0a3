// A plan made better by many small changes drawn with dice, of which worse ones are taken too, fewer and fewer of them (simulated annealing). Minutes
// have the price that the bound is made with, so that what a change frees counts for what it is worth elsewhere.
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { type Board, NOWHERE } from './board';
import type { Option } from './model';
import type { Priced } from './prices';
import type { CampaignVisit } from './shapes';

/** Changes tried: so many for each visit, between these limits. Work, and not time: the same season brings the same plan. */
const A_VISIT = 4000;
const FEWEST = 200_000;
export const MOST_TRIED = 10_000_000;
/** What is taken at first though it is worse, and at last, as shares of what a visit brings on the mean. Found by trying on seasons that were made up. */
const HOT = 0.12;
const COLD = 0.004;
/** Places that bring less than the best of a visit by more than so many such shares are not tried. */
const WORSE = 1;
/** A place that is worth a little less than leaving the visit may make room elsewhere. */
const BELOW_LEAVING = 0.12;
/** Of all changes: a plot is left in a place altogether; a visit is left; or it goes where its plot is begun, or anywhere. */
const LEAVE_PLOT = 0.1;
const LEAVE = 0.1;
const WHERE_BEGUN = 0.7;
const LOOKS = 6;
/** Better places are tried more often than others. */
const TOWARDS_BEST = 1.5;
/** A plot with more visits in a place is not left at once. */
const MOST_OF_PLOT = 6;
const COOLED_EVERY = 1000;

interface Kept {
  held: ReadonlySet<number>;
  musts: ReadonlySet<number>;
  staying?: { before: Board; points: number };
}

/** Changes that are tried of a plan of so many visits. */
export const changesFor = (visits: number) => Math.min(MOST_TRIED, Math.max(FEWEST, A_VISIT * visits));

/**
 * Changes a plan in place; it may end a little worse than it began.
 *
 * @param prices what minutes are worth, by place
 * @param kept `held`: visits that stay where they are; `musts`: visits that stay done; `staying`: where each stood before, and the points that it is
 * worth that it stands there again
 * @source Kirkpatrick, Gelatt and Vecchi 1983, Science 220:671
 */
export function anneal(board: Board, prices: Priced, { held, musts, staying }: Kept, seed: number): void {
  const { model } = board;
  const { input, options, plotOf } = model;
  const places = model.room.length;
  const random = xoroshiro128plus(seed);
  const drawn = () => (random.next() >>> 0) / 2 ** 32;
  const scale = typical(options);
  // Choices of a visit from `first` to that of the next, in numbers alone, which are at hand much sooner than objects are
  const { first, place, index, worth, choiceAt } = flattened();
  const open = options.flatMap((_, v) =>
    (first[v] as number) < (first[v + 1] as number) && !held.has(v) ? [v] : [],
  );
  if (open.length === 0 || scale <= 0) return;
  const begin = Float64Array.from(prices.room, (price) => price * input.plotMinutes);
  // Where each stands among its choices
  const at = Int32Array.from(options, (_, v) => {
    const stands = board.optionOf(v);
    return stands ? (choiceAt[v * places + board.placeOf(stands)] as number) : NOWHERE;
  });
  // Whoever begins at a plan that is nearly good has less to try
  const changes = changesFor(open.length) / (staying ? 2 : 1);
  let heat = HOT;
  for (let change = 0; change < changes; change++) {
    if (change % COOLED_EVERY === 0) heat = scale * HOT * (COLD / HOT) ** (change / changes);
    const v = open[Math.floor(drawn() * open.length)] as number;
    const kind = at[v] === NOWHERE ? 1 : drawn();
    if (kind < LEAVE_PLOT) leavePlot(v);
    else if (kind < LEAVE_PLOT + LEAVE) leave(v);
    else move(v);
  }

  /** Choices worth trying, the best first, and where something stands. */
  function flattened() {
    const choices = options.map((all, v) => {
      const over = all.map(
        (option, i) => beyondPrice(v, option) + (staying?.before.at[v] === i ? staying.points : 0),
      );
      const least = Math.max(-BELOW_LEAVING * scale, Math.max(...over) - WORSE * scale);
      const stands = board.at[v];
      return all
        .flatMap((option, i) => {
          const each = { i, place: board.placeOf(option), over: over[i] as number };
          const isWorth = option.gain > 0 && each.over >= least;
          return isWorth || i === stands || musts.has(v) ? [each] : [];
        })
        .sort((a, b) => b.over - a.over || a.i - b.i);
    });
    const all = choices.flat();
    let next = 0;
    const from = Int32Array.from([0, ...choices.map((own) => (next += own.length))]);
    const byPlace = new Int32Array(options.length * places).fill(NOWHERE);
    choices.forEach((own, v) => {
      own.forEach((each, k) => {
        byPlace[v * places + each.place] = (from[v] as number) + k;
      });
    });
    return {
      first: from,
      place: Int32Array.from(all, (each) => each.place),
      index: Int32Array.from(all, ({ i }) => i),
      worth: Float64Array.from(all, ({ over }) => over),
      choiceAt: byPlace,
    };
  }

  /** What it brings beyond the price of its own minutes. */
  function beyondPrice(v: number, option: Option): number {
    const { minutes, ladder } = input.visits[v] as CampaignVisit;
    const where = board.placeOf(option);
    const price = (prices.room[where] as number) + (ladder ? (prices.ladder[where] as number) : 0);
    return option.gain - minutes * price;
  }

  /** Beyond what it takes to begin as well, where it would be the first of its plot. */
  function net(v: number, k: number): number {
    const where = place[k] as number;
    return (worth[k] as number) - (board.beginsIn(v, where) ? (begin[where] as number) : 0);
  }

  function isTaken(more: number): boolean {
    return more >= 0 || drawn() < Math.exp(more / heat);
  }

  function put(v: number, k: number): void {
    if (k === NOWHERE) return;
    board.put(v, index[k] as number);
    at[v] = k;
  }

  /** Taken out. @returns what it brought there, nothing where it stood nowhere */
  function out(v: number): number {
    const k = at[v] as number;
    if (k === NOWHERE) return 0;
    board.take(v);
    at[v] = NOWHERE;
    return net(v, k);
  }

  function leave(v: number): void {
    if (musts.has(v)) return;
    const k = at[v] as number;
    if (!isTaken(-out(v))) put(v, k);
  }

  /** Goes somewhere else, where need be in the place of another, which goes to where it came from or is left. */
  function move(v: number): void {
    const to = drawnChoice(v);
    if (to === NOWHERE) return;
    const was = at[v] as number;
    const where = place[to] as number;
    if (board.fitsIn(v, where)) {
      const more = net(v, to) - out(v);
      put(v, isTaken(more) ? to : was);
      return;
    }
    const here = board.standingIn(where);
    const other = here[Math.floor(drawn() * here.length)];
    if (other === undefined || held.has(other) || musts.has(other)) return;
    const others = at[other] as number;
    let more = -out(other) - out(v);
    if (board.fitsIn(v, where)) {
      more += net(v, to);
      put(v, to);
      const back = was === NOWHERE ? NOWHERE : (choiceAt[other * places + (place[was] as number)] as number);
      const wins = back === NOWHERE ? 0 : net(other, back);
      if (wins > 0 && board.fitsIn(other, place[back] as number)) {
        more += wins;
        put(other, back);
      }
      if (isTaken(more)) return;
      out(other);
      out(v);
    }
    put(other, others);
    put(v, was);
  }

  /** Mostly one where its plot is begun. */
  function drawnChoice(v: number): number {
    const from = first[v] as number;
    const many = (first[v + 1] as number) - from;
    const isBegun = drawn() < WHERE_BEGUN;
    let to = NOWHERE;
    for (let look = 0; look < LOOKS; look++) {
      const k = from + Math.floor(drawn() ** TOWARDS_BEST * many);
      if (k === at[v]) continue;
      to = k;
      if (!isBegun || !board.beginsIn(v, place[k] as number)) break;
    }
    return to;
  }

  /** All visits of its plot leave the place: each goes where somebody is in the plot anyway, or is left. */
  function leavePlot(v: number): void {
    const where = place[at[v] as number] as number;
    if (board.standingOf(v, where) > MOST_OF_PLOT) return;
    const own = board.standingIn(where).filter((each) => plotOf[each] === plotOf[v]);
    if (own.some((each) => held.has(each) || musts.has(each))) return;
    const were = own.map((each) => at[each] as number);
    let more = 0;
    for (const each of own) more -= out(each);
    for (const each of own) {
      const end = first[each + 1] as number;
      for (let k = first[each] as number; k < end && (worth[k] as number) > 0; k++) {
        const to = place[k] as number;
        if (to === where || board.beginsIn(each, to) || !board.fitsIn(each, to)) continue;
        more += worth[k] as number;
        put(each, k);
        break;
      }
    }
    if (isTaken(more)) return;
    for (const each of own) out(each);
    own.forEach((each, i) => {
      put(each, were[i] as number);
    });
  }
}

/** What visits bring on the mean where they bring most. */
function typical(options: readonly (readonly Option[])[]): number {
  const most = options.flatMap((all) => {
    const best = Math.max(0, ...all.map(({ gain }) => gain));
    return best > 0 ? [best] : [];
  });
  return most.reduce((sum, each) => sum + each, 0) / Math.max(1, most.length);
}
