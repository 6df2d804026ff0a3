// What stands beside the list of the round on a wide screen: the orchard from above.
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Screen } from '../../ui/Screen';
import { Waiting } from '../../ui/Waiting';
import { SeenFromAbove } from './SeenFromAbove';

export function RoundFromAbove() {
  const say = useSay();
  const { data, error, refetch } = useTrees();
  if (!data) return <Waiting title={say('shared.round')} error={error} onRetry={refetch} />;
  return (
    <Screen title={say('shared.round')} subtitle={say('round.chooseATree')} width="full">
      <SeenFromAbove shown={data.trees} />
    </Screen>
  );
}
