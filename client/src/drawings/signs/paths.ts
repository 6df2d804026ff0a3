// Paths that the drawings of signs are made of, in units of their view.

export type Point = readonly [x: number, y: number];

const n = (value: number) => String(Math.round(value * 10) / 10);
const at = ([x, y]: Point) => `${n(x)} ${n(y)}`;

export const line = (...points: Point[]): string => `M${points.map(at).join('L')}`;

export const closed = (...points: Point[]): string => `${line(...points)}Z`;

export function ellipse([x, y]: Point, rx: number, ry: number): string {
  return `M${at([x - rx, y])}a${n(rx)} ${n(ry)} 0 1 0 ${n(2 * rx)} 0a${n(rx)} ${n(ry)} 0 1 0 ${n(-2 * rx)} 0Z`;
}

export const dot = (centre: Point, radius: number): string => ellipse(centre, radius, radius);

/** A point at a distance and an angle from another. @param deg clockwise from the right */
export function off([x, y]: Point, distance: number, deg: number): Point {
  const angle = (deg * Math.PI) / 180;
  return [x + Math.cos(angle) * distance, y + Math.sin(angle) * distance];
}

const CORNERS = 14;

/** An uneven round: no edge of bark is an ellipse. @param turn 0..1, where its bulges are */
export function blob(centre: Point, rx: number, ry: number, turn: number, uneven = 0.12): string {
  const points = Array.from({ length: CORNERS }, (_, i): Point => {
    const angle = (i / CORNERS) * 2 * Math.PI;
    const bulge =
      1 + uneven * Math.sin(3 * angle + 9 * turn) + uneven * 0.6 * Math.sin(5 * angle + 23 * turn);
    return [centre[0] + Math.cos(angle) * rx * bulge, centre[1] + Math.sin(angle) * ry * bulge];
  });
  return smooth(points);
}

/** A closed curve through the middles of its sides. */
function smooth(points: readonly Point[]): string {
  const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const around = points.map((point, i) => {
    const next = points[(i + 1) % points.length] as Point;
    return `Q${at(point)} ${at(middle(point, next))}`;
  });
  const last = points.at(-1) as Point;
  return `M${at(middle(last, points[0] as Point))}${around.join('')}Z`;
}

/** A curve from one point over another to a third. */
export const bow = (from: Point, over: Point, to: Point): string => `M${at(from)}Q${at(over)} ${at(to)}`;

/** A leaf from its stalk to its tip. @param wide of its length */
export function leaf(stalk: Point, length: number, deg: number, wide = 0.42): string {
  const tip = off(stalk, length, deg);
  const belly = (side: 1 | -1) => off(off(stalk, length * 0.45, deg), length * wide, deg + 90 * side);
  return `M${at(stalk)}Q${at(belly(1))} ${at(tip)}Q${at(belly(-1))} ${at(stalk)}Z`;
}

/** To and fro about a line. */
export function zigzag(from: Point, to: Point, teeth: number, deep: number): string {
  const points = Array.from({ length: 2 * teeth + 1 }, (_, i): Point => {
    const share = i / (2 * teeth);
    const middle: Point = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
    const deg = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
    return off(middle, i % 2 === 0 ? 0 : deep, deg - 90);
  });
  return line(...points);
}
