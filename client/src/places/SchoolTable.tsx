// The schools side by side on this very limb; the site's own stands out.

import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { Label, Small } from '../ui/type';
import { schoolAnswers } from './schools';

const columnsIn = (say: Say) =>
  [
    [say('shared.school'), 3],
    [say('shared.clearance'), 2],
    [say('shared.cut'), 3],
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
  const say = useSay();
  const answers = schoolAnswers(say, view, today, lesionId);
  if (answers.length < 2) return null;
  return (
    <View role="table" aria-label={say('shared.whatEachSchoolWouldDoHere')}>
      <View
        role="row"
        flexDirection="row"
        borderBottomWidth={1}
        borderColor="$ink"
        borderStyle="solid"
        paddingVertical={4}
        gap={8}
      >
        {columnsIn(say).map(([name, flex]) => (
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
            {answer.isSites ? say('shared.site', { answer: answer.name }) : answer.name}
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
