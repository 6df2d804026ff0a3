// Before the cut: the blade is not clean, what makes it clean, and how long that takes.

import { agentOf, type CleanWhy } from '@mortisect/core/blades';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
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
  const say = useSay();
  const agent = agentOf(frame.today.site.agentId);
  const { blade, item, view, today } = frame;
  const clock = useClock();
  const recording = useRecordAction();
  const cleanAlready = () =>
    blade &&
    recording.record({ kind: 'bladeCleaned', at: clock(), blade: blade.id, agentId: agent.id, before: true });
  return (
    <CardFrame {...frame} actions={<WetButton blade={blade} />}>
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Section>{say('cut.cleanThe', { blade: blade?.name.toLowerCase() ?? say('cut.blade') })}</Section>
      <Body>{say(WHY_WORDS[why])}</Body>
      <View flexDirection="row" alignItems="baseline" gap={12}>
        <Figure fontSize="$104" lineHeight="$104">
          {agent.contactSeconds}
        </Figure>
        <View flex={1}>
          <Section>{say('cut.secondsWet')}</Section>
          <Body>{told(say, agent.name)}</Body>
        </View>
      </View>
      <Body fontSize="$18" lineHeight="$18">
        {say('cut.theTimeRunsOnTheWayTo', { how: told(say, agent.how) })}
      </Body>
      {agent.disinfects ? null : (
        <Notice kind="danger" title={say('cut.thisDoesNotDisinfect')}>
          {say('cut.chooseAnAgentThatDoesUnderBook')}
        </Notice>
      )}
      <Notice kind="caution">{told(say, agent.caution)}</Notice>
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={cleanAlready} disabled={!blade || recording.isPending}>
          {say('cut.thisBladeIsCleanAlready')}
        </Button>
        <CutAlready view={view} item={item} blade={blade} today={today} />
      </View>
      <Small>
        {say('cut.changeTheAgentUnderBookSettings', {
          source: agent.source,
          sure: say(SURE[agent.confidence]),
        })}
      </Small>
    </CardFrame>
  );
}
