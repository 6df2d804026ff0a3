// What no plan goes beyond, more closely: visits are priced too, so that to begin in a plot is weighed against all that would be done there.
import type { Choices } from './choices';
import type { Model, Option } from './model';
import type { Priced } from './prices';
import type { CampaignVisit } from './shapes';

/** A step as a share of the way to the plan that is known (Polyak), and after how many rounds without a better bound it is halved. */
const FIRST_SHARE = 1;
const LEAST_SHARE = 0.002;
const PATIENCE = 10;

/**
 * By Lagrange, place by place: a visit is paid for once, wherever it is done; a plot is begun in a place only where its visits bring more than that
 * takes. Each round gives a bound; the least counts.
 *
 * @param choices what any plan may do with each visit
 * @param from prices to begin with
 * @param known points above leaving all that some plan brings
 * @param rounds so many at most
 */
export function tightened(
  model: Model,
  { options, required }: Choices,
  from: Priced,
  known: number,
  rounds: number,
): Priced {
  const { input, plotOf, plots } = model;
  const { visits, plotMinutes } = input;
  const slots = input.slots.length;
  const places = model.room.length;
  const placeOf = ({ pool, slot }: Option) => pool * slots + slot;
  const segments = segmentsOf();
  const room = from.room.slice();
  const ladder = from.ladder.slice();
  const pays = Float64Array.from(visits, ({ minutes, ladder: climbs }, v) => {
    const over = (option: Option) => {
      const place = placeOf(option);
      return option.gain - minutes * ((room[place] as number) + (climbs ? (ladder[place] as number) : 0));
    };
    return Math.max(least(v), ...(options[v] as readonly Option[]).map(over));
  });
  let best = from;
  let share = FIRST_SHARE;
  let since = 0;
  const done = new Float64Array(visits.length);
  const used = new Float64Array(places);
  const climbed = new Float64Array(places);
  for (let round = 0; round < rounds && share > LEAST_SHARE; round++) {
    done.fill(0);
    used.fill(0);
    climbed.fill(0);
    let bound = 0;
    for (let place = 0; place < places; place++)
      bound +=
        (room[place] as number) * (model.room[place] as number) +
        (ladder[place] as number) * (model.ladderRoom[place] as number);
    for (const each of pays) bound += each;
    for (const { place, own, gain } of segments) {
      const price = room[place] as number;
      const climb = ladder[place] as number;
      let over = -plotMinutes * price;
      const over0 = (i: number) => {
        const v = own[i] as number;
        const { minutes, ladder: climbs } = visits[v] as CampaignVisit;
        return (gain[i] as number) - (pays[v] as number) - minutes * (climbs ? price + climb : price);
      };
      for (let i = 0; i < own.length; i++) {
        const more = over0(i);
        if (more > 0) over += more;
      }
      if (over <= 0) continue;
      bound += over;
      used[place] = (used[place] as number) + plotMinutes;
      for (let i = 0; i < own.length; i++) {
        if (over0(i) <= 0) continue;
        const v = own[i] as number;
        const { minutes, ladder: climbs } = visits[v] as CampaignVisit;
        done[v] = (done[v] as number) + 1;
        used[place] = (used[place] as number) + minutes;
        if (climbs) climbed[place] = (climbed[place] as number) + minutes;
      }
    }
    if (bound < best.bound - 1e-9) {
      best = { room: room.slice(), ladder: ladder.slice(), bound };
      since = 0;
    } else if (++since >= PATIENCE) {
      share /= 2;
      since = 0;
    }
    step(bound);
  }
  return best;

  function step(bound: number): void {
    let norm = 0;
    for (let v = 0; v < visits.length; v++) if (isOpen(v)) norm += (1 - (done[v] as number)) ** 2;
    for (let place = 0; place < places; place++) {
      norm += (((model.room[place] as number) - (used[place] as number)) / A_VISIT) ** 2;
      norm += (((model.ladderRoom[place] as number) - (climbed[place] as number)) / A_VISIT) ** 2;
    }
    if (norm === 0) return;
    const by = (share * Math.max(0, bound - known)) / norm;
    for (let v = 0; v < visits.length; v++)
      if (isOpen(v)) pays[v] = Math.max(least(v), (pays[v] as number) - by * (1 - (done[v] as number)));
    for (let place = 0; place < places; place++) {
      const left = (model.room[place] as number) - (used[place] as number);
      const ladders = (model.ladderRoom[place] as number) - (climbed[place] as number);
      room[place] = Math.max(0, (room[place] as number) - (by * left) / A_VISIT ** 2);
      ladder[place] = Math.max(0, (ladder[place] as number) - (by * ladders) / A_VISIT ** 2);
    }
  }

  /** What is done in every plan may be paid to be done. */
  function least(v: number): number {
    return required[v] ? Number.NEGATIVE_INFINITY : 0;
  }

  function isOpen(v: number): boolean {
    return (options[v] as readonly Option[]).length > 0;
  }

  function segmentsOf() {
    const all = Array.from(model.room, () =>
      plots.map((): { own: number[]; gain: number[] } => ({ own: [], gain: [] })),
    );
    options.forEach((ofVisit, v) => {
      for (const option of ofVisit) {
        if (option.gain <= 0 && !required[v]) continue;
        const segment = all[placeOf(option)]?.[plotOf[v] as number];
        segment?.own.push(v);
        segment?.gain.push(option.gain);
      }
    });
    return all.flatMap((ofPlots, place) =>
      ofPlots.flatMap(({ own, gain }) =>
        own.length === 0 ? [] : [{ place, own: Int32Array.from(own), gain: Float64Array.from(gain) }],
      ),
    );
  }
}

/** Minutes that weigh in a step as much as a visit does: found by trying on seasons that were made up. */
const A_VISIT = 100;
