// Requests that are refused, each with the answer it gets.

export interface FieldFault {
  path: string;
  message: string;
}

/** A failure with its answer; anything else thrown becomes a 500 without details. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    readonly title: string,
    detail: string,
    readonly more: { errors?: FieldFault[]; yours?: unknown; theirs?: unknown } = {},
  ) {
    super(detail);
    this.name = 'HttpProblem';
  }
}

export const notThere = (what: string) =>
  new HttpProblem(404, 'not-there', 'Not there', `${what} is not there.`);

export const doesNotFit = (path: string, message: string) =>
  new HttpProblem(422, 'does-not-fit', 'Does not fit what stands', message, { errors: [{ path, message }] });

export const moved = (yours: unknown, theirs: unknown) =>
  new HttpProblem(
    409,
    'moved-meanwhile',
    'Changed meanwhile',
    'This record has changed since you read it. Nothing was overwritten; both versions are here.',
    { yours, theirs },
  );
