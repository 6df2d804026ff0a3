// No cut waits: what was done today, and where to go on.
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body } from '../../ui/type';
import { plural } from '../words';
import { LeftOutRows } from './LeftOutRows';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

export function NothingToCut({ here }: { here: RunHere }) {
  const router = useRouter();
  const { run, today } = here;
  return (
    <Screen
      title="Cut"
      subtitle={today.site.name}
      aside={<Aside figure={plural(run.madeCuts.length, 'cut')} caption="made today" />}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/round')}>
          Continue the round
        </Button>
      }
    >
      <Body>No cut to make. What you mark in Round comes here, one card for each step.</Body>
      {run.madeCuts.length > 0 ? (
        <Row href="/book/rechecks" title="Check your cuts" detail="Book, Rechecks shows when each is due." />
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={() => router.navigate('/cut/kit')}>Blades</Button>
        <Button onPress={() => router.navigate('/cut/mix')}>Mix</Button>
      </View>
      <UndoLast run={run} />
      <LeftOutRows run={run} />
    </Screen>
  );
}
