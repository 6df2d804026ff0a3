// Where do words stand on a drawing so that none lies over another?

export interface Box {
  /** Left and upper edge, in the units of the drawing. */
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface LabelWish {
  id: string;
  text: string;
  /** What it belongs to. */
  x: number;
  y: number;
  /** Of the words. */
  width: number;
  height: number;
  /** The greater ones find room first. */
  rank: number;
}

export interface LabelPlaced {
  id: string;
  text: string;
  /** Middle of the words. */
  x: number;
  y: number;
}

/** Round what it belongs to, from the right, and once more farther off. */
const AROUND = [0, 180, 90, 270, 45, 135, 225, 315];
const AWAY = [0.35, 1.1];

/**
 * Places the words that matter most first, each beside what it belongs to; what finds no room is left out.
 *
 * @param within words stay inside
 * @param taken where no words may stand
 */
export function placeLabels(
  wishes: readonly LabelWish[],
  within: Box,
  taken: readonly Box[] = [],
): LabelPlaced[] {
  const full = [...taken];
  return wishes
    .toSorted((a, b) => b.rank - a.rank)
    .flatMap(({ id, text, x, y, width, height }): LabelPlaced[] => {
      for (const away of AWAY) {
        for (const deg of AROUND) {
          const [dx, dy] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
          const middle = {
            x: x + dx * (width / 2 + away * height),
            y: y + dy * (height / 2 + away * height),
          };
          const box = { x: middle.x - width / 2, y: middle.y - height / 2, width, height };
          if (!isInside(box, within) || full.some((other) => overlaps(box, other))) continue;
          full.push(box);
          return [{ id, text, ...middle }];
        }
      }
      return [];
    });
}

/** Do two boxes share more than an edge? */
export function overlaps(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

function isInside(box: Box, { x, y, width, height }: Box): boolean {
  return box.x >= x && box.y >= y && box.x + box.width <= x + width && box.y + box.height <= y + height;
}
