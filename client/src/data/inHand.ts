// Which blade somebody said is in their hand, for the cut it was said at. Forgotten with the page: then the run proposes one again.
import { create } from 'zustand';

interface InHand {
  bladeId: string | null;
  itemId: string | null;
}

export const useInHand = create<InHand>(() => ({ bladeId: null, itemId: null }));

export function takeInHand(bladeId: string, itemId: string): void {
  useInHand.setState({ bladeId, itemId });
}
