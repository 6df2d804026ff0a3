// What limbs does a tree have by its photos, how sure is each of its figures, and what is still to be tapped?

import type { Spot } from '../sight/index';
import { long, minus } from '../tree/index';
import { spreadOf } from './fit';
import { HOUR_DEG_GIVE } from './give';
import type { Survey, TappedLimb } from './photo';
import { besideLine, type Lens, type PictureSize, rayThrough } from './pinhole';
import {
  NINE_OF_TEN,
  type Ranged,
  type RangedWood,
  rangedWood,
  standingOn,
  together,
  type Uncertain,
} from './ranged';
import { lensesOf, missPx, type PairFault, pairOf, type Shared, saidSameSide } from './second';
import { lensOf, type Station, type StationFault, stationOf, TOO_FAR, tapPx } from './station';
import { PLUMB, type TipSeen, type Wood, type WoodFault, woodOf } from './wood';

export interface LimbSurveyed extends RangedWood {
  id: string;
  onId: string | null;
  /** Across its wood, mm; null where nobody tapped its sides. */
  baseMm: Ranged | null;
}

export type LimbFault =
  | WoodFault
  | { why: 'noBase' }
  | { why: 'noTip' }
  /** One photo, and nobody has said its hour. */
  | { why: 'noHour' }
  /** Both photos show its tip, but nothing ties them together yet. */
  | { why: 'noPair' }
  /** The limb that it stands on is not measured yet. */
  | { why: 'onUnknown' }
  /** Its tip on the second photo lies off its line. */
  | { why: 'offLine'; offPx: number; mostPx: number };

export interface Surveyed {
  /** For each photo what is wrong with it; null where nothing is. */
  photos: (StationFault | null)[];
  /** What is wrong with the two together. */
  pair: PairFault | null;
  /** The lenses, as far as they are known; the second as good as said where no tip ties it to the first. */
  lenses: (Lens | null)[];
  stem: LimbSurveyed | null;
  limbs: (LimbSurveyed | { id: string; fault: LimbFault })[];
}

/** Lenses from values, with what is known of the values. */
interface Known extends Uncertain {
  lenses(values: readonly number[]): Lens[];
}

/**
 * All limbs that the photos tell of. A limb with its tip on both photos is where both rays meet; one with its tip on the first and its hour
 * is where the ray meets the upright plane of that hour.
 */
export function surveyed(survey: Survey): Surveyed {
  const { photos } = survey;
  const stations = photos.map((photo) => stationOf(photo, survey));
  const faults = stations.map((station) => ('why' in station ? station : null));
  const [first, second] = stations.map((station) => ('why' in station ? null : station));
  const said = first && second ? saidSameSide(first.photo, second.photo) : null;
  const pair = first && second ? (said ?? pairOf([first, second], survey, sharedOf(survey))) : null;
  const known = first ? knownOf(first, pair && !('why' in pair) ? pair : null) : null;
  const lenses = known
    ? photos.map((_, i) => known.lenses(known.values)[i] ?? (second && i === 1 ? second.lens : null))
    : photos.map(() => null);
  const measured = new Map<string | null, LimbSurveyed>();
  const stem = known && survey.stemTop ? stemOf(known, survey, survey.stemTop) : null;
  if (stem) measured.set(null, stem);
  const limbs = survey.limbs.map((limb) => {
    const found = known ? limbOf(limb, known, survey, measured) : ({ why: 'noTip' } as const);
    if ('why' in found) return { id: limb.id, fault: found };
    measured.set(limb.id, found);
    return found;
  });
  return { photos: faults, pair: pair && 'why' in pair ? pair : null, lenses, stem, limbs };
}

function sharedOf({ limbs }: Survey): Shared[] {
  return limbs.flatMap(({ tip, tipAgain }) => (tip && tipAgain ? [{ tip, tipAgain }] : []));
}

function knownOf({ fit, photo }: Station, pair: Exclude<ReturnType<typeof pairOf>, PairFault> | null): Known {
  if (pair) return { ...pair.fit, lenses: (values) => lensesOf(values, pair) };
  return { ...fit, lenses: (values) => [lensOf(values, photo.bearingDeg)] };
}

type Four = [number, number, number, number, ...number[]];

