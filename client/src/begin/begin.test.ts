// Before the app is read: the network is given what the first page will ask for, in the language of this device.
import { appRoutes } from '@mortisect/contracts';
import { type Built, begin } from './begin';

const named = (dictionary: string) =>
  Object.fromEntries(
    ['shared', 'tables', 'trade', 'fault', 'today', 'round', 'plan', 'cut', 'book'].map((place) => [
      place,
      `${dictionary} ${place}`,
    ]),
  ) as Built['words']['es'];
const built: Built = {
  later: 'later',
  waiting: ['cut page'],
  words: { 'en-GB': named('en-GB'), 'en-US': named('en-US'), es: named('es') },
  days: { en: 'days en', es: 'days es' },
};

const asked: [string, RequestInit][] = [];
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    asked.push([url, init]);
    throw new TypeError('network');
  }) as never;
  document.head.replaceChildren();
});

function beginAt(path: string, kept: string | null, languages: string[]) {
  history.replaceState(null, '', path);
  localStorage.clear();
  if (kept !== null) localStorage.setItem('mortisect-device', kept);
  jest.spyOn(navigator, 'languages', 'get').mockReturnValue(languages);
  begin(built);
  const scripts = [...document.head.querySelectorAll('link')].map((link) => {
    expect([link.rel, link.as]).toEqual(['preload', 'script']);
    return link.getAttribute('href');
  });
  return { scripts, urls: asked.map(([url]) => url), language: asked[0]?.[1].headers };
}
const device = (state: object) => JSON.stringify({ state, version: 1 });
const { getSession, health, getTrees, getRound, getSite, getRun, getTiming } = appRoutes;
const paths = (...routes: { path: string }[]) => routes.map(({ path }) => path);

test.each([
  ['/round', { person: 'Wall crew', locale: null }, ['en-US'], 'en-US', 'round', [getTrees, getRound]],
  ['/round/lee-wall-07', { person: '' }, ['en-AU'], 'en-GB', 'round', []],
  ['/cut', { person: 'Wall crew', locale: 'es-419' }, ['en'], 'es-419', 'cut', [getSite, getRun, getTiming]],
  ['/plan/season', { person: 'Wall crew' }, ['es'], 'es-ES', 'plan', [getSite, getRun, getTiming]],
  ['/', { person: 'Wall crew' }, ['xx'], 'en-GB', 'today', [getSite, getRun, getTiming]],
  ['/book', { person: 'Wall crew' }, [], 'en-GB', 'book', []],
] as const)('%s with %j in a browser that asks for %j', (path, state, languages, locale, place, more) => {
  const { scripts, urls, language } = beginAt(path, device(state), [...languages]);
  const dictionary = locale.startsWith('es') ? 'es' : locale;
  expect(scripts).toEqual([
    ...['shared', 'tables', 'trade', 'fault', place].map((each) => `${dictionary} ${each}`),
    `days ${dictionary.slice(0, 2)}`,
  ]);
  expect(urls).toEqual(paths(getSession, health, ...more));
  expect(language).toEqual({ 'Accept-Language': locale });
  expect([...(globalThis.mortisectEarly ?? [])].map(([url]) => url)).toEqual(urls);
});

test.each([null, 'no JSON', '{}'])('of a device that keeps %j only what is open to all is asked', (kept) => {
  expect(beginAt('/round', kept, ['en']).urls).toEqual(paths(getSession, health));
});

test('a script that needs what comes later is loaded behind it, another at once', async () => {
  begin(built);
  const page = globalThis as unknown as { __loadBundleAsync?: (name: string) => Promise<unknown> };
  expect(page.__loadBundleAsync).toBeUndefined();
  const loaded: string[] = [];
  page.__loadBundleAsync = async (name) => {
    await null;
    loaded.push(name);
    return `module of ${name}`;
  };
  const both = [page.__loadBundleAsync?.('cut page'), page.__loadBundleAsync?.('round page')];
  expect(await Promise.all(both)).toEqual(['module of cut page', 'module of round page']);
  expect(loaded).toEqual(['later', 'round page', 'cut page']);
});
