// What no plan goes beyond, plot by plot: once minutes have their price, where to begin in a plot is a question of that plot alone, and that of
// where to open what so that everybody is served (uncapacitated facility location), which is nearly always solved to within a thousandth.
import type { Choices } from './choices';
import { type Model, placeOf } from './model';
import { type Priced, roomWorth } from './prices';
import type { CampaignVisit } from './shapes';

/** A step as a share of the way to the plan that is known (Polyak), and after how many rounds without a better bound it is halved. */
const FIRST_SHARE = 1;
const LEAST_SHARE = 0.003;
const PATIENCE = 6;
const MOST_CHANGES = 40;
const MOST_PASSES = 30;
const CLOSE = 1e-9;
/** What it weighs to leave a visit that is done in every plan. */
const NEVER = 1e6;

/**
 * Prices of minutes and ladders by the subgradient, with what each plot brings at these prices: places where it is begun are opened and closed
 * one at a time as long as that brings more, and the dual ascent says what no other choice of places goes beyond.
 *
 * @param choices what any plan may do with each visit
 * @param from prices to begin with
 * @param known points above leaving all that some plan brings
 * @param rounds so many at most
 * @source dual ascent: Erlenkotter 1978, Operations Research 26:992; steps: Held, Wolfe and Crowder 1974, Mathematical Programming 6:62
 */
export function boundByPlots(
  model: Model,
  choices: Choices,
  from: Priced,
  known: number,
  rounds: number,
): Priced {
  const { input, plots } = model;
  const places = model.room.length;
  const parts = plots.map((_, plot) => new Part(model, choices, plot));
  const room = from.room.slice();
  const ladder = from.ladder.slice();
  const used = new Float64Array(places);
  const climbed = new Float64Array(places);
  let best = from;
  let share = FIRST_SHARE;
  let since = 0;
  for (let round = 0; round < rounds && share > LEAST_SHARE; round++) {
    used.fill(0);
    climbed.fill(0);
    let bound = roomWorth(model, room, ladder);
    for (const part of parts) bound += part.solved({ room, ladder, begin: input.plotMinutes }, used, climbed);
    if (bound < best.bound - CLOSE) {
      best = { room: room.slice(), ladder: ladder.slice(), bound };
      since = 0;
    } else if (++since >= PATIENCE) {
      share /= 2;
      since = 0;
    }
    let norm = 0;
    for (let place = 0; place < places; place++) {
      norm += ((model.room[place] as number) - (used[place] as number)) ** 2;
      norm += ((model.ladderRoom[place] as number) - (climbed[place] as number)) ** 2;
    }
    if (norm === 0) break;
    const by = (share * Math.max(0, bound - known)) / norm;
    for (let place = 0; place < places; place++) {
      const left = (model.room[place] as number) - (used[place] as number);
      const ladders = (model.ladderRoom[place] as number) - (climbed[place] as number);
      room[place] = Math.max(0, (room[place] as number) - by * left);
      ladder[place] = Math.max(0, (ladder[place] as number) - by * ladders);
    }
  }
  return best;
}

interface Costs {
  room: Float64Array;
  ladder: Float64Array;
  /** Minutes that it takes to begin. */
  begin: number;
}

/** The visits of one plot and the places that they may stand in. */
class Part {
  readonly #minutes: Float64Array;
  readonly #climbs: readonly boolean[];
  /** What it brings to leave each. */
  readonly #left: Float64Array;
  /** Choices of a visit from `first` to that of the next: the place, among those of the plot, and what it gains there; the best first. */
  readonly #first: Int32Array;
  readonly #at: Int32Array;
  readonly #gain: Float64Array;
  readonly #over: Float64Array;
  readonly #places: Int32Array;
  readonly #isOpen: Uint8Array;
  readonly #best: Float64Array;
  readonly #second: Float64Array;
  readonly #where: Int32Array;
  readonly #by: Float64Array;

