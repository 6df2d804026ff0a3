// What is tapped next on a photo, and what does a tap change?
import type { Spot } from '../sight/index';
import type { Photo, Survey, TappedLimb } from './photo';
import { standsOn } from './standsOn';

/** What a tap may mean. `base` begins a limb where no limb is named. */
export type Tap =
  | { what: 'foot' | 'poleTop' | 'stemTop' }
  | { what: 'base'; limbId: string | null }
  | { what: 'tip' | 'tipAgain' | 'left' | 'right'; limbId: string };

/** What is asked for, first the pole, then limb by limb; null where nothing is left to tap. @param which photo, 0 or 1 */
export function nextTap({ photos, limbs }: Survey, which: number): Tap | null {
  const photo = photos[which];
  if (!photo) return null;
  if (!photo.foot) return { what: 'foot' };
  if (!photo.poleTop) return { what: 'poleTop' };
  if (which === 0) {
    const begun = limbs.find(({ tip }) => tip === null);
    return begun ? { what: 'tip', limbId: begun.id } : { what: 'base', limbId: null };
  }
  const left = limbs.find(({ tip, tipAgain }) => tip !== null && tipAgain === null);
  return left ? { what: 'tipAgain', limbId: left.id } : null;
}

/** What is tapped after both sides of a limb’s wood were begun; else whatever is asked for. */
export function afterTap(survey: Survey, which: number, tap: Tap): Tap | null {
  return tap.what === 'left' ? { what: 'right', limbId: tap.limbId } : nextTap(survey, which);
}

/**
 * The survey after a tap. A new limb stands on the wood that its base was tapped nearest to.
 *
 * @param newId of a limb that begins here
 * @param stemCm as `standsOn` has it
 */
export function withTap(
  survey: Survey,
  which: number,
  tap: Tap,
  at: Spot,
  newId: string,
  stemCm: number | null = null,
): Survey {
  switch (tap.what) {
    case 'foot':
    case 'poleTop': {
      const photo = survey.photos[which];
      if (!photo) return survey;
      return { ...survey, photos: survey.photos.with(which, { ...photo, [tap.what]: at }) };
    }
    case 'stemTop':
      return { ...survey, stemTop: at };
    case 'base': {
      if (tap.limbId !== null) return changed(survey, tap.limbId, { base: at });
      const onId = standsOn(at, survey, survey.limbs, stemCm);
      const limb = { id: newId, onId, base: at, tip: null, tipAgain: null, towardDeg: null, across: null };
      return { ...survey, limbs: [...survey.limbs, limb] };
    }
    case 'left':
      return changed(survey, tap.limbId, ({ across }) => ({ across: [at, across?.[1] ?? at] }));
    case 'right':
      return changed(survey, tap.limbId, ({ across }) => ({ across: [across?.[0] ?? at, at] }));
    default:
      return changed(survey, tap.limbId, { [tap.what]: at });
  }
}

function changed(
  survey: Survey,
  id: string,
  change: Partial<TappedLimb> | ((limb: TappedLimb) => Partial<TappedLimb>),
): Survey {
  return {
    ...survey,
    limbs: survey.limbs.map((limb) =>
      limb.id === id ? { ...limb, ...(typeof change === 'function' ? change(limb) : change) } : limb,
    ),
  };
}

/** Where something was tapped; null where it was not. */
export function tapOf({ photos, stemTop, limbs }: Survey, which: number, tap: Tap): Spot | null {
  if (tap.what === 'foot' || tap.what === 'poleTop') return photos[which]?.[tap.what] ?? null;
  if (!('limbId' in tap)) return stemTop;
  const limb = limbs.find(({ id }) => id === tap.limbId);
  if (!limb) return null;
  if (tap.what === 'left') return limb.across?.[0] ?? null;
  if (tap.what === 'right') return limb.across?.[1] ?? null;
  return limb[tap.what];
}

/** A limb of which somebody may say what it stands on, and its hour. */
export interface Sayable {
  id: string;
  onId: string | null;
  towardDeg: number | null;
}

/** The limbs with something else said of one of them: what it stands on, its hour. */
export function saidOfLimb<L extends Sayable>(
  limbs: readonly L[],
  id: string,
  said: Partial<Pick<Sayable, 'onId' | 'towardDeg'>>,
): L[] {
  return limbs.map((limb) => (limb.id === id ? { ...limb, ...said } : limb));
}

/** Without a limb; what stood on it stands on what it stood on. */
export function withoutTapped<L extends Sayable>(limbs: readonly L[], id: string): L[] {
  const onId = limbs.find((limb) => limb.id === id)?.onId ?? null;
  return limbs.flatMap((limb) => {
    if (limb.id === id) return [];
    return [limb.onId === id ? { ...limb, onId } : limb];
  });
}

/** With a photo that was taken, or taken again: what was tapped on the one before is gone with it. */
export function withPhoto(survey: Survey, which: number, photo: Photo): Survey {
  const photos = survey.photos.slice();
  photos[which] = photo;
  if (which === 0) return { ...survey, photos, stemTop: null, limbs: [] };
  return { ...survey, photos, limbs: survey.limbs.map((limb) => ({ ...limb, tipAgain: null })) };
}
