/** A set with one more, or one less. */
export function toggled(set: ReadonlySet<string>, id: string, on: boolean): ReadonlySet<string> {
  const next = new Set(set);
  if (on) next.add(id);
  else next.delete(id);
  return next;
}

/** All of these in, where one of them was out; else all of them out. */
export function allToggled(set: ReadonlySet<string>, ids: readonly string[]): ReadonlySet<string> {
  const on = ids.some((id) => !set.has(id));
  return ids.reduce((next, id) => toggled(next, id, on), set);
}
