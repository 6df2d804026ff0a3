// The contact time, counted from its stored start; the end is heard while the page is awake.
import { agentOf } from '@mortisect/core/blades';
import { View } from '@tamagui/core';
import { useEffect, useRef } from 'react';
import { ring, useSecondsLeft } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Body, Figure, Section, Small } from '../../ui/type';
import { CardFrame, type FrameGiven } from './CardFrame';

export function WetCard({ until, ...frame }: FrameGiven & { until: string }) {
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
          Blade clean
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <View flexDirection="row" alignItems="baseline" gap={12}>
        <Figure fontSize="$104" lineHeight="$104" role="timer" aria-label={`${Math.ceil(left)} seconds left`}>
          {Math.ceil(left)}
        </Figure>
        <View flex={1}>
          <Section>{over ? 'The time is over' : 'seconds to keep it wet'}</Section>
          <Body>{`${blade?.name ?? ''}, ${agent.name}`}</Body>
        </View>
      </View>
      <Body fontSize="$18" lineHeight="$18">
        {over
          ? 'Was it wet all the time? Then it is clean. If it dried, wet it again.'
          : 'It goes on counting while the screen is dark or the page is closed.'}
      </Body>
      {agent.corrodes ? <Body>Rinse, dry and oil it when you are done.</Body> : null}
      <Small>
        It rings when the time is over, as long as this page is awake and the phone is not silent.
      </Small>
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
