// One shape for every error on the wire (RFC 9457).
import { fieldPath, type Problem } from '@mortisect/contracts';
import type { ErrorRequestHandler, Request, Response } from 'express';
import { ZodError } from 'zod';
import { HttpProblem } from '../refusal';
import { isAway, isDamaged, isFull, isReadOnly } from '../store/faults';

function sendProblem(request: Request, response: Response, problem: Omit<Problem, 'instance'>): void {
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ ...problem, instance: String(request.id ?? '') }));
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
  sendProblem(request, response, problem);
};

function asProblem(error: unknown): Omit<Problem, 'instance'> {
  if (error instanceof HttpProblem) {
    return {
      type: error.type,
      title: error.title,
      status: error.status,
      detail: error.message,
      ...error.more,
    };
  }
  if (error instanceof ZodError) return notUnderstood(error);
  if (isAway(error))
    return {
      type: 'database-away',
      title: 'The database does not answer',
      status: 503,
      detail: 'The database does not answer. What you sent was not kept; try again in a moment.',
    };
  if (isReadOnly(error))
    return {
      type: 'read-only',
      title: 'The disk of the server takes nothing',
      status: 503,
      detail:
        'The disk of the server can be read and not written. What you sent was not kept there: it waits on your device and goes out by itself. Whoever looks after the server must see to its disk.',
    };
  if (isDamaged(error))
    return {
      type: 'damaged',
      title: 'The database is damaged',
      status: 500,
      detail:
        'A part of the database is not what was written: the disk of the server may be failing. Settings say what to do. What you sent was not kept.',
    };
  if (isFull(error))
    return {
      type: 'disk-full',
      title: 'The disk of the server is full',
      status: 507,
      detail: 'The disk of the server is full. What you sent was not kept; make room there, then try again.',
    };
  const status = statusOf(error);
  if (status === 413) {
    return {
      type: 'too-large',
      title: 'Too large',
      status,
      detail: 'The request is larger than this route takes. Nothing was kept.',
    };
  }
  if (status >= 400 && status < 500) {
    return {
      type: 'not-understood',
      title: 'Not understood',
      status,
      detail: `The request could not be read: ${(error as Error).message}`,
    };
  }
  return {
    type: 'server-fault',
    title: 'The server failed',
    status: 500,
    detail:
      'Something went wrong on the server. What you sent was not kept; try again. The log has the details under this instance.',
  };
}

function notUnderstood(error: ZodError): Omit<Problem, 'instance'> {
  const errors = error.issues.map((issue) => ({ path: fieldPath(issue.path), message: issue.message }));
  return {
    type: 'not-understood',
    title: 'Not understood',
    status: 400,
    detail:
      errors.length === 1
        ? `${errors[0]?.path || 'body'}: ${errors[0]?.message}`
        : `${errors.length} fields are not usable.`,
    errors,
  };
}

/** Errors of the body parser say their status. */
function statusOf(error: unknown): number {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === 'number' ? status : 500;
}
