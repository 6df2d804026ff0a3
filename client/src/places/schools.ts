// What would each school of this disorder do here?

import { leadingReason } from '@mortisect/core/cuts';
import { disorderOf, schoolFor, schoolsFor } from '@mortisect/core/disorders';

import { cutsFor, type SiteToday, type TreeView } from '@mortisect/core/present';
import type { Say } from '@mortisect/words';
import { limbIn, tapeText, told } from '@mortisect/words/trade';

interface SchoolAnswer {
  schoolId: string;
  name: string;
  isSites: boolean;
  clearance: string;
  cut: string;
  /** '' where the clearance is kept. */
  short: string;
}

export function schoolAnswers(say: Say, view: TreeView, today: SiteToday, lesionId: string): SchoolAnswer[] {
  const finding = view.considered.find((finding) => finding.id === lesionId);
  if (!finding || !disorderOf(finding.disorder)) return [];
  const schools = schoolsFor(finding.disorder);
  // Sound wood in the wrong place is cut by its shape: no school measures from an edge there
  if (schools.length === 0) return [];
  const sites = schoolFor(finding.disorder, today.site.schools.clearance).id;
  return schools.map((school) => {
    const result = cutsFor(view.tree, view.limbs, view.considered, today, { [finding.disorder]: school.id });
    const cut = result.cuts.find((cut) => cut.lesionIds.includes(lesionId));
    const clearanceCm = result.clearances[lesionId]?.clearanceCm ?? 0;
    const onOther =
      cut && cut.limbId !== finding.limbId ? `${limbIn(say, view.names.get(cut.limbId) ?? '')}: ` : '';
    const at = cut?.upToCm ?? cut?.atCm ?? 0;
    return {
      schoolId: school.id,
      name: told(say, school.name),
      isSites: school.id === sites,
      clearance: tapeText(say, clearanceCm, today.units, 'up'),
      cut: cut
        ? `${onOther}${at === 0 ? say('shared.collar') : `${cut.upToCm === undefined ? '' : '≤ '}${tapeText(say, at, today.units, 'down')}`}`
        : say('shared.decision'),
      short:
        cut && leadingReason(cut).shortfallCm > 0
          ? say('shared.short', { tape: tapeText(say, cut.shortfallCm, today.units, 'up') })
          : '',
    };
  });
}
