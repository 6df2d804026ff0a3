// One shape for every error on the wire (RFC 9457), in the language of whoever asked.
import { fieldPath, type Problem } from '@mortisect/contracts';
import { refusalOf } from '@mortisect/core/refusal';
import { type Say, sayUnsaid, type Unsaid, unsaid } from '@mortisect/words';
import { refusalUnsaid } from '@mortisect/words/trade';
import type { ErrorRequestHandler, Request, Response } from 'express';
import { ZodError } from 'zod';
import { HttpProblem, titleOf } from '../refusal';
import { isAway, isDamaged, isFull, isReadOnly } from '../store/faults';
import { sayFor } from './language';

function sendProblem(_request: Request, response: Response, problem: Problem): void {
  response
    .status(problem.status)
    .type('application/problem+json')
    .vary('Accept-Language')
    .send(JSON.stringify(problem));
}

export const problemHandler: ErrorRequestHandler = (error, request, response, _next) => {
  // Half of the answer is out: whoever is left hears that it ends, and who hung up does not
  if (response.headersSent) {
    request.log?.debug({ err: error }, 'an answer was cut off');
    response.destroy();
    return;
  }
  const problem = asProblem(error);
  if (problem.status === 503) response.setHeader('Retry-After', '2');
  if (problem.status >= 500) request.log?.error({ err: error }, 'request failed');
  sendProblem(request, response, toldIn(sayFor(request), problem, String(request.id ?? '')));
};

function toldIn(say: Say, { status, type, why, more }: HttpProblem, instance: string): Problem {
  const { errors, ...versions } = more;
  return {
    type,
    title: say(titleOf(type)),
    status,
    detail: sayUnsaid(say, why),
    ...codeOf(why),
    instance,
    ...(errors && {
      errors: errors.map((fault) => ({
        path: fault.path,
        message: sayUnsaid(say, fault.why),
        ...codeOf(fault.why),
      })),
    }),
    ...versions,
  };
}

/** The key of the message without its place, and what it is told with: for programs, which read no sentences. */
const codeOf = ({ key, given }: Unsaid) => ({ code: key.replace(/^\w+\./, ''), given });

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof ZodError) return notUnderstood(error);
  if (isAway(error)) return new HttpProblem(503, 'database-away', unsaid('problem.databaseAway'));
  if (isReadOnly(error)) return new HttpProblem(503, 'read-only', unsaid('problem.diskReadOnly'));
  if (isDamaged(error)) return new HttpProblem(500, 'damaged', unsaid('problem.databaseDamaged'));
  if (isFull(error)) return new HttpProblem(507, 'disk-full', unsaid('problem.diskFull'));
  const status = statusOf(error);
  if (status === 413) return new HttpProblem(413, 'too-large', unsaid('problem.requestTooLarge'));
  if (status >= 400 && status < 500)
    return new HttpProblem(
      status,
      'not-understood',
      unsaid('problem.notRead', { why: (error as Error).message }),
    );
  return new HttpProblem(500, 'server-fault', unsaid('problem.serverFault'));
}

function notUnderstood({ issues }: ZodError): HttpProblem {
  const errors = issues.map((issue) => ({
    path: fieldPath(issue.path),
    why: refusalUnsaid(refusalOf(issue)),
  }));
  const [first] = errors;
  const why =
    first && errors.length === 1
      ? unsaid('problem.fieldFault', { field: first.path || unsaid('problem.body'), why: first.why })
      : unsaid('problem.severalFaults', { faults: errors.length });
  return new HttpProblem(400, 'not-understood', why, { errors });
}

/** Errors of the body parser say their status. */
function statusOf(error: unknown): number {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === 'number' ? status : 500;
}
