// Which disorders does the product know, what do they do to the wood, and how sure is that?
import { z } from 'zod';
import type { Disorder } from './disorder';
import { handlingTable } from './handlingTable';
import { isGrowing, type Season } from './season';

const REPORT_FIRE_BLIGHT =
  'May be notifiable where you are: ask the plant-health authority before cutting or moving wood.';

const worked: readonly Omit<Disorder, 'answer'>[] = [
  {
    code: 'FB_CANK_A',
    name: 'Fire blight canker, active',
    kind: 'diseased',
    cause: 'Erwinia amylovora, overwintering; edge not definite',
    hosts: 'Apple, pear, quince, medlar, hawthorn and other pome fruit',
    tellingSigns:
      'Blurred, dark, blistered or slightly raised edge; red-brown flecks in the inner bark past it; ooze at bloom.',
    edge: 'the dark edge',
    toolWeight: { dormant: 1, growing: 3 },
    onTrunk:
      'Half of the trunk girdled, or on the rootstock shank: the tree comes out. Less: excise in dry weather and watch.',
    disposal: 'Remove from the site: burn where legal, bury, or landfill.',
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
    name: 'Fire blight canker, inactive',
    kind: 'diseased',
    cause: 'Erwinia amylovora, edge definite; the bacteria live on in a minority of such cankers',
    hosts: 'Apple, pear, quince, medlar, hawthorn and other pome fruit',
    tellingSigns: 'Sunken, dry, cracked edge; often black pimples of a second fungus on the dead bark.',
    edge: 'the cracked edge',
    toolWeight: { dormant: 1, growing: 2 },
    onTrunk: 'Half of the trunk girdled: the tree comes out. Less: excise in dry weather and watch.',
    disposal: 'Remove from the site: burn where legal, bury, or landfill.',
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
    name: 'Cytospora canker',
    kind: 'diseased',
    cause: 'Cytospora (Leucostoma), a fungus of weakened and frozen wood',
    hosts: 'Peach, cherry, plum, apricot; weak pome fruit',
    tellingSigns:
      'Sunken bark with black pimples, orange threads when wet, amber gum; centred on a cut, crotch or dead spur.',
    edge: 'the sunken edge',
    toolWeight: { dormant: 1, growing: 1 },
    onTrunk:
      'Pare to healthy bark in dry weather and let it dry; half of the trunk girdled: the tree comes out.',
    disposal: 'Out of the orchard within weeks: burn where legal, bury, or landfill. Not stacked.',
    pathogen: 'CYT',
    causeGroup: 'canker',
    pared: true,
    source: 'Biggs 1986, 1989 on wounds and Leucostoma; distances from common practice',
    confidence: 'low',
  },
  {
    code: 'NEO',
    name: 'Neonectria canker',
    kind: 'diseased',
    cause: 'Neonectria ditissima, European canker',
    hosts: 'Apple, pear, hawthorn, quince; wet cool climates',
    tellingSigns:
      'Rings like a target, bark in paper flakes, red beads from autumn to spring, dieback above.',
    edge: 'the outermost ring',
    toolWeight: { dormant: 1, growing: 1 },
    onTrunk: 'Pare to clean bark, boat-shaped, in a dry spell; half girdled: the tree comes out.',
    disposal: 'Remove: cut cankers go on shedding spores on the ground. Burn where legal, or bury.',
    pathogen: 'NEO',
    causeGroup: 'canker',
    pared: true,
    chips: 'never',
    source: 'Xu, Butt & Ridout 1998, Eur. J. Plant Pathol. 104; distances from common practice',
    confidence: 'low',
  },
  {
    code: 'DEAD',
    name: 'Dead wood',
    kind: 'dead',
    cause: 'Shade, age or a spent spur; no edge of a canker below',
    hosts: 'All',
    tellingSigns: 'Dry, snaps, brown under the bark; scratch down the limb until it is green.',
    edge: 'the first green bark',
    toolWeight: { dormant: 0, growing: 0 },
    onTrunk: 'A dying top is lowered to a live side branch; a dead stem comes out whole.',
    disposal: 'Chip or firewood. Never stacked near trees.',
    causeGroup: 'dead wood',
    causeUnknown: true,
    chips: 'always',
    plain: 'dead',
    source: 'USDA Forest Service NA-FR-01-95 on pruning dead branches',
    confidence: 'high',
  },
  {
    code: 'BRK',
    name: 'Breakage',
    kind: 'damaged',
    cause: 'Fruit load, snow, wind, a split union',
    hosts: 'All',
    tellingSigns: 'Torn, splintered wood; look for stain of decay at the break.',
    edge: 'the torn end',
    toolWeight: { dormant: 0, growing: 0 },
    onTrunk: 'A split stem or a hanging limb is work for a licensed arborist: stay from under it.',
    disposal: 'Chip or firewood.',
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
