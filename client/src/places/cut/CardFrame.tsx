// What every card of a run shares: which cut of how many, on which limb, and the state of the blade at a glance.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import type { SiteToday } from '../../data/orchardView';
import { Columns } from '../../ui/Columns';
import { Aside, Screen } from '../../ui/Screen';
import { Label, Small } from '../../ui/type';
import { TreeBeside } from '../TreeBeside';
import { useOpenLimb } from '../useOpenLimb';
import { LeftOutRows } from './LeftOutRows';
import type { Run, RunItem } from './run';
import { UndoLast } from './UndoLast';

export interface Count {
  at: number;
  of: number;
}

interface CardFrameProps {
  run: Run;
  item: RunItem;
  count: Count;
  blade: { clean: boolean; words: string };
  actions: ReactNode;
  children: ReactNode;
  today: SiteToday;
}

export function CardFrame({ run, item, count, blade, actions, today, children }: CardFrameProps) {
  const { tree, names } = item.view;
  const openLimb = useOpenLimb(tree.id);
  return (
    <Screen
      title={`Cut ${count.at} of ${count.of}`}
      subtitle={`${tree.code} · ${names.get(item.cut.limbId) ?? item.cut.limbId}`}
      aside={<Aside figure={blade.clean ? 'Clean' : 'Dirty'} caption="blade" />}
      width="full"
      actions={actions}
    >
      <View
        marginHorizontal={-16}
        marginTop={-12}
        paddingHorizontal={16}
        paddingVertical={10}
        flexDirection="row"
        flexWrap="wrap"
        alignItems="baseline"
        columnGap={12}
        backgroundColor={blade.clean ? '$wood' : '$paper'}
        borderBottomWidth={3}
        borderStyle="solid"
        borderColor={blade.clean ? '$leaf' : '$ochre'}
      >
        <Label fontSize="$22" lineHeight="$22">
          {blade.clean ? '✓ Blade clean' : '✗ Blade not clean'}
        </Label>
        <Small>{blade.words}</Small>
      </View>
      <Columns
        beside={
          <TreeBeside
            view={item.view}
            today={today}
            chosenId={item.cut.limbId}
            kerfs={[item.cut]}
            onChoose={openLimb}
          />
        }
      >
        {children}
        <UndoLast run={run} />
        <LeftOutRows run={run} />
      </Columns>
    </Screen>
  );
}
