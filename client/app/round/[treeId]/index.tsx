import { useLocalSearchParams } from 'expo-router';
import { RoundTree } from '../../../src/places/round/RoundTree';

export default function TreeInRound() {
  const { treeId } = useLocalSearchParams<{ treeId: string }>();
  return <RoundTree key={treeId} treeId={treeId} />;
}
