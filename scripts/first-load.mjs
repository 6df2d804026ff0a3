// After the web app is exported: a first load reads what every page needs and what the round needs; the rest of what places share becomes a file of its
// own, which comes with the first place that needs it. The bundler puts all that two places share into one file that everybody reads at once.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { runInNewContext } from 'node:vm';
import { build } from 'esbuild';
import { root, StepFailed, say } from './steps.mjs';

const dist = path.join(root, 'client/dist');
const SCRIPTS = '/_expo/static/js/web/';
/** The frames of places, which the router reads at once, and the page that a day in the orchard begins with. */
const FIRST = ['./_layout.tsx', './plan/_layout.tsx', './round/_layout.tsx', './round/index.tsx'];

const folder = path.join(dist, SCRIPTS);
const page = path.join(dist, 'index.html');
const html = readFileSync(page, 'utf8');

function missing(what) {
  throw new StepFailed(`The exported app is not as expected: there is no ${what}.`);
}

const named = (start) =>
  new RegExp(`"${SCRIPTS}(${start}-[0-9a-f]+\\.js)"`).exec(html)?.[1] ?? missing(`${start} in index.html`);
/**
 * Browsers that know the word compile all functions of the script on another thread while it still comes in. Left to themselves they compile three
 * thousand of them one by one, when each is first called: a quarter of a start.
 *
 * @source "Explicit JavaScript compile hints", v8.dev, 2025; Chromium since 136
 */
const COMPILE_AHEAD = '//# allFunctionsCalledOnLoad\n';
/** Shorter scripts are compiled where they run. */
const WORTH_BYTES = 40_000;

const write = (start, text) => {
  const name = `${start}-${createHash('md5').update(text).digest('hex')}.js`;
  writeFileSync(path.join(folder, name), text);
  return name;
};

/** A module as the bundler writes it: `__d(function …, its number, the numbers that it asks for);` */
const MODULE = /,(\d+),(\[[^[\]]*\]|\{"0":[^\n]*\})\);?\s*$/;

/**
 * The modules of a script, by number.
 *
 * @returns `asks`: what each needs before it runs; `list`: that and what it may load later, as its text counts them; `chunks`: the scripts of the latter
 */
