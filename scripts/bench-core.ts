// How long do the core's computations take on a large tree, and how good are the causes it names?
import { readFileSync } from 'node:fs';
import { transmission } from '@mortisect/core/blades';
import { firstCampaign, type Highs, solveCampaign, solverOf } from '@mortisect/core/campaign';
import { cutPosition, type Lesion, MOST_LESIONS, MOST_LIMBS } from '@mortisect/core/cuts';
import { causes } from '@mortisect/core/diagnosis';
import type { Season } from '@mortisect/core/disorders';
import { gapTest, geometryFaults, lightInside, startingLimits } from '@mortisect/core/faults';
import {
  type Grain,
  inVisits,
  PlanInput,
  PlanSearch,
  planning as planTreeSearch,
  runOrder,
} from '@mortisect/core/plan';
import type { HostGroup } from '@mortisect/core/register';
import { cropOf, crops } from '@mortisect/core/stage';
import {
  exposureOf,
  HORIZON_DAYS,
  inoculumWeights,
  lambdaOf,
  pathogens,
  seasonOf,
  siteTiming,
  startingTimingSettings,
  weathering,
  wetnessWeights,
} from '@mortisect/core/timing';
import type { Limb } from '@mortisect/core/tree';
import {
  between,
  climateAt,
  hourOf,
  localClock,
  over,
  simulatedForecast,
  simulatedWeather,
} from '@mortisect/core/weather';
import highsLoader from 'highs';
import { season } from '../core/src/campaign/testing/seasons';
import { type Quality, sampledQuality } from '../core/src/diagnosis/testing/quality';
import { asMilp } from '../core/src/plan/testing/asMilp';
import { isWithin, twiceMapped, wholeOf } from '../core/src/plan/testing/coarse';
import {
  peachInstance,
  planInstance,
  regrowingInstance,
  shapedInstance,
} from '../core/src/plan/testing/instances';
import { mean, surveyErrors } from '../core/src/survey/testing/errors';
import { USUAL } from '../core/src/survey/testing/trees';
import { trees } from '../server/src/demo/orrinBight';

timed(400, 60, 300, '  (aim: under 5 ms)');
timed(MOST_LIMBS, MOST_LESIONS, 30, '  (the most that is computed at once)');

function timed(limbCount: number, lesionCount: number, runs: number, aim: string): void {
  const input = {
    limbs: largeTree(limbCount),
    lesions: manyLesions(lesionCount, limbCount),
    clearanceCm: 30,
  };
  const { middle, most } = times(runs, () => cutPosition(input));
  console.log(
    `Cut position, ${limbCount} limbs, ${lesionCount} lesions: ${middle} ms, 95 % under ${most} ms${aim}`,
  );
}

/** Milliseconds of a run that was warmed up: the median, and what 95 % stay under. */
function times(runs: number, work: () => unknown): { middle: string; most: string } {
  for (let i = 0; i < runs; i++) work();
  const taken = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  const at = (share: number) => (taken[Math.round(share * (runs - 1))] as number).toFixed(2);
  return { middle: at(0.5), most: at(0.95) };
}

shape(400);
quality();

function shape(limbCount: number): void {
  const limbs = largeTree(limbCount);
  const tree = { limbs, species: 'apple', form: 'open centre', habit: 'unknown', reachCm: null } as const;
  const faults = times(40, () => geometryFaults(tree, startingLimits()));
  console.log(
    `Geometry faults, ${limbCount} limbs: ${faults.middle} ms, 95 % under ${faults.most} ms  (aim: under 50 ms)`,
  );
  const gap = times(8, () => gapTest(limbs, 2000, 1));
  console.log(`Gap test, ${limbCount} limbs, 2,000 throws: ${gap.middle} ms  (aim: under 1 s in the worker)`);
  const light = times(8, () => lightInside(limbs, 1));
  console.log(`Light inside, ${limbCount} limbs: ${light.middle} ms`);
}

interface Vignette {
  host: HostGroup;
  season: 'D' | 'P' | 'U' | 'A';
  present: string[];
  absent: string[];
  top: [string, number][];
}

