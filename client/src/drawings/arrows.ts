// Arrow keys that move something on a drawing.

/** Steps to the right and up; undefined for any other key. @example ARROWS.ArrowUp //=> [0, 1] */
export const ARROWS: Readonly<Record<string, readonly [right: number, up: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
