// A schema whose faults are said in the language of this device: forms show them as they are.
import type { Say } from '@mortisect/words';
import { issueWords } from '@mortisect/words/trade';
import { z } from 'zod';

export const spoken = <S extends z.ZodType>(say: Say, schema: S) =>
  z.custom<z.input<S>>().transform((value, context): z.output<S> => {
    const read = schema.safeParse(value);
    if (read.success) return read.data;
    for (const issue of read.error.issues)
      context.addIssue({ code: 'custom', path: issue.path, message: issueWords(say, issue) });
    return z.NEVER;
  });
