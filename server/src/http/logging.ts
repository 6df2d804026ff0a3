// What the log says of a request and of what failed: named one by one, so that no cookie, no token and no value of a record gets into it.
import { DrizzleQueryError } from 'drizzle-orm/errors';
import type { Options } from 'pino-http';

interface Failure {
  type: string;
  message: string;
  code?: string;
  /** Where in the code, without the words of the error. */
  at: string[];
  cause?: Failure;
}

const FRAMES = 12;
const NOT_SAID = 'not said here: it may hold what was sent';

/**
 * An error without what was sent: the words of a failed statement name its values.
 *
 * @example failureOf(new TypeError('x is not a function')).message //=> 'x is not a function'
 */
export function failureOf(error: unknown): Failure {
  if (!(error instanceof Error)) return { type: typeof error, message: NOT_SAID, at: [] };
  const { code } = error as { code?: unknown };
  const isOfDatabase = error instanceof DrizzleQueryError || 'severity' in error;
  return {
    type: error.constructor.name,
    message: isOfDatabase ? NOT_SAID : error.message,
    ...(typeof code === 'string' && { code }),
    at: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, FRAMES)
      .map((line) => line.trim()),
    ...(error.cause !== undefined && { cause: failureOf(error.cause) }),
  };
}

export const serializers: NonNullable<Options['serializers']> = {
  req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
    id,
    method,
    path: url.split('?')[0],
  }),
  res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
  err: failureOf,
};
