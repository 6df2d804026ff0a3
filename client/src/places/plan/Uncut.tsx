// Findings that ask for no cut, or not yet, each with what holds for it instead.

import { markOf } from '@mortisect/contracts';
import { disorderOf } from '@mortisect/core/disorders';
import { View } from '@tamagui/core';
import type { TreeView } from '../../data/orchardView';
import { Mark } from '../../drawings/marks';
import { Label, Section, Small } from '../../ui/type';
import { UNCUT_WORDS } from '../words';

export function Uncut({ view }: { view: TreeView }) {
  if (view.cuts.uncut.length === 0) return null;
  return (
    <View gap={8}>
      <Section>Asks for no cut now</Section>
      {view.cuts.uncut.map(({ findingId, why }) => {
        const finding = view.findings.find((one) => one.id === findingId);
        if (!finding) return null;
        const instead = why === 'wait' || why === 'leave' ? disorderOf(finding.disorder)?.instead : undefined;
        return (
          <View key={findingId} flexDirection="row" gap={12} alignItems="flex-start">
            <Mark kind={markOf(finding)} />
            <View flex={1} minWidth={0}>
              <Label>{`${disorderOf(finding.disorder)?.name ?? finding.disorder}, ${finding.limbName}`}</Label>
              <Small>{`${UNCUT_WORDS[why]}${instead ? ` ${instead}` : ''}`}</Small>
            </View>
          </View>
        );
      })}
    </View>
  );
}
