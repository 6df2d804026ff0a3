// After the web app is exported: a first load reads what every page needs and what the round needs; the rest of what places share becomes a file of its
// own, which comes with the first place that needs it. The bundler puts all that two places share into one file that everybody reads at once.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
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
const textOf = (isLater) =>
  [...shared].flatMap(([id, { text }]) => (later.has(id) === isLater ? [text] : [])).join('');
const [earlyText, laterText] = [textOf(false), textOf(true)];
const laterName = write('__later', laterText);
const commonName = write('__common', earlyText);
rmSync(path.join(folder, common));
const waiting = [...chunks].filter(([, modules]) =>
  [...needed(modules.keys(), new Map([...all, ...modules]))].some((id) => later.has(id)),
);

// Its name tells one version of the app from another: it is made of the names of everything else
const begin = write(
  'entry',
  `// ${[entry, commonName].join(' ')}
(() => {
  const later = ${JSON.stringify(SCRIPTS + laterName)};
  const waiting = new Set(${JSON.stringify(waiting.map(([name]) => name))});
  let load;
  Object.defineProperty(globalThis, '__loadBundleAsync', {
    configurable: true,
    get: () => load && ((name) => (waiting.has(name) ? load(later).then(() => load(name)) : load(name))),
    set: (given) => {
      load = given;
    },
  });
})();
`,
);
const tag = (name) => `<script src="${name}" defer></script>`;
const [firstTag, entryTag] = [named('__expo-metro-runtime'), entry].map((name) => tag(SCRIPTS + name));
writeFileSync(
  page,
  html
    .replace(`${SCRIPTS}${common}`, `${SCRIPTS}${commonName}`)
    .replace(firstTag, `${tag(SCRIPTS + begin)}${firstTag}`)
    // The browser asks for them with the others: nothing is drawn in their place meanwhile
    .replace(entryTag, `${FIRST.map((route) => tag(chunkOf(route))).join('')}${entryTag}`),
);
const kb = (text) => `${Math.round(text.length / 1000)} KB`;
say(
  `Read at first: ${kb(earlyText)} of what places share; ${kb(laterText)} come with ${waiting.length} of ${chunks.size} scripts.`,
);