function quality(): void {
  const seasons: Record<Vignette['season'], Season> = { D: 'dormant', P: 'bloom', U: 'summer', A: 'autumn' };
  const file = new URL('../core/src/diagnosis/vignettes.json', import.meta.url);
  const vignettes: Vignette[] = JSON.parse(readFileSync(file, 'utf8'));
  const ranked = vignettes.map(({ host, season, present, absent, top }) => {
    const answers = Object.fromEntries([
      ...present.map((sign) => [sign, 'present'] as const),
      ...absent.map((sign) => [sign, 'absent'] as const),
    ]);
    const said = causes({ host, season: seasons[season], answers }).causes;
    return { place: said.findIndex((cause) => cause.code === top[0]?.[0]), p: said[0]?.p ?? 0 };
  });
  const share = (test: (place: number) => boolean) =>
    ranked.filter(({ place }) => test(place)).length / ranked.length;
  const top1 = share((place) => place === 0);
  const claimed = ranked.reduce((sum, { p }) => sum + p, 0) / ranked.length;
  told('the 20 worked vignettes, against their own first cause', {
    n: ranked.length,
    top1,
    top3: share((place) => place >= 0 && place < 3),
    overconfidence: claimed - top1,
  });
  told('samples drawn from the tables', sampledQuality({ n: 3000, seed: 1, perturbed: 0, wrongAnswers: 0 }));
  told(
    'samples with perturbed truth, 10 % wrong answers',
    sampledQuality({ n: 3000, seed: 1, perturbed: 0.3, wrongAnswers: 0.1 }),
  );
}

function told(what: string, { n, top1, top3, overconfidence }: Quality): void {
  const sign = overconfidence > 0 ? '+' : '';
  console.log(
    `Causes, ${what} (${n}): first ${top1.toFixed(2)}, among three ${top3.toFixed(2)}, claimed less right ${sign}${overconfidence.toFixed(2)}`,
  );
}

function largeTree(count: number): Limb[] {
  const limbs: Limb[] = [limb('L0', null, 0, 420, 190, 30, 'trunk', 20)];
  for (let i = 1; i < count; i++) {
    const parent = limbs[i <= 12 ? 0 : Math.floor(i / 5)] as Limb;
    const lengthCm = i <= 12 ? 260 : Math.max(14, parent.lengthCm * 0.5);
    limbs.push(
      limb(
        `L${i}`,
        parent.id,
        parent.lengthCm * (0.2 + 0.14 * (i % 6)),
        lengthCm,
        Math.max(6, parent.baseMm * 0.5),
        4,
        i <= 12 ? 'scaffold' : 'lateral',
        8,
        (i * 137.5) % 360,
      ),
    );
  }
  return limbs;
}

function limb(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  kind: Limb['kind'],
  ageYears: number,
  bearingDeg = 0,
): Limb {
  const points = ['out', 'up', 'under', 'in'] as const;
  const buds = points.map((direction, i) => ({
    atCm: lengthCm * (0.2 + i * 0.2),
    points: direction,
    kind: 'leaf' as const,
    live: true,
  }));
  return {
    id,
    parentId,
    jointCm,
    lengthCm,
    baseMm,
    tipMm,
    ageYears,
    kind,
    bearingDeg,
    inclinationDeg: kind === 'trunk' ? 90 : 40,
    buds,
    budsComplete: true,
  };
}

function manyLesions(count: number, limbCount: number): Lesion[] {
  return Array.from({ length: count }, (_, i) => ({
    id: `x${i}`,
    limbId: `L${5 + Math.floor((i * (limbCount - 6)) / count)}`,
    fromCm: 4 + (i % 9),
    toCm: 12 + (i % 9),
    disorder: i % 3 === 0 ? 'DEAD' : 'FB_CANK_A',
    edge: 'definite' as const,
  }));
}

planFigures();

