// Trees whose every limb is known, and what somebody would tap on two photos of them. Made up; nothing of it is a tree’s.
import type { Spot } from '../../sight/index';
import { type Limb, limbShape, type Point } from '../../tree/index';
import type { Chance } from '../chance';
import type { Photo, Survey, TappedLimb } from '../photo';
import { lensHeld } from '../picture';
import { type Lens, pictured } from '../pinhole';

/** A stem with four to eight main limbs, each with up to two on it. */
export function madeUpTree({ between }: Chance): Limb[] {
  const stem: Limb = {
    ...{ id: 'T', parentId: null, jointCm: 0, lengthCm: between(110, 220), baseMm: 120, tipMm: 70 },
    ...{ ageYears: 15, kind: 'trunk', bearingDeg: 0, inclinationDeg: 90 },
  };
  const count = Math.round(between(4, 8));
  const main = Array.from(
    { length: count },
    (_, i): Limb => ({
      ...stem,
      ...{ id: `M${i}`, parentId: 'T', kind: 'scaffold', baseMm: 60, tipMm: 10 },
      jointCm: stem.lengthCm * between(0.5, 1),
      lengthCm: between(120, 280),
      bearingDeg: (i * 360) / count + between(-15, 15),
      inclinationDeg: between(20, 65),
    }),
  );
  const side = main.flatMap((on, i) =>
    Array.from(
      { length: Math.round(between(0, 2)) },
      (_, n): Limb => ({
        ...on,
        ...{ id: `M${i}s${n}`, parentId: on.id, kind: 'branch', baseMm: 25, tipMm: 6 },
        jointCm: on.lengthCm * between(0.25, 0.8),
        lengthCm: between(50, 130),
        bearingDeg: on.bearingDeg + between(-80, 80),
        inclinationDeg: between(0, 70),
      }),
    ),
  );
  return [stem, ...main, ...side];
}

/** What may be off: one standard deviation each, and the most that a whole hour is beside its limb. */
export interface Errors {
  tapPx: number;
  awayShare: number;
  lensCm: number;
  rollDeg: number;
  turnDeg: number;
  hourDeg: number;
}

/** As the survey is meant to stand. */
export const USUAL: Errors = { tapPx: 4, awayShare: 0.05, lensCm: 5, rollDeg: 2, turnDeg: 15, hourDeg: 15 };
export const NONE: Errors = { tapPx: 0, awayShare: 0, lensCm: 0, rollDeg: 0, turnDeg: 0, hourDeg: 0 };

const SIZE = { widthPx: 1200, heightPx: 1600 };
const POLE_CM = 200;
const EYE_CM = 165;

/** Photos and taps of somebody who walked a quarter round the tree. */
export function photographed(limbs: Limb[], { off, between }: Chance, errors: Errors): Survey {
  const shape = limbShape(limbs);
  const top = Math.max(...[...shape.values()].map(({ tip }) => tip.z));
  const from = between(0, 360);
  const held = { ...errors, bearingDeg: 0 };
  const place = (bearingDeg: number): { lens: Lens; photo: Omit<Photo, 'foot' | 'poleTop'> } => {
    const said = { bearingDeg, awayCm: between(420, 560) + top / 4, eyeCm: EYE_CM };
    const lens = lensHeld(limbs, said, SIZE, { off }, held);
    return {
      lens: { ...lens, yawDeg: between(-3, 3), pitchDeg: lens.pitchDeg + between(-2, 2) },
      photo: { ...SIZE, focalMm35: 26, bearingDeg, awayCm: said.awayCm, ground: 'level' },
    };
  };
  const first = place(from);
  const second = place((from + 90 + off(errors.turnDeg) + 360) % 360);
  // Said to be a quarter turn, whatever it was
  second.photo.bearingDeg = (from + 90) % 360;
  const tapped = (point: Point, { lens }: { lens: Lens }): Spot => {
    const spot = pictured(point, lens, SIZE);
    if (!spot) throw new Error('A made-up tree stands behind the lens.');
    return { x: spot.x + off(errors.tapPx), y: spot.y + off(errors.tapPx) };
  };
  const photo = (at: typeof first): Photo => ({
    ...at.photo,
    foot: tapped({ x: 0, y: 0, z: 0 }, at),
    poleTop: tapped({ x: 0, y: 0, z: POLE_CM }, at),
  });
  const photos = [photo(first), photo(second)];
  const stem = limbs[0] as Limb;
  return {
    poleCm: POLE_CM,
    eyeCm: EYE_CM,
    photos,
    stemTop: tapped({ x: 0, y: 0, z: stem.lengthCm }, first),
    limbs: limbs.slice(1).map((limb): TappedLimb => {
      const { base, tip } = shape.get(limb.id) as { base: Point; tip: Point };
      return {
        id: limb.id,
        onId: limb.parentId === stem.id ? null : limb.parentId,
        base: tapped(base, first),
        tip: tapped(tip, first),
        tipAgain: tapped(tip, second),
        towardDeg: (limb.bearingDeg + between(-errors.hourDeg, errors.hourDeg) + 720) % 360,
        across: null,
      };
    }),
  };
}
