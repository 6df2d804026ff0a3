import { useLocalSearchParams } from 'expo-router';
import { EditTree } from '../../../src/places/register/EditTree';

export default function Edit() {
  const { treeId } = useLocalSearchParams<{ treeId: string }>();
  return <EditTree key={treeId} treeId={treeId} />;
}
