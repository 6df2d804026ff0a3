// On which wood was a joint tapped? The nearest in the photo, as far as it has been tapped.
import { nearestShare, type Spot } from '../sight/index';
import type { Survey } from './photo';

/** The stem’s end where nobody has tapped it: so many times as high as the pole. */
const STEM_BY_POLE = 1.5;

/**
 * @param limbs those before it: a limb stands on one that was tapped before
 * @returns the id of a limb, or null for the stem
 */
export function standsOn(
  spot: Spot,
  { photos, stemTop }: Pick<Survey, 'photos' | 'stemTop'>,
  limbs: Survey['limbs'],
): string | null {
  const photo = photos[0];
  if (!photo?.foot || !photo.poleTop) return null;
  const { foot, poleTop } = photo;
  const top = stemTop ?? {
    x: foot.x + (poleTop.x - foot.x) * STEM_BY_POLE,
    y: foot.y + (poleTop.y - foot.y) * STEM_BY_POLE,
  };
  let nearest = { id: null as string | null, away: besideStick(spot, foot, top) };
  for (const { id, base, tip } of limbs) {
    if (!base || !tip) continue;
    const away = besideStick(spot, base, tip);
    if (away < nearest.away) nearest = { id, away };
  }
  return nearest.id;
}

function besideStick(at: Spot, from: Spot, to: Spot): number {
  const share = nearestShare(at, from, to);
  return Math.hypot(at.x - from.x - (to.x - from.x) * share, at.y - from.y - (to.y - from.y) * share);
}
