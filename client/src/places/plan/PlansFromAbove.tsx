// The plans of all trees on the plan of the orchard: where something must go now, where there are cuts, where an arborist is asked for.
import type { ListedTree } from '@mortisect/core/run';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useTrees } from '../../data/queries';
import { useListedTrees } from '../../data/useListedTrees';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import type { TreeMark, TreeOnPlan } from '../../drawings/treeMarks';
import { Screen } from '../../ui/Screen';
import { Waiting } from '../../ui/Waiting';
import { useOrchardPlan } from '../useOrchardPlan';
import { headWords, warnsOf } from './treeSum';

/** What stands in the ring: the gravest of what is planned. */
export function plannedIn({ due }: Pick<ListedTree, 'due'>): TreeMark['has'] {
  if (!due) return 'nothing';
  if (due.steps === 0) return due.later > 0 ? 'later' : 'nothing';
  return due.must ? 'must' : 'cut';
}

export function PlansFromAbove() {
  const say = useSay();
  const router = useRouter();
  const register = useTrees().data;
  const { listed, error, refetch } = useListedTrees();
  const plan = useOrchardPlan();
  const trees = useMemo(() => {
    const listedOf = new Map(listed?.trees.map((each) => [each.tree.id, each]));
    return new Map(
      (register?.trees ?? []).map(({ id, code }): [string, TreeOnPlan] => {
        const tree = listedOf.get(id);
        const mark: TreeMark = {
          ...{ ring: 'thin', has: tree ? plannedIn(tree) : 'nothing' },
          warns: tree !== undefined && warnsOf(tree),
        };
        return [id, { code, mark, says: (tree && headWords(say, tree)) || say('plan.legendNothing') }];
      }),
    );
  }, [register, listed, say]);
  if (!listed || !plan) return <Waiting title={say('shared.plan')} error={error} onRetry={refetch} />;
  const legend = (has: TreeMark['has'], says: string, warns = false) => ({
    mark: { ring: 'thin' as const, has, warns },
    says,
  });
  return (
    <Screen title={say('shared.plan')} subtitle={say('plan.chooseATreeToSeeItsCuts')} width="full">
      <OrchardPlan
        plan={plan}
        trees={trees}
        label={say('shared.orchardFromAbove', { trees: trees.size })}
        marks={[
          legend('must', say('plan.legendMust')),
          legend('cut', say('plan.legendCut')),
          legend('later', say('plan.legendLater')),
          legend('nothing', say('plan.legendHandOver'), true),
          legend('nothing', say('plan.legendNothing')),
        ]}
        hint={say('shared.planByKeys')}
        onOpen={(treeId) => router.navigate(`/plan/${treeId}`)}
      />
    </Screen>
  );
}
