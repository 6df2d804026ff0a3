// Which day is it at the site?

/** Local date of a moment, YYYY-MM-DD. */
export function dayAt(moment: string, timeZone: string): string {
  // The Canadian form is the ISO one
  return new Intl.DateTimeFormat('en-CA', { timeZone }).format(new Date(moment));
}
