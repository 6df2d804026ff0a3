// What is a limb map, and is this one possible?

import { z } from 'zod';
import { issueOf, type Refusal, refusal, refusing } from '../refusal/index';
import { bundleParts, stretch } from './bundle';

/** `trunk` is a stem standing on the stool; `sucker` may hang on the stool too. All others hang on a limb. */
export const limbKinds = [
  'trunk',
  'scaffold',
  'branch',
  'lateral',
  'shoot',
  'spur',
  'sprout',
  'sucker',
] as const;
export type LimbKind = (typeof limbKinds)[number];

export const budDirections = ['out', 'in', 'up', 'under', 'left', 'right'] as const;
const budKinds = ['leaf', 'flower', 'mixed', 'unknown'] as const;

export const LONGEST_CM = 3000;
export const THICKEST_MM = 2500;
/** More than anybody counts on one limb. */
export const MOST_ALIKE = 200;
const id = z.string().min(1).max(64);
/** Letters and figures, the first one a letter. */
const LABEL = /^[A-Z][A-Za-z0-9]{0,11}$/;
const cm = z.number().min(0).max(LONGEST_CM);

export const Bud = z.strictObject({
  atCm: cm.describe('cm along the limb from its base'),
  points: z.enum(budDirections),
  kind: z.enum(budKinds),
  live: z.boolean(),
});
export type Bud = z.infer<typeof Bud>;

/** What a limb was called when it came on the map; it keeps that name though it is measured anew. */
export const GivenName = z.strictObject({
  hour: z.number().int().min(1).max(12).describe('on the crown clock'),
  tier: z.enum(['low', 'middle', 'high']).optional().describe('for limbs on a stem'),
  atCm: cm.optional().describe('for limbs on limbs: joint along the parent'),
  own: z.string().trim().min(1).max(60).optional().describe('the caretaker’s own name; wins'),
});
export type GivenName = z.infer<typeof GivenName>;

/** Makes one limb of the map stand for many that nobody mapped one by one. */
export const Bundle = z.strictObject({
  about: z.number().int().min(2).max(MOST_ALIKE).describe('how many there are, counted or guessed'),
  overCm: cm.describe('how far along the parent they are spread, the joint in the middle'),
  part: z
    .strictObject({
      which: z.enum(bundleParts),
      of: z.number().int().min(2).max(MOST_ALIKE),
      atCm: cm.describe('middle of the bundle along the parent'),
    })
    .optional()
    .describe('where it is planned apart from the rest of its bundle: which of them, of how many in all'),
});

export const Limb = z
  .strictObject({
    id,
    parentId: id.nullable().describe('null only for a stem or a root sucker, which stand on the stool'),
    jointCm: cm.describe('cm along the parent at which this limb joins it'),
    lengthCm: z.number().positive().max(LONGEST_CM),
    baseMm: z.number().positive().max(THICKEST_MM).describe('diameter over bark at the base, mm'),
    tipMm: z.number().min(0).max(THICKEST_MM),
    ageYears: z.number().min(0).max(500),
    kind: z.enum(limbKinds),
    bearingDeg: z.number().min(-360).max(360).describe('compass bearing, degrees clockwise from north'),
    inclinationDeg: z.number().min(-90).max(90).describe('degrees above horizontal; 90 is straight up'),
    cultivar: z.string().max(120).optional().describe('where this limb was grafted to another cultivar'),
    buds: z.array(Bud).max(400).optional(),
    budsComplete: z.boolean().optional().describe('true when every bud that matters is mapped'),
    yearMarksCm: z
      .array(cm)
      .max(200)
      .optional()
      .describe('where growth rings show that a year ended, cm from the base'),
    graftUnionCm: cm.optional().describe('on a stem: height of the graft union; wood below is rootstock'),
    uncutLengthCm: z
      .number()
      .positive()
      .max(LONGEST_CM)
      .optional()
      .describe('length before the tip was cut back; ages are counted on it'),
    label: z
      .string()
      .regex(LABEL)
      .optional()
      .describe('short, and kept for life: S for the stem, A for a main limb, A1 on it'),
    goneLabels: z
      .array(z.string().regex(LABEL))
      .max(2000)
      .optional()
      .describe('on the first stem: labels of wood that is gone, which no other limb is given'),
    named: GivenName.optional(),
    bundle: Bundle.optional(),
    guessed: z.boolean().optional().describe('its thickness was guessed from length and age, not measured'),
  })
  .meta({ id: 'Limb', description: 'One limb of a limb map; s runs in cm from its base.' });
export type Limb = z.infer<typeof Limb>;

/** A limb map: a list of limbs that hang together, checked as a whole. Faults carry the path of the limb. */
export const LimbMap = z
  .array(Limb)
  .min(1, refusing('noStem'))
  .superRefine((limbs, context) => {
    for (const fault of limbMapFaults(limbs)) {
      context.addIssue(issueOf(fault.path, fault.why));
    }
  });
export type LimbMap = Limb[];

interface LimbFault {
  path: (string | number)[];
  why: Refusal;
}

/**
 * What makes this list of limbs no tree: missing or doubled limbs, loops, joints or nodes off the wood, thicker tips than bases.
 *
 * A limb may be thicker than its parent at the joint: it has then taken over from a parent that was headed.
 *
 * @returns every fault with its path, empty when the map is sound
 */
