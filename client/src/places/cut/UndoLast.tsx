// A mis-tap is undone: the record stays, another one takes it back.
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { actionWords } from '../words';
import type { Run } from './run';

export function UndoLast({ run }: { run: Run }) {
  const clock = useClock();
  const recording = useRecordAction();
  const { last } = run;
  const tools = run.blades.map(({ tool }) => tool).filter((tool, i, all) => all.indexOf(tool) === i);
  if (!last) return null;
  const undo = () => recording.record({ kind: 'undone', at: clock(), actionId: last.id });
  return (
    <View gap={8}>
      <View flexDirection="row">
        <Button kind="quiet" paddingHorizontal={0} onPress={undo} disabled={recording.isPending}>
          {`Undo: ${actionWords(last.action, tools)}`}
        </Button>
      </View>
      <Failed title="Not undone yet" error={recording.error} />
    </View>
  );
}
