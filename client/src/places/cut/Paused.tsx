// The run is paused: any phone of the crew takes it up again, or ends it with the cuts that are left.

import type { SiteToday } from '@mortisect/core/present';
import type { Run } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { ago, shortMoment } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section } from '../../ui/type';
import { RunMap } from './RunMap';
import { RunTotals } from './RunTotals';

interface PausedProps {
  run: Run;
  today: SiteToday;
  at: string;
  by: string;
  /** Somebody will make no more of its cuts. */
  onEnd(): void;
}

export function Paused({ run, today, at, by, onEnd }: PausedProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const resume = () => recording.record({ kind: 'runResumed', at: clock() });
  return (
    <Screen
      title={say('cut.runPaused')}
      subtitle={`${by}, ${ago(at, clock())}`}
      aside={<Aside figure={say('cut.cuts4', { left: run.left.length })} caption={say('cut.stillToMake')} />}
      actions={
        <Button grow kind="main" minHeight={68} onPress={resume} disabled={recording.isPending}>
          {say('cut.continueTheRun')}
        </Button>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Section>{run.item ? say('cut.next', { tree: run.item.tree.code }) : say('cut.noCutIsLeft')}</Section>
      <Body>
        {say('cut.begunItGoesOnWhereItStopped', {
          shortMoment: shortMoment(run.open?.startedAt ?? at, today.site.timeZone),
        })}
      </Body>
      <RunMap run={run} />
      <RunTotals run={run} today={today} awake={null} />
      <View flexDirection="row">
        <Button onPress={onEnd}>{say('cut.endTheRun')}</Button>
      </View>
    </Screen>
  );
}
