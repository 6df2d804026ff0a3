// Limbs that nobody mapped one by one: about so many alike, spread over a stretch of what they stand on.

/** As far as a limb is looked at here. */
interface Many {
  bundle?: { about: number; overCm: number } | undefined;
}
interface Bundled extends Many {
  jointCm: number;
}

/** How many limbs it stands for. @example alike({}) //=> 1 */
export function alike({ bundle }: Many): number {
  return bundle?.about ?? 1;
}

/** Section of all of them at their bases, by the square of the diameter, mm². */
export function section(limb: Many & { baseMm: number }): number {
  return limb.baseMm ** 2 * alike(limb);
}

/** Where along its parent it begins and ends, cm; a single limb at its joint. */
export function stretch({ bundle, jointCm }: Bundled): [number, number] {
  const half = (bundle?.overCm ?? 0) / 2;
  return [jointCm - half, jointCm + half];
}

/** A stretch as a bundle is written: its middle as the joint, and how far it runs. */
export function onStretch(fromCm: number, toCm: number): { jointCm: number; overCm: number } {
  return { jointCm: (fromCm + toCm) / 2, overCm: toCm - fromCm };
}

/** The same, no farther out than the end of what it stands on. */
export function within<L extends Bundled>(limb: L, parentCm: number): L {
  const [fromCm, toCm] = stretch(limb);
  if (!limb.bundle || (fromCm >= 0 && toCm <= parentCm)) return limb;
  const { jointCm, overCm } = onStretch(Math.max(0, fromCm), Math.min(parentCm, toCm));
  return { ...limb, jointCm, bundle: { ...limb.bundle, overCm } };
}
