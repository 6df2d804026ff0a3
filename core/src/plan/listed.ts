// A plan as lists of trees take it.
import { disorderOf, kindOf } from '../disorders/index';
import { isPole } from '../handling/index';
import type { ListedPlan, VisitAhead, VisitWorth } from './keptShape';
import { worthOf } from './problem';
import type { PlannedStep } from './treePlan';
import { standOf, visitKey, wholeMinutes } from './visit';
import { passNow, type Solved, visitsOf } from './visits';

/** A plan without what it was chosen from: a twentieth of it, and all that a list, a run or the orchard from above says of it. */
export function listedOf(solved: Solved): ListedPlan {
  const { prepared, plan, orders } = solved;
  const cuts: ListedPlan['cuts'] = {};
  for (const { steps } of visitsOf(solved))
    for (const { step, cut, priced } of steps)
      if (cut && priced.handling)
        cuts[step.candidateId] = {
          cut,
          minutes: priced.minutes.minutes,
          plainMinutes: priced.minutes.plain,
          massKg: priced.handling.massKg,
          ...standOf(priced, prepared.input.tree),
        };
  const now = passNow(prepared.problem.slots);
  const due = plan.steps.filter(({ season, pass }) => season === 1 && pass === now);
  return {
    ...{ plan, orders, now },
    cuts,
    worth: due.length > 0 ? visitWorth(solved, due) : null,
    ahead: visitsAhead(solved),
    musts: prepared.asked.flatMap(({ must, findingId }) => (must && findingId ? [findingId] : [])),
  };
}

/** The steps that are due now, in their order. */
export function listedNow({ plan, orders, now }: ListedPlan): PlannedStep[] {
  if (now === null) return [];
  const due = plan.steps.filter(({ season, pass }) => season === 1 && pass === now);
  const order = orders[visitKey({ season: 1, pass: now })]?.order ?? [];
  return order.flatMap((id) => due.filter(({ candidateId }) => candidateId === id));
}

/** @param due steps of one visit */
function visitWorth(solved: Solved, due: readonly PlannedStep[]): VisitWorth {
  const {
    prepared: { problem, all },
    plan,
  } = solved;
  const chosen = (steps: readonly PlannedStep[]) =>
    problem.candidates.map(({ id }) => {
      const step = steps.find(({ candidateId }) => candidateId === id);
      return problem.slots.findIndex(({ season, pass }) => season === step?.season && pass === step.pass);
    });
  const ids = new Set(due.map(({ candidateId }) => candidateId));
  const minutes = problem.candidates.reduce((sum, each) => sum + (ids.has(each.id) ? each.minutes : 0), 0);
  const others = plan.steps.filter(({ candidateId }) => !ids.has(candidateId));
  const points = worthOf(problem, chosen(plan.steps)) - worthOf(problem, chosen(others));
  // A year on it is worth less, and so are its minutes
  const weight = problem.discount ** ((due[0]?.season ?? 1) - 1);
  const made = all.flatMap(({ id, handling }) => (handling && ids.has(id) ? handling : []));
  return {
    points: points + minutes * problem.costs.minute * weight,
    woundCm2: made.reduce((sum, { kerfMm }) => sum + (Math.PI / 4) * (kerfMm / 10) ** 2, 0),
    powerSaw: made.some(({ wielded }) => wielded?.tool.kind === 'chainsaw'),
    pole: made.some(({ wielded }) => wielded && isPole(wielded.tool)),
    waits: waitsOf(solved, due),
  };
}

/** Cankers that are at rest and run on all the same, year by year. */
const RUN_ON: ReadonlySet<string | undefined> = new Set(['canker', 'bacterial', 'stain', 'brown rot']);
const GREEN: ReadonlySet<string> = new Set(['sprout', 'shoot']);

/** What of a visit loses by waiting; null where nothing does. */
function waitsOf(
  { prepared: { problem, all, input } }: Solved,
  due: readonly PlannedStep[],
): VisitWorth['waits'] {
  const limbs = new Map(input.tree.limbs.map((limb) => [limb.id, limb]));
  const findings = new Map(input.findings.map((finding) => [finding.id, finding]));
  const values = new Map(problem.problems.map(({ id, value }) => [id, value]));
  const waits = { blightPoint: 0, cankerPoint: 0, cankers: 0, atRisk: 0, shoots: 0 };
  for (const step of due) {
    const kerf = all.find(({ id }) => id === step.candidateId)?.kerf;
    const limb = kerf && limbs.get(kerf.limbId);
    // On average over the length that comes off
    const aCm = limb ? (step.crown + step.exempt) / Math.max(1, limb.lengthCm - (kerf?.atCm ?? 0)) : 0;
    const solved = step.solves.flatMap(({ findingId }) => findings.get(findingId) ?? []);
    const blight = solved.filter(
      ({ disorder, active }) =>
        disorderOf(disorder)?.spread === 'fire blight' && (active || disorderOf(disorder)?.active === true),
    );
    const runsOn = solved.some(({ disorder }) => RUN_ON.has(disorderOf(disorder)?.causeGroup));
    if (blight.length > 0) waits.blightPoint += aCm * problem.costs.crown;
    else if (runsOn) waits.cankerPoint += aCm * problem.costs.crown;
    waits.cankers += blight.length;
    for (const { id, disorder, danger, fault } of solved)
      if (!danger && (kindOf(disorder) === 'damaged' || fault?.kind === 'narrow union'))
        waits.atRisk += values.get(id) ?? 0;
    if (step.pass === 'summer' && limb && GREEN.has(limb.kind)) waits.shoots += 1;
  }
  return Object.values(waits).some((each) => each > 0) ? waits : null;
}

function visitsAhead(solved: Solved): VisitAhead[] {
  const now = passNow(solved.prepared.problem.slots);
  return visitsOf(solved).flatMap(({ isNow, season, pass, firstYear, steps, order }) => {
    if (isNow) return [];
    const due = steps.map(({ step }) => step);
    const ladder = steps.some(({ priced }) => standOf(priced, solved.prepared.input.tree).ladder);
    const minutes = wholeMinutes(order.tally.minutes);
    // Within the year: summer after winter, and the winter of season 2 after the summer of season 1
    const next = pass !== 'hired' && pass !== now && season === (pass === 'dormant' ? 2 : 1);
    return [{ ...visitWorth(solved, due), ...{ season, pass, next, firstYear, minutes, ladder } }];
  });
}
