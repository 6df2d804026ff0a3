// The tree from above and from the side, as they stand beside the work.

import { type Side, sideDeg } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { CrownClock } from '../drawings/CrownClock';
import { ReachLadder } from '../drawings/ReachLadder';
import { StandView } from '../drawings/StandView';
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

/** The tree as it is seen from a side of it; from 6 o’clock where nothing is said. */
export function TreeSeenFrom({
  view,
  today,
  chosenId,
  kerfs,
  onChoose,
  side,
  ladder = false,
}: TreeBesideProps & { side?: Side | ''; ladder?: boolean }) {
  return (
    <StandView
      key={`${view.tree.id} ${side} ${ladder}`}
      limbs={view.limbs}
      names={view.names}
      twelveBearingDeg={today.site.twelveBearingDeg}
      chosenId={chosenId}
      bands={bandsOf(view.considered)}
      kerfs={kerfs}
      units={today.units}
      onChoose={onChoose}
      fromDeg={side ? sideDeg(side) : undefined}
      ladder={ladder}
    />
  );
}

export function TreeBeside(props: TreeBesideProps & { side?: Side | ''; ladder?: boolean }) {
  const say = useSay();
  const { view, today, chosenId, kerfs } = props;
  return (
    <View gap={16}>
      <TreeClock {...props} />
      <TreeSeenFrom {...props} />
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
