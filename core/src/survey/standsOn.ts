// On which wood was a joint tapped? The nearest in the photo, as far as it has been tapped.
import { nearestShare, type Spot } from '../sight/index';
import type { Survey } from './photo';

/** The stem’s end where nobody has tapped it and its form does not tell: so many times as high as the pole. */
const STEM_BY_POLE = 1.5;

/** A joint that lies so near to a stem which goes up through the crown stands on it, though a limb that points at whoever takes the photo lies there too: share of the photo’s height. */
const ON_LEADER = 0.015;

/**
 * @param limbs those before it: a limb stands on one that was tapped before
 * @param stemCm how high the stem goes by the form of the tree; null where that does not tell
 * @returns the id of a limb, or null for the stem
 */
export function standsOn(
  spot: Spot,
  { photos, stemTop, poleCm }: Pick<Survey, 'photos' | 'stemTop' | 'poleCm'>,
  limbs: Survey['limbs'],
  stemCm: number | null = null,
): string | null {
  const photo = photos[0];
  if (!photo?.foot || !photo.poleTop) return null;
  const { foot, poleTop } = photo;
  const byPole = stemCm === null ? STEM_BY_POLE : stemCm / poleCm;
  const top = stemTop ?? {
    x: foot.x + (poleTop.x - foot.x) * byPole,
    y: foot.y + (poleTop.y - foot.y) * byPole,
  };
  const besideStem = besideStick(spot, foot, top);
  if (stemCm !== null && besideStem <= ON_LEADER * photo.heightPx) return null;
  let nearest = { id: null as string | null, away: besideStem };
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
