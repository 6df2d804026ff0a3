// Why here: the clearance and its school, the measure, the place, what was passed over, and what the other schools would do.

import type { Cut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { told, whySteps } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { Sheet } from '../ui/Sheet';
import { Body, Label, Small } from '../ui/type';
import { SchoolTable } from './SchoolTable';
import { WithTerms } from './Terms';

interface WhySheetProps {
  view: TreeView;
  today: SiteToday;
  cut: Cut | null;
  onClose(): void;
}

export function WhySheet({ view, today, cut, onClose }: WhySheetProps) {
  const say = useSay();
  return (
    <Sheet title={say('shared.whyHere')} open={cut !== null} onClose={onClose}>
      {cut?.because.map((reason) => {
        const clearance = view.cuts.clearances[reason.lesionId];
        return (
          <View key={reason.lesionId} gap={12}>
            {cut.because.length > 1 ? (
              <Label fontSize="$22">{told(say, disorderOf(reason.disorder)?.name) ?? reason.disorder}</Label>
            ) : null}
            {whySteps(say, reason, clearance, telling(view, today)).map((step) => (
              <View key={step.title} gap={2}>
                <Label fontSize="$19" lineHeight="$19">
                  {step.title}
                </Label>
                {step.lines.map((line) => (
                  <Body key={line} fontSize="$16" lineHeight="$16">
                    <WithTerms>{line}</WithTerms>
                  </Body>
                ))}
              </View>
            ))}
            {clearance ? (
              <>
                <SchoolTable view={view} today={today} lesionId={reason.lesionId} />
                <Small>{say('shared.distancesAreSettingsOfTheSiteWith')}</Small>
              </>
            ) : null}
          </View>
        );
      })}
    </Sheet>
  );
}
