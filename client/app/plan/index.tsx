import { PlanList } from '../../src/places/plan/PlanList';
import { Screen } from '../../src/ui/Screen';
import { useWide } from '../../src/ui/theme';
import { Body } from '../../src/ui/type';

/** On a wide screen the list stands beside this page already. */
export default function Plan() {
  if (!useWide()) return <PlanList />;
  return (
    <Screen title="Plan">
      <Body>Choose a tree to see its cuts, the reason for each, and what other schools would do.</Body>
    </Screen>
  );
}
