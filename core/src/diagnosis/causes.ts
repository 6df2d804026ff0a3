// What is probably wrong with this wood, and what should be looked at next?
import { z } from 'zod';
import { type Season, seasons } from '../disorders/index';
import { type HostGroup, hostGroups } from '../register/index';
import { ClinicEvidence } from './clinicEvidence';
import { type CauseGroup, causeGroups, OTHER, type Strength, strengthOf, strengths } from './groups';
import { Answers, type SeasonLetter, type Sign, seasonLetter, shows, signs, usable } from './signs';
import tables from './tables.json';

export const CausesInput = z
  .strictObject({
    host: z.enum(hostGroups),
    season: z.enum(seasons),
    answers: Answers.describe('looked for and seen, or looked for and absent; missing: not looked'),
    absentHere: z
      .array(z.string().max(40))
      .max(60)
      .default([])
      .describe('disorders that do not occur in this country'),
    clinic: z.array(ClinicEvidence).max(20).default([]),
  })
  .meta({ id: 'CausesInput' });
export type CausesInput = z.input<typeof CausesInput>;

const Cause = z.strictObject({ code: z.string(), p: z.number() });
const GroupShare = z.strictObject({
  id: z.string(),
  name: z.string(),
  treatment: z.string(),
  p: z.number(),
  strength: z.enum(strengths),
  causes: z.array(Cause),
});
const NextCheck = z.strictObject({
  sign: z.string(),
  bits: z.number().describe('expected information gain'),
  minutes: z.number(),
});
export const Causes = z
  .strictObject({
    causes: z.array(Cause).describe('every cause with its probability, likeliest first; OTHER among them'),
    groups: z.array(GroupShare).describe('causes that share a treatment, likeliest first'),
    strength: z.enum(strengths).describe('of the first group'),
    entropyBits: z.number(),
    next: z.array(NextCheck).describe('signs not looked for yet, the most told per minute first'),
    sample: z.enum(['no', 'unclear', 'treatments differ']).describe('whether a plant clinic should be asked'),
  })
  .meta({ id: 'Causes' });
export type Causes = z.infer<typeof Causes>;

const disorderSigns: Record<string, Record<string, number>> = Object.fromEntries(
  Object.entries(tables.disorders).map(([code, { p }]) => [code, p as Record<string, number>]),
);
export const causeCodes: readonly string[] = Object.keys(disorderSigns);
/**
 * The sign that tells a cause from all others: often seen with it, and seldom with them. None of what happened round the tree.
 *
 * @returns its code; null for a cause that is in no table
 */
export function tellingSign(code: string): string | null {
  const of = disorderSigns[code] ?? {};
  const mean = ({ code: sign, leak }: Sign) =>
    causeCodes.reduce((sum, cause) => sum + (disorderSigns[cause]?.[sign] ?? leak), 0) / causeCodes.length;
  const speaks = (sign: Sign) => (of[sign.code] ?? 0) * Math.log2((of[sign.code] ?? 1) / mean(sign));
  const shown = signs.filter((sign) => of[sign.code] !== undefined && sign.place !== 'circumstances');
  return shown.toSorted((a, b) => speaks(b) - speaks(a))[0]?.code ?? null;
}

const TAU = tables.tau;
const UNLISTED = tables.classes.e;

/**
 * Naive Bayes over the sign tables, tempered by τ = 0.7, with an open-set class OTHER that no table row describes.
 *
 * @returns probabilities that add up to 1, groups by treatment, and the next checks by expected information gain
 * @source tables elicited from one author, low confidence; τ from simulation with 10 % answer errors
 */
export function causes(given: CausesInput): Causes {
  const model = modelFor(given.host, given.season, given.absentHere ?? []);
  const answers = usable(given.answers, given.season);
  const posterior = model.posterior(answers, given.clinic ?? []);
  const ranked = model.codes
    .map((code, i) => ({ code, p: posterior[i] as number }))
    .sort((a, b) => b.p - a.p);
  const groups = grouped(ranked);
  const next = nextChecks(model, posterior, answers, given.season);
  return {
    causes: ranked,
    groups,
    strength: groups[0]?.strength ?? 'unclear',
    entropyBits: entropy(posterior),
    next,
    sample: askClinic(groups, next, answers.size),
  };
}

interface Model {
  codes: string[];
  /** P(sign present | disorder i). */
  chance(sign: string, i: number): number;
  posterior(answers: Map<string, 'present' | 'absent'>, clinic: readonly ClinicEvidence[]): number[];
}

const models = new Map<string, Model>();

/** The table as it stands for one host in one season; made once, as it never changes. */
export function modelFor(host: HostGroup, season: Season, absentHere: readonly string[]): Model {
  const key = [host, season, ...absentHere].join();
  const model = models.get(key) ?? makeModel(host, season, absentHere);
  models.set(key, model);
  return model;
}

