// Which way does it point, told so that anyone finds it from the ground?

/**
 * Position on the crown clock, seen from above with 12 at the site's fixed bearing.
 *
 * @param bearingDeg compass bearing, degrees clockwise from north
 * @param twelveBearingDeg bearing of 12 o'clock at this site
 * @returns 1..12
 * @example clockHour(120, 0) //=> 4
 */
export function clockHour(bearingDeg: number, twelveBearingDeg: number): number {
  const hour = Math.round(turn(bearingDeg - twelveBearingDeg) / 30) % 12;
  return hour === 0 ? 12 : hour;
}

/** An angle brought into 0 ≤ a < 360. */
export function turn(deg: number): number {
  return ((deg % 360) + 360) % 360;
}

export const sides = ['north', 'east', 'south', 'west'] as const;

/** A side of a tree, from which it is seen or worked on. */
export type Side = (typeof sides)[number];

/** The side that a bearing from the stem lies nearest to. */
export const sideOf = (bearingDeg: number): Side => sides[Math.round(turn(bearingDeg) / 90) % 4] ?? sides[0];

/** The bearing of a side from the stem, degrees clockwise from north. */
export const sideDeg = (side: Side): number => sides.indexOf(side) * 90;
