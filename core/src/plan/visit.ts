// The cuts of one visit to a tree as the order reads them: where one stands, with what, and what must come first.
import { type Side, sideOf } from '../measure/index';
import { limbShape, type Point, pointAlong } from '../tree/index';
import type { PlanInput } from './input';
import { type OrderCut, type OrderInput, orderOf } from './order';
import type { OrderResult } from './orderShape';
import type { Prepared } from './prepare';
import type { Priced } from './price';
import type { PlannedStep, TreePlan } from './treePlan';

/** @source common practice, no source */
const ACCESS_BELOW_CM = 60;
const HEAVY_MM = 50;
const HEAVY_KG = 5;
const FINE_MM = 25;
const OVER_WITHIN_CM = 60;

/**
 * Steps of a visit, in the order they are listed. Access first: suckers and what hangs low; a limb over another before it; heavy before
 * fine where one stands. A wish that would close a ring is dropped.
 */
export function visitOf(
  steps: readonly Priced[],
  { tree, cleanSeconds, cleaning }: Pick<PlanInput, 'tree' | 'cleanSeconds' | 'cleaning'>,
  season: { growing: boolean },
): OrderInput {
  const places = steps.map((step) => placeOf(step, tree.limbs));
  const before = new Map(steps.map((step) => [step.id, new Set<string>()]));
  const reaches = (from: string, to: string): boolean =>
    from === to || [...(before.get(from) ?? [])].some((next) => reaches(next, to));
  const wish = (first: Priced, later: Priced) => {
    if (!reaches(later.id, first.id)) before.get(first.id)?.add(later.id);
  };
  const pairs = steps.flatMap((a, i) => steps.flatMap((b, j) => (i === j ? [] : [{ a, b, i, j }])));
  for (const { a, b, i, j } of pairs) if (isAccess(a, places[i]) && !isAccess(b, places[j])) wish(a, b);
  for (const { a, b, i, j } of pairs) if (isOver(places[i], places[j])) wish(a, b);
  for (const { a, b } of pairs)
    if (isHeavy(a) && isFine(b) && stationOf(a, tree) === stationOf(b, tree)) wish(a, b);
  return {
    cuts: steps.map(
      (step): OrderCut => ({
        id: step.id,
        station: stationOf(step, tree),
        ladder: step.handling?.wielded?.station === 'ladder',
        tool: step.handling?.wielded?.tool.id ?? 'by hand',
        infected: step.infected,
        suspect: step.left.some(({ chance }) => chance > 0),
        // Cleaning and the ladder are the order's own to count
        minutes: step.minutes.because
          .filter(({ what }) => what !== 'cleaning' && what !== 'ladder')
          .reduce((sum, part) => sum + part.minutes, 0),
        before: [...(before.get(step.id) ?? [])],
      }),
    ),
    cleanMinutes: cleanSeconds / 60,
    everyCut: cleaning === 'every' || season.growing,
    bladesOfAKind: 1,
  };
}

interface Place {
  kerf: Point;
  middle: Point;
  sucker: boolean;
}

function placeOf(priced: Priced, limbs: PlanInput['tree']['limbs']): Place | null {
  const limbId =
    priced.kerf?.limbId ?? (priced.candidate.what.is === 'other' ? priced.candidate.what.limbId : '');
  const limb = limbs.find((each) => each.id === limbId);
  const stick = limbShape(limbs).get(limbId);
  if (!limb || !stick) return null;
  const atCm = priced.kerf?.atCm ?? 0;
  return {
    kerf: pointAlong(stick, Math.min(1, atCm / limb.lengthCm)),
    middle: pointAlong(stick, Math.min(1, (atCm + limb.lengthCm) / 2 / limb.lengthCm)),
    sucker: limb.kind === 'sucker',
  };
}

function isAccess(priced: Priced, place: Place | null | undefined): boolean {
  return (
    place !== null &&
    place !== undefined &&
    priced.kerf !== null &&
    (place.sucker || place.kerf.z < ACCESS_BELOW_CM)
  );
}

/** Its wood hangs above where the other is cut. */
function isOver(upper: Place | null | undefined, lower: Place | null | undefined): boolean {
  if (!upper || !lower || upper.middle.z <= lower.kerf.z + OVER_WITHIN_CM / 2) return false;
  return Math.hypot(upper.middle.x - lower.kerf.x, upper.middle.y - lower.kerf.y) < OVER_WITHIN_CM;
}

function isHeavy({ handling }: Priced): boolean {
  return handling !== null && (handling.kerfMm >= HEAVY_MM || handling.massKg > HEAVY_KG);
}

function isFine({ handling }: Priced): boolean {
  return handling !== null && handling.kerfMm < FINE_MM;
}

/** Where one stands for a cut: a side of the tree, from the ground or on the ladder. */
export function standOf(priced: Priced, tree: PlanInput['tree']): { ladder: boolean; side: Side } {
  const place = placeOf(priced, tree.limbs);
  const bearing = place ? (Math.atan2(place.kerf.x, place.kerf.y) * 180) / Math.PI : 0;
  return { ladder: priced.handling?.wielded?.station === 'ladder', side: sideOf(bearing) };
}

/** The same as one word, by which stations are told apart. @example 'ladder, north' */
export function stationOf(priced: Priced, tree: PlanInput['tree']): string {
  return stationWord(standOf(priced, tree));
}

export const stationWord = ({ ladder, side }: { ladder: boolean; side: Side }): string =>
  `${ladder ? 'ladder' : 'ground'}, ${side}`;

/** What a visit is known by: “1 dormant”. */
export function visitKey({ season, pass }: Pick<PlannedStep, 'season' | 'pass'>): string {
  return `${season} ${pass}`;
}

/** The order of each visit of a plan, by its key. Takes long for many cuts: not on a thread that draws. */
export function visitOrders(
  { all, input }: Pick<Prepared, 'all' | 'input'>,
  { steps }: Pick<TreePlan, 'steps'>,
): Record<string, OrderResult> {
  const byId = new Map(all.map((priced) => [priced.id, priced]));
  const visits = new Map<string, PlannedStep[]>();
  for (const step of steps) visits.set(visitKey(step), [...(visits.get(visitKey(step)) ?? []), step]);
  return Object.fromEntries(
    [...visits].map(([key, own]) => {
      const priced = own.flatMap((step) => byId.get(step.candidateId) ?? []);
      return [key, orderOf(visitOf(priced, input, { growing: own[0]?.pass === 'summer' }))];
    }),
  );
}

/**
 * A plan whose seasons take the minutes that their visits take in order, cleanings and moves counted once: the one figure that every
 * screen, sheet and file tells. Takes as long as `visitOrders`.
 */
export function inVisits(
  prepared: Pick<Prepared, 'all' | 'input'>,
  plan: TreePlan,
): { plan: TreePlan; orders: Record<string, OrderResult> } {
  const orders = visitOrders(prepared, plan);
  const seasons = plan.seasons.map((season) => ({
    ...season,
    minutes: Object.entries(orders).reduce(
      (sum, [key, { tally }]) => (isOwn(key, season.season) ? sum + tally.minutes : sum),
      0,
    ),
  }));
  return { plan: { ...plan, seasons }, orders };
}

/** A visit of that season that one makes oneself. */
const isOwn = (key: string, season: number) =>
  key === visitKey({ season, pass: 'dormant' }) || key === visitKey({ season, pass: 'summer' });

/** Minutes as they are told: whole ones, never none for work that there is. @example wholeMinutes(0.2) //=> 1 */
export function wholeMinutes(minutes: number): number {
  return minutes <= 0 ? 0 : Math.max(1, Math.round(minutes));
}
