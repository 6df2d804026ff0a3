// From a drawing in Plan or Cut to the limb in Round.
import { useRouter } from 'expo-router';

export function useOpenLimb(treeId: string): (limbId: string) => void {
  const router = useRouter();
  return (limb) => router.navigate({ pathname: '/round/[treeId]', params: { treeId, limb } });
}
