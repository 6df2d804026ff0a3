// Safety first: each point is looked at before the run can start.

import { beforeStart } from '@mortisect/core/aftercare';
import type { Run } from '@mortisect/core/run';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Sheet } from '../../ui/Sheet';
import { Small } from '../../ui/type';
import { Points } from './Points';

interface LookAroundProps {
  run: Run;
  /** Trees that were chosen, in the order they are visited. */
  treeIds: string[];
  open: boolean;
  onClose(): void;
}

export function LookAround({ run, treeIds, open, onClose }: LookAroundProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [checked, setChecked] = useState<ReadonlySet<string>>(new Set());
  const ready = beforeStart.every(({ id }) => checked.has(id));
  const start = () =>
    recording.record({
      kind: 'runStarted',
      at: clock(),
      treeIds,
      bladeIds: run.blades.map(({ id }) => id),
      checked: [...checked],
    });
  return (
    <Sheet
      title={say('cut.lookAroundFirst')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button grow kind="main" disabled={!ready || recording.isPending} onPress={start}>
          {say('cut.startTheRun')}
        </Button>
      }
    >
      <Points points={beforeStart} ticked={checked} onTicked={setChecked} />
      <Small>{say('cut.generalGuidanceLimbsNearLinesOff')}</Small>
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </Sheet>
  );
}
