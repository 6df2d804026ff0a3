// A plan of a season while it is made: what stands where, and what room is left.
import { type Model, type Option, placeOf } from './model';

export const NOWHERE = -1;
const CLOSE = 1e-9;

export class Board {
  /** Where each visit stands among its options; −1: it is left. */
  readonly at: Int32Array;
  readonly #used: Float64Array;
  readonly #onLadders: Float64Array;
  /** How many visits stand in a plot: place × plots + plot. */
  readonly #inPlot: Int32Array;
  readonly #here: number[][];
  /** Of each visit among those of its place. */
  readonly #nth: Int32Array;
  readonly #minutes: Float64Array;
  readonly #climbs: Uint8Array;

  constructor(readonly model: Model) {
    const places = model.room.length;
    this.at = new Int32Array(model.input.visits.length).fill(NOWHERE);
    this.#used = new Float64Array(places);
    this.#onLadders = new Float64Array(places);
    this.#inPlot = new Int32Array(places * model.plots.length);
    this.#here = Array.from({ length: places }, () => []);
    this.#nth = new Int32Array(model.input.visits.length);
    this.#minutes = Float64Array.from(model.input.visits, ({ minutes }) => minutes);
    this.#climbs = Uint8Array.from(model.input.visits, ({ ladder }) => Number(ladder));
  }

  static copyOf({ model, at }: Board): Board {
    const copy = new Board(model);
    at.forEach((option, v) => {
      if (option !== NOWHERE) copy.put(v, option);
    });
    return copy;
  }

  placeOf(option: Pick<Option, 'pool' | 'slot'>): number {
    return placeOf(this.model.input, option);
  }

  optionOf(v: number): Option | null {
    const at = this.at[v] as number;
    return at === NOWHERE ? null : ((this.model.options[v] as Option[])[at] as Option);
  }

  /** Visits that stand in a place, in no order. */
  standingIn(place: number): readonly number[] {
    return this.#here[place] as number[];
  }

  usedIn(place: number): number {
    return this.#used[place] as number;
  }

  plotsIn(place: number): number {
    const { plots } = this.model;
    return this.#inPlot.subarray(place * plots.length, (place + 1) * plots.length).filter((n) => n > 0)
      .length;
  }

  /** Is there room for it, once others are taken out? @param without one that stands in the same place */
  fits(v: number, option: Option, without = NOWHERE): boolean {
    return this.fitsIn(v, this.placeOf(option), without);
  }

  fitsIn(v: number, place: number, without = NOWHERE): boolean {
    const { room, ladderRoom, input, plotOf } = this.model;
    const minutes = this.#minutes[v] as number;
    const plot = plotOf[v] as number;
    let used = (this.#used[place] as number) + minutes;
    let onLadders = this.#onLadders[place] as number;
    let inPlot = this.#count(place, plot);
    if (without !== NOWHERE) {
      const others = this.#minutes[without] as number;
      const otherPlot = plotOf[without] as number;
      used -= others;
      if (this.#climbs[without]) onLadders -= others;
      if (this.#count(place, otherPlot) === 1) used -= input.plotMinutes;
      if (otherPlot === plot) inPlot -= 1;
    }
    if (inPlot === 0) used += input.plotMinutes;
    if (this.#climbs[v] && onLadders + minutes > (ladderRoom[place] as number) + CLOSE) return false;
    return used <= (room[place] as number) + CLOSE;
  }

  /** Would it be the first of its plot there? */
  begins(v: number, option: Option): boolean {
    return this.beginsIn(v, this.placeOf(option));
  }

  beginsIn(v: number, place: number): boolean {
    return this.standingOf(v, place) === 0;
  }

  /** Visits of its plot that stand in a place. */
  standingOf(v: number, place: number): number {
    return this.#count(place, this.model.plotOf[v] as number);
  }

  put(v: number, option: number): void {
    const where = (this.model.options[v] as Option[])[option] as Option;
    this.#change(v, this.placeOf(where), 1);
    this.at[v] = option;
  }

  take(v: number): void {
    const where = this.optionOf(v);
    if (!where) return;
    this.#change(v, this.placeOf(where), -1);
    this.at[v] = NOWHERE;
  }

  /** Points above leaving all. */
  gain(): number {
    return this.at.reduce((sum, _, v) => sum + (this.optionOf(v)?.gain ?? 0), 0);
  }

  /** Days that musts are late, each by its weight. */
  lateness(): number {
    const { input, never } = this.model;
    return input.visits.reduce((sum, { must }, v) => {
      const where = this.optionOf(v);
      return sum + (must ? (where ? where.late * must.weight : (never[v] as number)) : 0);
    }, 0);
  }

  #count(place: number, plot: number): number {
    return this.#inPlot[place * this.model.plots.length + plot] as number;
  }

  #change(v: number, place: number, by: 1 | -1): void {
    const { input, plotOf, plots } = this.model;
    const minutes = this.#minutes[v] as number;
    const plot = place * plots.length + (plotOf[v] as number);
    const before = this.#inPlot[plot] as number;
    this.#inPlot[plot] = before + by;
    // The first in a plot begins there, the last leaves it
    const begins = (before === 0 && by === 1) || (before === 1 && by === -1);
    this.#used[place] = (this.#used[place] as number) + by * (minutes + (begins ? input.plotMinutes : 0));
    if (this.#climbs[v]) this.#onLadders[place] = (this.#onLadders[place] as number) + by * minutes;
    const here = this.#here[place] as number[];
    if (by === 1) {
      this.#nth[v] = here.length;
      here.push(v);
      return;
    }
    // The last takes its turn
    const last = here.pop() as number;
    if (last === v) return;
    const nth = this.#nth[v] as number;
    here[nth] = last;
    this.#nth[last] = nth;
  }
}