/** The search on the committed instances, and a whole tree from its limb map to its plan. */
function planFigures(): void {
  const { optima, shaped, regrowing, peaches } = JSON.parse(
    readFileSync(new URL('../core/src/plan/testing/optima.json', import.meta.url), 'utf8'),
  ) as Record<'optima' | 'shaped' | 'regrowing' | 'peaches', { seed: number; worth: number }[]>;
  searched(40, 3, 50, '  (aim: median under 100 ms, worst under 1 s)', optima);
  searched(150, 3, 20, '  (aim: median under 1 s)', null);
  searched(40, 3, 30, '  (height, stems by thirds, a booked visit)', shaped, shapedInstance);
  searched(150, 3, 10, '  (height, stems by thirds, a booked visit)', null, shapedInstance);
  searched(40, 3, 20, '  (the same, and what grows back)', regrowing, regrowingInstance);
  searched(150, 3, 10, '  (the same, and what grows back)', null, regrowingInstance);
  searched(40, 3, 20, '  (a peach: shoots and older wood apart)', peaches, peachInstance);
  searched(150, 3, 10, '  (a peach: shoots and older wood apart)', null, peachInstance);
  searched(40, 5, 10, '  (aim: any time)', null);
  const input = PlanInput.parse({
    tree: {
      limbs: largeTree(400),
      species: 'apple',
      habit: 'spur',
      form: 'open centre',
      plantedYear: 2000,
      susceptible: false,
      heightCm: 300,
    },
    findings: manyLesions(40, 400).map((finding) => ({ ...finding, growthRapid: false })),
    schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
    season: 'dormant',
    year: 2026,
  });
  const from = performance.now();
  const { prepared, step } = planTreeSearch(input);
  const first = performance.now() - from;
  let said = step(1);
  while (!said.proof.done && performance.now() - from < 1500) said = step(4);
  console.log(
    `Plan of 400 limbs, 40 findings, ${prepared.chosenFrom.length} candidates: ready in ${first.toFixed(0)} ms, at gap ${said.proof.gap?.toExponential(1)} after ${(performance.now() - from).toFixed(0)} ms  (aim: answers under 2 s)`,
  );
}

function searched(
  candidates: number,
  seasons: number,
  count: number,
  aim: string,
  judged: { seed: number; worth: number }[] | null,
  make = planInstance,
): void {
  const most = 20_000;
  const taken: number[] = [];
  const firstGaps: number[] = [];
  let [proved, agree] = [0, 0];
  for (let seed = 1; seed <= count; seed++) {
    const problem = make(seed, { candidates, seasons });
    const from = performance.now();
    const search = new PlanSearch(problem);
    let said = search.progress();
    let first: number | null = null;
    while (!said.done && performance.now() - from < most) {
      said = search.step(1);
      if (first === null || performance.now() - from < 100) first = said.gap;
    }
    taken.push(performance.now() - from);
    firstGaps.push(first ?? 0);
    if (said.done) proved++;
    const judge = judged?.find((instance) => instance.seed === seed);
    if (judge && Math.abs(judge.worth - said.worth) < 1e-6 * Math.max(1, judge.worth)) agree++;
  }
  console.log(
    `Plan search, ${candidates} candidates, ${seasons} seasons, ${count} instances: median ${quantile(taken, 0.5).toFixed(0)} ms, worst ${Math.max(...taken).toFixed(0)} ms, ${proved} proved best, gap after the first 100 ms ${(100 * quantile(firstGaps, 0.5)).toFixed(1)} % (median), ${(100 * Math.max(...firstGaps)).toFixed(1)} % (worst)${judged ? `, ${agree} equal to the MILP solver’s optimum` : ''}${aim}`,
  );
}

/** The value that so large a share lies below. */
function quantile(all: readonly number[], share: number): number {
  return all.toSorted((a, b) => a - b)[Math.floor(all.length * share)] ?? 0;
}

void againstSolver();

