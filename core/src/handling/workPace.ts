// How long do cuts really take here, against what was reckoned?
import { z } from 'zod';
import { type Tool, toolKinds } from './tools';

/** What somebody, or everybody together, took for cuts with one kind of tool. */
export const WorkPace = z
  .strictObject({
    by: z.string().nullable().describe('null: everybody together'),
    kind: z.enum(toolKinds),
    cuts: z.number().int().describe('that were timed'),
    actualMinutes: z.number(),
    estimateMinutes: z.number(),
    factor: z.number().describe('minutes that a reckoned minute takes'),
    range: z.tuple([z.number(), z.number()]).describe('four times in five it lies between these'),
  })
  .meta({ id: 'WorkPace' });
export type WorkPace = z.infer<typeof WorkPace>;

/** So many minutes as reckoned stand beside what was measured: a few cuts move little. The brief’s figure; common practice, no source. */
const PRIOR_MINUTES = 60;
/** How far that prior may be off, as a share. Common practice, no source. */
const PRIOR_SPREAD = 0.3;
/** Of a normal error, between which eight in ten lie. */
const Z80 = 1.2816;
/** Factors are told, and plans made, in steps of this: one more cut moves no plan. */
const STEP = 0.05;

/** A cut that was timed. */
export interface Timed {
  by: string;
  kind: Tool['kind'];
  /** Minutes. */
  actual: number;
  estimate: number;
}

/** @returns by kind of tool, everybody together first, then each person */
export function pacesFrom(timed: readonly Timed[]): WorkPace[] {
  return toolKinds.flatMap((kind) => {
    const ofKind = timed.filter((cut) => cut.kind === kind);
    if (ofKind.length === 0) return [];
    const people = [...new Set(ofKind.map(({ by }) => by))].sort();
    return [
      paceFrom(null, kind, ofKind),
      ...people.map((by) =>
        paceFrom(
          by,
          kind,
          ofKind.filter((cut) => cut.by === by),
        ),
      ),
    ];
  });
}

function paceFrom(by: string | null, kind: Tool['kind'], cuts: readonly Timed[]): WorkPace {
  const actualMinutes = cuts.reduce((sum, { actual }) => sum + actual, 0);
  const estimateMinutes = cuts.reduce((sum, { estimate }) => sum + estimate, 0);
  const factor = factorOf({ actualMinutes, estimateMinutes });
  const square = cuts.reduce((sum, { actual, estimate }) => sum + (actual - factor * estimate) ** 2, 0);
  const error = Math.sqrt(square + (PRIOR_SPREAD * PRIOR_MINUTES) ** 2) / (estimateMinutes + PRIOR_MINUTES);
  return {
    by,
    kind,
    cuts: cuts.length,
    actualMinutes,
    estimateMinutes,
    factor: stepped(factor),
    range: [stepped(Math.max(0, factor - Z80 * error)), stepped(factor + Z80 * error)],
  };
}

const factorOf = ({ actualMinutes, estimateMinutes }: Pick<WorkPace, 'actualMinutes' | 'estimateMinutes'>) =>
  (actualMinutes + PRIOR_MINUTES) / (estimateMinutes + PRIOR_MINUTES);
const stepped = (factor: number) => Math.round(Math.round(factor / STEP) * STEP * 100) / 100;

/** What plans reckon with: the factor of each kind of tool, everybody together. */
export function paceByKind(paces: readonly WorkPace[]): Partial<Record<Tool['kind'], number>> {
  return Object.fromEntries(paces.flatMap(({ by, kind, factor }) => (by === null ? [[kind, factor]] : [])));
}

/**
 * The same of all tools together.
 *
 * @param who null: everybody together
 */
export function paceOverall(paces: readonly WorkPace[], who: string | null = null): number {
  const all = paces.filter(({ by }) => by === who);
  const sum = (of: (pace: WorkPace) => number) => all.reduce((total, pace) => total + of(pace), 0);
  return stepped(
    factorOf({
      actualMinutes: sum(({ actualMinutes }) => actualMinutes),
      estimateMinutes: sum(({ estimateMinutes }) => estimateMinutes),
    }),
  );
}

/** Minutes that somebody takes for a minute of everybody together; 1 where no run of theirs was timed. */
export function paceBeside(paces: readonly WorkPace[], who: string): number {
  if (!paces.some(({ by }) => by === who)) return 1;
  return stepped(paceOverall(paces, who) / paceOverall(paces));
}
