// One shape for everything that goes wrong on the wire (RFC 9457).
import { z } from 'zod';

const code = z.object({
  code: z.string().optional().describe('the same for a program'),
  given: z
    .record(z.string(), z.unknown())
    .optional()
    .describe('what it is told with: numbers and names of the message'),
});

export const Problem = z
  .object({
    type: z.string().describe('a short name of the kind of problem, as a relative URI'),
    title: z.string(),
    status: z.number().int(),
    detail: z
      .string()
      .describe('what happened, what was kept, what to do; in the language of Accept-Language'),
    ...code.shape,
    instance: z.string().describe('id of the request, to be found in the log'),
    errors: z.array(z.object({ path: z.string(), message: z.string(), ...code.shape })).optional(),
    yours: z.unknown().optional().describe('on 409: what you sent'),
    theirs: z.unknown().optional().describe('on 409: what stands now'),
  })
  .meta({ id: 'Problem', description: 'RFC 9457 problem details with field paths.' });
export type Problem = z.infer<typeof Problem>;

/** A Zod path as people write it: `limbs[3].jointCm`. */
export function fieldPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text === '' ? String(part) : `${text}.${String(part)}`,
    '',
  );
}
