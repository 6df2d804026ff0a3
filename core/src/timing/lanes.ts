// Kinds of wood that are cut by one rule.
export const laneIds = ['pome', 'plum', 'peach', 'other', 'dead'] as const;
export type LaneId = (typeof laneIds)[number];
export const livingLanes = ['pome', 'plum', 'peach', 'other'] as const;

/** What a kind of wood is called where nobody says which species stand here. */
export const laneNames: Record<LaneId, string> = {
  pome: 'applePear',
  plum: 'plumCherry',
  peach: 'peachApricot',
  other: 'otherTrees',
  dead: 'deadWood',
};
