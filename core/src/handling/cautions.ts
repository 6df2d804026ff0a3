// Is this cut one for the caretaker, and what must be kept in mind?
import { z } from 'zod';
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

export const Caution = z
  .strictObject({
    kind: z
      .enum(['hand over', 'care'])
      .describe('hand over: work for a licensed arborist, not planned as self-help; care: said with the cut'),
    text: z.string(),
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
const DANGERS: readonly Hazard[] = ['hanging limb', 'split stem', 'power line', 'lean', 'cavity'];

/** Of what is known of a tree, what endangers people. @example dangersOf(['boundary mark', 'lean']) //=> ['lean'] */
export function dangersOf(known: readonly Hazard[]): Hazard[] {
  return known.filter((hazard) => DANGERS.includes(hazard));
}

const HAZARD_TEXT: Partial<Record<Hazard, string>> = {
  'hanging limb': 'A limb hangs in this tree: keep everybody from under it.',
  'split stem': 'The stem is split: it may open without warning.',
  'power line': 'A power line is near: keep 3 m (10 ft) at least, more above 50 kV, and ask the utility.',
  cavity: 'The stem is hollow: do not climb it or lean a ladder on it.',
  lean: 'The tree leans: nobody on the low side.',
};

/**
 * Whether a cut is handed to a licensed arborist, and the cautions that go with it.
 *
 * @returns hand-over reasons first; an empty list says that nothing special is known, not that the work is safe
 * @example cautions({ hazards: [], treeHeightCm: 240, kerfHeightCm: 210, kerfMm: 20 })[0].kind //=> 'care'
 */
export function cautions(cut: CutAtHand): Caution[] {
  const { hazards: known, treeHeightCm, kerfHeightCm, kerfMm, massKg = 0 } = cut;
  const said: Caution[] = [];
  for (const hazard of known) {
    const text = HAZARD_TEXT[hazard];
    if (text) said.push({ kind: 'hand over', text });
  }
  if (treeHeightCm > HAND_OVER_TREE_CM)
    said.push({ kind: 'hand over', text: 'The tree is over 6 m (20 ft) high.' });
  if (kerfHeightCm > HAND_OVER_HEIGHT_CM)
    said.push({ kind: 'hand over', text: 'The cut is more than 3 m (10 ft) over the ground.' });
  if (kerfMm > HAND_OVER_MM)
    said.push({ kind: 'hand over', text: 'The wood is over 15 cm (6 in) thick at the cut.' });
  if (massKg > HAND_OVER_KG)
    said.push({ kind: 'hand over', text: 'The limb weighs more than 50 kg (110 lb).' });
  else if (massKg > ROPE_KG && kerfHeightCm > LADDER_FROM_CM)
    said.push({
      kind: 'care',
      text: 'Two people: one lets the limb down on a rope, nobody stands under it.',
    });
  else if (massKg > TWO_PEOPLE_KG)
    said.push({ kind: 'care', text: 'Two people: it weighs more than one should lift.' });
  if (kerfMm >= THREE_CUTS_FROM_MM) {
    said.push({
      kind: 'care',
      text: `Heavy: undercut first, a third through, ${undercutOutCm(kerfMm) === 20 ? '20 cm (8 in)' : '30 cm (12 in)'} out from the last cut; top cut a little further out; then the last cut. Nobody below.`,
    });
  }
  if (kerfHeightCm > LADDER_FROM_CM) {
    said.push({
      kind: 'care',
      text: 'Above reach: three-legged ladder on firm ground, feet no higher than 2 m (6.5 ft), three points of contact, no power saw.',
    });
  }
  if (known.includes('slope'))
    said.push({ kind: 'care', text: 'On the slope the third leg of the ladder goes uphill.' });
  if (known.includes('metal in the stem'))
    said.push({ kind: 'care', text: 'There is metal in the stem: no saw there.' });
  if (known.includes('boundary mark'))
    said.push({
      kind: 'care',
      text: 'A boundary mark is nailed to the stem: no saw near it, and the mark stays.',
    });
  if (known.includes('heritage tree'))
    said.push({
      kind: 'care',
      text: 'Protected as heritage: ask the authority before cutting more than dead wood.',
    });
  return said;
}

/** The sentence that stands wherever cuts are advised. */
export const GENERAL_CAUTION =
  'General guidance. Have disease confirmed by a plant clinic; labels and local rules come first; big, high or hanging wood and anything near a power line is work for a licensed arborist.';
