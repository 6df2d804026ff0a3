/** Share of a shoot that is headed off. @source extension bulletins, figures common practice */
const FRACTION: Readonly<Record<string, number>> = {
  apple: 0.25,
  crab: 0.25,
  pear: 0.25,
  'asian-pear': 0.25,
  quince: 0.1,
  medlar: 0.1,
  peach: 0.5,
  nectarine: 0.5,
  apricot: 0.3,
  almond: 0.15,
  'european-plum': 0.25,
  'japanese-plum': 0.3,
  'sweet-cherry': 0.1,
  'sour-cherry': 0.3,
};
const OTHERWISE = 0.25;

/** @example headingFraction('peach') //=> 0.5 */
export function headingFraction(species: string): number {
  return FRACTION[species] ?? OTHERWISE;
}
