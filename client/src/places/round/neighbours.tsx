// The trees before and after this one in the walk.

import { useRouter } from 'expo-router';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { useQueue } from './walk';

export interface Neighbours {
  /** Place in the walk, from 1; 0 while it is not known. */
  place: number;
  of: number;
  toPrevious(): void;
  toNext(): void;
}

export function useNeighbours(treeId: string): Neighbours {
  const router = useRouter();
  const trees = useQueue().queue?.trees ?? [];
  const at = trees.findIndex((tree) => tree.id === treeId);
  const go = (to: number) => {
    const tree = trees[to];
    if (tree) router.replace(`/round/${tree.id}`);
  };
  return { place: at + 1, of: trees.length, toPrevious: () => go(at - 1), toNext: () => go(at + 1) };
}

export function NeighbourButtons({ place, of, toPrevious, toNext }: Neighbours) {
  const say = useSay();
  return (
    <>
      <Button onPress={toPrevious} disabled={place <= 1} aria-label={say('round.previousTree')}>
        ‹
      </Button>
      <Button onPress={toNext} disabled={place === of} aria-label={say('round.nextTree')}>
        ›
      </Button>
    </>
  );
}
