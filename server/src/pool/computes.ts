// What the compute routes ask for, by the name of the route: plain data in, the text of the answer out, so that the thread that answers neither reads what is
// large, nor reckons, nor writes.

import { type RouteParsed, routes } from '@mortisect/contracts';
import { transmission } from '@mortisect/core/blades';
import { cutPosition, treeCuts } from '@mortisect/core/cuts';
import { gapTest, geometryFaults, HAT_RADIUS_CM, lightInside } from '@mortisect/core/faults';
import { orderOf, runOrder } from '@mortisect/core/plan';
import { cutBack, limbNames } from '@mortisect/core/tree';
import { type Unsaid, unsaid } from '@mortisect/words';
import { ZodError } from 'zod';
import { storable, withinSize } from '../http/storable';
import { HttpProblem, type ProblemType } from '../refusal';
import type { ComputeName } from './computeNames';
import { limbMassOf } from './limbMass';
import { candidates, plan } from './plan';
import { seasonPlan } from './seasonPlan';
import { freeze, season, stage, windows, woundRisk } from './when';

export type ComputeBody<K extends ComputeName> = RouteParsed<(typeof routes)[K]>['body'];

/** Null: of this species no course through the year is known. */
const computes: { [K in ComputeName]: (body: ComputeBody<K>) => object | null | Promise<object> } = {
  computeCutPosition: cutPosition,
  computeTreeCuts: ({ tree, findings, schools, season: now, year }) =>
    treeCuts(tree, findings, schools, now, year),
  computeCutBack: ({ limbs, kerfs }) => ({ limbs: cutBack(limbs, kerfs) }),
  computeLimbNames: ({ limbs, twelveBearingDeg, units }) => ({
    names: Object.fromEntries(limbNames(limbs, twelveBearingDeg, units)),
  }),
  computeFaults: ({ tree, limits }) => ({ faults: geometryFaults(tree, limits) }),
  computeOpenness: ({ limbs, grown = limbs, throws, seed, shades }) => ({
    gap: gapTest(limbs, throws, seed, HAT_RADIUS_CM, grown),
    light: lightInside(limbs, seed, grown, shades),
  }),
  computeLimbMass: limbMassOf,
  computeCandidates: candidates,
  computePlan: plan,
  computeOrder: orderOf,
  computeRunOrder: runOrder,
  computeTransmission: transmission,
  computeStage: stage,
  computeFreeze: freeze,
  computeWoundRisk: woundRisk,
  computeWindows: windows,
  computeSeasonPlan: seasonPlan,
  computeSeason: ({ mm, crownShare, ...body }) => season({ ...body, cut: { mm, crownShare } }),
};

/** Of an answer, UTF-8. What is larger is of no use to a person, and starves the others on its way out. */
export const MOST_ANSWER_BYTES = 16 * 1024 ** 2;

/** What comes back from the worker: an answer, or what to tell instead. */
export type Computed =
  | { json: Uint8Array<ArrayBuffer> }
  | { tooLargeBytes: number }
  | { unknownSpecies: string }
  | { issues: ZodError['issues'] }
  | { problem: [status: number, type: ProblemType, why: Unsaid] };

export interface ComputeTask<K extends ComputeName = ComputeName> {
  route: K;
  /** Read and checked already; or as it came. */
  given: { body: ComputeBody<K> } | { bytes: Uint8Array };
}

export async function compute<K extends ComputeName>({ route, given }: ComputeTask<K>): Promise<Computed> {
  try {
    const body = 'body' in given ? given.body : bodyOf(route, given.bytes);
    const answer = await computes[route](body);
    if (answer === null) return { unknownSpecies: (body as { species: string }).species };
    const json = Uint8Array.from(Buffer.from(JSON.stringify(answer)));
    return json.byteLength > MOST_ANSWER_BYTES ? { tooLargeBytes: json.byteLength } : { json };
  } catch (error) {
    if (error instanceof ZodError) return { issues: error.issues };
    if (error instanceof HttpProblem) return { problem: [error.status, error.type, error.why] };
    throw error;
  }
}

function bodyOf<K extends ComputeName>(route: K, bytes: Uint8Array): ComputeBody<K> {
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new HttpProblem(400, 'not-understood', unsaid('problem.notRead', { why }));
  }
  return routes[route].body.parse(storable(withinSize(json))) as ComputeBody<K>;
}
