import { useLocalSearchParams } from 'expo-router';
import { WhenTree } from '../../../src/places/when/WhenTree';

export default function TreeWhen() {
  const { treeId } = useLocalSearchParams<{ treeId: string }>();
  return <WhenTree key={treeId} treeId={treeId} />;
}
