// A cut that was made before its blade was clean goes on record as it was done; it is looked at again the sooner.

import type { Blade, SiteToday, TreeView } from '@mortisect/core/present';
import { cutAtHand, cutMade, placedAt, type RunItem } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';

interface CutAlreadyProps {
  view: TreeView;
  item: RunItem;
  blade: Blade | null;
  today: SiteToday;
}

export function CutAlready({ view, item, blade, today }: CutAlreadyProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const record = () =>
    blade &&
    recording.record({
      ...cutMade(view, item, placedAt(cutAtHand(item)), blade, clock(), today),
      dirtyBlade: true,
    });
  return (
    <View>
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Button kind="quiet" onPress={record} disabled={!blade || recording.isPending}>
        {say('cut.itIsCutAlreadyWithThisBlade')}
      </Button>
    </View>
  );
}
