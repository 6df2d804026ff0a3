// What does a young tree need to become what it is meant to be, before anything is wrong with it?
import type { TreeForm } from '../register/index';
import { diameterMmAt, type Limb, widestGap } from '../tree/index';

/** What a young tree is brought to, each with what it is worth. The brief’s figures; common practice, no source. */
export const wishWorths = {
  'head the whip': 6,
  'head the leader': 8,
  rival: 12,
  'lower the leader': 8,
  'spread it': 6,
  'too many': 6,
  'too low': 6,
  'between tiers': 3,
  'too stout': 5,
} as const;
export type WishKind = keyof typeof wishWorths;

export interface Wish {
  kind: WishKind;
  limbId: string;
  /** Where a stem is headed, or the limb’s base. */
  atCm: number;
  /** The limb that a leader is lowered to. */
  toLimbId?: string;
}

export interface YoungTree {
  wishes: Wish[];
  /** Limbs that the frame is built of; null where nothing is said of it. */
  frame: ReadonlySet<string> | null;
}

interface Tree {
  limbs: Limb[];
  form: TreeForm;
  ageYears: number;
  /** Limbs that were spread or tied down and stand so since. */
  tied: readonly string[];
}

const WHIP_UP_TO_YEARS = 2;
/** Heights and figures of training: common practice, no source. */
const KNEE_CM = 55;
const LEADER_HEADED_CM = 80;
const OPEN_LIMBS = 4;
const OPEN_UP_TO_YEARS = 4;
const STEEP_DEG = 65;
const RIVAL_WITHIN_CM = 30;
const RIVAL_FROM_DEG = 60;
/** Of a year’s growth of the leader so much goes: between a third and a half. */
const LEADER_LOSES = 0.4;
const LEADER_GROWS_FROM_CM = 30;
const TIER_LIMBS = 4;
const FIRST_TIER_FROM_CM = 45;
const TIER_HIGH_CM = 45;
const APART_CM = 8;
const BETWEEN_TIERS_CM = 60;
const STOUT_SHARE = 0.5;
const MODIFIED_LIMBS = 6;

/** Trees on one stem whose year of planting is known; trained flat forms are not told anything here. */
export function youngTree(tree: Tree): YoungTree {
  const stems = tree.limbs.filter(({ kind }) => kind === 'trunk');
  const [stem] = stems;
  const none: YoungTree = { wishes: [], frame: null };
  if (!stem || stems.length !== 1) return none;
  const onStem = tree.limbs.filter(
    ({ parentId, kind, bundle }) => parentId === stem.id && kind !== 'sucker' && !bundle,
  );
  if (onStem.length === 0)
    return tree.ageYears <= WHIP_UP_TO_YEARS ? { ...none, wishes: whip(stem, tree.form) } : none;
  if (tree.form === 'open centre')
    return tree.ageYears <= OPEN_UP_TO_YEARS ? openCentre(stem, onStem, tree) : none;
  if (tree.form === 'central leader' || tree.form === 'modified leader') return onLeader(stem, onStem, tree);
  return none;
}

function whip(stem: Limb, form: TreeForm): Wish[] {
  const atCm = form === 'central leader' || form === 'modified leader' ? LEADER_HEADED_CM : KNEE_CM;
  if (form === 'cordon' || stem.lengthCm <= atCm + 5 || wasHeaded(stem)) return [];
  return [{ kind: 'head the whip', limbId: stem.id, atCm }];
}

/** Three or four limbs spread round, none of them steep, and no leader above them. */
function openCentre(stem: Limb, onStem: Limb[], { tied }: Tree): YoungTree {
  const frame = frameOf(onStem, OPEN_LIMBS, 0);
  const kept = new Set(frame.map(({ id }) => id));
  const top = frame.toSorted((a, b) => b.jointCm - a.jointCm)[0];
  return {
    frame: kept,
    wishes: [
      ...onStem.flatMap((limb): Wish[] =>
        !kept.has(limb.id) ? [wish('too many', limb)] : isSteep(limb, tied) ? [wish('spread it', limb)] : [],
      ),
      ...(top && frame.length >= OPEN_LIMBS - 1 && stem.lengthCm - top.jointCm > LEADER_GROWS_FROM_CM
        ? [{ kind: 'lower the leader' as const, limbId: stem.id, atCm: top.jointCm, toLimbId: top.id }]
        : []),
    ],
  };
}

