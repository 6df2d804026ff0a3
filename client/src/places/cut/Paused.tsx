// The run is paused: any phone of the crew takes it up again.

import type { SiteToday } from '@mortisect/core/present';
import type { Run } from '@mortisect/core/run';
import { ago, shortMoment } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section } from '../../ui/type';
import { plural } from '../words';
import { RunMap } from './RunMap';
import { RunTotals } from './RunTotals';

interface PausedProps {
  run: Run;
  today: SiteToday;
  at: string;
  by: string;
}

export function Paused({ run, today, at, by }: PausedProps) {
  const clock = useClock();
  const recording = useRecordAction();
  const resume = () => recording.record({ kind: 'runResumed', at: clock() });
  return (
    <Screen
      title="Run paused"
      subtitle={`${by}, ${ago(at, clock())}`}
      aside={<Aside figure={plural(run.left.length, 'cut')} caption="still to make" />}
      actions={
        <Button grow kind="main" minHeight={68} onPress={resume} disabled={recording.isPending}>
          Continue the run
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <Section>{run.item ? `Next: ${run.item.view.tree.code}` : 'No cut is left'}</Section>
      <Body>
        {`Begun ${shortMoment(run.open?.startedAt ?? at, today.site.timeZone)}. It goes on where it stopped, on this phone or another. A blade that lay overnight counts as dirty.`}
      </Body>
      <RunMap run={run} />
      <RunTotals run={run} today={today} awake={null} />
    </Screen>
  );
}
