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
          Go on with the round
        </Button>
      }
    >
      <Body>No cut waits. What you mark in Round and can do yourself comes here, one card a step.</Body>
      {run.madeCuts.length > 0 ? (
        <Row
          href="/book/rechecks"
          title="Look at the cuts again"
          detail="When each is due stands in the Book, under Rechecks."
        />
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
