// What share of the crown is dead or diseased?
import { diameterMmAt, indexLimbs, isDistalOf, type Limb } from '../tree/index';

interface Affected {
  limbId: string;
  fromCm: number;
}

/**
 * By the pipe model: a limb carries foliage as its section does, so the share is that of the sections where affected wood begins over
 * those of the main limbs. Of two places on one way to the stool the nearer takes the further with it: its own section counts, or what
 * hangs beyond it and is affected anyway, whichever is more.
 *
 * @returns 0..1; 0 on a map without main limbs and without affected wood
 * @source Shinozaki et al. 1964, Jpn J. Ecol. 14:97, pipe model
 * @example one of four equal limbs dead from its base //=> 0.25
 */
export function affectedShare(limbs: Limb[], affected: readonly Affected[]): number {
  const index = indexLimbs(limbs);
  const places = new Map(
    affected
      .filter((stretch) => index.byId.has(stretch.limbId))
      .map((stretch) => [`${stretch.limbId} ${stretch.fromCm}`, stretch]),
  );
  const section = (mm: number) => mm * mm;
  const main = limbs.filter((limb) => limb.kind === 'scaffold');
  const whole = (main.length > 0 ? main : limbs.filter((limb) => limb.kind === 'trunk')).reduce(
    (sum, limb) => sum + section(limb.baseMm),
    0,
  );
  const isBeyond = (nearer: Affected, further: Affected) =>
    further !== nearer && isDistalOf(index, further.limbId, further.fromCm, nearer.limbId, nearer.fromCm);
  const gone = (some: readonly Affected[]): number =>
    some
      .filter((place) => !some.some((other) => isBeyond(other, place)))
      .reduce((sum, place) => {
        const limb = index.byId.get(place.limbId) as Limb;
        const there = section(diameterMmAt(limb, Math.min(place.fromCm, limb.lengthCm)));
        return sum + Math.max(there, gone(some.filter((other) => isBeyond(place, other))));
      }, 0);
  return whole === 0 ? 0 : Math.min(1, gone([...places.values()]) / whole);
}
