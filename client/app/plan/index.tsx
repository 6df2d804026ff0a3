import { useSay } from '../../src/data/useSay';
import { PlanList } from '../../src/places/plan/PlanList';
import { Screen } from '../../src/ui/Screen';
import { useWide } from '../../src/ui/theme';
import { Body } from '../../src/ui/type';

/** On a wide screen the list stands beside this page already. */
export default function Plan() {
  const say = useSay();
  if (!useWide()) return <PlanList />;
  return (
    <Screen title={say('shared.plan')}>
      <Body>{say('plan.chooseATreeToSeeItsCuts')}</Body>
    </Screen>
  );
}
