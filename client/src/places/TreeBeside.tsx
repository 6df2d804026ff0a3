// The tree from above and from the side, as they stand beside the work.

import type { SiteToday, TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { CrownClock } from '../drawings/CrownClock';
import { ReachLadder } from '../drawings/ReachLadder';
import { Small } from '../ui/type';
import { bandsOf } from './bands';

interface TreeBesideProps {
  view: TreeView;
  today: SiteToday;
  chosenId: string | null;
  kerfs: { limbId: string; atCm: number }[];
  onChoose(limbId: string): void;
}

export function TreeClock({ view, today, chosenId, kerfs, onChoose }: TreeBesideProps) {
  return (
    <CrownClock
      limbs={view.limbs}
      names={view.names}
      twelveBearingDeg={today.site.twelveBearingDeg}
      chosenId={chosenId}
      bands={bandsOf(view.considered)}
      kerfs={kerfs}
      units={today.units}
      onChoose={onChoose}
    />
  );
}

export function TreeBeside(props: TreeBesideProps) {
  const say = useSay();
  const { view, today, chosenId, kerfs } = props;
  return (
    <View gap={16}>
      <TreeClock {...props} />
      <View>
        <ReachLadder
          limbs={view.limbs}
          names={view.names}
          chosenId={chosenId}
          kerfs={kerfs}
          units={today.units}
          shoulderCm={today.site.plan.shoulderCm}
        />
        <Small>{say('shared.seenFromTheSouth')}</Small>
      </View>
    </View>
  );
}
