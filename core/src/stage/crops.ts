// What does each crop need to wake and bloom, which stages does it pass, and what frost kills in each of them?
import type { Confidence } from '../register/index';

interface BudStage {
  name: string;
  /** Share of the warmth from the end of rest to full bloom at which it begins. */
  share: number;
  /** Temperature at which about 30 minutes kill a tenth, and nine tenths, of the buds, °F as published; null where none is. */
  killF: readonly [tenth: number, nineTenths: number] | null;
}

export interface Crop {
  code: string;
  /** Chill portions that end rest, least and most. */
  portions: readonly [number, number];
  /** The same in Utah units. */
  utah: readonly [number, number];
  /** Growing degree hours from the end of rest to full bloom, °C·h. */
  warmth: readonly [number, number];
  stages: readonly BudStage[];
  /** Serious injury to acclimated wood, and to buds, begins here in midwinter, °C: least and most hardy. */
  woodC: readonly [number, number];
  budsC: readonly [number, number];
  /** Days after (before) a crop of its own data; its stages go by that crop’s. */
  follows: { crop: string; days: number } | null;
  /** Whether the frost table is its own or a neighbour’s. */
  frostLike: string;
}

export const NEEDS_SOURCE =
  'chill and warmth to full bloom by crop: collected values, from memory, within a quarter; observed stages correct them';
export const NEEDS_CONFIDENCE: Confidence = 'low';
export const FROST_SOURCE =
  'WSU EB0913 (apple; Ballard, Proebsting & Tukey) and sister bulletins EB0978, EB0914, EB1240, EB1128, EB1186; sour cherry less sure';
export const FROST_CONFIDENCE: Confidence = 'high';
export const HARDINESS_SOURCE =
  'midwinter hardiness by crop, from memory; cultivars differ by 4 °C either way';
export const HARDINESS_CONFIDENCE: Confidence = 'low';
/** Share of the way to bloom at which buds visibly swell, petals are down, and fruit has set. Common practice, no source. */
export const PETALS_DOWN = 1.25;
export const FRUIT_SET = 1.45;

const stage = (name: string, share: number, tenth?: number, nine?: number): BudStage => ({
  name,
  share,
  killF: tenth === undefined || nine === undefined ? null : [tenth, nine],
});

// Shares of apple after its guide in degree-days (base 43 °F, from 1 January: silver tip 50, green tip 67, half-inch 94, tight
// cluster 125, pink 167, bloom 222 °C-days; from memory, low); the others set beside them: common practice, no source.
const apple = [
  stage('silver tip', 0.22, 15, 2),
  stage('green tip', 0.3, 18, 10),
  stage('half-inch green', 0.42, 23, 15),
  stage('tight cluster', 0.56, 27, 21),
  stage('first pink', 0.68, 28, 24),
  stage('full pink', 0.78, 28, 25),
  stage('first bloom', 0.92, 28, 25),
  stage('full bloom', 1, 28, 25),
  stage('post bloom', 1.15, 28, 25),
];
const pear = [
  stage('scales separating', 0.22, 15, 0),
  stage('buds exposed', 0.36, 20, 6),
  stage('tight cluster', 0.55, 24, 15),
  stage('first white', 0.68, 25, 19),
  stage('full white', 0.8, 26, 22),
  stage('first bloom', 0.92, 27, 23),
  stage('full bloom', 1, 28, 24),
  stage('post bloom', 1.15, 28, 24),
];
const peach = [
  stage('first swell', 0.3, 18, 1),
  stage('calyx green', 0.48, 21, 5),
  stage('calyx red', 0.62, 23, 9),
  stage('first pink', 0.78, 25, 15),
  stage('first bloom', 0.9, 26, 21),
  stage('full bloom', 1, 27, 24),
  stage('post bloom', 1.15, 28, 25),
];
const apricot = [
  stage('tip separates', 0.35, 20, 0),
  stage('red calyx', 0.6, 22, 9),
  stage('first white', 0.78, 24, 14),
  stage('first bloom', 0.9, 25, 19),
  stage('full bloom', 1, 27, 22),
  stage('in shuck', 1.2, 27, 24),
  stage('green fruit', 1.4, 28, 25),
];
const sweetCherry = [
  stage('first swell', 0.3, 17, 5),
  stage('side green', 0.42, 22, 9),
  stage('green tip', 0.52, 25, 14),
  stage('tight cluster', 0.64, 26, 17),
  stage('open cluster', 0.76, 27, 21),
  stage('first white', 0.86, 27, 24),
  stage('first bloom', 0.93, 28, 25),
  stage('full bloom', 1, 28, 25),
  stage('post bloom', 1.15, 28, 25),
];
const plum = [
  stage('first swell', 0.3, 14, 0),
  stage('side white', 0.42, 17, 3),
  stage('tip green', 0.52, 20, 7),
  stage('tight cluster', 0.66, 24, 16),
  stage('first white', 0.82, 26, 22),
  stage('first bloom', 0.92, 27, 23),
  stage('full bloom', 1, 28, 23),
  stage('post bloom', 1.15, 28, 23),
];
const sourCherry = [
  stage('first swell', 0.3, 15, 0),
  stage('side green', 0.42, 24, 10),
  stage('green tip', 0.52, 26, 22),
  stage('tight cluster', 0.64, 26, 24),
  stage('open cluster', 0.76, 28, 24),
  stage('full bloom', 1, 28, 24),
];
const leafing = [stage('buds swelling', 0.5), stage('leafing', 1)];

