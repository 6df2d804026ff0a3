// Beside a cut on a wide screen: where it stands on the tree, from above and from the side.

import type { Cut } from '@mortisect/core/cuts';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import type { SiteToday, TreeView } from '../data/orchardView';
import { CrownClock } from '../drawings/CrownClock';
import { ReachLadder } from '../drawings/ReachLadder';
import { Small } from '../ui/type';
import { bandsOf } from './bands';

interface TreeBesideProps {
  view: TreeView;
  today: SiteToday;
  chosen: Cut | null;
  cuts: Cut[];
}

export function TreeBeside({ view, today, chosen, cuts }: TreeBesideProps) {
  const router = useRouter();
  return (
    <View gap={16}>
      <CrownClock
        limbs={view.limbs}
        names={view.names}
        twelveBearingDeg={today.site.twelveBearingDeg}
        chosenId={chosen?.limbId ?? null}
        bands={bandsOf(view.findings)}
        kerfs={cuts}
        units={today.units}
        onChoose={(limbId) =>
          router.navigate({
            pathname: '/round/[treeId]',
            params: { treeId: view.tree.id, limb: limbId },
          } as never)
        }
      />
      <ReachLadder limbs={view.limbs} chosenId={chosen?.limbId ?? null} kerfs={cuts} units={today.units} />
      <Small>Seen from the south</Small>
    </View>
  );
}
