// A simulated camera: what would a photo of this tree show, with a pole at its stem? Its truth is kept apart from what is said.
import { outlineOf, type Spot } from '../sight/index';
import { drawnSticks, type Limb, limbShape, type Point, pointAlong } from '../tree/index';
import { type Chance, chance } from './chance';
import { LENS_BELOW_EYES_CM, PLAIN_MM35 } from './give';
import { focalPx, type Lens, type PictureSize, pictured } from './pinhole';

/** How far what is said of a photo may be from how it was taken: one standard deviation each. */
export interface HeldOff {
  awayShare: number;
  lensCm: number;
  rollDeg: number;
  bearingDeg: number;
}

/** As a careful hand does it: well within what the survey allows for. Common practice, no source. */
const HELD_BY_HAND: HeldOff = { awayShare: 0.03, lensCm: 4, rollDeg: 1.5, bearingDeg: 4 };

/**
 * The lens of somebody who says that they stand there and takes the whole tree in.
 *
 * @param said where they say that they stand
 */
export function lensHeld(
  limbs: Limb[],
  said: { bearingDeg: number; awayCm: number; eyeCm: number },
  size: PictureSize,
  { off }: Pick<Chance, 'off'>,
  held: HeldOff,
): Lens {
  const top = Math.max(...[...limbShape(limbs).values()].flatMap(({ base, tip }) => [base.z, tip.z]));
  const distanceCm = said.awayCm / Math.max(0.5, 1 + off(held.awayShare));
  return {
    bearingDeg: (said.bearingDeg + off(held.bearingDeg) + 360) % 360,
    distanceCm,
    heightCm: said.eyeCm - LENS_BELOW_EYES_CM + off(held.lensCm),
    yawDeg: off(held.rollDeg),
    pitchDeg: (Math.atan2(top / 2 - said.eyeCm, distanceCm) * 180) / Math.PI,
    rollDeg: off(held.rollDeg),
    focalPx: focalPx(PLAIN_MM35, size),
  };
}

/** The lens of the simulated camera: the same each time for the same place. How far it stands from where it is said to stand is not told. */
export function simulatedLens(
  limbs: Limb[],
  said: { bearingDeg: number; awayCm: number; eyeCm: number },
  size: PictureSize,
): Lens {
  const seed = Math.round(said.bearingDeg * 7919 + said.awayCm);
  return lensHeld(limbs, said, size, chance(seed), HELD_BY_HAND);
}

/** Painted one after the other, the farthest first. */
export interface Painted {
  outline: readonly Spot[];
  /** Wood is lit from the left; a pole is white and red by turns. */
  of: 'wood' | 'white' | 'red';
  depthCm: number;
}

export interface Picture {
  parts: Painted[];
  /** In the picture, from left to right: where the ground ends. */
  horizon: readonly [Spot, Spot];
  focalMm35: number;
}

const PIECE_CM = 40;
const POLE_MM = 35;
/** Poles are painted in pieces so long. */
const STRIPE_CM = 25;

/** What the lens sees of a tree and of a pole that stands before its stem. */
export function pictureOf(limbs: Limb[], lens: Lens, size: PictureSize, poleCm: number): Picture {
  const shape = limbShape(limbs);
  const piece = (from: Point, to: Point, mm: readonly [number, number], of: Painted['of']): Painted[] => {
    const [a, b] = [pictured(from, lens, size), pictured(to, lens, size)];
    if (!a || !b) return [];
    const half = (thick: number, depth: number) => Math.max(0.4, (lens.focalPx * thick) / 20 / depth);
    const radii = [half(mm[0], a.depthCm), half(mm[1], b.depthCm)] as const;
    return [{ outline: outlineOf(a, b, radii), of, depthCm: (a.depthCm + b.depthCm) / 2 }];
  };
  const wood = limbs.flatMap((limb) =>
    drawnSticks(limb, shape).flatMap((stick) => {
      const pieces = Math.max(1, Math.ceil(limb.lengthCm / PIECE_CM));
      const mmAt = (share: number) => limb.baseMm + (limb.tipMm - limb.baseMm) * share;
      return Array.from({ length: pieces }, (_, i) => {
        const [from, to] = [i / pieces, (i + 1) / pieces];
        return piece(pointAlong(stick, from), pointAlong(stick, to), [mmAt(from), mmAt(to)], 'wood');
      }).flat();
    }),
  );
  const stripes = Array.from({ length: Math.ceil(poleCm / STRIPE_CM) }, (_, i) => {
    const at = (cm: number) => ({ x: 0, y: 0, z: Math.min(poleCm, cm) });
    const colour = i % 2 === 0 ? 'white' : 'red';
    return piece(at(i * STRIPE_CM), at((i + 1) * STRIPE_CM), [POLE_MM, POLE_MM], colour);
  }).flat();
  const horizonY = size.heightPx / 2 + lens.focalPx * Math.tan((lens.pitchDeg * Math.PI) / 180);
  const lean = Math.tan((lens.rollDeg * Math.PI) / 180) * (size.widthPx / 2);
  return {
    // The pole leans on the side that one sees
    parts: [...wood.sort((a, b) => b.depthCm - a.depthCm), ...stripes],
    horizon: [
      { x: 0, y: horizonY - lean },
      { x: size.widthPx, y: horizonY + lean },
    ],
    focalMm35: PLAIN_MM35,
  };
}
