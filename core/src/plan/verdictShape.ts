// What is said of a tree as a whole before any cut is chosen, as plain data.
import { z } from 'zod';
import { reasonSchema } from '../reason/index';

export const VerdictReason = reasonSchema({
  decided: {},
  'rootstock lost': {},
  'girdled by disease': { share: z.number().describe('of the stem, 0..1') },
  'too much at once': { share: z.number().describe('of the living crown, 0..1') },
  gnawed: { share: z.number().describe('of the stem, 0..1'), scions: z.number().int() },
});
export type VerdictReason = z.infer<typeof VerdictReason>;

export const Verdict = z.strictObject({
  choice: z.enum(['remove tree', 'bridge graft', 'restart or remove']),
  findingIds: z.array(z.string()),
  because: VerdictReason,
  instead: z
    .array(z.enum(['excise', 'watch', 'remove tree', 'bridge', 'top-work']))
    .describe('what else may be chosen'),
});
export type Verdict = z.infer<typeof Verdict>;
