// The blade goes into the agent of the site; its contact time runs from this tap.

import { agentOf, usualMethod } from '@mortisect/core/blades';
import type { Blade } from '@mortisect/core/present';
import { readyToRing } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';

export function WetButton({ blade, quiet = false }: { blade: Blade | null; quiet?: boolean }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const today = useToday();
  const agent = agentOf(today?.site.agentId ?? '');
  const wet = () => {
    if (!blade) return;
    readyToRing();
    recording.record({
      kind: 'bladeWetted',
      at: clock(),
      blade: blade.id,
      agentId: agent.id,
      method: usualMethod(agent),
      seconds: agent.contactSeconds,
    });
  };
  const disabled = recording.isPending || !blade || !today || !agent.disinfects;
  if (quiet)
    return (
      <Button onPress={wet} disabled={disabled}>
        {say('cut.cleanThisOne')}
      </Button>
    );
  return (
    <Button grow kind="main" minHeight={68} onPress={wet} disabled={disabled}>
      {say('cut.bladeIsWet')}
    </Button>
  );
}
