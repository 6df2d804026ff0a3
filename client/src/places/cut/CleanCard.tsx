// Before the cut: the blade is not clean, what makes it clean, and how long that takes.

import { agentOf, type CleanWhy } from '@mortisect/core/blades';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Figure, Section, Small } from '../../ui/type';
import { SURE } from '../AgentFacts';
import { WHY_WORDS } from './bladeWords';
import { CardFrame, type FrameGiven } from './CardFrame';
import { CutAlready } from './CutAlready';
import { WetButton } from './WetButton';

export function CleanCard({ why, ...frame }: FrameGiven & { why: CleanWhy }) {
  const agent = agentOf(frame.today.site.agentId);
  const { blade, item, today } = frame;
  const clock = useClock();
  const recording = useRecordAction();
  const cleanAlready = () =>
    blade &&
    recording.record({ kind: 'bladeCleaned', at: clock(), blade: blade.id, agentId: agent.id, before: true });
  return (
    <CardFrame {...frame} actions={<WetButton blade={blade} />}>
      <Failed title="Not recorded yet" error={recording.error} />
      <Section>{`Clean the ${blade?.name.toLowerCase() ?? 'blade'}`}</Section>
      <Body>{WHY_WORDS[why]}</Body>
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
        {agent.how} The time runs on the way to the tree.
      </Body>
      {agent.disinfects ? null : (
        <Notice kind="danger" title="This does not disinfect">
          Choose an agent that does under Book, Settings.
        </Notice>
      )}
      <Notice kind="caution">{agent.caution}</Notice>
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={cleanAlready} disabled={!blade || recording.isPending}>
          This blade is clean already
        </Button>
        <CutAlready item={item} blade={blade} today={today} />
      </View>
      <Small>{`${agent.source} (${SURE[agent.confidence]}). Change the agent under Book, Settings.`}</Small>
    </CardFrame>
  );
}
