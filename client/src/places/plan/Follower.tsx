// An old limb stays until its follower is thick enough: which limb follows it, and how thick that is.

import { thicknessReading } from '@mortisect/core/measure';
import { followerFromMm, followersOf } from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import { joined, limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';

export function Follower({ view, limbId }: { view: TreeView; limbId: string }) {
  const say = useSay();
  const clock = useClock();
  const units = useUnits();
  const recording = useRecordAction();
  const [open, setOpen] = useState(false);
  const limb = view.limbs.find((limb) => limb.id === limbId);
  const others = followersOf(view.limbs, limbId);
  const [followerId, setFollowerId] = useState<string | null>(null);
  const [untilMm, setUntilMm] = useState(limb ? followerFromMm(limb) : 1);
  const chosen = followerId ?? others[0]?.id ?? null;
  if (!limb || chosen === null) return null;
  if (!open) {
    return (
      <View flexDirection="row">
        <Button onPress={() => setOpen(true)}>{say('plan.keepItUntilItsFollowerIsGrown')}</Button>
      </View>
    );
  }
  const keep = () =>
    recording.record(
      {
        kind: 'planPinned',
        at: clock(),
        treeId: view.tree.id,
        pin: { kind: 'follower', limbId, followerId: chosen, untilMm },
      },
      () => setOpen(false),
    );
  return (
    <View gap={8}>
      <Select
        label={say('plan.itsFollower')}
        value={chosen}
        options={others.map((other) => ({
          value: other.id,
          label: `${limbIn(say, view.names.get(other.id) ?? other.id)}, ${joined(say, thicknessReading(other.baseMm, units))}`,
        }))}
        onChange={setFollowerId}
      />
      <NumberField
        label={say('plan.thickEnoughFrom')}
        unit="mm"
        value={untilMm}
        least={1}
        most={500}
        onChange={setUntilMm}
      />
      <View flexDirection="row">
        <Button kind="main" onPress={keep} disabled={recording.isPending}>
          {say('plan.keepItUntilThen')}
        </Button>
      </View>
    </View>
  );
}