function modulesOf(name) {
  const parts = readFileSync(path.join(folder, name), 'utf8').split(/^(?=__d\()/m);
  const modules = new Map();
  for (const part of parts.filter((each) => each.startsWith('__d('))) {
    const [text] = part.split(/^__r\(/m);
    const [, id, asked] = MODULE.exec(text) ?? missing(`module at the end of ${text.slice(-80)}`);
    const { paths = {}, ...given } = JSON.parse(asked);
    const list = Object.values(given);
    modules.set(Number(id), { text, list, asks: list.filter((each) => !(each in paths)), chunks: paths });
  }
  return modules;
}

const scripts = readdirSync(folder).filter((name) => name.endsWith('.js'));
const common = named('__common');
const entry = named('entry');
const [atFirst, shared] = [entry, common].map(modulesOf);
const all = new Map([...atFirst, ...shared]);
// Scripts of threads of their own have all that they need
const chunks = new Map(
  scripts
    .filter(
      (name) =>
        ![entry, common].includes(name) && !/^__r\(/m.test(readFileSync(path.join(folder, name), 'utf8')),
    )
    .map((name) => [`${SCRIPTS}${name}`, modulesOf(name)]),
);

/** Everything that modules need before they run, themselves included. */
function needed(from, known) {
  const found = new Set();
  const left = [...from];
  while (left.length > 0) {
    const id = left.pop();
    if (found.has(id)) continue;
    found.add(id);
    left.push(...(known.get(id)?.asks ?? []));
  }
  return found;
}

const routes =
  [...all.values()].find(({ text }) => text.includes(`"${FIRST[0]}":`)) ?? missing('table of routes');
const chunkOf = (route) => {
  const place = new RegExp(`"${route.replaceAll('.', '\\.')}":\\{[^}]*?\\w\\[(\\d+)\\],\\w\\.paths`).exec(
    routes.text,
  )?.[1];
  return routes.chunks[routes.list[Number(place)]] ?? missing(`route ${route}`);
};
const first = new Map([
  ...atFirst,
  ...FIRST.flatMap((route) => [...(chunks.get(chunkOf(route)) ?? missing(`script of ${route}`))]),
]);
const early = needed(first.keys(), new Map([...all, ...first]));
const later = new Set([...shared.keys()].filter((id) => !early.has(id)));
// What asks for nothing of a page runs while the rest still comes in: the shapes of the first answers, which take a third of a start to make
const STARTS = ['jitless:!0', '"firstRoutes"'];
const starts = STARTS.map(
  (mark) => [...first, ...shared].find(([, { text }]) => text.includes(mark))?.[0] ?? missing(mark),
);
const startOnes = needed(starts, new Map([...all, ...first]));
const textOf = (ids) => COMPILE_AHEAD + [...ids].map((id) => (first.get(id) ?? all.get(id)).text).join('');
const startText = textOf(startOnes) + starts.map((id) => `__r(${id});`).join('');
const earlyText = textOf([...shared.keys()].filter((id) => early.has(id) && !startOnes.has(id)));
const laterText = textOf(later);
const laterName = write('__later', laterText);
const [startName, commonName] = [write('__start', startText), write('__common', earlyText)];
const entryName = write('entry', COMPILE_AHEAD + readFileSync(path.join(folder, entry), 'utf8'));
for (const name of [common, entry]) rmSync(path.join(folder, name));
const waiting = [...chunks].filter(([, modules]) =>
  [...needed(modules.keys(), new Map([...all, ...modules]))].some((id) => later.has(id)),
);

const catalogues =
  [...all.values()].find(({ text }) => text.includes('.loadCatalogue=')) ?? missing('table of catalogues');
const wordsOf = (dictionary) => {
  const [, places] =
    new RegExp(`'?${dictionary}'?:\\{([^}]*)\\}`).exec(catalogues.text) ??
    missing(`catalogues of ${dictionary}`);
  const found = [...places.matchAll(/(\w+):\(\)=>\w\(\w\[\d+\]\)\(\w\[(\d+)\],/g)];
  return Object.fromEntries(
    found.map(([, place, at]) => [place, catalogues.chunks[catalogues.list[Number(at)]]]),
  );
};
const words = Object.fromEntries(['en-GB', 'en-US', 'es'].map((name) => [name, wordsOf(name)]));

/** A catalogue reads faster as JSON than as a script; named a module of its own, it is handed on as it is and not copied key by key. */
function asJson(script) {
  const file = path.join(dist, script);
  const [, before, exports, literal, after] =
    /^(__d\(function\([^)]*\)\{)(\w\.exports)=(\{.*\})(\},\d+,\[\]\);?\s*)$/s.exec(
      readFileSync(file, 'utf8'),
    ) ?? missing(`catalogue in ${script}`);
  const json = JSON.stringify(runInNewContext(`(${literal})`)).replace(/[\\']/g, '\\$&');
  writeFileSync(file, `${before}${exports}={__esModule:!0,default:JSON.parse('${json}')}${after}`);
}
const catalogueScripts = new Set(Object.values(words).flatMap((places) => Object.values(places)));
for (const script of catalogueScripts) asJson(script);
for (const script of chunks.keys()) {
  const file = path.join(dist, script);
  const text = readFileSync(file, 'utf8');
  if (!catalogueScripts.has(script) && text.length >= WORTH_BYTES) writeFileSync(file, COMPILE_AHEAD + text);
}

const only = (start) =>
  SCRIPTS + (scripts.find((name) => new RegExp(`^${start}-[0-9a-f]{32}\\.js$`).test(name)) ?? missing(start));
const built = {
  later: SCRIPTS + laterName,
  waiting: waiting.map(([name]) => name),
  words,
  days: { en: only('en-GB'), es: only('es') },
};
const compiled = await build({
  stdin: {
    contents: `import { begin } from './client/src/begin/begin'; begin(${JSON.stringify(built)});`,
    resolveDir: root,
  },
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  write: false,
});
// Its name tells one version of the app from another: it is made of the names of everything else
const begin = write(
  'entry',
  `// ${[entryName, startName, commonName].join(' ')}\n${compiled.outputFiles[0].text}`,
);
const tag = (name) => `<script src="${name}" defer></script>`;
writeFileSync(
  page,
  html
    .replace(tag(SCRIPTS + common), [startName, commonName].map((name) => tag(SCRIPTS + name)).join(''))
    // Before everything else
    .replace('<link rel="preload"', `${tag(SCRIPTS + begin)}\n    $&`)
    // The browser asks for them with the others: nothing is drawn in their place meanwhile
    .replace(
      tag(SCRIPTS + entry),
      `${FIRST.map((route) => tag(chunkOf(route))).join('')}${tag(SCRIPTS + entryName)}`,
    ),
);
const kb = (text) => `${Math.round(text.length / 1000)} KB`;
say(
  `Read at first: ${kb(startText)} that run at once, ${kb(earlyText)} of what places share; ${kb(laterText)} come with ${waiting.length} of ${chunks.size} scripts.`,
);
