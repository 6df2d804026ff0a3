// What is a limb map, and is this one possible?
import { z } from 'zod';

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
const id = z.string().min(1).max(64);
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
    named: GivenName.optional(),
    guessed: z.boolean().optional().describe('its thickness was guessed from length and age, not measured'),
  })
  .meta({ id: 'Limb', description: 'One limb of a limb map; s runs in cm from its base.' });
export type Limb = z.infer<typeof Limb>;

/** A limb map: a list of limbs that hang together, checked as a whole. Faults carry the path of the limb. */
export const LimbMap = z
  .array(Limb)
  .min(1, 'A limb map needs at least one stem.')
  .superRefine((limbs, context) => {
    for (const fault of limbMapFaults(limbs)) {
      context.addIssue({ code: 'custom', path: fault.path, message: fault.message });
    }
  });
export type LimbMap = Limb[];

interface LimbFault {
  path: (string | number)[];
  message: string;
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
  const fault = (index: number, field: string | number, message: string, ...rest: (string | number)[]) =>
    faults.push({ path: [index, field, ...rest], message });

  const seen = new Set<string>();
  limbs.forEach((limb, i) => {
    if (seen.has(limb.id)) fault(i, 'id', `Limb ${limb.id} is listed twice.`);
    seen.add(limb.id);
    parentFaults(limb, byId).forEach((f) => {
      fault(i, f.field, f.message);
    });
    sizeFaults(limb).forEach((f) => {
      fault(i, f.field, f.message, ...(f.at === undefined ? [] : f.tail ? [f.at, f.tail] : [f.at]));
    });
    const deep = deepOf.get(limb.id) ?? 0;
    if (deep === Number.POSITIVE_INFINITY)
      fault(i, 'parentId', `Limb ${limb.id} hangs on itself through its parents.`);
    else if (deep > MOST_DEEP)
      fault(i, 'parentId', `Limb ${limb.id} hangs on more than ${MOST_DEEP} limbs, one on the other.`);
  });
  if (limbs.length > 0 && !limbs.some((limb) => limb.kind === 'trunk')) {
    faults.push({ path: [], message: 'The map has no stem: one limb must be of kind trunk.' });
  }
  return faults;
}

interface FieldFault {
  field: string;
  message: string;
  at?: number;
  tail?: string;
}

function parentFaults(limb: Limb, byId: Map<string, Limb>): FieldFault[] {
  if (limb.parentId === null) {
    if (limb.kind === 'trunk' || limb.kind === 'sucker') return [];
    return [
      {
        field: 'parentId',
        message: `Limb ${limb.id} (${limb.kind}) has no parent; only stems and root suckers stand on the stool.`,
      },
    ];
  }
  if (limb.kind === 'trunk')
    return [{ field: 'parentId', message: `Stem ${limb.id} stands on the stool and has no parent.` }];
  const parent = byId.get(limb.parentId);
  if (!parent)
    return [
      { field: 'parentId', message: `Limb ${limb.id} hangs on ${limb.parentId}, which is not in the map.` },
    ];
  if (limb.jointCm > parent.lengthCm) {
    return [
      {
        field: 'jointCm',
        message: `Limb ${limb.id} joins ${parent.id} at ${limb.jointCm} cm, beyond its end at ${parent.lengthCm} cm.`,
      },
    ];
  }
  return [];
}

function sizeFaults(limb: Limb): FieldFault[] {
  const faults: FieldFault[] = [];
  if (limb.tipMm > limb.baseMm) {
    faults.push({
      field: 'tipMm',
      message: `Limb ${limb.id} is thicker at its tip (${limb.tipMm} mm) than at its base (${limb.baseMm} mm).`,
    });
  }
  if (limb.uncutLengthCm !== undefined && limb.uncutLengthCm < limb.lengthCm) {
    faults.push({
      field: 'uncutLengthCm',
      message: `Limb ${limb.id} was shorter before it was cut back than it is now.`,
    });
  }
  if (limb.graftUnionCm !== undefined && (limb.kind !== 'trunk' || limb.graftUnionCm > limb.lengthCm)) {
    faults.push({
      field: 'graftUnionCm',
      message: `A graft union lies on a stem, within its length; limb ${limb.id} does not fit.`,
    });
  }
  limb.buds?.forEach((bud, at) => {
    if (bud.atCm > limb.lengthCm) {
      faults.push({
        field: 'buds',
        at,
        tail: 'atCm',
        message: `A bud of limb ${limb.id} lies at ${bud.atCm} cm, beyond its end at ${limb.lengthCm} cm.`,
      });
    }
  });
  limb.yearMarksCm?.forEach((mark, at) => {
    if (mark > (limb.uncutLengthCm ?? limb.lengthCm)) {
      faults.push({
        field: 'yearMarksCm',
        at,
        message: `A growth ring of limb ${limb.id} lies beyond its end.`,
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
