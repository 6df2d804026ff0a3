// What says the texts of a page, in the language of this device.
import { type Catalogue, FALLBACK, makeSay, type PagePlace, type Say } from '@mortisect/words';
import { create } from 'zustand';

interface Words {
  say: Say;
  /** What `say` can say: the catalogues of `say.locale`. */
  loaded: ReadonlyMap<PagePlace, Catalogue>;
}

export const useWords = create<Words>(() => ({ say: makeSay(FALLBACK, []), loaded: new Map() }));

export function useSay(): Say {
  return useWords((words) => words.say);
}
