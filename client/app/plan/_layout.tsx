import { Slot, useGlobalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { PlanListRead } from '../../src/places/plan/PlanListRead';
import { Bounded } from '../../src/places/shell/PlaceError';
import { Split } from '../../src/ui/Split';

/** Made once: whoever walks to another place does not draw the pages of this one anew on the way out. */
const PAGES = <Slot />;

export default function PlanLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  const list = useMemo(
    () => (
      <Bounded>
        <PlanListRead {...(treeId && { openId: treeId })} />
      </Bounded>
    ),
    [treeId],
  );
  return <Split list={list} work={PAGES} />;
}
