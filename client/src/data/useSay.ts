// What says the texts of a page, in the language of this device.
import { FALLBACK, makeSay, type PagePlace, type Say } from '@mortisect/words';
import { create } from 'zustand';

interface Words {
  say: Say;
  /** Places whose catalogues `say` holds. */
  loaded: ReadonlySet<PagePlace>;
}

export const useWords = create<Words>(() => ({ say: makeSay(FALLBACK, []), loaded: new Set() }));

export function useSay(): Say {
  return useWords((words) => words.say);
}
