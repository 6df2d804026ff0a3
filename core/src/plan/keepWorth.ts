// Which limbs are worth more than their wood?
import { fruitingShare } from '../crown/index';
import { disorderOf, kindOf } from '../disorders/index';
import { PAIRS, type Ranked, rankPair } from '../shaping/index';
import { indexLimbs, type Limb, limbShape, limbWithAll } from '../tree/index';
import type { PlanInput } from './input';

/** What a limb is worth keeping for. */
export type KeptFor = 'frame' | 'level' | 'follower' | 'flower' | 'better';

export interface KeepWorth {
  limbId: string;
  worth: number;
  because: KeptFor[];
}

/** @source common practice, no source */
const LEVEL_WITHIN_DEG = 25;
const YOUNG_YEARS = 3;

const SLOTS = {
  'open centre': 4,
  'central leader': 8,
  'modified leader': 6,
  espalier: 12,
  fan: 14,
  cordon: 20,
  'multi-stem': 5,
  wild: 5,
} as const;

/**
 * Worth of each limb that has any, with the reasons. It is lost once, when more than half of the limb goes. A limb that is dead, broken or
 * lost to disease over more than half of its length has none, and its place in the frame is free.
 *
 * @param chosen limbs that a young tree’s frame is built of; null: the stoutest
 */
export function keepWorths(
  input: Pick<PlanInput, 'tree' | 'pins' | 'findings' | 'settings'> &
    Partial<Pick<PlanInput, 'offYear' | 'moreBloom'>>,
  chosen: ReadonlySet<string> | null = null,
): KeepWorth[] {
  const {
    tree,
    pins,
    findings,
    settings: { weights },
    offYear = false,
  } = input;
  const lost = lostLimbs(tree.limbs, findings);
  const worth = new Map<string, { worth: number; because: KeptFor[] }>();
  const add = (limbId: string, more: number, why: KeptFor) => {
    if (lost.has(limbId)) return;
    const had = worth.get(limbId) ?? { worth: 0, because: [] };
    worth.set(limbId, { worth: had.worth + more, because: [...had.because, why] });
  };
  const main = tree.limbs.filter(
    (limb) => limb.kind === 'scaffold' && !lost.has(limb.id) && (chosen?.has(limb.id) ?? true),
  );
  for (const limb of chosen ? main : frameOf(main, SLOTS[tree.form]))
    add(limb.id, weights.keepFrame, 'frame');
  for (const limb of tree.limbs) {
    const young = limb.ageYears <= YOUNG_YEARS && Math.abs(limb.inclinationDeg) <= LEVEL_WITHIN_DEG;
    if (young && (limb.kind === 'lateral' || limb.kind === 'branch'))
      add(limb.id, weights.keepLevel, 'level');
  }
  if (offYear)
    for (const limb of tree.limbs)
      if (BEARS.includes(limb.kind) && fruitingShare(tree, limb.ageYears) >= BEARING_FROM)
        add(limb.id, weights.keepFlower, 'flower');
  for (const { staysId, because } of rankedPairs(input))
    if (because !== null) add(staysId, weights.keepBetter, 'better');
  for (const pin of pins) if (pin.kind === 'follower') add(pin.followerId, weights.keepFollower, 'follower');
  return [...worth].map(([limbId, terms]) => ({ limbId, ...terms }));
}

/** In its poor year a tree that bears every second one needs what flowers it has. */
const BEARS: readonly string[] = ['branch', 'lateral', 'spur'];
const BEARING_FROM = 0.6;

const LOST_FROM = 0.5;

/** Limbs of which more than half is dead, broken or diseased, and all that stands on dead or broken wood. */
function lostLimbs(limbs: Limb[], findings: PlanInput['findings']): Set<string> {
  const index = indexLimbs(limbs);
  const lost = new Set<string>();
  for (const limb of limbs) {
    const onLimb = findings.filter((finding) => finding.limbId === limb.id && !finding.healed);
    // Beyond the place where it is dead or broken, nothing of it lives
    const goneFromCm = Math.min(limb.lengthCm, ...onLimb.filter(isGone).map((finding) => finding.fromCm));
    const sick = onLimb
      .filter((finding) => kindOf(finding.disorder) === 'diseased')
      .map(({ fromCm, toCm }): [number, number] => [fromCm, Math.min(toCm, goneFromCm)]);
    if (limb.lengthCm - goneFromCm + covered(sick) > LOST_FROM * limb.lengthCm) lost.add(limb.id);
    if (goneFromCm >= limb.lengthCm) continue;
    for (const child of index.childrenOf.get(limb.id) ?? [])
      if (child.jointCm >= goneFromCm) for (const beyond of limbWithAll(index, child)) lost.add(beyond.id);
  }
  return lost;
}

/** Is wood from there on dead, or broken and hanging? */
export function isGone({ disorder }: Pick<PlanInput['findings'][number], 'disorder'>): boolean {
  return kindOf(disorder) === 'dead' || disorderOf(disorder)?.hanging === true;
}

/** Length that spans cover together, cm. */
function covered(spans: [number, number][]): number {
  let [sum, reached] = [0, Number.NEGATIVE_INFINITY];
  for (const [from, to] of spans.toSorted((a, b) => a[0] - b[0])) {
    sum += Math.max(0, to - Math.max(from, reached));
    reached = Math.max(reached, to);
  }
  return sum;
}

/** The stoutest limbs that the form has room for, none steeper than a leader. */
function frameOf(main: Limb[], slots: number): Limb[] {
  return main.toSorted((a, b) => b.baseMm - a.baseMm).slice(0, slots);
}

/** Two limbs in each other's way, by the finding that says so. */
export interface RankedPair extends Ranked {
  findingId: string;
}

/** Which of two stays, of each fault of two limbs that is open. */
export function rankedPairs({
  tree: { limbs },
  findings,
  settings,
  moreBloom = [],
}: Pick<PlanInput, 'tree' | 'findings' | 'settings'> & Partial<Pick<PlanInput, 'moreBloom'>>): RankedPair[] {
  const ill = new Set(
    findings.flatMap(({ disorder, limbId, healed }) =>
      kindOf(disorder) === 'misplaced' || healed ? [] : [limbId],
    ),
  );
  const shape = limbShape(limbs);
  const height = (id: string) => {
    const stick = shape.get(id);
    return stick ? (stick.base.z + stick.tip.z) / 2 : 0;
  };
  return findings.flatMap(({ id, fault, healed, held }): RankedPair[] => {
    const [a, b] = fault?.limbIds ?? [];
    if (!fault || !PAIRS.includes(fault.kind) || a === undefined || b === undefined || healed || held)
      return [];
    const [lower, upper] = height(a) <= height(b) ? [a, b] : [b, a];
    const { stackedPair } = settings;
    const school =
      fault.kind !== 'over another' || stackedPair === 'either'
        ? undefined
        : stackedPair === 'upper'
          ? lower
          : upper;
    const ranked = rankPair(a, b, { limbs, ill, moreBloom, school });
    return ranked ? [{ ...ranked, findingId: id }] : [];
  });
}
