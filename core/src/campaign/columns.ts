// Visits as columns of a program: each by itself, or those that are alike together; and back from its answer.
import type { Board } from './board';
import type { Column, Program, SolverAnswer } from './lp';
import type { Model, Option } from './model';
import type { CampaignVisit } from './shapes';

/** Visits alike are one column: of the same plot and way, about as long and worth about as much. */
const MINUTE_BANDS = 4;
const WORTH_BANDS = 5;
/** So many columns a visit may be one of its own. */
const FINE_COLUMNS = 400;

/** Which of the options of a visit is that place; −1: none. */
export const indexOf = ({ options }: Model, v: number, { pool, slot }: Option): number =>
  (options[v] as readonly Option[]).findIndex((option) => option.pool === pool && option.slot === slot);

/** The places that an answer has for columns of one visit each; null where it has none. */
export function taken(
  board: Board,
  columns: readonly Column[],
  { nameOf }: Program,
  { values }: SolverAnswer,
): Board | null {
  if (!values) return null;
  columns.forEach(({ visits, options }, c) => {
    const [v] = visits as [number];
    const chosen = options.find((option) => (values[nameOf(c, option)] ?? 0) > 0.5);
    if (chosen) board.put(v, indexOf(board.model, v, chosen));
  });
  return board;
}

export function alone(model: Model, v: number, options: readonly Option[]): Column {
  const { minutes, ladder } = model.input.visits[v] as CampaignVisit;
  return { visits: [v], minutes, ladder, plot: model.plotOf[v] as number, options };
}

/** Each visit a column of its own; of what is asked for, only with what keeps it as it is. */
export function singly(model: Model, board: Board): Column[] {
  return model.options.flatMap((options, v) =>
    options.length === 0 ? [] : [alone(model, v, optionsKept(board, v, options))],
  );
}

/** Of a pin only while it stands; of a must in one program with the others, which hold its lateness. */
function optionsKept({ model, at }: Board, v: number, options: readonly Option[]): readonly Option[] {
  const { pin, must } = model.input.visits[v] as CampaignVisit;
  const stands = at[v] as number;
  if (!must && pin) return stands >= 0 ? [asked(options[stands] as Option)] : [];
  return options;
}

/** A pin that stands is kept at any price. */
export const asked = (option: Option): Option => ({ ...option, gain: option.gain + PINNED });
export const PINNED = 1e5;
export const isAsked = ({ gain }: Option) => gain > PINNED / 2;

/** Visits that are alike, as long as there are many. */
export function columnsOf(model: Model, board: Board): Column[] {
  const { visits } = model.input;
  const groups = new Map<string, number[]>();
  const own: Column[] = [];
  const isFine = visits.length <= FINE_COLUMNS;
  const edges = bandsOf(
    visits.map(({ minutes }) => minutes),
    MINUTE_BANDS,
  );
  const most = model.options.map((options) => Math.max(0, ...options.map(({ gain }) => gain)));
  const worth = bandsOf(most, WORTH_BANDS);
  model.options.forEach((options, v) => {
    const visit = visits[v] as CampaignVisit;
    if (options.length === 0) return;
    if (visit.must || visit.pin || isFine) {
      const stands = board.optionOf(v);
      // A must that stands is done, wherever it is no later; a pin stays
      const kept = !stands ? [] : visit.must ? options.map(asked) : [asked(stands)];
      own.push(alone(model, v, visit.must || visit.pin ? kept : options));
      return;
    }
    const places = options.map(({ pool, slot }) => `${pool}.${slot}`).join(' ');
    const bands = `${bandAt(edges, visit.minutes)} ${bandAt(worth, most[v] as number)}`;
    const key = `${model.plotOf[v]} ${visit.ladder} ${bands} ${places}`;
    groups.set(key, [...(groups.get(key) ?? []), v]);
  });
  const alike = [...groups.values()].map((members): Column => {
    const [first] = members as [number];
    const mean = (of: (v: number) => number) => members.reduce((sum, v) => sum + of(v), 0) / members.length;
    const byMinute = (v: number) => (most[v] as number) / (visits[v] as CampaignVisit).minutes;
    return {
      ...alone(model, first, []),
      visits: members.toSorted((a, b) => byMinute(b) - byMinute(a) || a - b),
      minutes: mean((v) => (visits[v] as CampaignVisit).minutes),
      options: (model.options[first] as readonly Option[]).map((option, i) => ({
        ...option,
        gain: mean((v) => model.options[v]?.[i]?.gain ?? 0),
      })),
    };
  });
  return [...own.filter(({ options }) => options.length > 0), ...alike];
}

/** Where bands end that hold about as many each. */
function bandsOf(all: readonly number[], bands: number): number[] {
  const sorted = all.toSorted((a, b) => a - b);
  return Array.from(
    { length: bands - 1 },
    (_, i) => sorted[Math.floor((sorted.length * (i + 1)) / bands)] ?? 0,
  );
}

const bandAt = (edges: readonly number[], value: number) => edges.filter((edge) => value >= edge).length;