export function limbMapFaults(limbs: Limb[]): LimbFault[] {
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  const deepOf = depths(limbs, byId);
  const faults: LimbFault[] = [];
  const fault = (index: number, field: string | number, why: Refusal, ...rest: (string | number)[]) =>
    faults.push({ path: [index, field, ...rest], why });

  const seen = new Set<string>();
  limbs.forEach((limb, i) => {
    if (seen.has(limb.id)) fault(i, 'id', refusal('limbTwice', { limb: limb.id }));
    seen.add(limb.id);
    parentFaults(limb, byId).forEach((f) => {
      fault(i, f.field, f.why);
    });
    sizeFaults(limb).forEach((f) => {
      fault(i, f.field, f.why, ...(f.at === undefined ? [] : f.tail ? [f.at, f.tail] : [f.at]));
    });
    const deep = deepOf.get(limb.id) ?? 0;
    if (deep === Number.POSITIVE_INFINITY) fault(i, 'parentId', refusal('onItself', { limb: limb.id }));
    else if (deep > MOST_DEEP) fault(i, 'parentId', refusal('tooDeep', { limb: limb.id, most: MOST_DEEP }));
  });
  if (limbs.length > 0 && !limbs.some((limb) => limb.kind === 'trunk')) {
    faults.push({ path: [], why: refusal('noStem') });
  }
  return faults;
}

interface FieldFault {
  field: string;
  why: Refusal;
  at?: number;
  tail?: string;
}

/** Halves of a stretch may miss its end by the last digit. */
const HAIR_CM = 1e-6;

function parentFaults(limb: Limb, byId: Map<string, Limb>): FieldFault[] {
  if (limb.parentId === null) {
    if (limb.kind === 'trunk' || limb.kind === 'sucker') return [];
    return [
      {
        field: 'parentId',
        why: refusal('noParent', { limb: limb.id, kind: limb.kind }),
      },
    ];
  }
  if (limb.kind === 'trunk') return [{ field: 'parentId', why: refusal('stemOnLimb', { limb: limb.id }) }];
  const parent = byId.get(limb.parentId);
  if (!parent)
    return [{ field: 'parentId', why: refusal('onNoLimb', { limb: limb.id, parent: limb.parentId }) }];
  if (parent.bundle)
    return [{ field: 'parentId', why: refusal('onBundle', { limb: limb.id, parent: parent.id }) }];
  const [fromCm, toCm] = stretch(limb);
  if (
    limb.bundle &&
    limb.jointCm <= parent.lengthCm &&
    (fromCm < -HAIR_CM || toCm > parent.lengthCm + HAIR_CM)
  )
    return [
      {
        field: 'bundle',
        why: refusal('bundleBeyond', { limb: limb.id, parent: parent.id, toCm, lengthCm: parent.lengthCm }),
      },
    ];
  if (limb.jointCm > parent.lengthCm) {
    return [
      {
        field: 'jointCm',
        why: refusal('beyondParent', {
          limb: limb.id,
          parent: parent.id,
          jointCm: limb.jointCm,
          lengthCm: parent.lengthCm,
        }),
      },
    ];
  }
  return [];
}

function sizeFaults(limb: Limb): FieldFault[] {
  const faults: FieldFault[] = [];
  if (limb.bundle && (limb.kind === 'trunk' || limb.kind === 'scaffold'))
    faults.push({ field: 'bundle', why: refusal('noBundle', { limb: limb.id }) });
  if (limb.tipMm > limb.baseMm) {
    faults.push({
      field: 'tipMm',
      why: refusal('thickerTip', { limb: limb.id, tipMm: limb.tipMm, baseMm: limb.baseMm }),
    });
  }
  if (limb.uncutLengthCm !== undefined && limb.uncutLengthCm < limb.lengthCm) {
    faults.push({
      field: 'uncutLengthCm',
      why: refusal('shorterUncut', { limb: limb.id }),
    });
  }
  if (limb.graftUnionCm !== undefined && (limb.kind !== 'trunk' || limb.graftUnionCm > limb.lengthCm)) {
    faults.push({
      field: 'graftUnionCm',
      why: refusal('noUnionHere', { limb: limb.id }),
    });
  }
  limb.buds?.forEach((bud, at) => {
    if (bud.atCm > limb.lengthCm) {
      faults.push({
        field: 'buds',
        at,
        tail: 'atCm',
        why: refusal('budBeyond', { limb: limb.id, atCm: bud.atCm, lengthCm: limb.lengthCm }),
      });
    }
  });
  limb.yearMarksCm?.forEach((mark, at) => {
    if (mark > (limb.uncutLengthCm ?? limb.lengthCm)) {
      faults.push({
        field: 'yearMarksCm',
        at,
        why: refusal('ringBeyond', { limb: limb.id }),
      });
    }
  });
  return faults;
}

/** Limbs that hang on each other, one on the next: more than any tree has, and enough to tell a map from a chain of mistakes. Common practice, no source. */
export const MOST_DEEP = 60;

/** How many limbs each hangs on, the stem first; endless for those that hang on themselves. */
function depths(limbs: readonly Limb[], byId: ReadonlyMap<string, Limb>): Map<string, number> {
  const known = new Map<string, number>();
  for (const limb of limbs) {
    const met: string[] = [];
    const seen = new Set<string>();
    let at: Limb | undefined = limb;
    while (at && !known.has(at.id) && !seen.has(at.id)) {
      met.push(at.id);
      seen.add(at.id);
      at = at.parentId === null ? undefined : byId.get(at.parentId);
    }
    if (at && seen.has(at.id))
      for (const id of met.splice(met.indexOf(at.id))) known.set(id, Number.POSITIVE_INFINITY);
    const below = at ? (known.get(at.id) as number) : -1;
    // What hangs on a loop is told by the loop alone
    let depth = Number.isFinite(below) ? below + 1 : 0;
    for (const id of met.reverse()) known.set(id, depth++);
  }
  return known;
}
