// What somebody says and taps of one photo of a tree with a pole at its stem, and of all of them together.
import { z } from 'zod';

const Tap = z.strictObject({ x: z.number(), y: z.number() });

export const grounds = ['level', 'up', 'down'] as const;

/** Shorter poles are found in a picture too badly, farther stems fill too little of it. Common practice, no source. */
export const POLE_CM = { least: 50, most: 1000 } as const;
export const AWAY_CM = { least: 100, most: 3000 } as const;
export const EYE_CM = { least: 80, most: 600 } as const;

export const Photo = z
  .strictObject({
    widthPx: z.number().int().min(200).max(20_000),
    heightPx: z.number().int().min(200).max(20_000),
    focalMm35: z
      .number()
      .min(8)
      .max(400)
      .nullable()
      .describe('focal length as on 35-mm film, as the camera wrote it; null where it wrote none'),
    bearingDeg: z.number().min(0).lt(360).describe('where one stood, seen from the stem'),
    awayCm: z.number().min(AWAY_CM.least).max(AWAY_CM.most).describe('from the stem, paced or taped'),
    ground: z.enum(grounds).describe('toward the tree'),
    foot: Tap.nullable().describe('where the stem and the pole stand on the ground'),
    poleTop: Tap.nullable(),
  })
  .meta({ id: 'SurveyPhoto' });
export type Photo = z.infer<typeof Photo>;

export const TappedLimb = z
  .strictObject({
    id: z.string().min(1).max(64),
    onId: z.string().min(1).max(64).nullable().describe('the limb that it stands on; null: on the stem'),
    base: Tap.nullable(),
    tip: Tap.nullable(),
    tipAgain: Tap.nullable().describe('on the second photo'),
    towardDeg: z.number().min(0).lt(360).nullable().describe('bearing by its hour, where there is one photo'),
    across: z.tuple([Tap, Tap]).nullable().describe('both sides of its wood, near the base'),
  })
  .meta({ id: 'TappedLimb' });
export type TappedLimb = z.infer<typeof TappedLimb>;

export const Survey = z
  .strictObject({
    poleCm: z.number().min(POLE_CM.least).max(POLE_CM.most),
    eyeCm: z.number().min(EYE_CM.least).max(EYE_CM.most).describe('of whoever takes the photos'),
    photos: z.array(Photo).max(2),
    stemTop: Tap.nullable().describe('on the first photo: where the stem ends'),
    limbs: z.array(TappedLimb).max(200),
  })
  .meta({ id: 'Survey' });
export type Survey = z.infer<typeof Survey>;
