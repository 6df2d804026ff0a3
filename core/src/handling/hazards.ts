// What makes a tree dangerous to work at or under, as it is known of it.

export const hazards = [
  'hanging limb',
  'split stem',
  'power line',
  'lean',
  'cavity',
  'slope',
  'metal in the stem',
  'heritage tree',
  'boundary mark',
  'heaved roots',
  'fungus at the base',
  'soft ground',
  'something under it',
] as const;
export type Hazard = (typeof hazards)[number];

/** Nothing that grows in an orchard leans, and no ground that is worked slopes, farther. */
export const MOST_DEG = 60;

/** No cut of such a tree is the caretaker's: where the line runs and where the limb may fall is not on record. */
export const WHOLE_TREE = [
  'hanging limb',
  'split stem',
  'power line',
  'heaved roots',
  'fungus at the base',
] as const;
export type WholeTree = (typeof WHOLE_TREE)[number];
/** What may hurt somebody who stands near; the others are notes for whoever cuts. */
const DANGERS: readonly Hazard[] = [...WHOLE_TREE, 'lean', 'cavity'];
/** Of what is known of a tree, what endangers people. @example dangersOf(['boundary mark', 'lean']) //=> ['lean'] */
export function dangersOf(known: readonly Hazard[]): Hazard[] {
  return known.filter((hazard) => DANGERS.includes(hazard));
}
