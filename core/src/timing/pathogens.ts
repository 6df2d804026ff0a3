// Which pathogens enter wounds, how, and how long does a wound stay open to them?
import { codesWhere, type PathogenCode } from '../disorders/index';
import type { Confidence, HostGroup } from '../register/index';

export { type PathogenCode, pathogenCodes } from '../disorders/index';

export interface Pathogen {
  code: PathogenCode;
  name: string;
  /** Infects between the first and the last, best at the middle, °C. */
  minC: number;
  bestC: number;
  maxC: number;
  /** A wound heals by warmth above this base, °C; it is half closed after so many degree-days; the higher the exponent, the sharper. */
  healsAboveC: number;
  halfClosedDd: number;
  sharpness: number;
  /** Chance of infection in a wet hour at the best temperature on a fresh wound where inoculum is full, per hour. */
  perHour: number;
  /** What an infection costs, 0 to 1. */
  consequence: number;
  /** Inoculum by month of the north, January first, 0 to 1. */
  months: readonly number[];
  /** How much of it a group of species takes: 1 main host, 0.5 minor; others none. */
  hosts: Partial<Record<HostGroup, number>>;
  /** Disorders of the register that it causes: an open one is inoculum. */
  disorders: readonly string[];
  /** Rain carries it; or air in rain. */
  carriedBy: string;
  anchor: string;
}

export const PATHOGEN_SOURCE =
  'Constants are a proposal that reproduces published durations in direction, from memory; no published set. Healing by warmth: Biggs & Miles 1988, Biggs 1989, Doster & Bostock 1988';
export const PATHOGEN_CONFIDENCE: Confidence = 'low';

const constants: readonly Omit<Pathogen, 'disorders'>[] = [
  {
    code: 'CYT',
    name: 'cytosporaCanker',
    minC: 2,
    bestC: 22,
    maxC: 33,
    healsAboveC: 4,
    halfClosedDd: 70,
    sharpness: 3,
    perHour: 0.012,
    consequence: 0.8,
    months: [0.6, 0.6, 0.8, 1, 0.8, 0.5, 0.4, 0.4, 0.6, 0.9, 1, 0.8],
    hosts: { peach: 1, apricot: 1, almond: 0.5, eplum: 1, jplum: 1, swcherry: 1, socherry: 1 },
    carriedBy: 'rain splash',
    anchor: 'barkWoundsClosedIn1014',
  },
  {
    code: 'PSS',
    name: 'bacterialCankerAndBlast',
    minC: 0,
    bestC: 15,
    maxC: 28,
    healsAboveC: 2,
    halfClosedDd: 60,
    sharpness: 3,
    perHour: 0.015,
    consequence: 0.7,
    months: [1, 1, 1, 0.9, 0.5, 0.2, 0.1, 0.1, 0.3, 1, 1, 1],
    hosts: {
      pear: 0.5,
      asianpear: 0.5,
      peach: 0.5,
      apricot: 1,
      almond: 0.5,
      eplum: 1,
      jplum: 0.5,
      swcherry: 1,
      socherry: 1,
    },
    carriedBy: 'rainSplashWetCoolAir',
    anchor: 'woundsStayOpenOneToThree',
  },
  {
    code: 'NEO',
    name: 'neonectriaCanker',
    minC: 3,
    bestC: 19,
    maxC: 30,
    healsAboveC: 2,
    halfClosedDd: 80,
    sharpness: 3,
    perHour: 0.012,
    consequence: 0.7,
    months: [0.7, 0.7, 0.9, 1, 0.8, 0.4, 0.3, 0.4, 0.7, 1, 1, 0.8],
    hosts: { apple: 1, pear: 1, asianpear: 0.5, quinceloq: 0.5, hawcrab: 1 },
    carriedBy: 'rainSplashAndSporesInThe',
    anchor: 'susceptibilityFallsWithTheAgeOf',
  },
  {
    code: 'EUT',
    name: 'eutypaDieback',
    minC: 1,
    bestC: 22,
    maxC: 32,
    healsAboveC: 2,
    halfClosedDd: 140,
    sharpness: 2,
    perHour: 0.01,
    consequence: 1,
    months: [1, 1, 0.8, 0.6, 0.4, 0.2, 0.1, 0.1, 0.3, 0.8, 1, 1],
    hosts: { apricot: 1, swcherry: 1, socherry: 0.5, almond: 0.5, apple: 0.3 },
    carriedBy: 'sporesInTheAirAfterRain',
    anchor:
      'Carter & Moller 1970; Petzoldt et al. 1981; Munkvold & Marois 1995: wounds open two to six weeks, shorter when warm.',
  },
  {
    code: 'SIL',
    name: 'silverLeaf',
    minC: 2,
    bestC: 20,
    maxC: 30,
    healsAboveC: 2,
    halfClosedDd: 100,
    sharpness: 3,
    perHour: 0.008,
    consequence: 0.8,
    months: [0.9, 0.9, 0.8, 0.6, 0.4, 0.2, 0.1, 0.2, 0.6, 1, 1, 1],
    hosts: {
      eplum: 1,
      jplum: 1,
      swcherry: 1,
      socherry: 1,
      peach: 1,
      apricot: 1,
      almond: 0.5,
      apple: 0.5,
      pear: 0.3,
    },
    carriedBy: 'sporesInWetAirAutumnTo',
    anchor: 'winterWoundsAboutFourWeeksOpen',
  },
  {
    code: 'BOT',
    name: 'blackAndWhiteRot',
    minC: 8,
    bestC: 27,
    maxC: 36,
    healsAboveC: 5,
    halfClosedDd: 90,
    sharpness: 3,
    perHour: 0.012,
    consequence: 0.6,
    months: [0.2, 0.2, 0.4, 0.7, 1, 1, 1, 0.9, 0.7, 0.5, 0.3, 0.2],
    hosts: {
      apple: 1,
      pear: 0.5,
      asianpear: 0.5,
      quinceloq: 0.5,
      hawcrab: 0.5,
      peach: 1,
      almond: 1,
      apricot: 0.5,
      jplum: 0.5,
    },
    carriedBy: 'rainSplashInWarmWeather',
    anchor: 'Brown & Britton 1986; Brown-Rytlewski & McManus 2000, from memory.',
  },
  {
    code: 'FB',
    name: 'fireBlight',
    minC: 4,
    bestC: 27.5,
    maxC: 36,
    healsAboveC: 10,
    halfClosedDd: 15,
    sharpness: 3,
    perHour: 0.02,
    consequence: 1,
    months: [0, 0, 0.2, 0.8, 1, 1, 0.8, 0.5, 0.3, 0.1, 0, 0],
    hosts: { apple: 1, pear: 1, asianpear: 1, quinceloq: 1, hawcrab: 1 },
    carriedBy: 'rainSplashWindDrivenRainInsects',
    anchor: 'howSusceptibleTheShootIsCounts',
  },
];

