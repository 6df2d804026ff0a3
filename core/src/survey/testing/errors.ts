// How near do photos come to trees whose every limb is known? For tests and for the figures that are printed.
import { chance } from '../chance';
import { surveyed } from '../surveyed';
import { type Errors, madeUpTree, photographed } from './trees';

export interface Off {
  lengthShare: number[];
  bearingDeg: number[];
  inclinationDeg: number[];
  within: number[];
  refused: number;
}

/** How far every limb that photos of made-up trees give is from the limb as it is. */
export function surveyErrors(errors: Errors, trees: number, photos: 1 | 2): Off {
  const off: Off = { lengthShare: [], bearingDeg: [], inclinationDeg: [], within: [], refused: 0 };
  for (let seed = 1; seed <= trees; seed++) {
    const luck = chance(seed);
    const limbs = madeUpTree(luck);
    const survey = photographed(limbs, luck, errors);
    const only = {
      ...survey,
      photos: survey.photos.slice(0, 1),
      limbs: survey.limbs.map((limb) => ({ ...limb, tipAgain: null })),
    };
    for (const found of surveyed(photos === 1 ? only : survey).limbs) {
      const limb = limbs.find(({ id }) => id === found.id);
      if (!limb || 'fault' in found) {
        off.refused++;
        continue;
      }
      const turned = Math.abs(((found.bearingDeg.value - limb.bearingDeg + 900) % 360) - 180);
      const offs = [
        Math.abs(found.lengthCm.value - limb.lengthCm),
        turned,
        Math.abs(found.inclinationDeg.value - limb.inclinationDeg),
      ] as const;
      off.lengthShare.push(offs[0] / limb.lengthCm);
      off.bearingDeg.push(offs[1]);
      off.inclinationDeg.push(offs[2]);
      const gives = [found.lengthCm.give, found.bearingDeg.give, found.inclinationDeg.give];
      off.within.push(...offs.map((far, i) => (far <= (gives[i] as number) ? 1 : 0)));
    }
  }
  return off;
}
/** @example quantile([3, 1, 2], 0.5) //=> 2 */
export const quantile = (all: readonly number[], share: number) =>
  all.toSorted((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * share))] as number;
export const mean = (all: readonly number[]) => all.reduce((sum, one) => sum + one, 0) / all.length;
