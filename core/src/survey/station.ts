// Where did the lens stand and look, judged by a pole of known length at the stem?
import type { Spot } from '../sight/index';
import { type Fit, fitted } from './fit';
import { AWAY_SHARE, EYE_CM_GIVE, LENS_BELOW_EYES_CM, PLAIN_MM35 } from './give';
import { AWAY_CM, type Photo } from './photo';
import { focalPx, type Lens, pictured, rayThrough } from './pinhole';
import { degBetween } from './space';

/** One standard deviation of what is said. Common practice, no source. */
const GIVE = {
  focalShare: 0.02,
  noFocalShare: 0.25,
  /** Where the ground rises or falls toward the tree. */
  slopeCm: 20,
} as const;
/** By so much the stem’s foot is thought to be higher, or lower, where the ground is not level. */
const SLOPE_CM = 20;
/** A thumb misses what it means by so much of the longer side of the photo: 4 px of 1,600. */
const TAP_SHARE = 4 / 1600;
const LEAST_POLE_DEG = 12;
/** Farther off than chance would have it. */
export const TOO_FAR = 3;

export interface Station {
  photo: Photo;
  /** Logarithm of the focal length, pitch, height, logarithm of the distance, yaw, roll. */
  fit: Fit;
  lens: Lens;
}

export type StationFault =
  /** Tapped not yet. */
  | { why: 'noFoot' }
  | { why: 'noPoleTop' }
  | { why: 'poleUpsideDown' }
  /** The pole fills too little of the photo. */
  | { why: 'poleSmall'; deg: number; leastDeg: number }
  /** Pole, distance and height of the eyes do not go together; the photo may be cropped or zoomed. */
  | { why: 'doesNotFit'; wouldFitCm: number; saidCm: number };

/** One standard deviation of a tap, in pixels. */
export const tapPx = ({ widthPx, heightPx }: Pick<Photo, 'widthPx' | 'heightPx'>) =>
  TAP_SHARE * Math.max(widthPx, heightPx);

/** How far what one knows of a lens is from what is said of it; all in standard deviations. */
export function stationResiduals(
  photo: Photo & { foot: Spot; poleTop: Spot },
  { poleCm, eyeCm }: { poleCm: number; eyeCm: number },
): (values: readonly number[]) => number[] {
  const known = saidOf(photo, eyeCm);
  const tap = tapPx(photo);
  return (values) => {
    const lens = lensOf(values, photo.bearingDeg);
    const foot = pictured({ x: 0, y: 0, z: 0 }, lens, photo);
    const top = pictured({ x: 0, y: 0, z: poleCm }, lens, photo);
    // Behind the lens: farther off than anything tapped
    const far = 4 * Math.max(photo.widthPx, photo.heightPx);
    const miss = (of: Spot | null, at: Spot) =>
      of ? [(of.x - at.x) / tap, (of.y - at.y) / tap] : [far / tap, far / tap];
    const [focal, , height, away] = values as [number, number, number, number];
    return [
      ...miss(foot, photo.foot),
      ...miss(top, photo.poleTop),
      (focal - Math.log(known.focalPx)) / known.focalShare,
      (height - known.lensCm) / known.lensGiveCm,
      (away - Math.log(photo.awayCm)) / AWAY_SHARE,
    ];
  };
}

/** What is known of a lens before anything is tapped. */
function saidOf(photo: Photo, eyeCm: number) {
  const slope = { level: 0, up: -SLOPE_CM, down: SLOPE_CM }[photo.ground];
  return {
    focalPx: focalPx(photo.focalMm35 ?? PLAIN_MM35, photo),
    focalShare: photo.focalMm35 === null ? GIVE.noFocalShare : GIVE.focalShare,
    lensCm: eyeCm - LENS_BELOW_EYES_CM + slope,
    lensGiveCm: photo.ground === 'level' ? EYE_CM_GIVE : GIVE.slopeCm,
  };
}

/** Where to begin: as said, turned so that foot and pole lie about where they were tapped. */
export function stationStart(photo: Photo & { foot: Spot; poleTop: Spot }, eyeCm: number): number[] {
  const { focalPx: focal, lensCm } = saidOf(photo, eyeCm);
  const deg = (tan: number) => (Math.atan(tan) * 180) / Math.PI;
  const pitch = deg((photo.foot.y - photo.heightPx / 2) / focal) - deg(lensCm / photo.awayCm);
  const yaw = -deg((photo.foot.x - photo.widthPx / 2) / focal);
  const roll = deg((photo.poleTop.x - photo.foot.x) / (photo.foot.y - photo.poleTop.y));
  return [Math.log(focal), pitch, lensCm, Math.log(photo.awayCm), yaw, roll];
}

export function lensOf(values: readonly number[], bearingDeg: number): Lens {
  const [focal, pitchDeg, heightCm, away, yawDeg, rollDeg] = values as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return {
    bearingDeg,
    distanceCm: Math.exp(away),
    heightCm,
    yawDeg,
    pitchDeg,
    rollDeg,
    focalPx: Math.exp(focal),
  };
}

/** A photo that foot and top were tapped on. */
export function isTapped(photo: Photo): photo is Photo & { foot: Spot; poleTop: Spot } {
  return photo.foot !== null && photo.poleTop !== null;
}

/**
 * The lens of a photo. Foot and top alone do not tell focal length, pitch, height and distance apart: what is said of them is weighed in.
 *
 * @param said length of the pole and height of the eyes, cm
 */
export function stationOf(photo: Photo, said: { poleCm: number; eyeCm: number }): Station | StationFault {
  if (!photo.foot) return { why: 'noFoot' };
  if (!isTapped(photo)) return { why: 'noPoleTop' };
  if (photo.poleTop.y >= photo.foot.y) return { why: 'poleUpsideDown' };
  const fit = fitted(stationResiduals(photo, said), stationStart(photo, said.eyeCm));
  const lens = lensOf(fit.values, photo.bearingDeg);
  const deg = degBetween(
    rayThrough(photo.foot, lens, photo).along,
    rayThrough(photo.poleTop, lens, photo).along,
  );
  // What is no number fits nothing
  if (!fit.residuals.every((off) => Math.abs(off) <= TOO_FAR)) {
    return { why: 'doesNotFit', wouldFitCm: fittingCm(photo, said), saidCm: photo.awayCm };
  }
  if (deg < LEAST_POLE_DEG) return { why: 'poleSmall', deg, leastDeg: LEAST_POLE_DEG };
  return { photo, fit, lens };
}

/** The distance that the pole would have in this photo, were none said, cm. */
function fittingCm(
  photo: Photo & { foot: Spot; poleTop: Spot },
  said: { poleCm: number; eyeCm: number },
): number {
  const residuals = stationResiduals(photo, said);
  const free = (values: readonly number[]) => {
    const all = residuals(values);
    return all.with(-1, (all.at(-1) as number) * 0.01);
  };
  const cm = Math.exp(fitted(free, stationStart(photo, said.eyeCm)).values[3] as number);
  return Number.isFinite(cm) ? Math.min(AWAY_CM.most, Math.max(AWAY_CM.least, cm)) : photo.awayCm;
}
