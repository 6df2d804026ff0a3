import { useSay } from '../../src/data/useSay';
import { RoundList } from '../../src/places/round/RoundList';
import { Screen } from '../../src/ui/Screen';
import { useWide } from '../../src/ui/theme';
import { Body } from '../../src/ui/type';

/** On a wide screen the list stands beside this page already. */
export default function Round() {
  const say = useSay();
  if (!useWide()) return <RoundList />;
  return (
    <Screen title={say('shared.round')}>
      <Body>{say('round.chooseATree')}</Body>
    </Screen>
  );
}
