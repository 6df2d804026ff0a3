import { Slot, useGlobalSearchParams } from 'expo-router';
import { PlanListRead } from '../../src/places/plan/PlanListRead';
import { Bounded } from '../../src/places/shell/PlaceError';
import { Split } from '../../src/ui/Split';

export default function PlanLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  return (
    <Split
      list={
        <Bounded>
          <PlanListRead {...(treeId && { openId: treeId })} />
        </Bounded>
      }
      work={<Slot />}
    />
  );
}
