// One tree in the round: pick a limb, mark what is wrong with it, and read where to cut.

import { useLocalSearchParams } from 'expo-router';
import { useTree } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { Waiting } from '../../ui/Waiting';
import { useNeighbours } from './neighbours';
import { TreeAtWork } from './TreeAtWork';

export function RoundTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const { limb, from } = useLocalSearchParams<{ limb?: string; from?: string }>();
  const { data, error, refetch } = useTree(treeId);
  const today = useToday();
  const neighbours = useNeighbours(treeId);
  if (!data || !today) return <Waiting title={say('shared.round')} error={error} onRetry={refetch} />;
  return (
    <TreeAtWork
      key={treeId}
      detail={data}
      today={today}
      firstLimbId={limb}
      fromRun={from === 'run'}
      neighbours={neighbours}
    />
  );
}
