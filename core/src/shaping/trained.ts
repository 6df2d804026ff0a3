// What keeps a tree flat that is trained so: shoots brought back to a few buds, ribs a hand apart.
import { type Cut, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import type { TreeForm } from '../register/index';
import type { Limb } from '../tree/index';

/** Espaliers are shortened to three leaves and cordons to three buds in summer; ribs of a fan stand so far apart. The brief's figures; common practice, no source. */
const BUDS_LEFT = 3;
const RIBS_APART_CM = 15;
/** Where no bud is mapped three of them stand within so much, and a cut so much above the last. Common practice, no source. */
const THREE_BUDS_CM = 10;
const ABOVE_BUD_CM = 0.6;
/** Less than this beyond the cut nobody takes off. Common practice, no source. */
const WORTH_CUTTING_CM = 5;
const UPRIGHT_ON_TIER_DEG = 45;

export interface FormKept {
  limbId: string;
  why: 'shoot' | 'rib';
  cut: Cut;
}

export const formId = (limbId: string) => `form ${limbId}`;

/** Cuts that keep the form, none for a tree that is not trained flat. */
export function formKept({ limbs, form }: { limbs: Limb[]; form: TreeForm }): FormKept[] {
  const kindOf = new Map(limbs.map(({ id, kind }) => [id, kind]));
  const isNew = ({ kind, ageYears, uncutLengthCm }: Limb) =>
    (kind === 'shoot' || kind === 'sprout') && ageYears <= 1 && uncutLengthCm === undefined;
  if (form === 'fan') return crowdedRibs(limbs).flatMap((limb) => kept(limbs, limb, 'rib', null));
  const shoots =
    form === 'cordon'
      ? limbs.filter(isNew)
      : form === 'espalier'
        ? limbs.filter(
            (limb) =>
              isNew(limb) &&
              kindOf.get(limb.parentId ?? '') === 'scaffold' &&
              limb.inclinationDeg > UPRIGHT_ON_TIER_DEG,
          )
        : [];
  return shoots.flatMap((limb) => {
    const atCm = aboveThirdBud(limb);
    return limb.lengthCm - atCm >= WORTH_CUTTING_CM ? kept(limbs, limb, 'shoot', atCm) : [];
  });
}

function kept(limbs: Limb[], { id }: Limb, why: FormKept['why'], t: number | null): FormKept[] {
  const cut = shapeCut(limbs, id, t, { findingId: formId(id), disorder: plainDisorder('misplaced') });
  return cut ? [{ limbId: id, why, cut }] : [];
}

function aboveThirdBud({ buds = [] }: Limb): number {
  const live = buds.filter(({ live }) => live).toSorted((a, b) => a.atCm - b.atCm);
  const third = live[BUDS_LEFT - 1];
  return third ? third.atCm + ABOVE_BUD_CM : THREE_BUDS_CM;
}

/** Ribs on a rib that stand nearer than a hand to a stouter one on the same side of it. */
function crowdedRibs(limbs: Limb[]): Limb[] {
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  const ribs = limbs.filter(
    ({ parentId, kind, bundle }) =>
      (kind === 'branch' || kind === 'lateral') && !bundle && byId.get(parentId ?? '')?.kind === 'scaffold',
  );
  const isAbove = ({ parentId, inclinationDeg }: Limb) =>
    inclinationDeg > (byId.get(parentId ?? '')?.inclinationDeg ?? 0);
  const stays: Limb[] = [];
  for (const rib of ribs.toSorted((a, b) => b.baseMm - a.baseMm || (a.id < b.id ? -1 : 1))) {
    const near = stays.some(
      (other) =>
        other.parentId === rib.parentId &&
        isAbove(other) === isAbove(rib) &&
        Math.abs(other.jointCm - rib.jointCm) < RIBS_APART_CM,
    );
    if (!near) stays.push(rib);
  }
  return ribs.filter((rib) => !stays.includes(rib));
}