function limbOf(
  limb: TappedLimb,
  known: Known,
  { photos }: Survey,
  measured: ReadonlyMap<string | null, LimbSurveyed>,
): LimbSurveyed | LimbFault {
  const on = measured.get(limb.onId);
  if (limb.onId !== null && !on) return { why: 'onUnknown' };
  if (!limb.base) return { why: 'noBase' };
  if (!limb.tip) return { why: 'noTip' };
  const lenses = known.lenses(known.values);
  const [one, other] = photos as [Survey['photos'][number], Survey['photos'][number] | undefined];
  const both = limb.tipAgain && other && lenses[1] ? { again: limb.tipAgain, photo: other } : null;
  if (both) {
    const offPx = Math.abs(offLine(limb.tip, both.again, lenses, [one, both.photo]));
    const mostPx = mostOffLine(limb.tip, both.again, known, [one, both.photo]);
    if (offPx > mostPx) return { why: 'offLine', offPx, mostPx };
  } else if (limb.towardDeg === null) return { why: limb.tipAgain ? 'noPair' : 'noHour' };
  const [base, tip] = [limb.base, limb.tip];
  const tap = tapPx(one);
  const taps = {
    values: [
      base.x,
      base.y,
      tip.x,
      tip.y,
      ...(both ? [both.again.x, both.again.y] : [limb.towardDeg as number]),
    ],
    spread: [tap, tap, tap, tap, ...(both ? [tapPx(both.photo), tapPx(both.photo)] : [HOUR_DEG_GIVE])],
  };
  const standing = standingOn(on);
  const make = (values: readonly number[]): Wood | WoodFault => {
    const [near, far] = known.lenses(values);
    const [bx, by, tx, ty, ...rest] = values.slice(known.values.length) as Four;
    const ray = rayThrough({ x: tx, y: ty }, near as Lens, one);
    const seen: TipSeen = both
      ? {
          kind: 'two',
          ray,
          again: rayThrough({ x: rest[0] as number, y: rest[1] as number }, far as Lens, both.photo),
        }
      : { kind: 'hour', ray, towardDeg: rest[0] as number };
    return woodOf(rayThrough({ x: bx, y: by }, near as Lens, one), seen, standing);
  };
  const found = rangedWood(together(known, taps), make);
  if ('why' in found) return found;
  return {
    ...found,
    id: limb.id,
    onId: limb.onId,
    baseMm:
      limb.across && isWide(limb.across)
        ? thicknessOf(limb.across, found.wood, lenses[0] as Lens, one)
        : null,
  };
}

function stemOf(known: Known, { photos }: Survey, top: Spot): LimbSurveyed | null {
  const photo = photos[0] as Survey['photos'][number];
  const tap = tapPx(photo);
  const found = rangedWood(together(known, { values: [top.x, top.y], spread: [tap, tap] }), (values) => {
    const [x, y] = values.slice(known.values.length) as [number, number];
    const ray = rayThrough({ x, y }, known.lenses(values)[0] as Lens, photo);
    return woodOf(null, { kind: 'plumb', ray }, PLUMB);
  });
  return 'why' in found ? null : { ...found, id: '', onId: null, baseMm: null };
}

function offLine(
  tip: Spot,
  again: Spot,
  lenses: readonly Lens[],
  photos: [PictureSize, PictureSize],
): number {
  const [near, far] = lenses as [Lens, Lens];
  return besideLine(again, rayThrough(tip, near, photos[0]), far, photos[1]);
}

/** A tip farther off its line than that was tapped somewhere else. */
function mostOffLine(
  tip: Spot,
  again: Spot,
  known: Known,
  photos: [Survey['photos'][number], Survey['photos'][number]],
) {
  const [ofLine] = spreadOf(
    (values) => [offLine(tip, again, known.lenses(values), photos)],
    known.values,
    known.covariance,
  );
  return TOO_FAR * Math.hypot(ofLine as number, missPx(photos));
}

/** Until its other side is tapped a limb is as wide as a point. */
const isWide = ([left, right]: readonly [Spot, Spot]) => left.x !== right.x || left.y !== right.y;

/** Of wood seen across: as wide as its picture at the distance of its base. */
function thicknessOf(
  [left, right]: readonly [Spot, Spot],
  { base }: Wood,
  lens: Lens,
  size: Survey['photos'][number],
): Ranged {
  const eye = rayThrough({ x: 0, y: 0 }, lens, size).from;
  const mmAPx = (long(minus(base, eye)) * 10) / lens.focalPx;
  return {
    value: Math.hypot(right.x - left.x, right.y - left.y) * mmAPx,
    give: NINE_OF_TEN * Math.SQRT2 * tapPx(size) * mmAPx,
  };
}
