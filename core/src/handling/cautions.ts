// Is this cut one for the caretaker, and what must be kept in mind?
import { z } from 'zod';
import { plainReason, reasonSchema } from '../reason/index';
import { hazards, MOST_DEG, WHOLE_TREE, type WholeTree } from './hazards';
import { undercutOutCm } from './pieces';
import { isPole, SHOULDER_CM, startingKit, Tool, type Wielded } from './tools';
import { groundReachCm, LIMB_KG, type NoLadder, wayReasons, wayTo } from './way';

export const CutAtHand = z
  .strictObject({
    hazards: z.array(z.enum(hazards)),
    leanDeg: z
      .number()
      .min(0)
      .max(MOST_DEG)
      .nullable()
      .default(null)
      .describe('how far the stem leans; null where nobody measured it'),
    slopeDeg: z
      .number()
      .min(0)
      .max(MOST_DEG)
      .nullable()
      .default(null)
      .describe('of the ground; null where nobody measured it'),
    shoulderCm: z.number().min(100).max(190).default(SHOULDER_CM).describe('of whoever cuts'),
    kerfHeightCm: z.number().min(-1000).max(20_000).describe('height of the kerf over the ground, cm'),
    kerfMm: z.number().min(0).max(2500).describe('diameter at the kerf over bark, mm'),
    farther: z
      .array(
        z.strictObject({
          heightCm: z.number().min(-1000).max(20_000).describe('over the ground, cm'),
          kerfMm: z.number().min(0).max(2500),
        }),
      )
      .max(400)
      .default([])
      .describe('kerfs of the pieces that come down before it'),
    dead: z.boolean().default(false).describe('the wood at the kerf is dead'),
    limbCm: z.number().min(0).max(20_000).default(0).describe('its length beyond the kerf, cm'),
    kit: z
      .array(Tool)
      .max(40)
      .default([...startingKit])
      .describe('what it is cut with'),
    massKg: z
      .number()
      .min(0)
      .max(20_000)
      .optional()
      .describe(
        'the most that all that comes off may weigh, the upper end of its range; not weighed where missing',
      ),
    liftKg: z.number().min(1).max(60).optional().describe('the most one piece may weigh'),
  })
  .meta({ id: 'CutAtHand' });
export type CutAtHand = z.infer<typeof CutAtHand>;

export const CautionReason = reasonSchema({
  'hanging limb': {},
  'split stem': {},
  'power line': {},
  'heaved roots': {},
  'fungus at the base': {},
  cavity: {},
  lean: {},
  'leans a little': { deg: z.number() },
  ...wayReasons,
  'down on a rope': {},
  'two to lift': {},
  'three cuts': { undercutOutCm: z.number().describe('from the last cut') },
  'on a ladder': {},
  'by pole': {},
  slope: {},
  'metal in the stem': {},
  'boundary mark': {},
  'heritage tree': {},
  'something under it': {},
});
export type CautionReason = z.infer<typeof CautionReason>;

export const Caution = z
  .strictObject({
    kind: z
      .enum(['hand over', 'care'])
      .describe('hand over: work for a licensed arborist, not planned as self-help; care: said with the cut'),
    because: CautionReason,
  })
  .meta({ id: 'Caution' });
export type Caution = z.infer<typeof Caution>;

/** Two people, a rope, and the three-cut rule. @source common practice, no source; ladders and lines after OSHA 29 CFR 1910.23, 1910.333(c)(3) */
const TWO_PEOPLE_KG = 23;
const ROPE_KG = 30;
const ROPE_ABOVE_CM = 180;
const THREE_CUTS_FROM_MM = 50;

/** A sound tree may lean so far, and a ladder stand on ground so steep. Common practice, no source. */
export const LEANS_UP_TO_DEG = 15;
export const LADDER_UP_TO_DEG = 10;
const NOTES = [
  'cavity',
  'metal in the stem',
  'boundary mark',
  'heritage tree',
  'something under it',
] as const;

/** Which of a tree's hazards make it an arborist's whole: a lean only where it is steep, or nobody knows how steep. */
export function wholeTreeHazards({
  hazards: known,
  leanDeg,
}: Pick<CutAtHand, 'hazards' | 'leanDeg'>): (WholeTree | 'lean')[] {
  const leansFar = known.includes('lean') && (leanDeg === null || leanDeg > LEANS_UP_TO_DEG);
  return [...WHOLE_TREE.filter((hazard) => known.includes(hazard)), ...(leansFar ? (['lean'] as const) : [])];
}

/** A slope that nobody measured is one for the third leg. */
function noLadderFor({ hazards: known, slopeDeg }: CutAtHand): NoLadder | null {
  if (known.includes('cavity')) return plainReason('no ladder');
  if (slopeDeg !== null && slopeDeg > LADDER_UP_TO_DEG)
    return { code: 'too steep for a ladder', values: { overDeg: LADDER_UP_TO_DEG } };
  return known.includes('soft ground') ? plainReason('too soft for a ladder') : null;
}

export interface Judged {
  /** Reasons to hand it over first; an empty list says that nothing special is known, not that the work is safe. */
  cautions: Caution[];
  wielded: Wielded | null;
}

/**
 * Whose cut it is, with what and from where it is made, and the cautions that go with it.
 *
 * @example whoseCut(CutAtHand.parse({ hazards: [], kerfHeightCm: 250, kerfMm: 50 })).wielded?.station //=> 'ladder'
 */
export function whoseCut(cut: CutAtHand): Judged {
  const { hazards: known, kerfHeightCm, kerfMm, massKg = 0 } = cut;
  const { wielded, against } = wayTo(cut.kit, {
    kerfs: [...cut.farther, { heightCm: kerfHeightCm, kerfMm }],
    dead: cut.dead,
    limbKg: massKg,
    limbCm: cut.limbCm,
    noLadder: noLadderFor(cut),
    shoulderCm: cut.shoulderCm,
  });
  const whole = wholeTreeHazards(cut).map(plainReason);
  const list: Caution[] = [...whole, ...against].map((because) => ({ kind: 'hand over', because }));
  const care = (because: CautionReason) => list.push({ kind: 'care', because });
  if (massKg > ROPE_KG && massKg <= LIMB_KG && kerfHeightCm > ROPE_ABOVE_CM)
    care(plainReason('down on a rope'));
  else if (massKg > TWO_PEOPLE_KG && massKg <= LIMB_KG) care(plainReason('two to lift'));
  if (kerfMm >= THREE_CUTS_FROM_MM)
    care({ code: 'three cuts', values: { undercutOutCm: undercutOutCm(kerfMm) } });
  if (wielded && isPole(wielded.tool)) care(plainReason('by pole'));
  else if (
    against.length === 0 &&
    (wielded ? wielded.station === 'ladder' : kerfHeightCm > groundReachCm(cut.shoulderCm))
  )
    care(plainReason('on a ladder'));
  if (known.includes('lean') && cut.leanDeg !== null && cut.leanDeg <= LEANS_UP_TO_DEG)
    care({ code: 'leans a little', values: { deg: cut.leanDeg } });
  if (known.includes('slope') || (cut.slopeDeg ?? 0) > 0) care(plainReason('slope'));
  for (const note of NOTES) if (known.includes(note)) care(plainReason(note));
  return { cautions: list, wielded };
}

/** The sentence that stands wherever cuts are advised. */
export const GENERAL_CAUTION = 'generalGuidanceHaveDiseaseConfirmedBy';
