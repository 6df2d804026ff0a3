// A few places and what may stand in them, chosen anew as one program with whole numbers, all else as it is: where plots are begun too often this
// finds what moving visit by visit does not.
import type { Board } from './board';
import { alone, asked, indexOf } from './columns';
import { programOf, type Solver } from './lp';
import type { Option } from './model';
import type { CampaignVisit } from './shapes';

/** Up to so many visits: so many times, with so many places and visits of which none stands anywhere, and so many nodes of the search each. */
const EFFORTS = [
  { visits: 60, times: 24, places: 3, left: 10, nodes: 8 },
  { visits: 1000, times: 30, places: 2, left: 6, nodes: 5 },
  // A place holds too many of them for such a program
  { visits: Number.POSITIVE_INFINITY, times: 0, places: 0, left: 0, nodes: 0 },
];
const BETTER = 1e-7;

const WHOLE = { goal: 'gain', whole: true, lateAtMost: null } as const;

/** Pins stay where they stand, and musts are done. */
export function improveByNeighbourhoods(board: Board, solver: Solver): void {
  const { model } = board;
  const { visits } = model.input;
  const effort = EFFORTS.find(({ visits: most }) => visits.length <= most);
  const { times, places, left, nodes } = effort as (typeof EFFORTS)[number];
  for (let time = 0; time < times; time++) {
    const chosen = new Set(placesOf(board, time, places));
    if (chosen.size === 0) return;
    const inside = (option: Option) => chosen.has(board.placeOf(option));
    const standing = [...chosen].flatMap((place) => [...board.standingIn(place)]).sort((a, b) => a - b);
    const columns = [...standing, ...bestLeft(board, inside, left)].flatMap((v) => {
      const { must, pin } = visits[v] as CampaignVisit;
      const stands = board.optionOf(v);
      if (stands && pin && !must) return [alone(model, v, [asked(stands)])];
      const here = (model.options[v] as readonly Option[]).filter(inside);
      // A must stays done, wherever
      const options = stands && must ? here.map(asked) : here.filter(({ gain }) => gain > BETTER);
      return options.length > 0 ? [alone(model, v, options)] : [];
    });
    const program = programOf(model, columns, WHOLE);
    const { values } = solver(program.text, { gap: 0, nodes });
    if (!values) continue;
    const before = standing.reduce((sum, v) => sum + (board.optionOf(v)?.gain ?? 0), 0);
    const to = columns.flatMap(({ visits: [v = 0], options }, c) => {
      const option = options.find((each) => (values[program.nameOf(c, each)] ?? 0) > 0.5);
      return option ? [[v, indexOf(model, v, option)] as const] : [];
    });
    const after = to.reduce((sum, [v, i]) => sum + (model.options[v]?.[i]?.gain ?? 0), 0);
    if (after <= before + BETTER) continue;
    for (const v of standing) board.take(v);
    for (const [v, i] of to) board.put(v, i);
  }
}

/** Places where a plot is begun, from one on that changes with the time; with one plot alone, any that are used. */
function placesOf(board: Board, time: number, most: number): number[] {
  const { plots, plotOf, room } = board.model;
  const used = [...room.keys()].filter((place) => board.standingIn(place).size > 0);
  if (used.length === 0) return [];
  const plot = time % plots.length;
  const begun = used.filter((place) => [...board.standingIn(place)].some((v) => plotOf[v] === plot));
  const all = begun.length > 1 ? begun : used;
  const from = Math.floor(time / plots.length) * (most - 1);
  return Array.from({ length: Math.min(most, all.length) }, (_, k) => all[(from + k) % all.length] as number);
}

/** Those that stand nowhere and bring most by the minute there. */
function bestLeft(board: Board, inside: (option: Option) => boolean, most: number): number[] {
  const { options, input } = board.model;
  const worth = options.flatMap((all, v) => {
    if (board.optionOf(v)) return [];
    const gain = all.reduce((best, option) => (inside(option) ? Math.max(best, option.gain) : best), 0);
    return gain > BETTER ? [{ v, worth: gain / (input.visits[v]?.minutes ?? 1) }] : [];
  });
  return worth
    .sort((a, b) => b.worth - a.worth || a.v - b.v)
    .slice(0, most)
    .map(({ v }) => v);
}
