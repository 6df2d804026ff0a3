// How many new infections does a run bring, by when its blades are cleaned? In expectation by a closed form, and run by run.

import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { disorderOf, isGrowing, type Season, seasons } from '../disorders/index';
import { plainReason, reasonSchema } from '../reason/index';
import { agentOf, agents, efficacyAfter } from './agents';
import { woodClass } from './bladeState';
import type { WoodClass } from './woodClasses';

export const cleaningPolicies = [
  'never',
  'between trees',
  'after diseased cuts',
  'every cut',
  'two blades',
] as const;
export type CleaningPolicy = (typeof cleaningPolicies)[number];

const TransmissionCut = z.strictObject({
  treeId: z.string().min(1).max(200),
  disorders: z.array(z.string().min(1).max(60)).max(500),
  infected: z
    .boolean()
    .describe(
      'the wood at the kerf is ill already: nothing new is counted there, and the blade carries it on',
    ),
  contaminates: z
    .number()
    .min(0)
    .max(1)
    .optional()
    .describe('chance that the blade carries disease on from here; 1 where the kerf is infected, else 0'),
  soft: z.boolean().default(false).describe('a green shoot, easily infected'),
});
type TransmissionCut = z.infer<typeof TransmissionCut>;

const MOST_RUNS = 200_000;
export const TransmissionInput = z
  .strictObject({
    cuts: z.array(TransmissionCut).max(2000).describe('in the order they are made'),
    season: z.enum(seasons),
    wet: z.boolean().describe('rain, dew or ooze on the wood'),
    agentId: z.enum(agents.map((agent) => agent.id) as [string, ...string[]]),
    contactSeconds: z.number().min(0).max(7200).describe('that is truly kept'),
    handlingSeconds: z.number().min(0).max(600).default(20),
    sappy: z.boolean().default(false).describe('sap is not wiped off first'),
    notifiable: z.boolean().default(false).describe('one of the diseases must be reported here'),
    runs: z.number().int().min(0).max(MOST_RUNS).default(0).describe('to simulate; 0: the closed form alone'),
    seed: z.number().int().default(1),
  })
  .meta({ id: 'TransmissionInput' });
export type TransmissionInput = z.infer<typeof TransmissionInput>;

const range = z.tuple([z.number(), z.number(), z.number()]).describe('low, middle, high');
const PolicyOutcome = z.strictObject({
  policy: z.enum(cleaningPolicies),
  expected: range.describe('new infections in the run'),
  atLeastOne: z.number().describe('1 − e^−E at the middle'),
  cleanings: z.number().int(),
  minutes: z.number().describe('spent on cleaning and waiting'),
  simulated: z
    .strictObject({
      mean: z.number(),
      standardError: z.number(),
      atLeastOne: z.number(),
      runs: z.number().int(),
    })
    .nullable(),
});
type PolicyOutcome = z.infer<typeof PolicyOutcome>;

export const CleaningReason = reasonSchema({
  notifiable: {},
  'avoids more': { than: z.number().describe('new infections a tree') },
  'avoids no more': { than: z.number().describe('new infections a tree') },
});
export type CleaningReason = z.infer<typeof CleaningReason>;

export const Transmission = z
  .strictObject({
    policies: z.array(PolicyOutcome),
    advice: z.strictObject({
      policy: z.enum(cleaningPolicies),
      avoided: range.describe('new infections that cleaning at every cut avoids, a tree'),
      because: CleaningReason,
    }),
    thin: z
      .boolean()
      .describe('the evidence is thin: the low figure is none, or the high one ten times the middle'),
  })
  .meta({ id: 'Transmission' });
export type Transmission = z.infer<typeof Transmission>;

type Range = readonly [number, number, number];

