// What a plan leads to: what stays undone, how many shoots come, when the tree bears in full again.
import { regrowthOf } from './price';
import type { SeasonOfPlan } from './treePlan';
import type { Solved } from './visits';

export interface Outlook {
  /** Findings and limbs that are too tall, of those that the planner weighed and left. */
  left: number;
  /** Shoots that the cuts call up, at least and at most. */
  shoots: readonly [number, number];
  /** Years from now until a full crop is likely, at least and at most; 0 where none is lost. */
  fullCropIn: readonly [number, number];
  /** The last season in which something is done; 0 where nothing is. */
  doneIn: number;
}

/**
 * Years of little fruit after a season, by the share of crown that it took, thousandths: fruit still comes from buds already made in that year.
 *
 * @source extension advice on renovation, “two to three years”, from memory; the lower step common practice, no source
 */
const YEARS_LOST: readonly { above: number; years: readonly [number, number] }[] = [
  { above: 300, years: [2, 3] },
  { above: 200, years: [1, 2] },
];

export function outlookOf({ prepared, plan }: Pick<Solved, 'prepared' | 'plan'>): Outlook {
  const byId = new Map(prepared.all.map((priced) => [priced.id, priced]));
  const shoots = plan.steps.map(({ candidateId, pass, season }) => {
    const priced = byId.get(candidateId);
    return (priced && regrowthOf(priced, pass, takenIn(plan.seasons, season) / 1000)?.shoots) ?? [0, 0];
  });
  const weighed = plan.left.filter(({ why }) => why === 'not worth it' || why === 'no room');
  const tall = plan.height?.limbs.filter(({ left }) => left !== 'reached' && left !== 'hand over') ?? [];
  const crops = plan.seasons.map(({ season }) => {
    const lost = YEARS_LOST.find(({ above }) => takenIn(plan.seasons, season) > above);
    return lost ? lost.years.map((years) => season - 1 + years) : [0, 0];
  });
  const most = (at: 0 | 1) => Math.max(0, ...crops.map((years) => years[at] ?? 0));
  return {
    left: weighed.length + tall.length,
    shoots: [
      shoots.reduce((sum, [least]) => sum + least, 0),
      shoots.reduce((sum, [, upTo]) => sum + upTo, 0),
    ],
    fullCropIn: [most(0), most(1)],
    doneIn: Math.max(0, ...plan.steps.map(({ season }) => season)),
  };
}

function takenIn(seasons: readonly SeasonOfPlan[], season: number): number {
  const found = seasons.find((each) => each.season === season);
  return (found?.crown ?? 0) + (found?.exempt ?? 0);
}
