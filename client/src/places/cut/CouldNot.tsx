// The cut could not be made: why, in one tap; it stays in the plan.

import type { RunItem } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Sheet } from '../../ui/Sheet';

const reasonsIn = (say: Say) =>
  [
    say('shared.outOfReach'),
    say('cut.woodTooThickForTheBlade'),
    say('cut.notSafe'),
    say('cut.woodIsNotAsMapped'),
    say('shared.weather'),
  ] as const;

export function CouldNot({ item, open, onClose }: { item: RunItem; open: boolean; onClose(): void }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [reason, setReason] = useState<ReturnType<typeof reasonsIn>[number] | null>(null);
  const [note, setNote] = useState('');
  const why = [reason, note.trim()].filter(Boolean).join(': ');
  const leave = () =>
    recording.record(
      {
        kind: 'cutNotMade',
        at: clock(),
        treeId: item.tree.id,
        findingIds: item.findingIds,
        candidateId: item.candidateId,
        reason: why,
      },
      onClose,
    );
  return (
    <Sheet
      title={say('cut.whyNot')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button grow kind="main" disabled={why === '' || recording.isPending} onPress={leave}>
          {say('cut.leaveIt')}
        </Button>
      }
    >
      <Choice
        label={say('cut.reason')}
        layout="wrap"
        options={reasonsIn(say).map((value) => ({ value, label: value }))}
        value={reason}
        onChange={setReason}
      />
      <Field
        label={say('shared.note')}
        value={note}
        onChangeText={(text) => setNote(text.slice(0, 200))}
        hint={say('cut.theCutStaysInThePlanAnd')}
      />
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </Sheet>
  );
}
