// Once it is known how late musts are at least: where each visit may go without being later, in a plan and in what no plan goes beyond.
import { Board } from './board';
import { indexOf } from './columns';
import type { Model, Option } from './model';
import type { CampaignVisit } from './shapes';

const CLOSE = 1e-9;

/** What any plan as little late may do with each visit. */
export interface Choices {
  options: readonly (readonly Option[])[];
  /** It is done in every one of them. */
  required: readonly boolean[];
}

/** @param placed musts as little late as they can be, and pins that stand */
export function choicesOf({ input, options, never }: Model, placed: Board): Choices {
  const lateness = placed.lateness();
  return {
    options: options.map((all, v) => {
      const { must, pin } = input.visits[v] as CampaignVisit;
      if (must) return all.filter(({ late }) => late * must.weight <= lateness + CLOSE);
      const stands = placed.optionOf(v);
      return pin && stands ? [stands] : all;
    }),
    required: input.visits.map(({ must, pin }, v) =>
      must ? (never[v] as number) > lateness + CLOSE : pin !== null && placed.optionOf(v) !== null,
    ),
  };
}

/**
 * The same season with musts that stand kept from being later than they are.
 *
 * @returns the board in it, with what stands
 */
export function onTime(placed: Board): Board {
  const { model } = placed;
  const options = model.options.map((all, v) => {
    const stands = placed.optionOf(v);
    const { must } = model.input.visits[v] as CampaignVisit;
    return must && stands ? all.filter(({ late }) => late <= stands.late) : all;
  });
  const board = new Board({ ...model, options });
  model.options.forEach((_, v) => {
    const stands = placed.optionOf(v);
    if (stands) board.put(v, indexOf(board.model, v, stands));
  });
  return board;
}
