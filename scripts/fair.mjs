// Does the largest that a compute route takes starve the others? Each is asked with the largest input that it accepts; meanwhile the health of the server is asked for
// twenty times a second, and somebody else plans a small tree.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { timed, whileProbed } from './probe.mjs';
import { startServer, stopServer } from './server.mjs';
import { StepFailed, say } from './steps.mjs';

const MOST = { limbs: 2000, findings: 500, hours: 20_000, cuts: 100, trees: 400 };
/** What is asked: an answer or a refusal in so long, health in so long, the small plan of somebody else in so long. */
const ASKED = { answerMs: 10_000, healthMs: 100, smallMs: 2000 };
/** The machine itself stands still at times. */
const HELD_MS = 50;

const limb = (id, parentId, jointCm, lengthCm, baseMm, more = {}) => ({
  id,
  parentId,
  jointCm,
  lengthCm,
  baseMm,
  tipMm: Math.max(1, baseMm / 2),
  ageYears: 5,
  kind: parentId === null ? 'trunk' : 'lateral',
  bearingDeg: 0,
  inclinationDeg: 40,
  ...more,
});

/** As deep as a map may be: rows of limbs, each on the one before it. */
const DEEP = 60;
const deep = Array.from({ length: MOST.limbs }, (_, i) =>
  i === 0
    ? limb('L0', null, 0, 600, 300, { tipMm: 200 })
    : limb(`L${i}`, i % DEEP === 1 ? 'L0' : `L${i - 1}`, 5, 12, 80 - (i % DEEP), {
        bearingDeg: (i * 7) % 360,
      }),
);
/** All on the stem. */
const star = Array.from({ length: MOST.limbs }, (_, i) =>
  i === 0
    ? limb('L0', null, 0, 2000, 300, { tipMm: 200 })
    : limb(`L${i}`, 'L0', 50 + (i % 1900), 150, 60, {
        bearingDeg: (i * 37) % 360,
        inclinationDeg: (i * 13) % 80,
      }),
);

const lesions = (limbs) =>
  Array.from({ length: MOST.findings }, (_, i) => ({
    id: `F${i}`,
    limbId: limbs[1 + ((i * 3) % (limbs.length - 1))].id,
    fromCm: 2,
    toCm: 6,
    disorder: ['FB_CANK_A', 'DEAD', 'FB_SHOOT'][i % 3],
    edge: 'definite',
  }));
const findings = (limbs) => lesions(limbs).map((lesion) => ({ ...lesion, growthRapid: false }));
const hours = Array.from({ length: MOST.hours }, (_, i) => ({
  at: new Date(Date.UTC(2024, 0, 1) + i * 3_600_000).toISOString(),
  temperatureC: 8 + 8 * Math.sin(i / 1400),
  humidityPct: 60 + (i % 40),
  rainMm: i % 37 === 0 ? 0.8 : 0,
  windMs: 3,
}));

/** The largest inputs of each route, from its own example. */
function largest(name, example) {
  const over = (more) => ({ ...example, ...more });
  const trees = [
    ['deep', deep],
    ['wide', star],
  ];
  const each = (of) => trees.map(([words, limbs]) => [words, of(limbs)]);
  switch (name) {
    case 'cut-position':
      return each((limbs) => over({ limbs, lesions: lesions(limbs) }));
    case 'tree-cuts':
    case 'candidates':
    case 'plan':
      return each((limbs) => over({ tree: { ...example.tree, limbs }, findings: findings(limbs) }));
    case 'faults':
      return each((limbs) => over({ tree: { ...example.tree, limbs } }));
    case 'openness':
      return each((limbs) => over({ limbs, throws: 20_000 }));
    case 'cut-back':
    case 'limb-names':
      return each((limbs) => over({ limbs }));
    case 'limb-mass':
      return each((limbs) => over({ limbs, limbId: limbs[1].id, atCm: 0 }));
    case 'supplies':
      return [['its example', example]];
    case 'order':
      return [
        [
          'many',
          over({
            cuts: many(MOST.cuts, (i) => ({ ...example.cuts[i % 2], id: `C${i}`, station: `S${i % 40}` })),
          }),
        ],
      ];
    case 'windows':
      return [['two years', over({ hours: hours.slice(0, 5000) })]];
    case 'run-order':
      return [
        [
          'many',
          over({
            trees: many(MOST.trees, (i) => ({ ...example.trees[i % example.trees.length], id: `T${i}` })),
          }),
        ],
      ];
    case 'transmission':
      return [['many', over({ runs: 100_000 })]];
    default:
      return 'hours' in example ? [['two years', over({ hours })]] : [['its example', example]];
  }
}
const many = (length, of) => Array.from({ length }, (_, i) => of(i));

/** @returns one line; what is too slow is named */
export async function fairComputing() {
  const folder = mkdtempSync(path.join(tmpdir(), 'fair-'));
  const { child, url } = await startServer(['--demo', '--data', folder, '--port', '0', '--copies', 'none'], {
    quiet: true,
  });
  try {
    const { paths } = await (await fetch(`${url}/api/openapi.json`)).json();
    const examples = Object.entries(paths).flatMap(([at, { post }]) => {
      const example = post?.requestBody?.content['application/json']?.example;
      return at.startsWith('/api/compute/') && example ? [[at, example]] : [];
    });
    const small = JSON.stringify(examples.find(([at]) => at.endsWith('/plan'))[1]);
    await timed(() => post(`${url}/api/compute/plan`, small));
    const seen = [];
    for (const [at, example] of examples) {
      for (const [words, body] of largest(at.split('/').at(-1), example)) {
        const single = {
          what: `${at.split('/').at(-1)}, ${words}`,
          ...(await starved(url, at, JSON.stringify(body), small)),
        };
        seen.push(single);
        const { status, ms, healthMs, smallMs, megabytes } = single;
        if (process.env.FAIR)
          say(
            `  ${single.what}: ${status} in ${Math.round(ms)} ms, ${megabytes.toFixed(1)} MB; health ${Math.round(healthMs)} ms, a small plan ${Math.round(smallMs)} ms`,
          );
      }
    }
    const worst = (of) => seen.reduce((a, b) => (b[of] > a[of] ? b : a));
    const slow = seen.filter(
      ({ ms, healthMs, smallMs }) =>
        ms > ASKED.answerMs + HELD_MS || healthMs > ASKED.healthMs + HELD_MS || smallMs > ASKED.smallMs,
    );
    const odd = seen.filter(({ status }) => ![200, 413, 503].includes(status));
    const line = `${seen.length} largest inputs: answered or refused in at most ${seconds(worst('ms').ms)} (${worst('ms').what}), health meanwhile in at most ${Math.round(worst('healthMs').healthMs)} ms (${worst('healthMs').what}), a small plan of somebody else in at most ${seconds(worst('smallMs').smallMs)}`;
    if (odd.length > 0)
      throw new StepFailed(`${odd.map(({ what, status }) => `${what}: ${status}`).join('; ')}.`);
    if (slow.length > 0)
      throw new StepFailed(`${line}. Too slow: ${slow.map(({ what }) => what).join('; ')}.`);
    return line;
  } finally {
    await stopServer(child);
    rmSync(folder, { recursive: true, force: true });
  }
}

const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;
const post = (url, body) =>
  fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body });

async function starved(url, at, body, small) {
  const { result, healthMs } = await whileProbed(url, async () => {
    const large = timed(() => post(`${url}${at}`, body));
    const other = await timed(() => post(`${url}/api/compute/plan`, small));
    return { ...(await large), smallMs: other.ms };
  });
  return { ...result, healthMs };
}
