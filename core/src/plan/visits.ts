// A plan visit by visit: the steps with their prices in the order they are made, what is due now, and the tree as it will stand.
import { type Cut, treeAfter } from '../cuts/index';
import { type Disorder, kindOf } from '../disorders/index';
import type { Limb } from '../tree/index';
import { wholeId } from '../tree/index';
import { firstWinterOf } from './input';
import type { OrderResult } from './orderShape';
import type { Pass } from './passes';
import type { Prepared } from './prepare';
import type { Priced } from './price';
import type { PlannedStep, TreePlan } from './treePlan';
import { visitKey } from './visit';

/** What a plan was made of, as far as anybody asks for it afterwards: the leaves of a crown are thousands. */
export type Told = Omit<Prepared, 'sides'> & { sides: Pick<Prepared['sides'], 'effects'> };

/** The same without what only the search needs: less to hand from one thread to another. */
export const toldOf = ({ sides: { effects }, ...told }: Prepared): Told => ({ ...told, sides: { effects } });

/** A tree’s plan with what it was made of. */
export interface Solved {
  prepared: Told;
  plan: TreePlan;
  /** The order of each visit, by its key. */
  orders: Record<string, OrderResult>;
}

export interface StepView {
  step: PlannedStep;
  priced: Priced;
  /** null for what is no cut. */
  cut: Cut | null;
  limbId: string;
  /** What it is mostly for. */
  kind: Disorder['kind'];
}

export interface Visit {
  key: string;
  /** The calendar year in which the winter of season 1 begins. */
  firstYear: number;
  season: number;
  pass: Pass;
  steps: StepView[];
  order: OrderResult;
  /** The pass that is at hand. */
  isNow: boolean;
}

/** Visits to the tree, first to last, each with its steps in the order they are made. */
export function visitsOf({ prepared, plan, orders }: Solved): Visit[] {
  const { input, all, problem } = prepared;
  const byId = new Map(all.map((priced) => [priced.id, priced]));
  const now = passNow(problem.slots);
  const kindById = new Map(input.findings.map((finding) => [finding.id, kindOf(finding.disorder)]));
  const groups = new Map<string, StepView[]>();
  for (const step of plan.steps) {
    const priced = byId.get(step.candidateId);
    if (!priced) continue;
    const key = visitKey(step);
    const view = stepView(step, priced, kindById);
    groups.set(key, [...(groups.get(key) ?? []), view]);
  }
  return [...groups].flatMap(([key, steps]) => {
    const [{ step }] = steps as [StepView];
    const order = orders[key];
    if (!order) return [];
    return [
      {
        key,
        firstYear: firstWinterOf(input),
        season: step.season,
        pass: step.pass,
        steps: order.order.flatMap((id) => steps.filter((step) => step.step.candidateId === id)),
        order,
        isNow: step.season === 1 && step.pass === now,
      },
    ];
  });
}

/** The pass of the first season that is at hand. */
export const passNow = (slots: Prepared['problem']['slots']): Pass | null =>
  slots.find(({ pass }) => pass !== 'hired')?.pass ?? null;

function stepView(step: PlannedStep, priced: Priced, kindById: Map<string, Disorder['kind']>): StepView {
  const { what } = priced.candidate;
  const kinds = step.solves.map(({ findingId }) => kindById.get(findingId));
  const first = (['diseased', 'dead', 'damaged', 'misplaced'] as const).find((kind) => kinds.includes(kind));
  return {
    step,
    priced,
    cut: what.is === 'cut' ? what.cut : null,
    limbId: what.is === 'cut' ? what.cut.limbId : what.limbId,
    kind: first ?? 'misplaced',
  };
}

/** The tree after all steps up to the end of a season. */
export function limbsAfter(limbs: Limb[], steps: readonly StepView[], season: number): Limb[] {
  const kerfs = steps.flatMap(({ step, priced }) =>
    step.season <= season && priced.kerf ? [priced.kerf] : [],
  );
  return treeAfter(limbs, kerfs);
}

/** Candidates that answer the same findings, or serve what it was thought of for, cheapest in crown first. */
export function alternativesTo(view: StepView, { prepared }: Solved): Priced[] {
  const { solves } = view.step;
  const ids = new Set(
    (solves.length > 0 ? solves : view.priced.candidate.answers).map(({ findingId }) => findingId),
  );
  return prepared.all
    .filter(
      (other) =>
        other.id !== view.priced.id &&
        (isOfSameBundle(other, view.priced) ||
          other.candidate.answers.some(({ findingId }) => ids.has(findingId)) ||
          (other.kerf !== null && other.left.some(({ findingId }) => ids.has(findingId)))),
    )
    .toSorted((a, b) => a.crown - b.crown || a.minutes.minutes - b.minutes.minutes);
}

/** Does it deal with others of the same bundle? Then it is done beside a step, not in its place. */
export function isOfSameBundle(other: Pick<Priced, 'kerf'>, step: Pick<Priced, 'kerf'>): boolean {
  const [a, b] = [other.kerf?.limbId, step.kerf?.limbId];
  return a !== undefined && b !== undefined && a !== b && wholeId(a) === wholeId(b);
}
