// Runs before the app, as a script of its own: asks for what the app will ask for first, while the phone still reads the app.
import type { PagePlace } from '@mortisect/words';
import { type Dictionary, dictionaryOf, type Locale, localeFor } from '@mortisect/words/locales';
import { fetchTimed, SHARED } from '../data/early';
import { placeOf } from '../places/shell/places';

/** What only the build knows: addresses of scripts. */
export interface Built {
  /** What places share and the first page does without. */
  later: string;
  /** The scripts that need it. */
  waiting: readonly string[];
  words: Readonly<Record<Dictionary, Readonly<Record<PagePlace, string>>>>;
  /** Names of days and months. */
  days: Readonly<Record<'en' | 'es', string>>;
}

const ALWAYS = ['/api/session', '/api/health'];
const LISTS = ['/api/site', '/api/run', '/api/timing'];
/** What `firstReads` asks for on a page of the place, as far as the address alone tells it. */
const ASKED: Readonly<Partial<Record<PagePlace, readonly string[]>>> = {
  round: ['/api/trees', '/api/round'],
  today: LISTS,
  plan: LISTS,
  cut: LISTS,
};

export function begin(built: Built): void {
  loadLaterWhereNeeded(built);
  const { locale: chosen, person } = preferences();
  const locale = chosen ?? localeFor(navigator.languages);
  const { id: place } = placeOf(location.pathname);
  const words = built.words[dictionaryOf(locale)];
  for (const script of [
    ...[...SHARED, place].map((each) => words[each]),
    built.days[locale.startsWith('es') ? 'es' : 'en'],
  ])
    preload(script);
  const asked = [...ALWAYS, ...((person && ASKED[place]) || [])];
  globalThis.mortisectEarly = new Map(
    asked.map((url) => [url, fetchTimed(url, { headers: { 'Accept-Language': locale } })]),
  );
  // Whoever takes it hears that it failed
  for (const early of globalThis.mortisectEarly.values()) early.catch(() => {});
}

/** A script that needs what comes later is loaded behind that. */
function loadLaterWhereNeeded({ later, waiting }: Built): void {
  const wait = new Set(waiting);
  let load: ((script: string) => Promise<unknown>) | undefined;
  Object.defineProperty(globalThis, '__loadBundleAsync', {
    configurable: true,
    get: () =>
      load &&
      (async (script: string) => {
        if (wait.has(script)) await load?.(later);
        return load?.(script);
      }),
    set: (given: typeof load) => {
      load = given;
    },
  });
}

/** What the device keeps for itself, as `preferences` writes it; nothing where it keeps none or keeps it otherwise. */
function preferences(): { locale?: Locale; person?: string } {
  try {
    return JSON.parse(localStorage.getItem('mortisect-device') ?? '{}').state ?? {};
  } catch {
    return {};
  }
}

function preload(script: string): void {
  document.head.append(
    Object.assign(document.createElement('link'), { rel: 'preload', as: 'script', href: script }),
  );
}