/** Our search and the general solver on the same committed instances, one after the other. */
async function againstSolver(): Promise<void> {
  const highs = await highsLoader();
  const size = { candidates: 40, seasons: 3 };
  const seeds = [1, 2, 3, 4, 5];
  for (const make of [planInstance, shapedInstance, regrowingInstance, peachInstance]) {
    const ratios = seeds.map((seed) => {
      const problem = make(seed, size);
      const began = performance.now();
      const own = new PlanSearch(problem).step(100_000);
      const between = performance.now();
      const said = highs.solve(asMilp(problem), { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
      const ended = performance.now();
      if (Math.abs(said.ObjectiveValue - own.worth) > 1e-6 * Math.max(1, own.worth))
        throw new Error(`Search and solver disagree on ${make.name} ${seed}.`);
      return (ended - between) / (between - began);
    });
    console.log(
      `Plan search against HiGHS in the same run, ${make.name}, ${seeds.length} of 40 candidates, equal optimum: ${quantile(ratios, 0.5).toFixed(0)} times as fast (median), ${Math.min(...ratios).toFixed(1)} at least  (aim: at least 5)`,
    );
  }
}

const PLAN_YEAR = 2026;
coarseFigures();
surveyFigures();
demoFigures();

/** Every mapped tree of the demo, with nothing found on it, from its map to its proved plan. */
function demoFigures(): void {
  const taken = trees.map(
    ({ code, limbs, species, form, habit, plantedYearsAgo, heightCm, targetHeightCm, status }) => {
      const input = PlanInput.parse({
        tree: {
          ...{ limbs, species, form, habit, heightCm, targetHeightCm },
          plantedYear: PLAN_YEAR - plantedYearsAgo,
          susceptible: false,
          vigour: 'strong',
          renovated: status === 'renovate',
        },
        findings: [],
        schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
        season: 'dormant',
        year: PLAN_YEAR,
      });
      const from = performance.now();
      const { step } = planTreeSearch(input);
      const { proof } = step(1_000_000);
      return { code, limbs: limbs.length, ms: performance.now() - from, done: proof.done };
    },
  );
  const largest = taken.reduce((a, b) => (b.limbs > a.limbs ? b : a));
  const slowest = taken.reduce((a, b) => (b.ms > a.ms ? b : a));
  console.log(
    `Demo trees from map to proved plan: the largest, ${largest.code} of ${largest.limbs} limbs, in ${largest.ms.toFixed(0)} ms; the slowest, ${slowest.code}, in ${slowest.ms.toFixed(0)} ms; ${taken.filter(({ done }) => done).length} of ${taken.length} proved  (aim: under 1 s)`,
  );
}

/** From a coarse map to its proved plan, and how far that is from the plan of the same tree mapped limb by limb. */
function coarseFigures(): void {
  const solved = (input: PlanInput) => {
    const began = performance.now();
    const { step, prepared } = planTreeSearch(input);
    let plan = step(20);
    while (!plan.proof.done && performance.now() - began < 5000) plan = step(20);
    const ms = performance.now() - began;
    return { ms, done: plan.proof.done, ...wholeOf(inVisits(prepared, plan).plan) };
  };
  const pairs = Array.from({ length: 30 }, (_, i) => {
    const { full, coarse } = twiceMapped(i + 1, (i % 5) * 10 - 20);
    return { full: solved(full), coarse: solved(coarse) };
  });
  const crown = pairs.map(({ full, coarse }) => Math.abs(full.crown - coarse.crown) / 10);
  const minutes = pairs.map(
    ({ full, coarse }) => (100 * Math.abs(full.minutes - coarse.minutes)) / full.minutes,
  );
  const ms = pairs.map(({ coarse }) => coarse.ms);
  const within = (what: keyof Grain) =>
    pairs.filter(({ full, coarse }) => isWithin(full[what], coarse[what], coarse.grain[what])).length;
  console.log(
    `Coarse map to proved plan, 30 wild trees: median ${quantile(ms, 0.5).toFixed(0)} ms, worst ${Math.max(...ms).toFixed(0)} ms, ${pairs.filter(({ coarse }) => coarse.done).length} proved  (aim: under 1 s)`,
  );
  console.log(
    `Coarse against full maps, counts up to a fifth wrong: crown ${quantile(crown, 0.5).toFixed(1)} points of a hundred off (median), ${quantile(crown, 0.9).toFixed(1)} (nine in ten); minutes ${quantile(minutes, 0.5).toFixed(0)} % off (median), ${quantile(minutes, 0.9).toFixed(0)} % (nine in ten); within the range that the coarse plan tells: crown ${within('crown')}, minutes ${within('minutes')} of ${pairs.length}`,
  );
}

days();

/** How near photos of made-up trees come to them. */
function surveyFigures(): void {
  const TREES = 200;
  for (const [photos, aim] of [
    [2, 'aim 8 %, 8°, 5°'],
    [1, 'aim 15 %, 10°'],
  ] as const) {
    const begun = performance.now();
    const off = surveyErrors(USUAL, TREES, photos);
    const ms = (performance.now() - begun) / TREES;
    const both = (all: readonly number[]) => [0.5, 0.9].map((share) => quantile(all, share));
    const [length, bearing, inclination] = [
      both(off.lengthShare).map((share) => `${(share * 100).toFixed(1)} %`),
      both(off.bearingDeg).map((deg) => `${deg.toFixed(1)}°`),
      both(off.inclinationDeg).map((deg) => `${deg.toFixed(1)}°`),
    ].map((both) => both.join(', ')) as [string, string, string];
    console.log(
      `${photos === 2 ? 'Two photos' : 'One photo and the hour'}, ${TREES} made-up trees, ${off.lengthShare.length} limbs (${off.refused} refused): off by, median and 90 %: length ${length}; bearing ${bearing}; inclination ${inclination} (${aim}); ${(100 * mean(off.within)).toFixed(0)} % within the range that is said (aim 90 %); ${ms.toFixed(0)} ms a tree, ${photos === 2 ? '3 taps a limb and 4' : '2 taps and an hour a limb and 2'}`,
    );
  }
}

/** The days: a year of hourly weather through seven pathogens, ten simulated years, and a site of thousands of trees. */
function days(): void {
  const latitude = 54;
  const place = { latitude, longitude: -3, climate: climateAt(latitude), seed: 7 };
  const now = '2026-11-24T10:00:00Z';
  const nowHour = hourOf(now);
  const tenYears = 3652 * 24;
  const from = performance.now();
  const years = simulatedWeather(place, nowHour - tenYears, tenYears);
  console.log(
    `Ten simulated years, hourly: ${Math.round(performance.now() - from)} ms the first time  (aim: under 2 s)`,
  );
  const year = between(years, years.fromHour, years.fromHour + 8760 + HORIZON_DAYS * 24);
  const temperature = Float64Array.from(year.temperatureC, (celsius) => celsius ?? 8);
  const weather = weathering(temperature, wetnessWeights(year));
  const all = times(10, () => {
    for (const pathogen of pathogens) {
      const inoculum = inoculumWeights(pathogen, year.fromHour, temperature.length, latitude);
      const exposure = exposureOf(pathogen, weather, inoculum);
      for (let day = 0; day < 365; day++) lambdaOf(exposure, day * 24 + 10);
    }
  });
  console.log(
    `Wound risk, a year of hourly weather, 7 pathogens, a cut every day: ${all.middle} ms  (aim: under 100 ms)`,
  );
  const crop = cropOf('european-plum');
  if (!crop) throw new Error('The plum is gone from the table of crops.');
  const settings = startingTimingSettings();
  const cut = { mm: 40, crownShare: 0.1 };
  const loads = { CYT: 1, PSS: 1, SIL: 1, EUT: 0.3, BOT: 0.3 };
  const clock = localClock('Europe/London');
  const schools = times(2, () =>
    seasonOf({ years, crop, loads, settings, cut }, { latitude, longitude: -3, clock }),
  );
  console.log(`Schools over ten years, one tree: ${schools.middle} ms  (aim: under 2 s)`);
  const first = hourOf('2025-10-01T00:00:00Z');
  const known = over(
    simulatedWeather(place, first, nowHour - first),
    simulatedForecast(place, nowHour, 14 * 24),
  );
  // Fourteen kinds of tree, three cultivars of each, with canker on it, on the site and unknown
  const groups = crops.slice(0, 14).flatMap(({ code }) =>
    [-3, 0, 5].flatMap((offsetDays) =>
      [0.3, 1, 2].map((nearby) => ({
        key: `${code} ${offsetDays} ${nearby}`,
        species: code,
        lane: 'pome' as const,
        offsetDays,
        seen: [],
        loads: { NEO: nearby, CYT: nearby, PSS: 0.3, SIL: 0.3, BOT: 0.3, EUT: 0.3, FB: 1 },
        cut,
      })),
    ),
  );
  const input = {
    now,
    place: { latitude, longitude: -3, timeZone: 'Europe/London' },
    known,
    years,
    settings,
    groups,
    groundSaid: null,
    seed: 1,
  };
  const site = times(3, () => siteTiming(input));
  console.log(
    `Risk, verdicts and windows of ten days for a site of ${groups.length} groups of trees, however many trees: ${site.middle} ms`,
  );
}

skippedCleanings();
treesInOrder();
void seasonsSharedOut();

/** Played out as the screen does it: 40 cuts, every policy together. */
function skippedCleanings(): void {
  const cuts = Array.from({ length: 40 }, (_, i) => ({
    treeId: `t${Math.floor(i / 8)}`,
    disorders: [i % 8 === 0 ? 'FB_SHOOT' : 'MISPLACED'],
    infected: i % 8 === 0,
    soft: true,
  }));
  const input = {
    cuts,
    season: 'summer',
    wet: true,
    agentId: 'alcohol-70',
    contactSeconds: 30,
    handlingSeconds: 20,
    sappy: false,
    notifiable: false,
    runs: 100_000,
    seed: 3,
  } as const;
  const said = transmission(input);
  const off = Math.max(
    ...said.policies.map(({ expected, simulated }) => Math.abs((simulated?.mean ?? 0) - expected[1])),
  );
  const { middle } = times(3, () => transmission(input));
  console.log(
    `100,000 runs of 40 cuts under five policies: ${middle} ms, farthest from the closed form by ${off.toFixed(4)} infections  (aim: under 2 s in the worker)`,
  );
}

/** Seasons made up from a seed, shared out first. */
async function seasonsSharedOut(): Promise<void> {
  const solver = solverOf((await highsLoader()) as unknown as Highs);
  for (const [visits, pools, minutes, plots] of [
    [48, 2, 120, 3],
    [600, 4, 160, 8],
    [6000, 4, 1100, 30],
  ] as const) {
    const input = season(visits, { visits, pools, minutes, plots, slots: 40, musts: 5 });
    const begun = performance.now();
    const { plan: first } = firstCampaign(input, solver);
    const from = performance.now();
    const { plan } = solveCampaign(input, solver);
    const seconds = (performance.now() - from) / 1000;
    // A better one is begun once the first is there
    const firstSeconds = (from - begun) / 1000;
    const gapAfter = (limit: number) =>
      `${(100 * (firstSeconds + seconds <= limit ? plan : first).gap).toFixed(1)} % after ${limit} s`;
    console.log(
      `Season of ${visits} visits, ${pools} crews, 40 slots: a first plan in ${firstSeconds.toFixed(1)} s, the better one in ${seconds.toFixed(1)} s more, ${plan.done.length} done; gap at most ${gapAfter(10)}, ${gapAfter(60)}; ${Math.round(process.memoryUsage().rss / 1e6)} MB  (aim: first plan under 3 s, 1 % in 60 s)`,
    );
    // The second half-day is washed out for all
    const wet = input.pools.map((pool) => ({
      ...pool,
      minutes: pool.minutes.map((each, t) => (t === 1 ? 0 : each)),
    }));
    const again = performance.now();
    const { plan: anew } = solveCampaign({ ...input, pools: wet }, solver, plan.done);
    const secondsAgain = ((performance.now() - again) / 1000).toFixed(1);
    const stood = new Map(plan.done.map(({ visitId, ...place }) => [visitId, JSON.stringify(place)]));
    const moved = anew.done.filter(({ visitId, ...place }) => stood.get(visitId) !== JSON.stringify(place));
    const there = plan.done.filter(({ slotId }) => slotId === input.slots[1]?.id);
    console.log(
      `The same shared out anew after one half-day is washed out: ${secondsAgain} s, ${moved.length} of ${anew.done.length} stand elsewhere, ${there.length} stood there  (aim: 3 s)`,
    );
  }
}

function treesInOrder(): void {
  for (const count of [60, 365, 800, 1800]) {
    const trees = Array.from({ length: count }, (_, i) => ({
      id: `t${i}`,
      class: (['sound', 'suspect', 'infected'] as const)[(i * 7) % 3] ?? 'sound',
      x: ((i * 37) % 20) * 4,
      y: count === 60 ? ((i * 13) % 6) * 5 : Math.floor(i / 20) * 5 + ((i * 13) % 6),
      cleanings: 1,
    }));
    const input = { trees, start: { x: 0, y: 0 }, end: { x: 0, y: 0 }, metresPerMinute: 50 };
    const said = runOrder(input);
    const { middle, most } = times(5, () => runOrder(input));
    console.log(
      `Order of ${count} trees: ${middle} ms, 95 % under ${most} ms; ${Math.round(said.walk.metres)} m, as listed ${Math.round(said.naive.metres)} m, within ${Math.round(said.gap * 100)} % of a bound  (aim: under 1 s)`,
    );
  }
}
