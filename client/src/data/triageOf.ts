// A tree's recorded facts put through the triage table.

import { cropRhythm } from '@mortisect/core/crown';
import { girdled } from '@mortisect/core/diagnosis';
import { paceOverall } from '@mortisect/core/handling';
import { DAY_MS } from '@mortisect/core/measure';
import { cropsOf, findingsOpenAt, type SiteToday, type TreeView } from '@mortisect/core/present';
import type { Finding, TreeDetail } from '@mortisect/core/records';
import { markOf } from '@mortisect/core/records';
import { diameterMmAt, type Limb } from '@mortisect/core/tree';
import { affectedShare, type Triage, triage } from '@mortisect/core/triage';

/** How long ago “a season ago” is, days. */
const A_SEASON_DAYS = 200;

export function triageOf(view: TreeView, detail: TreeDetail, today: SiteToday): Triage & { share: number } {
  const { tree, limbs } = view;
  // A canker on the stem counts by how much of the stem it girdles, not as the whole crown
  const stems = new Set(detail.limbs.filter((limb) => limb.kind === 'trunk').map((limb) => limb.id));
  const inCrown = (finding: Finding) => isAffected(finding) && !stems.has(finding.limbId);
  const share = affectedShare(limbs, view.findings.filter(inCrown));
  const before = new Date(Date.parse(today.day) - A_SEASON_DAYS * DAY_MS).toISOString();
  const looked = detail.actions.some(
    ({ action, undone }) =>
      action.kind === 'treeSeen' && !undone && Date.parse(action.at) < Date.parse(before),
  );
  const triaged = triage({
    heightCm: tree.heightCm,
    targetHeightCm: tree.targetHeightCm,
    form: tree.form,
    hazards: tree.hazards,
    leanDeg: tree.leanDeg,
    shoulderCm: today.site.plan.shoulderCm,
    purposes: tree.purposes,
    fruitKnown: tree.cultivar !== null || tree.tasted,
    affectedShare: share,
    earlierShare: looked ? affectedShare(detail.limbs, findingsOpenAt(detail, before).filter(inCrown)) : null,
    stemGirdledShare: Math.max(0, ...view.findings.map((finding) => girdledStem(finding, limbs))),
    minutesLastSeason: null,
    pace: paceOverall(today.paces),
    fruitlessYears: cropRhythm(cropsOf(detail.actions), 0).fruitlessYears,
  });
  return { ...triaged, share };
}

function isAffected(finding: Finding): boolean {
  const mark = markOf(finding);
  return (mark === 'dead' || mark === 'diseased') && finding.place !== 'fruit';
}

/** Share of the stem that a disease on it girdles; 0 where no width was measured. */
function girdledStem(finding: Finding, limbs: Limb[]): number {
  const stem = limbs.find((limb) => limb.id === finding.limbId && limb.kind === 'trunk');
  if (!stem || markOf(finding) !== 'diseased') return 0;
  const roundCm = finding.circumferenceCm ?? (Math.PI * diameterMmAt(stem, finding.fromCm)) / 10;
  return girdled(finding.widthsCm, roundCm, 'stem', true)?.share ?? 0;
}
