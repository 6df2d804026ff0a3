// No cut waits: what was done today, and where to go on.

import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body } from '../../ui/type';
import { LeftOutRows } from './LeftOutRows';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

export function NothingToCut({ here }: { here: RunHere }) {
  const say = useSay();
  const router = useRouter();
  const { run, today } = here;
  return (
    <Screen
      title={say('shared.cut')}
      subtitle={today.site.name}
      aside={
        <Aside figure={say('cut.cuts3', { madeCuts: run.madeCuts.length })} caption={say('cut.madeToday')} />
      }
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/round')}>
          {say('shared.continueTheRound')}
        </Button>
      }
    >
      <Body>{say('cut.noCutToMakeWhatYouMark')}</Body>
      {run.madeCuts.length > 0 ? (
        <Row
          href="/book/rechecks"
          title={say('cut.checkYourCuts')}
          detail={say('cut.bookRechecksShowsWhenEachIsDue')}
        />
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={() => router.navigate('/cut/kit')}>{say('cut.blades')}</Button>
        <Button onPress={() => router.navigate('/cut/mix')}>{say('cut.mix')}</Button>
      </View>
      <UndoLast run={run} />
      <LeftOutRows run={run} />
    </Screen>
  );
}