/** Chance that one cut with a contaminated blade infects. @source ranges of extension texts and Teviotdale et al. 1991 for the direction; figures from memory, unsure */
const SITUATIONS = {
  'fire blight, wet and tender': [0.05, 0.2, 0.5],
  'fire blight, growing and dry': [0.001, 0.01, 0.05],
  'fire blight, dormant': [0, 0.002, 0.02],
  'bacterial canker, wet and cool': [0.005, 0.03, 0.1],
  'bacterial canker, dry': [0, 0.005, 0.03],
  'crown gall': [0.05, 0.2, 0.6],
  'fungal canker': [0, 0.002, 0.01],
  'unknown cause': [0, 0.005, 0.05],
} as const satisfies Record<string, Range>;
type Situation = keyof typeof SITUATIONS;
export const situations = Object.keys(SITUATIONS) as Situation[];

/** What is the worst that this blade may carry on, today? */
export function situationOf(
  code: string,
  { season, wet }: { season: Season; wet: boolean },
  into: Pick<TransmissionCut, 'soft'>,
): Situation {
  const spread = disorderOf(code)?.spread;
  if (spread === 'fire blight') {
    if (!isGrowing(season)) return 'fire blight, dormant';
    return wet || into.soft ? 'fire blight, wet and tender' : 'fire blight, growing and dry';
  }
  if (spread === 'bacterial canker') return wet ? 'bacterial canker, wet and cool' : 'bacterial canker, dry';
  if (spread === 'crown gall') return 'crown gall';
  return woodClass([code]) === 'infected' ? 'fungal canker' : 'unknown cause';
}

/** Dead wood whose cause nobody knows is ill this often. Ours: no source. */
const SUSPECT_CHANCE = 0.2;

/**
 * Chance that a cut leaves disease on its blade.
 *
 * @param infectedKerf the kerf lies in or near diseased wood
 * @param hidden chance that disease is met beyond the visible edge
 */
export function contaminationChance(wood: WoodClass, infectedKerf: boolean, hidden: number): number {
  if (wood === 'sound') return 0;
  if (wood === 'suspect') return SUSPECT_CHANCE;
  return infectedKerf ? 1 : hidden;
}

export function transmissionChance(situation: Situation): Range {
  return SITUATIONS[situation];
}

/** More than this many new infections a tree avoided: clean at every cut. Common practice, no source. */
const WORTH_IT = 0.05;
const THIN = 10;

/**
 * What each policy brings on these cuts: a contaminated blade stays so until it is cleaned, which leaves 1 − efficacy of it.
 * Only cuts into wood that is not itself ill count as new infections.
 */
export function transmission(input: TransmissionInput): Transmission {
  const policies = cleaningPolicies.map((policy) => outcomeOf(policy, input));
  const of = (policy: CleaningPolicy) =>
    (policies.find((outcome) => outcome.policy === policy) as PolicyOutcome).expected;
  const trees = Math.max(1, new Set(input.cuts.map((cut) => cut.treeId)).size);
  const avoided = of('between trees').map(
    (expected, i) => Math.max(0, expected - (of('every cut')[i] as number)) / trees,
  ) as [number, number, number];
  const every = input.notifiable || avoided[1] > WORTH_IT;
  return {
    policies,
    advice: {
      policy: every ? 'every cut' : 'between trees',
      avoided,
      because: input.notifiable
        ? plainReason('notifiable')
        : { code: every ? 'avoids more' : 'avoids no more', values: { than: WORTH_IT } },
    },
    thin: avoided[0] === 0 || avoided[2] >= THIN * avoided[1],
  };
}

function outcomeOf(policy: CleaningPolicy, input: TransmissionInput): PolicyOutcome {
  const chain = chainOf(policy, input);
  const at = (which: 0 | 1 | 2) => expectedInfections(chain, which);
  const cleanings = chain.filter((step) => step.cleaned).length;
  // With two in rotation one stays wet while the other cuts
  const waited = policy === 'two blades' ? 0 : input.contactSeconds;
  return {
    policy,
    expected: [at(0), at(1), at(2)],
    atLeastOne: 1 - Math.exp(-at(1)),
    cleanings,
    minutes: (cleanings * (waited + input.handlingSeconds)) / 60,
    simulated: input.runs > 0 ? simulated(chain, input.runs, input.seed) : null,
  };
}

