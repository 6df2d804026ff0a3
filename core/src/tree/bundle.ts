// Limbs that nobody mapped one by one: about so many alike, spread over a stretch of what they stand on.

/** As far as a limb is looked at here. */
interface Many {
  bundle?: { about: number; overCm: number } | undefined;
}
interface Bundled extends Many {
  jointCm: number;
}

/** Which of a bundle are looked at apart. */
export const bundleParts = ['steepest', 'flattest', 'longest', 'shortest'] as const;
export type BundlePart = (typeof bundleParts)[number];

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

interface Part extends Bundled {
  id: string;
  lengthCm: number;
  named?: { atCm?: number | undefined } | undefined;
  bundle?:
    | { about: number; overCm: number; part?: { which: BundlePart; of: number; atCm: number } | undefined }
    | undefined;
}

/** Some of a bundle: which, about how many, and how long they are where that tells them apart. */
export interface Some {
  which: BundlePart;
  about: number;
  lengthCm?: number;
}

/** The bundle that a part was parted from; any other limb is itself. @example wholeId('b~flattest') //=> 'b' */
export function wholeId(id: string): string {
  const which = bundleParts.find((part) => id.endsWith(`~${part}`));
  return which ? id.slice(0, -which.length - 1) : id;
}

/**
 * Bundles as several that a plan may deal with apart. They are drawn side by side on the stretch of the bundle and named by its middle.
 *
 * @param partsOf how a bundle falls apart, together as many as it is; none where it stays one
 */
export function partBundles<L extends Part>(
  limbs: readonly L[],
  partsOf: (bundle: L & { bundle: NonNullable<L['bundle']> }) => readonly Some[],
): L[] {
  return limbs.flatMap((limb): L[] => {
    const { id, bundle } = limb;
    if (!bundle || bundle.part) return [limb];
    const parts = partsOf({ ...limb, bundle });
    if (parts.length === 0) return [limb];
    let [fromCm] = stretch(limb);
    return parts.map(({ which, about, lengthCm = limb.lengthCm }): L => {
      const toCm = fromCm + (bundle.overCm * about) / bundle.about;
      const { jointCm, overCm } = onStretch(fromCm, toCm);
      fromCm = toCm;
      const part = { which, of: bundle.about, atCm: limb.named?.atCm ?? limb.jointCm };
      return { ...limb, id: `${id}~${which}`, jointCm, lengthCm, bundle: { about, overCm, part } };
    });
  });
}

/** The bundles as they were before they were parted, or what is left of them. */
export function joinBundles<L extends Part>(limbs: readonly L[]): L[] {
  const joined = new Map<string, L>();
  for (const limb of limbs) {
    const { bundle } = limb;
    if (!bundle?.part) {
      joined.set(limb.id, limb);
      continue;
    }
    const id = wholeId(limb.id);
    const had = joined.get(id);
    const { part: _part, ...own } = bundle;
    if (!had?.bundle) {
      joined.set(id, { ...limb, id, bundle: own });
      continue;
    }
    const ends = [...stretch(had), ...stretch(limb)];
    const { jointCm, overCm } = onStretch(Math.min(...ends), Math.max(...ends));
    const about = had.bundle.about + own.about;
    // As long as all of them are on average
    const lengthCm = Math.round((had.lengthCm * had.bundle.about + limb.lengthCm * own.about) / about);
    joined.set(id, { ...had, jointCm, lengthCm, bundle: { about, overCm } });
  }
  return [...joined.values()];
}
