// Before the cut: the blade is not clean, what makes it clean, and how long that takes.

import { agentOf, type CleanWhy } from '@mortisect/core/blades';
import { View } from '@tamagui/core';
import type { SiteToday } from '../../data/orchardView';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Figure, Section, Small } from '../../ui/type';
import { CardFrame, type Count } from './CardFrame';
import { BLADE, type Run, type RunItem } from './run';

const WHY_WORDS: Record<CleanWhy, string> = {
  'unknown history': 'its history is unknown today',
  'another tree': 'it comes from another tree',
  'met disease': 'it met diseased wood',
  'disease ahead': 'diseased wood is next: each such cut starts clean',
};

interface CleanCardProps {
  run: Run;
  item: RunItem;
  why: CleanWhy;
  today: SiteToday;
  count: Count;
}

export function CleanCard({ run, item, why, today, count }: CleanCardProps) {
  const clock = useClock();
  const recording = useRecordAction();
  const agent = agentOf(today.site.agentId);
  const clean = () =>
    recording.record({ kind: 'bladeCleaned', at: clock(), blade: BLADE, agentId: agent.id });
  return (
    <CardFrame
      run={run}
      item={item}
      count={count}
      today={today}
      blade={{ clean: false, words: WHY_WORDS[why] }}
      actions={
        <Button grow kind="main" minHeight={68} onPress={clean} disabled={recording.isPending}>
          Blade clean
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <View flexDirection="row" alignItems="baseline" gap={12}>
        <Figure fontSize="$104" lineHeight="$104">
          {agent.contactSeconds}
        </Figure>
        <View flex={1}>
          <Section>seconds wet</Section>
          <Body>{agent.name}</Body>
        </View>
      </View>
      <Body fontSize="$18" lineHeight="$18">
        {agent.how} Keep it wet for the whole time.
      </Body>
      <Notice kind="caution">{agent.caution}</Notice>
      <Small>
        {agent.source} ({{ high: 'confident', low: 'unsure', practice: 'common practice' }[agent.confidence]}
        ). Change the agent under Book, Settings.
      </Small>
    </CardFrame>
  );
}
