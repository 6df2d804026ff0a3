import { RoundList } from '../../src/places/round/RoundList';
import { Screen } from '../../src/ui/Screen';
import { useWide } from '../../src/ui/theme';
import { Body } from '../../src/ui/type';

/** On a wide screen the list stands beside this page already. */
export default function Round() {
  if (!useWide()) return <RoundList />;
  return (
    <Screen title="Round">
      <Body>Choose a tree.</Body>
    </Screen>
  );
}
