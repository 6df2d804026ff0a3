/** @example upperFirst('chipped') //=> 'Chipped' */
export function upperFirst(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
