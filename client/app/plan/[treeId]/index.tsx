import { useLocalSearchParams } from 'expo-router';
import { PlanTree } from '../../../src/places/plan/PlanTree';

export default function TreeInPlan() {
  const { treeId } = useLocalSearchParams<{ treeId: string }>();
  return <PlanTree key={treeId} treeId={treeId} />;
}
