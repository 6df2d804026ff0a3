// What share of the crown is dead or diseased?
import { diameterMmAt, indexLimbs, isDistalOf, type Limb } from '../tree/index';

interface Affected {
  limbId: string;
  fromCm: number;
}

/**
 * By the pipe model: a limb carries foliage as its section does, so the share is that of the sections where affected wood begins over
 * those of the main limbs. Of two places on one way to the stool only the nearer counts. 1 for affected trunk wood.
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
  const nearest = [...places.values()].filter(
    (place, _, all) =>
      !all.some(
        (other) =>
          other !== place && isDistalOf(index, place.limbId, place.fromCm, other.limbId, other.fromCm),
      ),
  );
  const section = (mm: number) => mm * mm;
  const main = limbs.filter((limb) => limb.kind === 'scaffold');
  const whole = (main.length > 0 ? main : limbs.filter((limb) => limb.kind === 'trunk')).reduce(
    (sum, limb) => sum + section(limb.baseMm),
    0,
  );
  const gone = nearest.reduce((sum, stretch) => {
    const limb = index.byId.get(stretch.limbId) as Limb;
    return sum + section(diameterMmAt(limb, Math.min(stretch.fromCm, limb.lengthCm)));
  }, 0);
  return whole === 0 ? 0 : Math.min(1, gone / whole);
}