export const pathogens: readonly Pathogen[] = constants.map((constant) => ({
  ...constant,
  disorders: codesWhere(({ pathogen }) => pathogen === constant.code),
}));

const byCode = new Map(pathogens.map((pathogen) => [pathogen.code, pathogen]));

/** @throws {Error} never for a code of the list */
export function pathogenOf(code: PathogenCode): Pathogen {
  return byCode.get(code) as Pathogen;
}

/** Pathogens that weigh for a tree. @param loads host times what is nearby; missing or nought: none */
export function pathogensIn(loads: Partial<Record<PathogenCode, number>>): Pathogen[] {
  return pathogens.filter((pathogen) => (loads[pathogen.code] ?? 0) > 0);
}

/**
 * Disorders that matter for wounds but have no constants here: what is said of them instead of a figure. By group of
 * species; the rules are those of common practice.
 */
export const wordsOnly: readonly { code: string; name: string; hosts: readonly HostGroup[]; rule: string }[] =
  [
    {
      code: 'NFB',
      name: 'anthracnoseAndPerennialCanker',
      hosts: ['apple', 'pear', 'quinceloq'],
      rule: 'conidiaSplashInAutumnRainNot',
    },
    {
      code: 'BKT',
      name: 'blackKnot',
      hosts: ['eplum', 'jplum', 'swcherry', 'socherry', 'apricot', 'peach'],
      rule: 'sporesFlyInRainFromBud',
    },
    {
      code: 'BRN',
      name: 'brownRot',
      hosts: ['peach', 'apricot', 'almond', 'eplum', 'jplum', 'swcherry', 'socherry', 'quinceloq'],
      rule: 'entersByFlowersAndFruitMore',
    },
    {
      code: 'PHY',
      name: 'collarRot',
      hosts: ['apple', 'pear', 'peach', 'apricot', 'swcherry', 'socherry', 'almond'],
      rule: 'soilWaterCarriesItKeepSoil',
    },
    {
      code: 'CGL',
      name: 'crownGall',
      hosts: [
        'apple',
        'pear',
        'peach',
        'apricot',
        'almond',
        'eplum',
        'jplum',
        'swcherry',
        'socherry',
        'quinceloq',
        'asianpear',
        'hawcrab',
      ],
      rule: 'anyWoundNearTheGroundIn',
    },
    {
      code: 'BOR',
      name: 'borers',
      hosts: ['peach', 'apricot', 'swcherry', 'socherry', 'eplum', 'jplum', 'apple', 'pear'],
      rule: 'freshCutsDrawEggLayingBeetles',
    },
  ];
