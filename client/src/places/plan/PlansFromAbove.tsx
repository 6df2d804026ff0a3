// The plans of all trees on the plan of the orchard: where something must go now, where there are cuts, where an arborist is asked for.
import { type ListedPlan, listedNow } from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useTrees } from '../../data/queries';
import { useOpenViews } from '../../data/useOpenViews';
import { usePlans } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import type { TreeMark, TreeOnPlan } from '../../drawings/treeMarks';
import { Screen } from '../../ui/Screen';
import { Waiting } from '../../ui/Waiting';
import { useOrchardPlan } from '../useOrchardPlan';
import { headWords, sumOf, warnsOf } from './treeSum';

const NONE: TreeView[] = [];

/** What stands in the ring: the gravest of what is planned. */
export function plannedIn(listed: ListedPlan | undefined): TreeMark['has'] {
  if (!listed) return 'nothing';
  const { plan, musts } = listed;
  if (listedNow(listed).length === 0) return plan.steps.length > 0 ? 'later' : 'nothing';
  const isMust = plan.steps.some(
    ({ season, solves }) => season === 1 && solves.some(({ findingId }) => musts.includes(findingId)),
  );
  return isMust ? 'must' : 'cut';
}

export function PlansFromAbove() {
  const say = useSay();
  const router = useRouter();
  const register = useTrees().data;
  const { open, error, refetch } = useOpenViews();
  const { plans } = usePlans(open?.views ?? NONE, open?.today ?? null);
  const plan = useOrchardPlan();
  const trees = useMemo(() => {
    const views = new Map((open?.views ?? NONE).map((view) => [view.tree.id, view]));
    return new Map(
      (register?.trees ?? []).map(({ id, code }): [string, TreeOnPlan] => {
        const [view, listed] = [views.get(id), plans.get(id)];
        const says = view && listed ? headWords(say, view, listed, sumOf(view, listed)) : '';
        return [
          id,
          {
            code,
            mark: {
              ...{ ring: 'thin', has: plannedIn(listed) },
              warns: view !== undefined && warnsOf(view, listed),
            },
            says: says || say('plan.legendNothing'),
          },
        ];
      }),
    );
  }, [register, open, plans, say]);
  if (!open || !plan) return <Waiting title={say('shared.plan')} error={error} onRetry={refetch} />;
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
