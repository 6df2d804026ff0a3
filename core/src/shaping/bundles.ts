// Of a bundle, which go first: of uprights the steepest, of shoots those that grew too long.
import type { Limb, Some } from '../tree/index';
import { AIM_CM } from './shoots';
import { uprights } from './uprights';

/** Fewer than so many are not told apart, nor is one alone. Common practice, no source. */
const PARTED_FROM = 4;
const LEAST = 2;
/** Of uprights one for so many cm of the wood that they stand on has room to become bearing wood. Common practice, no source. */
const ROOM_CM = 30;
/** Shoots that are counted together are so much shorter and longer than the length that was given for them. Common practice, no source. */
const SPREAD = 0.4;

/** How each bundle of a map falls apart, by its id. */
export function bundleParts(limbs: Limb[]): Map<string, Some[]> {
  const upright = new Set(uprights(limbs));
  return new Map(
    limbs.flatMap((limb): [string, Some[]][] => {
      const { id, kind, ageYears, lengthCm, bundle } = limb;
      if (!bundle || bundle.about < PARTED_FROM) return [];
      if (upright.has(limb)) return [[id, byRoom(bundle)]];
      return kind === 'shoot' && ageYears <= 1 ? [[id, byLength(bundle.about, lengthCm)]] : [];
    }),
  );
}

function byRoom({ about, overCm }: { about: number; overCm: number }): Some[] {
  const stay = Math.max(LEAST, Math.min(about - LEAST, Math.round(overCm / ROOM_CM)));
  return [
    { which: 'steepest', about: about - stay },
    { which: 'flattest', about: stay },
  ];
}

/** Lengths lie evenly round the one that was given. */
function byLength(about: number, lengthCm: number): Some[] {
  const [shortest, longest] = [lengthCm * (1 - SPREAD), lengthCm * (1 + SPREAD)];
  const long = Math.round((about * (longest - AIM_CM)) / (longest - shortest));
  if (long < LEAST || long > about - LEAST) return [];
  return [
    { which: 'longest', about: long, lengthCm: Math.round((AIM_CM + longest) / 2) },
    { which: 'shortest', about: about - long, lengthCm: Math.round((shortest + AIM_CM) / 2) },
  ];
}
