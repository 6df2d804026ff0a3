import { RoundFromAbove } from '../../src/places/round/RoundFromAbove';
import { RoundList } from '../../src/places/round/RoundList';
import { useWide } from '../../src/ui/theme';

/** On a wide screen the list stands beside this page already. */
export default function Round() {
  return useWide() ? <RoundFromAbove /> : <RoundList />;
}
