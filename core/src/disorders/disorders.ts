// Which disorders does the product know, what do they do to the wood, and how sure is that?
import { z } from 'zod';
import type { Disorder } from './disorder';
import { handlingTable } from './handlingTable';
import { isGrowing, type Season } from './season';

const REPORT_FIRE_BLIGHT = 'mayBeNotifiableWhereYouAre';

const worked: readonly Omit<Disorder, 'answer'>[] = [
  {
    code: 'FB_CANK_A',
    name: 'fireBlightCankerActive',
    kind: 'diseased',
    cause: 'erwiniaAmylovoraOverwinteringEdgeNotDefinite',
    hosts: 'applePearQuinceMedlarHawthornAnd',
    tellingSigns: 'blurredDarkBlisteredOrSlightlyRaised',
    edge: 'theDarkEdge',
    toolWeight: { dormant: 1, growing: 3 },
    onTrunk: 'halfOfTheTrunkGirdledOr',
    disposal: 'removeFromTheSiteBurnWhere',
    notifiable: REPORT_FIRE_BLIGHT,
    spread: 'fire blight',
    pathogen: 'FB',
    causeGroup: 'fire blight',
    active: true,
    runsOn: true,
    saysActivity: true,
    source: 'van der Zwet & Keil 1979, USDA Agric. Handbook 510; tool rule after Teviotdale et al. 1991',
    confidence: 'high',
  },
  {
    code: 'FB_CANK_D',
    name: 'fireBlightCankerInactive',
    kind: 'diseased',
    cause: 'erwiniaAmylovoraEdgeDefiniteTheBacteria',
    hosts: 'applePearQuinceMedlarHawthornAnd',
    tellingSigns: 'sunkenDryCrackedEdgeOftenBlack',
    edge: 'theCrackedEdge',
    toolWeight: { dormant: 1, growing: 2 },
    onTrunk: 'halfOfTheTrunkGirdledThe',
    disposal: 'removeFromTheSiteBurnWhere',
    notifiable: REPORT_FIRE_BLIGHT,
    spread: 'fire blight',
    pathogen: 'FB',
    causeGroup: 'fire blight',
    runsOn: true,
    saysActivity: true,
    source: 'van der Zwet & Keil 1979, USDA Agric. Handbook 510',
    confidence: 'high',
  },
  {
    code: 'CYT',
    name: 'cytosporaCanker',
    kind: 'diseased',
    cause: 'cytosporaLeucostomaAFungusOfWeakened',
    hosts: 'peachCherryPlumApricotWeakPome',
    tellingSigns: 'sunkenBarkWithBlackPimplesOrange',
    edge: 'theSunkenEdge',
    toolWeight: { dormant: 1, growing: 1 },
    onTrunk: 'pareToHealthyBarkInDry',
    disposal: 'outOfTheOrchardWithinWeeks',
    pathogen: 'CYT',
    causeGroup: 'canker',
    pared: true,
    source: 'Biggs 1986, 1989 on wounds and Leucostoma; distances from common practice',
    confidence: 'low',
  },
  {
    code: 'NEO',
    name: 'neonectriaCanker',
    kind: 'diseased',
    cause: 'neonectriaDitissimaEuropeanCanker',
    hosts: 'applePearHawthornQuinceWetCool',
    tellingSigns: 'ringsLikeATargetBarkIn',
    edge: 'theOutermostRing',
    toolWeight: { dormant: 1, growing: 1 },
    onTrunk: 'pareToCleanBarkBoatShaped',
    disposal: 'removeCutCankersGoOnShedding',
    pathogen: 'NEO',
    causeGroup: 'canker',
    pared: true,
    chips: 'never',
    source: 'Xu, Butt & Ridout 1998, Eur. J. Plant Pathol. 104; distances from common practice',
    confidence: 'low',
  },
  {
    code: 'DEAD',
    name: 'deadWood',
    kind: 'dead',
    cause: 'shadeAgeOrASpentSpur',
    hosts: 'all',
    tellingSigns: 'drySnapsBrownUnderTheBark',
    edge: 'theFirstGreenBark',
    toolWeight: { dormant: 0, growing: 0 },
    onTrunk: 'aDyingTopIsLoweredTo',
    disposal: 'chipOrFirewoodNeverStackedNear',
    causeGroup: 'dead wood',
    causeUnknown: true,
    chips: 'always',
    plain: 'dead',
    source: 'USDA Forest Service NA-FR-01-95 on pruning dead branches',
    confidence: 'high',
  },
  {
    code: 'BRK',
    name: 'breakage',
    kind: 'damaged',
    cause: 'fruitLoadSnowWindASplit',
    hosts: 'all',
    tellingSigns: 'tornSplinteredWoodLookForStain',
    edge: 'theTornEnd',
    toolWeight: { dormant: 0, growing: 0 },
    onTrunk: 'aSplitStemOrAHanging',
    disposal: 'chipOrFirewood',
    causeGroup: 'damage',
    hanging: true,
    often: true,
    source: 'USDA Forest Service NA-FR-01-95',
    confidence: 'high',
  },
];

/** The six that are worked through case by case, then the rest of the handling table. */
export const disorders: readonly Disorder[] = [
  ...worked.map((disorder) => ({ ...disorder, answer: 'cut' as const })),
  ...handlingTable.map(({ disorder }) => disorder),
];

/** A code of this table. */
export const DisorderCode = z.enum(disorders.map((disorder) => disorder.code) as [string, ...string[]]);

const byCode = new Map(disorders.map((disorder) => [disorder.code, disorder]));

/** The row of a code, or undefined for one that is not in the table. */
export function disorderOf(code: string): Disorder | undefined {
  return byCode.get(code);
}

/** Wood of a disorder that is not in the table is treated as diseased: unknown is suspect. */
export function kindOf(code: string): Disorder['kind'] {
  return byCode.get(code)?.kind ?? 'diseased';
}

/** Is wood cut for this disorder in this season? Freeze injury waits until growth shows what is alive. */
export function isCutFor(code: string, season: Season): boolean {
  const answer = byCode.get(code)?.answer ?? 'cut';
  return answer === 'cut' || (answer === 'wait' && isGrowing(season) && season !== 'bloom');
}

/**
 * The code that stands for a kind where somebody says it and nothing more.
 *
 * @example plainDisorder('dead') //=> 'DEAD'
 */
export function plainDisorder(kind: NonNullable<Disorder['plain']>): string {
  return codeWhere(({ plain }) => plain === kind);
}

/** Every form of fire blight: the law and whoever burns wood do not tell them apart. */
export function isFireBlight(code: string): boolean {
  return byCode.get(code)?.spread === 'fire blight';
}

/**
 * The first disorder of the table of which this holds.
 *
 * @throws {Error} where there is none: the table is wrong then
 */
export function codeWhere(holds: (disorder: Disorder) => boolean): string {
  const [code] = codesWhere(holds);
  if (code === undefined) throw new Error('No disorder of the table is like that.');
  return code;
}

/** Nothing but dead wood of no known disease: any dry hour does for it. */
export function isPlainDead(codes: readonly string[]): boolean {
  return codes.every((code) => byCode.get(code)?.causeUnknown === true);
}

/** Codes of the disorders of which this holds, in the order of the table. */
export function codesWhere(holds: (disorder: Disorder) => boolean): string[] {
  return disorders.filter(holds).map(({ code }) => code);
}