function crop(
  code: string,
  needs: [portions: [number, number], utah: [number, number], warmth: [number, number]],
  stages: readonly BudStage[],
  woodC: [number, number],
  budsC: [number, number],
  more: Partial<Crop> = {},
): Crop {
  const [portions, utah, warmth] = needs;
  return { code, portions, utah, warmth, stages, woodC, budsC, follows: null, frostLike: code, ...more };
}

type Needs = [portions: [number, number], utah: [number, number], warmth: [number, number]];
const APPLE: Needs = [
  [45, 70],
  [1000, 1250],
  [6000, 7500],
];
const PEAR: Needs = [
  [45, 65],
  [1000, 1250],
  [5500, 7000],
];
const PEACH: Needs = [
  [20, 60],
  [300, 900],
  [4500, 5200],
];
const AFTER_APPLE = (days: number) => ({ crop: 'apple', days });

/** Species of the register by code. A crop that `follows` another blooms so many days after it. */
export const crops: readonly Crop[] = [
  crop('apple', APPLE, apple, [-40, -30], [-38, -30]),
  crop('crab', APPLE, apple, [-40, -30], [-38, -30], { follows: AFTER_APPLE(-4), frostLike: 'apple' }),
  crop('pear', PEAR, pear, [-28, -28], [-30, -26]),
  crop('asian-pear', PEAR, pear, [-25, -25], [-22, -22], { frostLike: 'pear' }),
  crop('quince', APPLE, pear, [-26, -26], [-25, -25], { follows: AFTER_APPLE(7), frostLike: 'pear' }),
  crop('medlar', APPLE, pear, [-26, -26], [-25, -25], { follows: AFTER_APPLE(12), frostLike: 'pear' }),
  crop('hawthorn', APPLE, apple, [-40, -30], [-38, -30], { follows: AFTER_APPLE(8), frostLike: 'apple' }),
  crop('peach', PEACH, peach, [-27, -23], [-24, -20]),
  crop('nectarine', PEACH, peach, [-27, -23], [-24, -20], { frostLike: 'peach' }),
  crop(
    'apricot',
    [
      [35, 60],
      [600, 950],
      [4000, 5000],
    ],
    apricot,
    [-26, -26],
    [-26, -22],
  ),
  crop(
    'almond',
    [
      [10, 30],
      [200, 450],
      [4500, 6500],
    ],
    peach,
    [-22, -22],
    [-22, -18],
    { frostLike: 'peach' },
  ),
  crop(
    'european-plum',
    [
      [45, 65],
      [850, 1200],
      [5500, 6500],
    ],
    plum,
    [-30, -30],
    [-30, -26],
  ),
  crop(
    'japanese-plum',
    [
      [20, 50],
      [400, 800],
      [4500, 5500],
    ],
    plum,
    [-26, -26],
    [-22, -22],
    {
      frostLike: 'european-plum',
    },
  ),
  crop(
    'sweet-cherry',
    [
      [45, 75],
      [900, 1200],
      [5500, 6500],
    ],
    sweetCherry,
    [-27, -27],
    [-26, -21],
  ),
  crop(
    'sour-cherry',
    [
      [50, 70],
      [950, 950],
      [6100, 6100],
    ],
    sourCherry,
    [-32, -32],
    [-26, -26],
  ),
  crop(
    'walnut',
    [
      [40, 60],
      [700, 1000],
      [8000, 8800],
    ],
    leafing,
    [-26, -22],
    [-22, -15],
  ),
  crop('fig', PEACH, leafing, [-12, -9], [-12, -9], { follows: AFTER_APPLE(14) }),
  crop('persimmon', PEACH, leafing, [-28, -15], [-28, -15], { follows: AFTER_APPLE(10) }),
];

/** Crops that keep their leaves: they have no rest to be counted. Wood and bud hardiness, °C. */
export const evergreens: Readonly<
  Record<string, { woodC: readonly [number, number]; budsC: readonly [number, number] }>
> = {
  loquat: { woodC: [-10, -10], budsC: [-3, -3] },
  citrus: { woodC: [-8, -4], budsC: [-5, -2] },
};

const byCode = new Map(crops.map((crop) => [crop.code, crop]));

/** What is known of a species; undefined for one that keeps its leaves or is not in the table. */
export function cropOf(species: string): Crop | undefined {
  return byCode.get(species);
}

export const fahrenheitToC = (f: number) => ((f - 32) * 5) / 9;

/** Temperatures that kill a tenth and nine tenths in a stage, °C. */
export function killC(budStage: BudStage): [tenth: number, nineTenths: number] | null {
  return budStage.killF && [fahrenheitToC(budStage.killF[0]), fahrenheitToC(budStage.killF[1])];
}
