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
    name: 'Cytospora canker',
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
    anchor: 'Bark wounds closed in 10–14 days at 20 °C, over 3–4 weeks in cold (Biggs), from memory.',
  },
  {
    code: 'PSS',
    name: 'Bacterial canker and blast',
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
    carriedBy: 'rain splash, wet cool air',
    anchor: 'Wounds stay open one to three weeks in wet cool weather.',
  },
  {
    code: 'NEO',
    name: 'Neonectria canker',
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
    carriedBy: 'rain splash and spores in the air',
    anchor:
      'Susceptibility falls with the age of the wound (Xu et al. 1998). Where rain falls on more than 30 % of days with 8 h a day at 11–16 °C the climate favours it (Beresford & Kim 2011).',
  },
  {
    code: 'EUT',
    name: 'Eutypa dieback',
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
    carriedBy: 'spores in the air after rain of 1 mm and more, carried far',
    anchor:
      'Carter & Moller 1970; Petzoldt et al. 1981; Munkvold & Marois 1995: wounds open two to six weeks, shorter when warm.',
  },
  {
    code: 'SIL',
    name: 'Silver leaf',
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
    carriedBy: 'spores in wet air, autumn to spring',
    anchor:
      'Winter wounds about four weeks open, summer a week or less (older UK work; Spiers & Brewster 1997), from memory.',
  },
  {
    code: 'BOT',
    name: 'Black and white rot',
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
    carriedBy: 'rain splash in warm weather',
    anchor: 'Brown & Britton 1986; Brown-Rytlewski & McManus 2000, from memory.',
  },
  {
    code: 'FB',
    name: 'Fire blight',
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
    carriedBy: 'rain splash, wind-driven rain, insects, hands and blades',
    anchor: 'How susceptible the shoot is counts far more than the age of the wound.',
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
      name: 'Anthracnose and perennial canker',
      hosts: ['apple', 'pear', 'quinceloq'],
      rule: 'Conidia splash in autumn rain: not before or in it. Excise in a dry summer.',
    },
    {
      code: 'BKT',
      name: 'Black knot',
      hosts: ['eplum', 'jplum', 'swcherry', 'socherry', 'apricot', 'peach'],
      rule: 'Spores fly in rain from bud break until shoots stop growing: cut before, in late winter, not in spring rain.',
    },
    {
      code: 'BRN',
      name: 'Brown rot',
      hosts: ['peach', 'apricot', 'almond', 'eplum', 'jplum', 'swcherry', 'socherry', 'quinceloq'],
      rule: 'Enters by flowers and fruit more than by cuts: take twigs and mummies before bloom.',
    },
    {
      code: 'PHY',
      name: 'Collar rot',
      hosts: ['apple', 'pear', 'peach', 'apricot', 'swcherry', 'socherry', 'almond'],
      rule: 'Soil water carries it: keep soil off low wounds and off blades.',
    },
    {
      code: 'CGL',
      name: 'Crown gall',
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
      rule: 'Any wound near the ground in wet soil, any season; blades carry it.',
    },
    {
      code: 'BOR',
      name: 'Borers',
      hosts: ['peach', 'apricot', 'swcherry', 'socherry', 'eplum', 'jplum', 'apple', 'pear'],
      rule: 'Fresh cuts draw egg-laying beetles and moths in their flight, spring to early autumn: no large cuts on stressed trees then.',
    },
  ];
