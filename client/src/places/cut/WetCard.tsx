// The contact time, counted from its stored start; the end is heard while the page is awake.

import { agentOf } from '@mortisect/core/blades';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useEffect, useRef } from 'react';
import { ring, useSecondsLeft } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Body, Figure, Section, Small } from '../../ui/type';
import { CardFrame, type FrameGiven } from './CardFrame';

export function WetCard({ until, ...frame }: FrameGiven & { until: string }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const left = useSecondsLeft(until, clock) ?? 0;
  const agent = agentOf(frame.today.site.agentId);
  const { blade } = frame;
  const over = left <= 0;
  useRing(over);
  const clean = () =>
    blade && recording.record({ kind: 'bladeCleaned', at: clock(), blade: blade.id, agentId: agent.id });
  return (
    <CardFrame
      {...frame}
      actions={
        <Button
          grow
          kind="main"
          minHeight={68}
          onPress={clean}
          disabled={!over || recording.isPending || !blade}
        >
          {say('cut.bladeClean')}
        </Button>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <View flexDirection="row" alignItems="baseline" gap={12}>
        <Figure
          fontSize="$104"
          lineHeight="$104"
          role="timer"
          aria-label={say('cut.secondsLeft', { ceil: Math.ceil(left) })}
        >
          {Math.ceil(left)}
        </Figure>
        <View flex={1}>
          <Section>{over ? say('cut.theTimeIsOver') : say('cut.secondsToKeepItWet')}</Section>
          <Body>{`${blade?.name ?? ''}, ${told(say, agent.name)}`}</Body>
        </View>
      </View>
      <Body fontSize="$18" lineHeight="$18">
        {over ? say('cut.wasItWetAllTheTimeThen') : say('cut.itGoesOnCountingWhileTheScreen')}
      </Body>
      {agent.corrodes ? <Body>{say('cut.rinseDryAndOilItWhenYou')}</Body> : null}
      <Small>{say('cut.itRingsWhenTheTimeIsOver')}</Small>
    </CardFrame>
  );
}

/** Once, when a time that was running ends; not for one that was over before the page was opened. */
function useRing(over: boolean): void {
  const before = useRef(over);
  useEffect(() => {
    if (over && !before.current) ring();
    before.current = over;
  }, [over]);
}
