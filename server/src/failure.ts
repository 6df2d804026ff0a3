// Failures that are told to the person who started the server: one clear message, no stack trace.

export class StartFailure extends Error {
  constructor(
    message: string,
    readonly todo: string,
  ) {
    super(message);
    this.name = 'StartFailure';
  }
}
