import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { PlanList } from '../../src/places/plan/PlanList';
import { Screen } from '../../src/ui/Screen';
import { Split } from '../../src/ui/Split';
import { Body } from '../../src/ui/type';

export default function PlanLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  const chosen = usePathname() !== '/plan';
  return (
    <Split
      list={<PlanList {...(treeId && { openId: treeId })} />}
      work={chosen ? <Slot /> : null}
      idle={
        <Screen title="Plan">
          <Body>
            Choose a tree from the list. Each of its cuts stands here with its reason and what the other
            schools would do.
          </Body>
        </Screen>
      }
    />
  );
}
