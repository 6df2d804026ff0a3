// The plan on paper and as open files.

import type { TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { FileLinks } from '../../ui/FileLinks';
import { Body, Section } from '../../ui/type';

export function Print({ view }: { view: TreeView }) {
  const base = `/api/trees/${view.tree.id}`;
  return (
    <View gap={8}>
      <Section>Cut sheet and files</Section>
      <FileLinks
        links={[
          [`${base}/cut-sheet.pdf?paper=A4`, 'Cut sheet, A4'],
          [`${base}/cut-sheet.pdf?paper=LETTER`, 'Cut sheet, Letter'],
          [`${base}/plan.json`, 'Plan as JSON'],
          [`${base}/plan.csv`, 'Plan as CSV'],
        ]}
      />
      <Body fontSize="$16" lineHeight="$16">
        The sheet has the drawings, the order, the cautions and the tag of the tree. It needs the server.
      </Body>
    </View>
  );
}