function makeModel(host: HostGroup, season: Season, absentHere: readonly string[]): Model {
  const priors = priorsOf(host, absentHere);
  const codes = [...priors.keys()];
  const letter = seasonLetter(season);
  const leakOf = new Map(signs.map((sign) => [sign.code, sign.leak]));
  const rowsBySign = new Map<string, number[]>();
  const chances = (sign: string): number[] => {
    let row = rowsBySign.get(sign);
    if (!row) {
      row = codes.map((code) => signChance(code, sign, leakOf.get(sign) ?? UNLISTED, host, letter));
      rowsBySign.set(sign, row);
    }
    return row;
  };
  return {
    codes,
    chance: (sign, i) => chances(sign)[i] as number,
    posterior: (answers, clinic) => {
      const scores = codes.map((code) => Math.log(priors.get(code) as number));
      for (const [sign, answer] of answers) {
        chances(sign).forEach((p, i) => {
          (scores[i] as number) += TAU * Math.log(answer === 'present' ? p : 1 - p);
        });
      }
      for (const evidence of clinic) {
        codes.forEach((code, i) => {
          (scores[i] as number) += Math.log(clinicChance(evidence, code, codes.length));
        });
      }
      return softmax(scores);
    },
  };
}

function priorsOf(host: HostGroup, absentHere: readonly string[]): Map<string, number> {
  const column = tables.hosts.indexOf(host);
  const weights = Object.entries(tables.priors as Record<string, number[]>)
    .map(([code, row]) => [code, absentHere.includes(code) ? 0 : (row[column] as number)] as const)
    .filter(([, weight]) => weight > 0);
  const total = weights.reduce((sum, [, weight]) => sum + weight, 0);
  const rest = 1 - tables.other.prior;
  return new Map([
    ...weights.map(([code, weight]) => [code, (weight / total) * rest] as const),
    [OTHER, tables.other.prior],
  ]);
}

function signChance(code: string, sign: string, leak: number, host: HostGroup, letter: SeasonLetter): number {
  if (code === OTHER) return tables.other.p;
  const override = tables.overrides.findLast(
    (override) =>
      override.d === code &&
      override.s === sign &&
      override.hosts.includes(host) &&
      override.seasons.includes(letter),
  );
  return override?.p ?? Math.max(disorderSigns[code]?.[sign] ?? UNLISTED, leak);
}

/** What a clinic says given the true cause: the cause itself, nothing, or by mistake one of the others. */
function clinicChance(
  { result, sensitivity, falseNaming }: ClinicEvidence,
  truth: string,
  of: number,
): number {
  if (result === null) return truth === OTHER ? 1 - falseNaming : 1 - sensitivity;
  return result === truth ? sensitivity : falseNaming / Math.max(1, of - 1);
}

function softmax(scores: number[]): number[] {
  const top = Math.max(...scores);
  const weights = scores.map((score) => Math.exp(score - top));
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return weights.map((weight) => weight / sum);
}

export function entropy(p: readonly number[]): number {
  return p.reduce((sum, chance) => (chance > 0 ? sum - chance * Math.log2(chance) : sum), 0);
}

function nextChecks(
  model: Model,
  posterior: number[],
  answers: Map<string, 'present' | 'absent'>,
  season: Season,
): Causes['next'] {
  const now = entropy(posterior);
  return signs
    .filter((sign) => !answers.has(sign.code) && shows(sign, season))
    .map((sign) => {
      const chance = model.codes.reduce(
        (sum, _, i) => sum + (posterior[i] as number) * model.chance(sign.code, i),
        0,
      );
      const after = (answer: 'present' | 'absent') => entropy(tempered(model, posterior, sign.code, answer));
      const bits = now - chance * after('present') - (1 - chance) * after('absent');
      return { sign: sign.code, bits, minutes: sign.minutes };
    })
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
}

/** The posterior after one more answer. */
function tempered(model: Model, posterior: number[], sign: string, answer: 'present' | 'absent'): number[] {
  return softmax(
    posterior.map((p, i) => {
      const chance = model.chance(sign, i);
      return Math.log(p) + TAU * Math.log(answer === 'present' ? chance : 1 - chance);
    }),
  );
}

function grouped(ranked: Causes['causes']): Causes['groups'] {
  return causeGroups
    .map((group: CauseGroup) => {
      const ofGroup = ranked.filter((cause) => group.members.includes(cause.code));
      const p = ofGroup.reduce((sum, cause) => sum + cause.p, 0);
      const strength: Strength = group.members.includes(OTHER) ? 'unclear' : strengthOf(p);
      return { id: group.id, name: group.name, treatment: group.treatment, p, strength, causes: ofGroup };
    })
    .filter((group) => group.causes.length > 0)
    .sort((a, b) => b.p - a.p);
}

/** Enough was looked at, no look tells much more, and still no group is likely. Common practice, no source. */
const LOOKED_ENOUGH = 4;
const TELLS_LITTLE_BITS = 0.15;
const RUNNER_UP_FROM = 0.2;

function askClinic(groups: Causes['groups'], next: Causes['next'], looked: number): Causes['sample'] {
  const [first, second] = groups;
  if (!first || first.strength === 'likely' || looked === 0) return 'no';
  if (first.strength === 'possible' && second && second.p >= RUNNER_UP_FROM) return 'treatments differ';
  const best = Math.max(0, ...next.map((check) => check.bits));
  return looked >= LOOKED_ENOUGH && (best < TELLS_LITTLE_BITS || first.strength === 'unclear')
    ? 'unclear'
    : 'no';
}
