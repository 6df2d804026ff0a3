// The plan on paper and as open files.

import type { TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { FileLinks } from '../../ui/FileLinks';
import { Body, Section } from '../../ui/type';

export function Print({ view }: { view: TreeView }) {
  const say = useSay();
  const units = useUnits();
  const base = `/api/trees/${view.tree.id}`;
  return (
    <View gap={8}>
      <Section>{say('plan.cutSheetAndFiles')}</Section>
      <FileLinks
        links={[
          [`${base}/cut-sheet.pdf?paper=A4&units=${units}`, say('plan.cutSheetA4')],
          [`${base}/cut-sheet.pdf?paper=LETTER&units=${units}`, say('plan.cutSheetLetter')],
          [`${base}/plan.json`, say('plan.planAsJson')],
          [`${base}/plan.csv`, say('plan.planAsCsv')],
        ]}
      />
      <Body fontSize="$16" lineHeight="$16">
        {say('plan.theSheetHasTheDrawingsTheOrder')}
      </Body>
    </View>
  );
}