  constructor({ input, plotOf }: Model, { options, required }: Choices, plot: number) {
    const own = options.flatMap((all, v) => {
      if (plotOf[v] !== plot) return [];
      const open = all.filter(({ gain }) => gain > 0 || required[v]);
      return open.length > 0 ? [{ v, open }] : [];
    });
    const visits = own.map(({ v }) => input.visits[v] as CampaignVisit);
    const found = own.flatMap(({ open }) => open.map((option) => placeOf(input, option)));
    this.#places = Int32Array.from(new Set(found)).sort();
    const indexOf = new Map([...this.#places].map((place, j) => [place, j]));
    this.#at = Int32Array.from(found, (place) => indexOf.get(place) as number);
    this.#gain = Float64Array.from(own.flatMap(({ open }) => open.map(({ gain }) => gain)));
    this.#over = new Float64Array(found.length);
    let next = 0;
    this.#first = Int32Array.from([0, ...own.map(({ open }) => (next += open.length))]);
    this.#minutes = Float64Array.from(visits, ({ minutes }) => minutes);
    this.#climbs = visits.map(({ ladder }) => ladder);
    this.#left = Float64Array.from(own, ({ v }) => (required[v] ? -NEVER : 0));
    this.#isOpen = new Uint8Array(this.#places.length);
    this.#best = new Float64Array(own.length);
    this.#second = new Float64Array(own.length);
    this.#where = new Int32Array(own.length);
    this.#by = new Float64Array(this.#places.length);
  }

  /**
   * What the plot brings at most at these prices.
   *
   * @param used minutes by place; those of the choice that was found are added
   */
  solved({ room, ladder, begin }: Costs, used: Float64Array, climbed: Float64Array): number {
    const cost = Float64Array.from(this.#places, (place) => begin * (room[place] as number));
    this.#price(room, ladder);
    this.#lookAll();
    for (let change = 0; change < MOST_CHANGES; change++) {
      const isClosed = this.#closeOne(cost);
      const isOpened = this.#openOne(cost);
      if (!isClosed && !isOpened) break;
    }
    for (let j = 0; j < cost.length; j++) {
      const place = this.#places[j] as number;
      if (this.#isOpen[j]) used[place] = (used[place] as number) + begin;
    }
    for (let v = 0; v < this.#minutes.length; v++) {
      const j = this.#where[v] as number;
      if (j < 0) continue;
      const place = this.#places[j] as number;
      const minutes = this.#minutes[v] as number;
      used[place] = (used[place] as number) + minutes;
      if (this.#climbs[v]) climbed[place] = (climbed[place] as number) + minutes;
    }
    return this.#ascended(cost);
  }

  /** What each brings beyond the price of its minutes, the best first: the order of before is nearly right. */
  #price(room: Float64Array, ladder: Float64Array): void {
    for (let v = 0; v < this.#minutes.length; v++) {
      const [from, to] = [this.#first[v] as number, this.#first[v + 1] as number];
      for (let k = from; k < to; k++) {
        const [j, gain] = [this.#at[k] as number, this.#gain[k] as number];
        const place = this.#places[j] as number;
        const price = (room[place] as number) + (this.#climbs[v] ? (ladder[place] as number) : 0);
        const over = gain - (this.#minutes[v] as number) * price;
        let i = k;
        for (; i > from && (this.#over[i - 1] as number) < over; i--) {
          this.#over[i] = this.#over[i - 1] as number;
          this.#at[i] = this.#at[i - 1] as number;
          this.#gain[i] = this.#gain[i - 1] as number;
        }
        this.#over[i] = over;
        this.#at[i] = j;
        this.#gain[i] = gain;
      }
    }
  }

  #lookAll(): void {
    for (let v = 0; v < this.#minutes.length; v++) this.#look(v);
  }

  /** The best and the second best of the places that are open. */
  #look(v: number): void {
    const left = this.#left[v] as number;
    this.#best[v] = left;
    this.#second[v] = left;
    this.#where[v] = -1;
    const to = this.#first[v + 1] as number;
    for (let k = this.#first[v] as number; k < to; k++) {
      const over = this.#over[k] as number;
      if (over <= left) return;
      const j = this.#at[k] as number;
      if (!this.#isOpen[j]) continue;
      if ((this.#where[v] as number) >= 0) {
        this.#second[v] = over;
        return;
      }
      this.#best[v] = over;
      this.#where[v] = j;
    }
  }

  /** The one whose visits lose least elsewhere, where that is less than it takes to begin there. */
  #closeOne(cost: Float64Array): boolean {
    const lost = this.#by.fill(0);
    for (let v = 0; v < this.#minutes.length; v++) {
      const j = this.#where[v] as number;
      if (j >= 0) lost[j] = (lost[j] as number) + (this.#best[v] as number) - (this.#second[v] as number);
    }
    const at = this.#bestOf((j) => (this.#isOpen[j] ? (cost[j] as number) - (lost[j] as number) : 0));
    if (at < 0) return false;
    this.#isOpen[at] = 0;
    this.#lookAll();
    return true;
  }

  /** The one whose visits gain most there beyond what it takes to begin. */
  #openOne(cost: Float64Array): boolean {
    const won = this.#by.fill(0);
    for (let v = 0; v < this.#minutes.length; v++) this.#addOver(v, this.#best[v] as number, won);
    const at = this.#bestOf((j) => (this.#isOpen[j] ? 0 : (won[j] as number) - (cost[j] as number)));
    if (at < 0) return false;
    this.#isOpen[at] = 1;
    this.#lookAll();
    return true;
  }

  #addOver(v: number, pay: number, to: Float64Array): void {
    const end = this.#first[v + 1] as number;
    for (let k = this.#first[v] as number; k < end; k++) {
      const more = (this.#over[k] as number) - pay;
      if (more <= 0) return;
      const j = this.#at[k] as number;
      to[j] = (to[j] as number) + more;
    }
  }

  #bestOf(worth: (j: number) => number): number {
    let at = -1;
    let most = CLOSE;
    for (let j = 0; j < this.#places.length; j++) {
      const each = worth(j);
      if (each > most) {
        most = each;
        at = j;
      }
    }
    return at;
  }

  /**
   * The least that visits can be paid so that nowhere it is worth more to begin than it costs: at first what each has where it stands; then each is
   * paid less, in turn, as long as no place would be worth beginning.
   */
  #ascended(cost: Float64Array): number {
    const pay = this.#best.slice();
    const slack = this.#by;
    slack.fill(0);
    for (let v = 0; v < pay.length; v++) this.#addOver(v, pay[v] as number, slack);
    for (let j = 0; j < cost.length; j++) slack[j] = (cost[j] as number) - (slack[j] as number);
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      let isLess = false;
      for (let v = 0; v < pay.length; v++) isLess = this.#paidLess(v, pay, slack) || isLess;
      if (!isLess) break;
    }
    let bound = 0;
    for (let v = 0; v < pay.length; v++) bound += pay[v] as number;
    for (let j = 0; j < cost.length; j++) bound += Math.max(0, -(slack[j] as number));
    return bound;
  }

  /** Down to the next place that it would be drawn to, or as far as those allow that it is drawn to already. */
  #paidLess(v: number, pay: Float64Array, slack: Float64Array): boolean {
    const before = pay[v] as number;
    const from = this.#first[v] as number;
    const to = this.#first[v + 1] as number;
    let least = this.#left[v] as number;
    let open = before - least;
    let end = from;
    for (; end < to; end++) {
      const over = this.#over[end] as number;
      if (over < before - CLOSE) {
        least = Math.max(least, over);
        break;
      }
      open = Math.min(open, slack[this.#at[end] as number] as number);
    }
    const down = Math.min(before - least, open);
    if (down <= CLOSE) return false;
    for (let k = from; k < end; k++) {
      const j = this.#at[k] as number;
      slack[j] = (slack[j] as number) - down;
    }
    pay[v] = before - down;
    return true;
  }
}
