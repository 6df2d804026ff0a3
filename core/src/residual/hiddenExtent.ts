// How likely does infected wood stay behind, when the cut is this far from the visible edge?
import { z } from 'zod';
import {
  DisorderCode,
  disorderOf,
  edges,
  isFireBlight,
  isGrowing,
  schoolFor,
  schoolsFor,
  seasons,
} from '../disorders/index';
import { plainReason, reasonSchema } from '../reason/index';
import { upperTail } from './normal';

export const ResidualCase = z
  .strictObject({
    disorder: DisorderCode,
    season: z.enum(seasons),
    edge: z.enum(edges),
    /** Growth rapid, cultivar susceptible, or a young tree. */
    vigorous: z.boolean(),
    distanceCm: z.number().min(0).max(1000).describe('from the kerf to the visible edge, along the wood'),
    unionCrossed: z
      .boolean()
      .describe('a union into wood of two years or more lies between edge and kerf: a barrier'),
    inStub: z
      .boolean()
      .default(false)
      .describe('left as a bare stub that comes off at the collar when dormant'),
  })
  .meta({ id: 'ResidualCase' });
export type ResidualCase = z.input<typeof ResidualCase>;

const extentStates = [
  'growing, vigorous',
  'growing',
  'dormant, edge definite',
  'dormant, edge not definite',
] as const;

/** What the chance rests on. */
export const ResidualReason = reasonSchema({
  'whole plant': {},
  'nothing spreads': {},
  'median extent': { state: z.enum(extentStates), cm: z.number() },
  'extent not known': { school: z.string().describe('its name') },
  'union between': { factor: z.number() },
  'in a stub': { factor: z.number() },
});
export type ResidualReason = z.infer<typeof ResidualReason>;

export const Residual = z
  .strictObject({
    chance: z.number().describe('that infected wood stays behind, 0..1'),
    range: z.tuple([z.number(), z.number()]).describe('with the median extent halved and doubled'),
    comesBack: z.number().describe('that it shows again: half of what stays behind, by default'),
    medianCm: z.number().describe('median extent beyond the visible edge that this was reckoned with'),
    because: z.array(ResidualReason),
  })
  .meta({ id: 'Residual' });
export type Residual = z.infer<typeof Residual>;

/** Spread of the extent: geometric standard deviation. @source proposed for Erwinia amylovora; no published distribution is known; low confidence */
const EXTENT_GSD = 2.2;
/** Uncertainty of the median itself, × and ÷. */
const MEDIAN_TIMES = 2;
/** A union into older wood lets less through. Common practice, no source. */
const BARRIER = 0.7;
/** Share of what stays behind that shows as a new canker, 0.3–0.7. From memory, low confidence. */
const SHOWS_AGAIN = 0.5;
/** What is left sits in the stub, not at the collar. Common practice, no source. */
const STUB_FACTOR = 0.3;
/** Where no extent is known, the default school is taken to leave one in twenty behind. */
const ONE_IN_TWENTY_Z = 1.6448536269514722;

/** Median extent of fire blight beyond the visible edge, cm. @source symptomless spread: Keil & van der Zwet 1972; the figures low confidence */
const FIRE_BLIGHT_CM = {
  'growing, vigorous': 25,
  growing: 12,
  'dormant, edge not definite': 8,
  'dormant, edge definite': 2,
} as const;

const NO_CUT_ANSWERS: Residual = {
  chance: 1,
  range: [1, 1],
  comesBack: SHOWS_AGAIN,
  medianCm: 0,
  because: [plainReason('whole plant')],
};

/**
 * Chance that infected wood stays behind: the extent beyond the visible edge is log-normal, its median by disorder, season and edge.
 * Dead, damaged and misplaced wood leaves nothing behind.
 *
 * @returns chance and range 0..1; the range is that of the uncertain median
 * @source hidden extent: Keil & van der Zwet 1972; no published distribution is known, so the figures are settings of low confidence
 * @example residual({ disorder: 'FB_CANK_A', season: 'summer', edge: 'definite', vigorous: false, distanceCm: 30, unionCrossed: false }).chance //=> 0.123
 */
export function residual(given: ResidualCase): Residual {
  if (disorderOf(given.disorder)?.kind !== 'diseased') {
    const because: ResidualReason[] = [plainReason('nothing spreads')];
    return { chance: 0, range: [0, 0], comesBack: 0, medianCm: 0, because };
  }
  if (!isFireBlight(given.disorder) && schoolsFor(given.disorder).length === 0) return NO_CUT_ANSWERS;
  const { cm, reason } = medianOf(given);
  const factor = (given.unionCrossed ? BARRIER : 1) * (given.inStub ? STUB_FACTOR : 1);
  const chance = factor * beyond(given.distanceCm, cm);
  return {
    chance,
    range: [
      factor * beyond(given.distanceCm, cm / MEDIAN_TIMES),
      factor * beyond(given.distanceCm, cm * MEDIAN_TIMES),
    ],
    comesBack: chance * SHOWS_AGAIN,
    medianCm: cm,
    because: [
      reason,
      ...(given.unionCrossed ? [{ code: 'union between' as const, values: { factor: BARRIER } }] : []),
      ...(given.inStub ? [{ code: 'in a stub' as const, values: { factor: STUB_FACTOR } }] : []),
    ],
  };
}

/**
 * Chance that the extent is above the distance.
 *
 * @example beyond(30, 12) //=> 0.1226
 */
export function beyond(distanceCm: number, medianCm: number): number {
  if (medianCm <= 0) return 0;
  if (distanceCm <= 0) return 1;
  return upperTail(Math.log(distanceCm / medianCm) / Math.log(EXTENT_GSD));
}

function medianOf({ disorder, season, edge, vigorous }: ResidualCase): {
  cm: number;
  reason: ResidualReason;
} {
  const growing = isGrowing(season);
  if (isFireBlight(disorder)) {
    const dormant = edge === 'definite' ? 'dormant, edge definite' : 'dormant, edge not definite';
    const state = growing ? (vigorous ? 'growing, vigorous' : 'growing') : dormant;
    const cm = FIRE_BLIGHT_CM[state];
    return { cm, reason: { code: 'median extent', values: { state, cm } } };
  }
  const school = schoolFor(disorder, {});
  const base = (growing ? school.growingCm : school.dormantCm)[1];
  const worse = edge === 'indefinite' || vigorous ? 1.5 : 1;
  return {
    cm: (worse * base) / EXTENT_GSD ** ONE_IN_TWENTY_Z,
    reason: { code: 'extent not known', values: { school: school.name } },
  };
}
