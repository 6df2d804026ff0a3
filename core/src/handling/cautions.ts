// Is this cut one for the caretaker, and what must be kept in mind?
import { z } from 'zod';
import { plainReason, reasonSchema } from '../reason/index';
import { undercutOutCm } from './pieces';
import { isPole, startingKit, Tool, type Wielded } from './tools';
import { GROUND_REACH_CM, LIMB_KG, wayReasons, wayTo } from './way';

export const hazards = [
  'hanging limb',
  'split stem',
  'power line',
  'lean',
  'cavity',
  'slope',
  'metal in the stem',
  'heritage tree',
  'boundary mark',
] as const;
export type Hazard = (typeof hazards)[number];

export const CutAtHand = z
  .strictObject({
    hazards: z.array(z.enum(hazards)),
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
  cavity: {},
  lean: {},
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

/** No cut of such a tree is the caretaker's. How far it leans, where the line runs and where the limb may fall is not on record. */
export const WHOLE_TREE = ['hanging limb', 'split stem', 'power line', 'lean'] as const;
/** What may hurt somebody who stands near; the others are notes for whoever cuts. */
const DANGERS: readonly Hazard[] = [...WHOLE_TREE, 'cavity'];
const NOTES = ['cavity', 'slope', 'metal in the stem', 'boundary mark', 'heritage tree'] as const;

/** Of what is known of a tree, what endangers people. @example dangersOf(['boundary mark', 'lean']) //=> ['lean'] */
export function dangersOf(known: readonly Hazard[]): Hazard[] {
  return known.filter((hazard) => DANGERS.includes(hazard));
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
    hollow: known.includes('cavity'),
  });
  const whole: CautionReason[] = WHOLE_TREE.filter((hazard) => known.includes(hazard)).map(plainReason);
  const list: Caution[] = [...whole, ...against].map((because) => ({ kind: 'hand over', because }));
  const care = (because: CautionReason) => list.push({ kind: 'care', because });
  if (massKg > ROPE_KG && massKg <= LIMB_KG && kerfHeightCm > ROPE_ABOVE_CM)
    care(plainReason('down on a rope'));
  else if (massKg > TWO_PEOPLE_KG && massKg <= LIMB_KG) care(plainReason('two to lift'));
  if (kerfMm >= THREE_CUTS_FROM_MM)
    care({ code: 'three cuts', values: { undercutOutCm: undercutOutCm(kerfMm) } });
  if (wielded && isPole(wielded.tool)) care(plainReason('by pole'));
  else if (against.length === 0 && (wielded ? wielded.station === 'ladder' : kerfHeightCm > GROUND_REACH_CM))
    care(plainReason('on a ladder'));
  for (const note of NOTES) if (known.includes(note)) care(plainReason(note));
  return { cautions: list, wielded };
}

/** The sentence that stands wherever cuts are advised. */
export const GENERAL_CAUTION = 'generalGuidanceHaveDiseaseConfirmedBy';
