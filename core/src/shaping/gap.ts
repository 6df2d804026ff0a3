// Which sides of a crown bear hardly any leaf, and from when on it hangs to one side.

/** From here on a crown is worth bringing back over its stem. Common practice, no source. */
export const OFF_CENTRE_FROM = 0.15;

/** A side of the crown that bears hardly any leaf. */
export interface Gap {
  /** Compass bearing of its middle, degrees. */
  middleDeg: number;
  widthDeg: number;
}

export const isSameGap = (a: Gap, b: Gap) => a.middleDeg === b.middleDeg && a.widthDeg === b.widthDeg;