interface Link {
  /** Cleaned before this cut. */
  cleaned: boolean;
  /** Share of contamination that a cleaning leaves: at a low, middle and high efficacy. */
  leaves: Range;
  /** Chance that the blade carries disease on from here. */
  contaminates: number;
  /** Chance that a contaminated blade infects here, by the worst of what it may carry. */
  chance: Range;
}

/** The cuts as a chain: when the blade is cleaned, what it may carry, and what that does where it cuts. */
function chainOf(policy: CleaningPolicy, input: TransmissionInput): Link[] {
  const agent = agentOf(input.agentId);
  const efficacy = efficacyAfter(agent, input.contactSeconds, input.sappy);
  const leaves: Range = [1 - efficacy[0], 1 - efficacy[1], 1 - efficacy[2]];
  let carried: string[] = [];
  return input.cuts.map((cut, i) => {
    const before = input.cuts[i - 1];
    const cleaned = isCleaned(policy, cut, before);
    const chance = worstOf(carried, input, cut);
    const contaminates = cut.contaminates ?? (cut.infected ? 1 : 0);
    if (contaminates > 0) carried = [...new Set([...carried, ...cut.disorders])];
    return { cleaned, leaves, contaminates, chance };
  });
}

function isCleaned(
  policy: CleaningPolicy,
  cut: TransmissionCut,
  before: TransmissionCut | undefined,
): boolean {
  if (policy === 'never') return false;
  if (policy === 'every cut' || policy === 'two blades') return true;
  const anotherTree = before === undefined || before.treeId !== cut.treeId;
  return (
    anotherTree || (policy === 'after diseased cuts' && (before.contaminates ?? Number(before.infected)) > 0)
  );
}

function worstOf(carried: readonly string[], input: TransmissionInput, into: TransmissionCut): Range {
  if (into.infected) return [0, 0, 0];
  const ranges = carried.map((code) => SITUATIONS[situationOf(code, input, into)]);
  return ranges.reduce<Range>((worst, next) => (next[1] > worst[1] ? next : worst), [0, 0, 0]);
}

/** `which`: 0 the best case (least infective, best cleaned), 1 the middle, 2 the worst. */
function expectedInfections(chain: readonly Link[], which: 0 | 1 | 2): number {
  let contaminated = 0;
  let sum = 0;
  for (const link of chain) {
    if (link.cleaned) contaminated *= link.leaves[(2 - which) as 0 | 1 | 2];
    sum += contaminated * link.chance[which];
    contaminated += (1 - contaminated) * link.contaminates;
  }
  return sum;
}

/** Runs played out cut by cut, at the middle of every range: a blade carries it or it does not. */
function simulated(
  chain: readonly Link[],
  runs: number,
  seed: number,
): NonNullable<PolicyOutcome['simulated']> {
  const random = xoroshiro128plus(seed);
  let sum = 0;
  let squares = 0;
  let some = 0;
  for (let run = 0; run < runs; run++) {
    let contaminated = false;
    let infections = 0;
    for (const link of chain) {
      if (contaminated && link.cleaned && uniformFloat64(random) >= link.leaves[1]) contaminated = false;
      if (contaminated && link.chance[1] > 0 && uniformFloat64(random) < link.chance[1]) infections++;
      if (!contaminated && link.contaminates > 0)
        contaminated = link.contaminates === 1 || uniformFloat64(random) < link.contaminates;
    }
    sum += infections;
    squares += infections * infections;
    if (infections > 0) some++;
  }
  const mean = sum / runs;
  const variance = Math.max(0, squares / runs - mean * mean);
  return { mean, standardError: Math.sqrt(variance / runs), atLeastOne: some / runs, runs };
}

/**
 * New infections by the plain formula, for cuts that are all alike.
 *
 * @example expectedTransmissions({ cuts: 40, contaminated: 0.1, chance: 0.2, efficacy: 0 }) //=> 0.8
 */
export function expectedTransmissions(given: {
  cuts: number;
  contaminated: number;
  chance: number;
  efficacy: number;
}): number {
  return given.cuts * given.contaminated * given.chance * (1 - given.efficacy);
}
