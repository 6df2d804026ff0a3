// Is this cut one for the caretaker, and what must be kept in mind?
import { z } from 'zod';
import { plainReason, reasonSchema } from '../reason/index';
import { undercutOutCm } from './pieces';

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
    treeHeightCm: z.number().min(0).max(20_000),
    kerfHeightCm: z.number().min(-1000).max(20_000).describe('height of the kerf over the ground, cm'),
    kerfMm: z.number().min(0).max(2500).describe('diameter at the kerf over bark, mm'),
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
  'tree too high': { overCm: z.number() },
  'cut too high': { overCm: z.number() },
  'too thick': { overMm: z.number() },
  'too heavy': { overKg: z.number() },
  'down on a rope': {},
  'two to lift': {},
  'three cuts': { undercutOutCm: z.number().describe('from the last cut') },
  'on a ladder': {},
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

/** Hand-over limits and the three-cut rule. @source common practice, no source; ladders and lines after OSHA 29 CFR 1910.23, 1910.333(c)(3) */
export const HAND_OVER_HEIGHT_CM = 300;
export const HAND_OVER_TREE_CM = 600;
const HAND_OVER_MM = 150;
const HAND_OVER_KG = 50;
const TWO_PEOPLE_KG = 23;
const ROPE_KG = 30;
export const LADDER_FROM_CM = 180;
const THREE_CUTS_FROM_MM = 50;

/** What may hurt somebody who stands near; the others are notes for whoever cuts. */
const HANDED_OVER = ['hanging limb', 'split stem', 'power line', 'lean', 'cavity'] as const;
const NOTES = ['slope', 'metal in the stem', 'boundary mark', 'heritage tree'] as const;

/** Of what is known of a tree, what endangers people. @example dangersOf(['boundary mark', 'lean']) //=> ['lean'] */
export function dangersOf(known: readonly Hazard[]): Hazard[] {
  return known.filter(isHandOver);
}

const isHandOver = (hazard: Hazard): hazard is (typeof HANDED_OVER)[number] =>
  HANDED_OVER.includes(hazard as (typeof HANDED_OVER)[number]);

/**
 * Whether a cut is handed to a licensed arborist, and the cautions that go with it.
 *
 * @returns hand-over reasons first; an empty list says that nothing special is known, not that the work is safe
 * @example cautions({ hazards: [], treeHeightCm: 240, kerfHeightCm: 210, kerfMm: 20 })[0].kind //=> 'care'
 */
export function cautions(cut: CutAtHand): Caution[] {
  const { hazards: known, treeHeightCm, kerfHeightCm, kerfMm, massKg = 0 } = cut;
  const list: Caution[] = [];
  const handOver = (because: CautionReason) => list.push({ kind: 'hand over', because });
  const care = (because: CautionReason) => list.push({ kind: 'care', because });
  for (const hazard of known) if (isHandOver(hazard)) handOver(plainReason(hazard));
  if (treeHeightCm > HAND_OVER_TREE_CM)
    handOver({ code: 'tree too high', values: { overCm: HAND_OVER_TREE_CM } });
  if (kerfHeightCm > HAND_OVER_HEIGHT_CM)
    handOver({ code: 'cut too high', values: { overCm: HAND_OVER_HEIGHT_CM } });
  if (kerfMm > HAND_OVER_MM) handOver({ code: 'too thick', values: { overMm: HAND_OVER_MM } });
  if (massKg > HAND_OVER_KG) handOver({ code: 'too heavy', values: { overKg: HAND_OVER_KG } });
  else if (massKg > ROPE_KG && kerfHeightCm > LADDER_FROM_CM) care(plainReason('down on a rope'));
  else if (massKg > TWO_PEOPLE_KG) care(plainReason('two to lift'));
  if (kerfMm >= THREE_CUTS_FROM_MM)
    care({ code: 'three cuts', values: { undercutOutCm: undercutOutCm(kerfMm) } });
  if (kerfHeightCm > LADDER_FROM_CM) care(plainReason('on a ladder'));
  for (const note of NOTES) if (known.includes(note)) care(plainReason(note));
  return list;
}

/** The sentence that stands wherever cuts are advised. */
export const GENERAL_CAUTION = 'generalGuidanceHaveDiseaseConfirmedBy';
