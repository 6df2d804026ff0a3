// Sets what was marked, lays it aside, or takes a finding back; keeps everything on screen when it cannot be sent.
import type { FindingBody } from '@mortisect/contracts';
import { FindingBody as FindingBodySchema } from '@mortisect/contracts';
import { disorderOf } from '@mortisect/core/disorders';
import { View } from '@tamagui/core';
import type { TreeView } from '../../data/orchardView';
import { useSaveFinding } from '../../data/queries';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Conflict, movedProblem } from '../Conflict';
import { cutOf } from './Answer';
import { findingBody, isNamed, type Marking } from './draft';

interface MarkingActionsProps {
  view: TreeView;
  marking: Marking;
  onMark(marking: Marking): void;
  /** The marking is over: set, or laid aside. */
  onDone(set: boolean): void;
}

export function MarkingActions({ view, marking, onMark, onDone }: MarkingActionsProps) {
  const saving = useSaveFinding();
  const save = (withdrawn: boolean, baseRevision = marking.baseRevision) => {
    if (!isNamed(marking)) return;
    const finding = findingBody(
      marking,
      view.tree.id,
      view.names.get(marking.limbId) ?? marking.limbId,
      withdrawn,
    );
    saving.mutate({ id: marking.id, baseRevision, finding }, { onSuccess: () => onDone(true) });
  };
  const failed = saving.error && !movedProblem(saving.error) ? saving.error : null;
  return (
    <View flex={1} gap={8}>
      <Failed title="Not saved yet" error={failed} />
      <View flexDirection="row" gap={12}>
        <Button onPress={() => onDone(false)}>Cancel</Button>
        {marking.baseRevision === null ? null : <Button onPress={() => save(true)}>Take back</Button>}
        <Button grow kind="main" disabled={!isNamed(marking) || saving.isPending} onPress={() => save(false)}>
          {cutOf(view, marking.id) ? 'Set this cut' : 'Save finding'}
        </Button>
      </View>
      <Conflict
        error={saving.error}
        lines={findingLines}
        onDismiss={() => saving.reset()}
        onKeepTheirs={() => onDone(false)}
        onKeepMine={(revision) => {
          onMark({ ...marking, baseRevision: revision });
          save(saving.variables?.finding.withdrawn ?? false, revision);
        }}
      />
    </View>
  );
}

function findingLines(version: unknown): string[] {
  const parsed = FindingBodySchema.safeParse(pick(version));
  if (!parsed.success) return [];
  const { disorder, limbName, fromCm, toCm, edge, note, withdrawn }: FindingBody = parsed.data;
  return [
    `${disorderOf(disorder)?.name ?? disorder}, ${limbName}`,
    `${fromCm} to ${toCm} cm, edge ${edge === 'definite' ? 'definite' : 'not definite'}`,
    ...(note ? [note] : []),
    ...(withdrawn ? ['Taken back.'] : []),
  ];
}

/** A record carries its stamp beside the finding; only the finding is compared. */
function pick(version: unknown): unknown {
  if (typeof version !== 'object' || version === null) return version;
  return Object.fromEntries(Object.entries(version).filter(([key]) => key in FindingBodySchema.shape));
}
