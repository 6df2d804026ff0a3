// What stands round a tree and takes its light?
import { z } from 'zod';
import type { Point } from '../tree/index';

export const shadeKinds = ['building', 'tree', 'hedge'] as const;
export const MOST_SHADES = 8;

/** What is written down of one, cm: at least and at most. */
export const shadeBounds = {
  distanceCm: [50, 20_000],
  heightCm: [50, 10_000],
  widthCm: [50, 30_000],
} as const;
type Measure = keyof typeof shadeBounds;
const within = (measure: Measure) => z.number().min(shadeBounds[measure][0]).max(shadeBounds[measure][1]);

/** Something outside the tree that hides a part of its sky: an upright wall across the way to it. */
export const Shade = z
  .strictObject({
    what: z.enum(shadeKinds),
    bearingDeg: z
      .number()
      .min(0)
      .max(360)
      .describe('compass bearing from the stem, degrees clockwise from north'),
    distanceCm: within('distanceCm').describe('from the stem to its nearest face'),
    heightCm: within('heightCm').describe('over the ground at the stem'),
    widthCm: within('widthCm').describe('across the way to it'),
  })
  .meta({ id: 'Shade' });
export type Shade = z.infer<typeof Shade>;

/** Does a ray from a point of the crown meet any of them? */
export function isShaded(from: Point, direction: Point, shades: readonly Shade[]): boolean {
  return shades.some((shade) => meets(from, direction, shade));
}

function meets(from: Point, direction: Point, { bearingDeg, distanceCm, heightCm, widthCm }: Shade): boolean {
  const bearing = (bearingDeg * Math.PI) / 180;
  const [outX, outY] = [Math.sin(bearing), Math.cos(bearing)];
  const toward = direction.x * outX + direction.y * outY;
  if (toward <= 0) return false;
  const along = (distanceCm - (from.x * outX + from.y * outY)) / toward;
  if (along < 0) return false;
  const aside = (from.x + along * direction.x) * outY - (from.y + along * direction.y) * outX;
  return Math.abs(aside) <= widthCm / 2 && from.z + along * direction.z <= heightCm;
}
