// The schools side by side on this very limb; the site's own stands out.
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { Label, Small } from '../ui/type';
import { schoolAnswers } from './schools';

const COLUMNS = [
  ['School', 3],
  ['Clearance', 2],
  ['Cut', 3],
] as const;

export function SchoolTable({
  view,
  today,
  lesionId,
}: {
  view: TreeView;
  today: SiteToday;
  lesionId: string;
}) {
  const answers = schoolAnswers(view, today, lesionId);
  if (answers.length < 2) return null;
  return (
    <View role="table" aria-label="What each school would do here">
      <View
        role="row"
        flexDirection="row"
        borderBottomWidth={1}
        borderColor="$ink"
        borderStyle="solid"
        paddingVertical={4}
        gap={8}
      >
        {COLUMNS.map(([name, flex]) => (
          <Small key={name} role="columnheader" flex={flex}>
            {name}
          </Small>
        ))}
      </View>
      {answers.map((answer) => (
        <View
          key={answer.schoolId}
          role="row"
          flexDirection="row"
          gap={8}
          paddingVertical={8}
          borderBottomWidth={1}
          borderColor="$rule"
          borderStyle="solid"
          backgroundColor={answer.isSites ? '$paper' : 'transparent'}
        >
          <Label role="cell" flex={3} minWidth={0}>
            {answer.isSites ? `Site: ${answer.name}` : answer.name}
          </Label>
          <Label role="cell" flex={2} minWidth={0}>
            {answer.clearance}
          </Label>
          <Label role="cell" flex={3} minWidth={0}>
            {answer.short ? `${answer.cut}, ${answer.short}` : answer.cut}
          </Label>
        </View>
      ))}
    </View>
  );
}
