import { useLocalSearchParams } from 'expo-router';
import { MapTree } from '../../../src/places/map/MapTree';

export default function LimbMap() {
  const { treeId } = useLocalSearchParams<{ treeId: string }>();
  return <MapTree key={treeId} treeId={treeId} />;
}
