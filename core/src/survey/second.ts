// How far round the tree does the second photo stand from the first? Tips that are seen on both tell.
import type { Spot } from '../sight/index';
import { type Fit, fitted } from './fit';
import type { Photo } from './photo';
import { besideLine, type Lens, rayThrough } from './pinhole';
import { isTapped, lensOf, type Station, stationResiduals, TOO_FAR, tapPx } from './station';

/** One standard deviation of the turn from the first place to the second, as it is said. */
const TURN_GIVE_DEG = 15;
/** Closer together two photos see the same: depth cannot be told. */
export const LEAST_TURN_DEG = 30;
const FEWEST_SHARED = 2;

export interface Shared {
  tip: Spot;
  tipAgain: Spot;
}

export interface Pair {
  photos: [Photo, Photo];
  /** Six values of each lens, as of a station; the last is the bearing of the second place. */
  fit: Fit;
}

export type PairFault =
  | { why: 'sameSide'; deg: number; leastDeg: number }
  | { why: 'fewShared'; shared: number; needed: number }
  | { why: 'tipsDoNotMeet' };

/** Turn from one bearing to another the shorter way, −180 to 180. */
const turned = (fromDeg: number, toDeg: number) => ((((toDeg - fromDeg) % 360) + 540) % 360) - 180;
const isSameSide = (deg: number) => Math.abs(deg) < LEAST_TURN_DEG || Math.abs(deg) > 180 - LEAST_TURN_DEG;

/** Both lenses of a pair at given values. */
export function lensesOf(values: readonly number[], { photos }: Pick<Pair, 'photos'>): [Lens, Lens] {
  return [
    lensOf(values.slice(0, 6), photos[0].bearingDeg),
    lensOf(values.slice(6, 12), values[12] as number),
  ];
}

/** What is wrong with the place of the second photo by what is said of it; null where nothing is. */
export function saidSameSide(first: Photo, second: Photo): PairFault | null {
  const deg = Math.abs(turned(first.bearingDeg, second.bearingDeg));
  return isSameSide(deg) ? { why: 'sameSide', deg, leastDeg: LEAST_TURN_DEG } : null;
}

/**
 * Both lenses together with the turn between them: a tip of the first photo must lie on its line in the second.
 *
 * @param shared tips that were tapped on both photos
 */
export function pairOf(
  [first, second]: [Station, Station],
  said: { poleCm: number; eyeCm: number },
  shared: readonly Shared[],
): Pair | PairFault {
  const photos: [Photo, Photo] = [first.photo, second.photo];
  const sameSide = saidSameSide(...photos);
  if (sameSide) return sameSide;
  if (shared.length < FEWEST_SHARED)
    return { why: 'fewShared', shared: shared.length, needed: FEWEST_SHARED };
  const [one, other] = photos;
  if (!isTapped(one) || !isTapped(other)) throw new Error('A station stands by its pole.');
  const [ofFirst, ofSecond] = [stationResiduals(one, said), stationResiduals(other, said)];
  const start = [...first.fit.values, ...second.fit.values, other.bearingDeg];
  const missesOf = (values: readonly number[], tips: readonly Shared[]) => {
    const [near, far] = lensesOf(values, { photos });
    return tips.map(
      ({ tip, tipAgain }) => besideLine(tipAgain, rayThrough(tip, near, one), far, other) / missPx(photos),
    );
  };
  const fitTo = (tips: readonly Shared[]) =>
    fitted(
      (values) => [
        ...ofFirst(values.slice(0, 6)),
        ...ofSecond(values.slice(6, 12)),
        turned(other.bearingDeg, values[12] as number) / TURN_GIVE_DEG,
        ...missesOf(values, tips).map(tamed),
      ],
      start,
    );
  const rough = fitTo(shared);
  const isNear = missesOf(rough.values, shared).map((miss) => Math.abs(miss) <= TOO_FAR);
  const good = shared.filter((_, i) => isNear[i]);
  if (good.length * 2 < shared.length) return { why: 'tipsDoNotMeet' };
  // A tip that was tapped somewhere else says nothing of the place
  const fit = good.length === shared.length || good.length < FEWEST_SHARED ? rough : fitTo(good);
  const deg = Math.abs(turned(one.bearingDeg, fit.values[12] as number));
  if (isSameSide(deg)) return { why: 'sameSide', deg, leastDeg: LEAST_TURN_DEG };
  return { photos, fit };
}

/** Both taps miss. */
export const missPx = ([one, other]: [Photo, Photo]) => Math.hypot(tapPx(one), tapPx(other));

/** One tip that was tapped wrong must not turn all others away: far misses count by their root. Source: Huber 1964, Ann. Math. Stat. 35:73 */
function tamed(miss: number): number {
  const far = Math.abs(miss);
  return far <= TOO_FAR ? miss : Math.sign(miss) * Math.sqrt(TOO_FAR * (2 * far - TOO_FAR));
}
