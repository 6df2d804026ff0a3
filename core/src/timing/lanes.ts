// Kinds of wood that are cut by one rule.
export const laneIds = ['pome', 'plum', 'peach', 'other', 'dead'] as const;
export type LaneId = (typeof laneIds)[number];
export const livingLanes = ['pome', 'plum', 'peach', 'other'] as const;

const LANES: Record<LaneId, string> = {
  pome: 'Apple, pear',
  plum: 'Plum, cherry',
  peach: 'Peach, apricot',
  other: 'Other trees',
  dead: 'Dead wood',
};

/** A kind of wood by the species of it that stand here, two at the most; by its usual name where none is given. */
export function laneWords(lane: LaneId, species: readonly string[] = []): string {
  const plain = LANES[lane];
  if (species.length === 0 || lane !== 'other') return plain;
  const [first, second] = species;
  return second ? `${first}, ${second.toLowerCase()}` : (first as string);
}
