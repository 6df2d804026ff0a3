// The cut could not be made: why, in one tap; it stays in the plan.
import type { RunItem } from '@mortisect/core/run';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Sheet } from '../../ui/Sheet';

const REASONS = [
  'Out of reach',
  'Wood too thick for the blade',
  'Not safe',
  'Wood is not as mapped',
  'Weather',
] as const;

export function CouldNot({ item, open, onClose }: { item: RunItem; open: boolean; onClose(): void }) {
  const clock = useClock();
  const recording = useRecordAction();
  const [reason, setReason] = useState<(typeof REASONS)[number] | null>(null);
  const [note, setNote] = useState('');
  const why = [reason, note.trim()].filter(Boolean).join(': ');
  const leave = () =>
    recording.record(
      {
        kind: 'cutNotMade',
        at: clock(),
        treeId: item.view.tree.id,
        findingIds: item.findingIds,
        reason: why,
      },
      onClose,
    );
  return (
    <Sheet
      title="Why not?"
      open={open}
      onClose={onClose}
      closeLabel="Back"
      actions={
        <Button grow kind="main" disabled={why === '' || recording.isPending} onPress={leave}>
          Leave it
        </Button>
      }
    >
      <Choice
        label="Reason"
        layout="wrap"
        options={REASONS.map((value) => ({ value, label: value }))}
        value={reason}
        onChange={setReason}
      />
      <Field
        label="Note"
        value={note}
        onChangeText={(text) => setNote(text.slice(0, 200))}
        hint="The cut stays in the plan and is out of today’s run."
      />
      <Failed title="Not recorded yet" error={recording.error} />
    </Sheet>
  );
}
