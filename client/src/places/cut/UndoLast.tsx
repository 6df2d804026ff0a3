// A mis-tap is undone: the record stays, another one takes it back, with the finding that was made along with it.

import { findingBodyOf } from '@mortisect/core/records';
import type { Run } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction, useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { actionWords } from '../words';

export function UndoLast({ run }: { run: Run }) {
  return run.last ? <Undo last={run.last} run={run} /> : null;
}

function Undo({ last, run }: { last: NonNullable<Run['last']>; run: Run }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const saving = useSaveFinding();
  const { action } = last;
  const detail = useTree('treeId' in action ? action.treeId : '', 'treeId' in action).data;
  const marked = 'marked' in action ? action.marked : undefined;
  const finding = detail?.findings.find(({ id }) => id === marked);
  const tools = [...new Set(run.blades.map(({ tool }) => tool))];
  const undo = () => {
    recording.record({ kind: 'undone', at: clock(), actionId: last.id });
    if (!finding) return;
    saving.mutate({
      id: finding.id,
      baseRevision: finding.revision,
      finding: { ...findingBodyOf(finding), withdrawn: true },
    });
  };
  return (
    <View gap={8}>
      <View flexDirection="row">
        <Button
          kind="quiet"
          paddingHorizontal={0}
          onPress={undo}
          disabled={recording.isPending || (marked !== undefined && !finding)}
        >
          {say('cut.undo', { action: actionWords(say, action, tools) })}
        </Button>
      </View>
      <Failed title={say('cut.notUndoneYet')} error={recording.error ?? saving.error} />
    </View>
  );
}
