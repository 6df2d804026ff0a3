import { PlanListRead } from '../../src/places/plan/PlanListRead';
import { PlansFromAbove } from '../../src/places/plan/PlansFromAbove';
import { useWide } from '../../src/ui/theme';

/** On a wide screen the list stands beside this page already. */
export default function Plan() {
  return useWide() ? <PlansFromAbove /> : <PlanListRead />;
}
