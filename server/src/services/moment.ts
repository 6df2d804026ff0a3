// Moments leave the database in its own spelling; on the wire they are ISO in UTC.
export function moment(stored: string): string {
  return new Date(stored).toISOString();
}
