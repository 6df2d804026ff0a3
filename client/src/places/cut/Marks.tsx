// Limbs are marked from the ground before anybody climbs: up in the crown the picture changes.

import type { RunItem } from '@mortisect/core/run';
import { limbIn, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { useInParts } from '../../ui/inParts';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { placeWords } from '../words';
import { type RunHere, useRun } from './useRun';

export function Marks() {
  const say = useSay();
  const { here, says, error, refetch } = useRun();
  if (!here) return <Waiting title={say('cut.markLimbs')} says={says} error={error} onRetry={refetch} />;
  return <MarkRows here={here} />;
}

function MarkRows({ here }: { here: RunHere }) {
  const say = useSay();
  const { run, today } = here;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const markOf = ({ tree, limbId }: RunItem) => run.marks.get(`${tree.id} ${limbId}`);
  const mark = ({ tree, limbId, limbName }: RunItem, how: 'tape' | 'chalk') =>
    recording.record({
      kind: 'limbMarked',
      at: clock(),
      treeId: tree.id,
      limbId,
      limbName,
      how,
    });
  const { shown, more } = useInParts(run.stops);
  const marked = run.left.filter((item) => markOf(item)).length;
  return (
    <Screen
      title={say('cut.markLimbs')}
      subtitle={say('cut.fromTheGroundBeforeAnybodyClimbs')}
      aside={
        <Aside figure={say('cut.of', { marked, left: run.left.length })} caption={say('cut.markedCaption')} />
      }
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          {say('shared.backToTheRun')}
        </Button>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      {run.left.length === 0 ? <Body>{say('cut.noCutWaitsSoNoLimbIs')}</Body> : null}
      {shown.map(({ tree, items }) => (
        <View key={tree.id} gap={8}>
          <Section>{tree.code}</Section>
          {items.map((item) => {
            const done = markOf(item);
            const name = limbIn(say, item.limbName);
            return (
              <View
                key={item.id}
                gap={8}
                paddingBottom={10}
                borderBottomWidth={1}
                borderStyle="solid"
                borderColor="$rule"
              >
                <Label fontSize="$19">
                  {say('shared.at', { name, place: placeWords(say, item, today.units) })}
                </Label>
                {done ? (
                  <Small>{say('cut.markedWithTheMarkIsTickedOff', { done: told(say, done) })}</Small>
                ) : (
                  <View flexDirection="row" gap={12}>
                    <Button onPress={() => mark(item, 'tape')} aria-label={say('cut.tapeOn', { name })}>
                      {say('cut.tapeOnIt')}
                    </Button>
                    <Button onPress={() => mark(item, 'chalk')} aria-label={say('cut.chalkOn', { name })}>
                      {say('cut.chalkOnIt')}
                    </Button>
                  </View>
                )}
              </View>
            );
          })}
        </View>
      ))}
      {more}
    </Screen>
  );
}
