// What the saw laid open, as a finding on the wood that is left.

import { kindOf } from '../disorders/index';
import type { SiteToday } from '../present/index';
import { FindingBody, type TreeDetail } from '../records/index';
import { limbNames } from '../tree/index';

/**
 * From a kerf toward the trunk: on the same limb, or on its parent where the limb went at the collar.
 *
 * @param reachCm how far it goes toward the trunk
 * @returns null where no wood is left to mark it on
 */
export function findingAt(
  { tree, limbs }: Pick<TreeDetail, 'tree' | 'limbs'>,
  kerf: { limbId: string; atCm: number },
  reachCm: number,
  { disorder, note, seenAt }: Pick<FindingBody, 'disorder' | 'note' | 'seenAt'>,
  { site, units }: SiteToday,
): FindingBody | null {
  const cut = limbs.find((limb) => limb.id === kerf.limbId);
  const onParent = kerf.atCm < STUMP_CM;
  const limb = onParent ? limbs.find((limb) => limb.id === cut?.parentId) : cut;
  if (!cut || !limb) return null;
  const end = onParent ? Math.min(limb.lengthCm, cut.jointCm + STUMP_CM) : kerf.atCm;
  const from = Math.max(0, (onParent ? cut.jointCm : kerf.atCm) - reachCm);
  const kind = kindOf(disorder);
  return FindingBody.parse({
    treeId: tree.id,
    limbId: limb.id,
    limbName: limbNames(limbs, site.twelveBearingDeg, units).get(limb.id) ?? limb.id,
    fromCm: Math.round(from * 10) / 10,
    toCm: Math.round(Math.max(end, from + 1) * 10) / 10,
    kind,
    place: 'span',
    disorder,
    edge: 'definite',
    growthRapid: false,
    // Disease on a fresh face goes now: the plan may not leave it
    ...(kind === 'diseased' && { activity: 'active' }),
    note,
    seenAt,
    withdrawn: false,
  });
}

const STUMP_CM = 2;
