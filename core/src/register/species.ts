// Which fruit trees does the product know, and how do they grow and bear?

/** high and low: remembered from published work, confident or not; practice: common practice, no source. */
export type Confidence = 'high' | 'low' | 'practice';

export const hostGroups = [
  'apple',
  'pear',
  'asianpear',
  'quinceloq',
  'hawcrab',
  'peach',
  'apricot',
  'almond',
  'eplum',
  'jplum',
  'swcherry',
  'socherry',
] as const;
/** Column of the diagnosis tables that a species is read in. */
export type HostGroup = (typeof hostGroups)[number];

export const bearingHabits = ['spur', 'tip', 'partial tip', 'last year’s shoots', 'unknown'] as const;
export type BearingHabit = (typeof bearingHabits)[number];

export const treeForms = [
  'open centre',
  'central leader',
  'modified leader',
  'espalier',
  'fan',
  'cordon',
  'multi-stem',
  'wild',
] as const;
export type TreeForm = (typeof treeForms)[number];

const FLAT: readonly TreeForm[] = ['espalier', 'fan', 'cordon'];
/** Trained in one plane, against a wall or along wires. */
export function isTrainedFlat(form: TreeForm): boolean {
  return FLAT.includes(form);
}

export interface Species {
  code: string;
  name: string;
  fruit: 'pome' | 'stone' | 'other';
  /** null: causes are not computed for it; its guide is read instead. */
  host: HostGroup | null;
  usualForm: TreeForm;
  habit: BearingHabit;
  /** Age at which fruiting laterals decline, years; null where old wood or spurs bear on. */
  lateralsBearUntilYears: number | null;
  /** Limb length in cm for each mm of base diameter: how slender limbs grow. */
  slendernessCmPerMm: number;
  /** What to know where causes are not computed. */
  guide?: string;
  source: string;
  confidence: Confidence;
}

const HABIT_SOURCE = 'extension bulletins on fruiting habit, from memory';

/** Shapes by species and renewal ages are common practice; slenderness is a starting value for a first limb map. */
export const speciesTable: readonly Species[] = [
  row('apple', 'apple', 'pome', 'apple', 'central leader', 'unknown', null, 4),
  row('crab', 'crabApple', 'pome', 'hawcrab', 'central leader', 'spur', null, 4),
  row('pear', 'pear', 'pome', 'pear', 'central leader', 'spur', null, 4.2),
  row('asian-pear', 'asianPear', 'pome', 'asianpear', 'open centre', 'spur', null, 4.2),
  row('quince', 'quince', 'pome', 'quinceloq', 'open centre', 'tip', null, 4),
  row('medlar', 'medlar', 'pome', 'quinceloq', 'open centre', 'tip', null, 3.8),
  row('loquat', 'loquat', 'pome', 'quinceloq', 'open centre', 'tip', null, 3.6),
  row('hawthorn', 'hawthorn', 'pome', 'hawcrab', 'multi-stem', 'spur', null, 3.8),
  row('peach', 'peach', 'stone', 'peach', 'open centre', 'last year’s shoots', 2, 4.4),
  row('nectarine', 'nectarine', 'stone', 'peach', 'open centre', 'last year’s shoots', 2, 4.4),
  row('apricot', 'apricot', 'stone', 'apricot', 'open centre', 'spur', 4, 4.2),
  row('almond', 'almond', 'stone', 'almond', 'open centre', 'spur', 5, 4.2),
  row('european-plum', 'europeanPlum', 'stone', 'eplum', 'central leader', 'spur', null, 4.4),
  row('japanese-plum', 'japanesePlum', 'stone', 'jplum', 'open centre', 'spur', 5, 4.4),
  row('sweet-cherry', 'sweetCherry', 'stone', 'swcherry', 'central leader', 'spur', null, 4),
  row('sour-cherry', 'sourCherry', 'stone', 'socherry', 'open centre', 'last year’s shoots', 4, 4.4),
  {
    ...row('fig', 'fig', 'other', null, 'modified leader', 'last year’s shoots', 3, 3.2),
    guide: 'cankersOfSeveralFungiFreezeKill',
  },
  {
    ...row('persimmon', 'persimmon', 'other', null, 'modified leader', 'tip', null, 3.6),
    guide: 'anthracnoseWiltSheddingOfDeadTwigs',
  },
  {
    ...row('walnut', 'walnut', 'other', null, 'modified leader', 'tip', null, 3.6),
    guide: 'thousandCankersMovementOfWoodIs',
  },
  {
    ...row('citrus', 'citrus', 'other', null, 'open centre', 'unknown', null, 3.4),
    guide: 'gummosisAtTheFootDeadTwigs',
  },
];

function row(
  code: string,
  name: string,
  fruit: Species['fruit'],
  host: HostGroup | null,
  usualForm: TreeForm,
  habit: BearingHabit,
  lateralsBearUntilYears: number | null,
  slendernessCmPerMm: number,
): Species {
  return {
    code,
    name,
    fruit,
    host,
    usualForm,
    habit,
    lateralsBearUntilYears,
    slendernessCmPerMm,
    source: `${HABIT_SOURCE}; usual form and renewal age: common practice, no source`,
    confidence: 'practice',
  };
}

const byCode = new Map(speciesTable.map((species) => [species.code, species]));

/** The row of a code, or undefined for a species that is not in the table. */
export function speciesOf(code: string): Species | undefined {
  return byCode.get(code);
}

/** What the catalogue calls it by; a code that is not in the table is shown as it is. */
export function speciesName(code: string): string {
  return byCode.get(code)?.name ?? code;
}

/**
 * The species whose code somebody wrote, without regard to case, accents or hyphens; undefined where it is none.
 *
 * @example speciesNamed('european plum')?.code //=> 'european-plum'
 */
export function speciesNamed(text: string): Species | undefined {
  const wanted = plain(text);
  return speciesTable.find((species) => plain(species.code) === wanted);
}

function plain(text: string): string {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
}

/** All species, those that are grown here before the others. @param codes of them, the usual one first */
export function grownFirst(codes: readonly string[]): Species[] {
  const grown = codes.flatMap((code) => speciesOf(code) ?? []);
  return [...grown, ...speciesTable.filter(({ code }) => !codes.includes(code))];
}
