// How much less, and how much more, a plan comes to where limbs were counted at a glance and nobody looked at each of them.
import type { CutMinutes, MinutesFor } from '../handling/index';
import { COUNTED_WITHIN } from '../residual/index';
import { alike, indexLimbs, isDistalOf, type LimbIndex, wholeId } from '../tree/index';
import { MOVE_MINUTES, TOOL_MINUTES } from './order';
import type { Prepared } from './prepare';
import { minutesFor, type Priced } from './price';
import { type Grain, NO_GRAIN, type PlannedStep } from './treePlan';

const [FEWEST, MOST] = COUNTED_WITHIN;

/**
 * Steps with what their counts leave open. Fewer may be there than were counted; or more, and whoever looks at each of them makes a cut of its
 * own of each, those of a bundle that may stay with them.
 *
 * @param steps first to last
 */
export function withGrain<S extends Omit<PlannedStep, 'grain'>>(
  steps: readonly S[],
  { chosenFrom, crown, input }: Pick<Prepared, 'chosenFrom' | 'crown' | 'input'>,
): (S & { grain: Grain })[] {
  const index = indexLimbs(input.tree.limbs);
  const bundled = crown.pieces.filter(({ limbId }) => isBundle(limbId, index));
  if (bundled.length === 0) return steps.map((step) => ({ ...step, grain: NO_GRAIN }));
  const gone = new Set<(typeof bundled)[number]>();
  const spoken = new Set(
    steps.flatMap(({ candidateId }) => pricedAs(candidateId, chosenFrom)?.kerf?.limbId ?? []),
  );
  return steps.map((step) => {
    const priced = pricedAs(step.candidateId, chosenFrom);
    const kerf = priced?.kerf;
    if (!priced || !kerf) return { ...step, grain: NO_GRAIN };
    let own = 0;
    for (const piece of bundled) {
      const middle = (piece.fromCm + piece.toCm) / 2;
      if (gone.has(piece) || !isDistalOf(index, piece.limbId, middle, kerf.limbId, kerf.atCm)) continue;
      gone.add(piece);
      own += piece.crown;
    }
    const beside = besides(kerf.limbId, spoken, index);
    const stays = bundled.reduce((sum, { limbId, crown }) => sum + (beside.has(limbId) ? crown : 0), 0);
    const minutes = minutesOf(priced, countOf(beside, index), input);
    return { ...step, grain: { minutes, crown: [own * (1 - FEWEST), (own + stays) * MOST - own] } };
  });
}

/** Of all steps together. */
export const grainOfAll = (steps: readonly Pick<PlannedStep, 'grain'>[]): Grain => ({
  minutes: [sum(steps, 'minutes', 0), sum(steps, 'minutes', 1)],
  crown: [sum(steps, 'crown', 0), sum(steps, 'crown', 1)],
});

/**
 * From the least to the most of a figure; null where nothing was counted at a glance.
 *
 * @example withinOf(12, [4, 20]) //=> [8, 32]
 */
export function withinOf(figure: number, [less, more]: Grain['minutes']): [number, number] | null {
  return less === 0 && more === 0 ? null : [figure - less, figure + more];
}

function minutesOf(
  { handling, infected, minutes }: Priced,
  beside: number,
  input: Prepared['input'],
): Grain['minutes'] {
  if (!handling || handling.alike === 1) return [0, 0];
  const { alike: many, massKg } = handling;
  const single = minutesFor({ ...handling, alike: 1, massKg: massKg / many }, input, infected);
  // The ladder is set once for all of them; the thicker ones ask for another tool
  const each = part(single, 'blade') + part(single, 'place') + part(single, 'carrying') + MOVE_MINUTES;
  const counted = part(minutes, 'blade') + part(minutes, 'carrying');
  return [counted * (1 - FEWEST), Math.max(0, (many + beside) * MOST * each + 2 * TOOL_MINUTES - counted)];
}

const part = ({ because }: CutMinutes, kind: MinutesFor) =>
  because.find(({ what }) => what === kind)?.minutes ?? 0;

const pricedAs = (candidateId: string, all: readonly Priced[]) => all.find(({ id }) => id === candidateId);
const isBundle = (limbId: string, { byId }: LimbIndex) => alike(byId.get(limbId) ?? {}) > 1;
const countOf = (ids: ReadonlySet<string>, { byId }: LimbIndex) =>
  [...ids].reduce((many, id) => many + alike(byId.get(id) ?? {}), 0);
const sum = (steps: readonly Pick<PlannedStep, 'grain'>[], what: keyof Grain, end: 0 | 1) =>
  steps.reduce((total, { grain }) => total + grain[what][end], 0);

/** Others of the same bundle that no step deals with. */
function besides(limbId: string, spoken: ReadonlySet<string>, { byId }: LimbIndex): Set<string> {
  const of = wholeId(limbId);
  if (of === limbId) return new Set();
  return new Set([...byId.keys()].filter((id) => !spoken.has(id) && wholeId(id) === of));
}
