// How far from the visible edge must this cut be, and why?
import { z } from 'zod';
import { DisorderCode } from './disorders';
import { type ClearanceSchool, schoolFor } from './schools';
import { isGrowing, seasons } from './season';

export const edges = ['definite', 'indefinite'] as const;
export type Edge = (typeof edges)[number];

/** A tree counts as young below this age. Common practice, no source. */
export const YOUNG_BELOW_YEARS = 8;
const SEVERITY_FACTOR = 1.5;
const LEAST_HALVED_CM = 10;

export const ClearanceCase = z.strictObject({
  disorder: DisorderCode,
  season: z.enum(seasons),
  edge: z.enum(edges),
  growthRapid: z.boolean(),
  cultivarSusceptible: z.boolean(),
  treeAgeYears: z.number().min(0).max(1000).nullable().describe('null when the year of planting is unknown'),
  schools: z
    .record(z.string(), z.string())
    .default({})
    .describe('school id by disorder code; defaults where missing'),
  halveDefiniteDormant: z.boolean().default(false),
});
export type ClearanceCase = z.input<typeof ClearanceCase>;

const severityFactors = [
  'growth rapid',
  'cultivar susceptible',
  'tree under 8 years',
  'edge not definite',
] as const;

export const Clearance = z.strictObject({
  clearanceCm: z.number(),
  because: z.strictObject({
    schoolId: z.string(),
    growing: z.boolean(),
    rangeCm: z.tuple([z.number(), z.number()]),
    baseCm: z.number(),
    factors: z
      .array(z.enum(severityFactors))
      .describe('each that holds; together they multiply once, by 1.5'),
    halved: z.boolean(),
    byHand: z
      .number()
      .optional()
      .describe('the clearance was set by hand for this finding; this is what the school asks, cm'),
  }),
});
export type Clearance = z.infer<typeof Clearance>;

/**
 * Clearance to measure from the lesion's edge toward the trunk. The upper end of the school's range, × 1.5 once if any severity
 * factor holds; else, where the site halves definite dormant edges, `min(base, max(10, base/2))` on growing-season figures only.
 *
 * @returns cm with the reason
 * @throws {NoSchool} for a disorder without a row
 * @example clearance({ disorder: 'FB_CANK_A', season: 'dormant', edge: 'indefinite', … }).clearanceCm //=> 45
 */
export function clearance(given: ClearanceCase): Clearance {
  const school = schoolFor(given.disorder, given.schools ?? {});
  const growing = isGrowing(given.season);
  const rangeCm: [number, number] = [...(growing ? school.growingCm : school.dormantCm)];
  const baseCm = rangeCm[1];
  const factors = baseCm > 0 ? severity(given) : [];
  const halved = factors.length === 0 && mayHalve(given, school, growing) && baseCm > LEAST_HALVED_CM;
  const clearanceCm =
    factors.length > 0 ? baseCm * SEVERITY_FACTOR : halved ? Math.max(LEAST_HALVED_CM, baseCm / 2) : baseCm;
  return { clearanceCm, because: { schoolId: school.id, growing, rangeCm, baseCm, factors, halved } };
}

function severity(given: ClearanceCase): (typeof severityFactors)[number][] {
  const holds = [
    given.growthRapid,
    given.cultivarSusceptible,
    given.treeAgeYears !== null && given.treeAgeYears < YOUNG_BELOW_YEARS,
    given.edge === 'indefinite',
  ];
  return severityFactors.filter((_, i) => holds[i]);
}

function mayHalve(given: ClearanceCase, school: ClearanceSchool, growing: boolean): boolean {
  return (
    (given.halveDefiniteDormant ?? false) && school.growingFigure && !growing && given.edge === 'definite'
  );
}
