// Visits as columns of a program, and back from its answer.
import type { Board } from './board';
import type { Column, Program, SolverAnswer } from './lp';
import type { Model, Option } from './model';
import type { CampaignVisit } from './shapes';

/** Which of the options of a visit is that place; −1: none. */
export const indexOf = ({ options }: Model, v: number, { pool, slot }: Option): number =>
  (options[v] as readonly Option[]).findIndex((option) => option.pool === pool && option.slot === slot);

/** The places that an answer has for visits; null where it has none. */
export function taken(
  board: Board,
  columns: readonly Column[],
  { nameOf }: Program,
  { values }: SolverAnswer,
): Board | null {
  if (!values) return null;
  columns.forEach(({ visit, options }, c) => {
    const chosen = options.find((option) => (values[nameOf(c, option)] ?? 0) > 0.5);
    if (chosen) board.put(visit, indexOf(board.model, visit, chosen));
  });
  return board;
}

/** All visits; of what is asked for, only with what keeps it as it is. */
export function singly(model: Model, board: Board): Column[] {
  return model.options.flatMap((options, v) =>
    options.length === 0 ? [] : [{ visit: v, options: optionsKept(board, v, options) }],
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
const asked = (option: Option): Option => ({ ...option, gain: option.gain + PINNED });
export const PINNED = 1e5;
export const isAsked = ({ gain }: Option) => gain > PINNED / 2;
