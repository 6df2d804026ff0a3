// Sets what was marked, lays it aside, or takes a finding back. Set means: safe on this device, and on its way.

import type { TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useSay } from '../../../data/useSay';
import { useUnits } from '../../../data/useToday';
import { useSaveFinding } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Failed } from '../../../ui/Failed';
import { SaveButton } from '../../../ui/SaveButton';
import { findingBody, isNamed, limbNameOf, type Marking } from './draft';

interface MarkingActionsProps {
  view: TreeView;
  marking: Marking;
  /** The marking is over: set, or laid aside. */
  onDone(how: 'set' | 'let go' | 'taken back'): void;
}

export function MarkingActions({ view, marking, onDone }: MarkingActionsProps) {
  const say = useSay();
  const saving = useSaveFinding();
  const units = useUnits();
  const save = (withdrawn: boolean) => {
    if (!isNamed(marking)) return;
    const limbName = limbNameOf(say, marking, view.names, units);
    const finding = findingBody(marking, view.tree.id, limbName, withdrawn);
    const { id, baseRevision } = marking;
    saving.mutate(
      { id, baseRevision, finding },
      { onSuccess: () => onDone(withdrawn ? 'taken back' : 'set') },
    );
  };
  return (
    <View flex={1} gap={8}>
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      <View flexDirection="row" gap={12}>
        <Button onPress={() => onDone('let go')}>{say('shared.cancel')}</Button>
        {marking.baseRevision === null ? null : (
          <Button onPress={() => save(true)}>{say('round.deleteThisFinding')}</Button>
        )}
        <SaveButton
          kind="main"
          saving={saving.isPending}
          missing={isNamed(marking) ? null : say('round.sayFirstWhatItIs')}
          onSave={() => save(false)}
        >
          {say('round.saveFinding')}
        </SaveButton>
      </View>
    </View>
  );
}
