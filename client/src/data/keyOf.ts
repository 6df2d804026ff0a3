const keys = new WeakMap<object, number>();
const keysByContent = new Map<string, number>();

/** A small key for a large input: the same for the same content, written out once an object. */
export function keyOf(input: object): number {
  const had = keys.get(input);
  if (had !== undefined) return had;
  const content = JSON.stringify(input);
  const key = keysByContent.get(content) ?? keysByContent.size;
  keysByContent.set(content, key);
  keys.set(input, key);
  return key;
}
