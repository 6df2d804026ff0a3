// Which language this device speaks, and the catalogues of it: loaded by place, and anew when the language changes.
import {
  dictionaryOf,
  FALLBACK,
  type Locale,
  loadCatalogue,
  localeFor,
  makeSay,
  type PagePlace,
} from '@mortisect/words';
import { useEffect, useState } from 'react';
import { readDays } from './moment';
import { usePreferences } from './preferences';
import { useWords } from './useSay';

/** What the browser asks for, told to the log where nothing of it is spoken here. */
export const browserLocale = (): Locale =>
  localeFor(navigator.languages, (tag) => console.info(`Mortisect does not speak “${tag}” yet.`));

const AGAIN_MS = 3000;

/**
 * Whether the texts of these places can be said. A language that was just chosen is loaded whole before a word of it shows; until then, and
 * where it cannot be loaded, the page stays in the one before.
 */
export function useCatalogues(places: readonly PagePlace[]): boolean {
  const [asked] = useState(browserLocale);
  const chosen = usePreferences((preferences) => preferences.locale) ?? asked;
  const wanted = places.join(' ');
  useEffect(() => {
    let again: ReturnType<typeof setTimeout> | undefined;
    let isOver = false;
    const load = () =>
      loadWords(chosen, wanted.split(' ') as PagePlace[]).catch(() => {
        if (!isOver) again = setTimeout(load, AGAIN_MS);
      });
    void load();
    return () => {
      isOver = true;
      clearTimeout(again);
    };
  }, [chosen, wanted]);
  return useWords(({ loaded }) => places.every((place) => loaded.has(place)));
}

/** Begins to read the words of these places, before anything is drawn that waits for them. */
export function readWordsAhead(places: readonly PagePlace[]): void {
  loadWords(usePreferences.getState().locale ?? browserLocale(), places).catch(() => {
    // Whoever waits for them tries again
  });
}

let latest: Locale = FALLBACK;

/** Loads what is missing; with another language, all that was loaded in the one before. */
export async function loadWords(locale: Locale, places: readonly PagePlace[]): Promise<void> {
  latest = locale;
  const before = useWords.getState();
  const isSame = before.say.locale === locale;
  const wanted = [...new Set([...places, ...before.loaded])];
  if (isSame && wanted.every((place) => before.loaded.has(place))) return;
  const dictionary = dictionaryOf(locale);
  const reading = wanted.map((place) => loadCatalogue(dictionary, place));
  const [writeDays, ...read] = await Promise.all([readDays(locale), ...reading]);
  // Another language was chosen meanwhile
  if (latest !== locale) return;
  writeDays();
  const now = useWords.getState();
  // What another call has loaded meanwhile stays, unless it is of the language before: what is drawn already is not drawn anew
  const stays = now.say.locale === locale && now.loaded.size > 0;
  const say = stays ? now.say : makeSay(locale, [], suspend);
  for (const catalogue of read) say.add(catalogue);
  useWords.setState({ say, loaded: new Set([...(stays ? now.loaded : []), ...wanted]) });
  document.documentElement.lang = locale;
}

const coming = new Map<PagePlace, Promise<void>>();

/**
 * A page can be drawn a moment before the address that it stands at is told: it waits for its words then, as for a module (Suspense).
 *
 * @throws {Promise} that ends once the catalogue of the key is there
 */
function suspend(key: string): void {
  const place = key.split('.')[0] as PagePlace;
  if (!EVERY_PLACE.includes(place) || useWords.getState().loaded.has(place)) return;
  const waits = coming.get(place) ?? untilLoaded(place).finally(() => coming.delete(place));
  coming.set(place, waits);
  throw waits;
}

async function untilLoaded(place: PagePlace): Promise<void> {
  for (;;) {
    try {
      await loadWords(latest, [place]);
      if (useWords.getState().loaded.has(place)) return;
    } catch {
      // Without signal it is tried again
    }
    await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
  }
}

export const EVERY_PLACE: readonly PagePlace[] = [
  'shared',
  'tables',
  'trade',
  'fault',
  'today',
  'round',
  'plan',
  'cut',
  'book',
];
