// Limbs are marked from the ground before anybody climbs: up in the crown the picture changes.
import type { RunItem } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { placeWords } from '../words';
import { type RunHere, useRun } from './useRun';

export function Marks() {
  const { here, error, refetch } = useRun();
  if (!here) return <Waiting title="Mark limbs" error={error} onRetry={refetch} />;
  return <MarkRows here={here} />;
}

function MarkRows({ here }: { here: RunHere }) {
  const { run, today } = here;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const markOf = ({ view, cut }: RunItem) => run.marks.get(`${view.tree.id} ${cut.limbId}`);
  const mark = ({ view, cut }: RunItem, how: 'tape' | 'chalk') =>
    recording.record({
      kind: 'limbMarked',
      at: clock(),
      treeId: view.tree.id,
      limbId: cut.limbId,
      limbName: view.names.get(cut.limbId) ?? cut.limbId,
      how,
    });
  const marked = run.left.filter((item) => markOf(item)).length;
  return (
    <Screen
      title="Mark limbs"
      subtitle="From the ground, before anybody climbs"
      aside={<Aside figure={`${marked} of ${run.left.length}`} caption="marked" />}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          Back to the run
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      {run.left.length === 0 ? <Body>No cut waits, so no limb is marked.</Body> : null}
      {run.stops.map(({ view, items }) => (
        <View key={view.tree.id} gap={8}>
          <Section>{view.tree.code}</Section>
          {items.map((item) => {
            const done = markOf(item);
            const name = view.names.get(item.cut.limbId) ?? item.cut.limbId;
            return (
              <View
                key={item.id}
                gap={8}
                paddingBottom={10}
                borderBottomWidth={1}
                borderStyle="solid"
                borderColor="$rule"
              >
                <Label fontSize="$19">{`${name} at ${placeWords(item.cut, today.units)}`}</Label>
                {done ? (
                  <Small>{`✓ Marked with ${done}. The mark is ticked off when the limb is cut.`}</Small>
                ) : (
                  <View flexDirection="row" gap={12}>
                    <Button onPress={() => mark(item, 'tape')} aria-label={`Tape on ${name}`}>
                      Tape on it
                    </Button>
                    <Button onPress={() => mark(item, 'chalk')} aria-label={`Chalk on ${name}`}>
                      Chalk on it
                    </Button>
                  </View>
                )}
              </View>
            );
          })}
        </View>
      ))}
    </Screen>
  );
}