/** One leader, headed each year, with limbs in tiers; a modified one ends at its topmost limb once enough of them stand. */
function onLeader(stem: Limb, onStem: Limb[], { form, tied }: Tree): YoungTree {
  const rivals = onStem.filter(
    ({ jointCm, inclinationDeg, id }) =>
      jointCm >= stem.lengthCm - RIVAL_WITHIN_CM && inclinationDeg >= RIVAL_FROM_DEG && !tied.includes(id),
  );
  const limbs = onStem.filter((limb) => !rivals.includes(limb)).toSorted((a, b) => a.jointCm - b.jointCm);
  const { frame, between, surplus } = tiers(limbs);
  const kept = new Set(frame.map(({ id }) => id));
  const top = frame.at(-1);
  const isDone = form === 'modified leader' && frame.length >= MODIFIED_LIMBS;
  const stout = frame.filter(
    (limb) => limb.baseMm > STOUT_SHARE * diameterMmAt(stem, limb.jointCm) && !tied.includes(limb.id),
  );
  return {
    frame: kept,
    wishes: [
      ...rivals.map((limb) => wish('rival', limb)),
      ...(isDone && top
        ? [{ kind: 'lower the leader' as const, limbId: stem.id, atCm: top.jointCm, toLimbId: top.id }]
        : headedLeader(stem, limbs)),
      ...frame.filter((limb) => isSteep(limb, tied)).map((limb) => wish('spread it', limb)),
      ...stout.filter((limb) => !isSteep(limb, tied)).map((limb) => wish('too stout', limb)),
      ...surplus.map((limb) => wish(limb.jointCm < FIRST_TIER_FROM_CM ? 'too low' : 'too many', limb)),
      ...between.filter(({ id }) => !tied.includes(id)).map((limb) => wish('between tiers', limb)),
    ],
  };
}

/** A third to a half of what the leader has grown above its topmost limb, however long it is. */
function headedLeader(stem: Limb, limbs: Limb[]): Wish[] {
  const topCm = Math.max(0, ...limbs.map(({ jointCm }) => jointCm));
  const grownCm = stem.lengthCm - topCm;
  if (grownCm < LEADER_GROWS_FROM_CM || wasHeaded(stem)) return [];
  return [
    { kind: 'head the leader', limbId: stem.id, atCm: Math.round(stem.lengthCm - LEADER_LOSES * grownCm) },
  ];
}

/** Limbs from the base up: a tier of at most four, nothing for 60 cm, the next tier. */
function tiers(limbs: Limb[]): { frame: Limb[]; between: Limb[]; surplus: Limb[] } {
  const found = {
    frame: [] as Limb[],
    between: [] as Limb[],
    surplus: limbs.filter(({ jointCm }) => jointCm < FIRST_TIER_FROM_CM),
  };
  let left = limbs.filter(({ jointCm }) => jointCm >= FIRST_TIER_FROM_CM);
  while (left.length > 0) {
    const fromCm = (left[0] as Limb).jointCm;
    const inTier = left.filter(({ jointCm }) => jointCm <= fromCm + TIER_HIGH_CM);
    const tier = frameOf(inTier, TIER_LIMBS, APART_CM).toSorted((a, b) => a.jointCm - b.jointCm);
    const topCm = tier.at(-1)?.jointCm ?? fromCm;
    found.frame.push(...tier);
    found.surplus.push(...inTier.filter((limb) => !tier.includes(limb) && limb.jointCm <= topCm));
    found.between.push(
      ...left.filter((limb) => limb.jointCm > topCm && limb.jointCm < topCm + BETWEEN_TIERS_CM),
    );
    left = left.filter(({ jointCm }) => jointCm >= topCm + BETWEEN_TIERS_CM);
  }
  return found;
}

const wish = (kind: WishKind, { id }: Limb): Wish => ({ kind, limbId: id, atCm: 0 });

const isSteep = (limb: Limb, tied: readonly string[]) =>
  limb.inclinationDeg > STEEP_DEG && !tied.includes(limb.id);

/** Since the map was drawn. */
const wasHeaded = (stem: Limb) => (stem.uncutLengthCm ?? 0) > stem.lengthCm;

/** Up to so many limbs, the stoutest first, each in the widest gap that those before it leave, and so far from each of them in height. */
function frameOf(limbs: Limb[], most: number, apartCm: number): Limb[] {
  const left = limbs.toSorted((a, b) => b.baseMm - a.baseMm);
  const kept: Limb[] = [];
  const fits = (limb: Limb) => kept.every(({ jointCm }) => Math.abs(jointCm - limb.jointCm) >= apartCm);
  while (kept.length < most) {
    const middle =
      kept.length === 0 ? (left[0]?.bearingDeg ?? 0) : widestGap(kept.map((limb) => limb.bearingDeg));
    const off = (limb: Limb) => Math.abs(((limb.bearingDeg - middle + 540) % 360) - 180) - limb.baseMm / 4;
    const next = left.filter(fits).toSorted((a, b) => off(a) - off(b))[0];
    if (!next) break;
    kept.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return kept;
}
