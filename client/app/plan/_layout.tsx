import { Slot, useGlobalSearchParams } from 'expo-router';
import { PlanList } from '../../src/places/plan/PlanList';
import { Bounded } from '../../src/places/shell/PlaceError';
import { Split } from '../../src/ui/Split';

export default function PlanLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  return (
    <Split
      list={
        <Bounded>
          <PlanList {...(treeId && { openId: treeId })} />
        </Bounded>
      }
      work={<Slot />}
    />
  );
}
