// What a clinic says, as it goes on record and into the causes.
import { z } from 'zod';

/** A clinic's answer as evidence: it names the true cause with its sensitivity, and seldom a wrong one. */
export const ClinicEvidence = z.strictObject({
  result: z.string().max(40).nullable().describe('code the clinic reports; null: nothing found'),
  sensitivity: z.number().min(0.01).max(0.999),
  falseNaming: z
    .number()
    .min(0.0001)
    .max(0.5)
    .describe('chance that it names another cause than the true one'),
});
export type ClinicEvidence = z.infer<typeof ClinicEvidence>;
