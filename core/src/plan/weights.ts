// What is each problem worth to the planner, each limb that is kept, and a season’s wait? Every figure is the site’s own; these are where it starts.
import { z } from 'zod';
import { setting } from '../settings/index';

const keys = [
  'inactiveDisease',
  'dead',
  'damaged',
  'misplaced',
  'narrowUnion',
  'doubleLeader',
  'rubbing',
  'overAnother',
  'inward',
  'crossing',
  'outOfPlane',
  'cluster',
  'tooLow',
  'downward',
  'flatUnion',
  'upright',
  'sucker',
  'outOfReach',
  'pastBearing',
  'mummies',
  'tooHigh',
  'lightPoint',
  'keepFrame',
  'keepSector',
  'keepFollower',
  'keepLevel',
  'keepBalance',
  'discount',
] as const;
export type WeightKey = (typeof keys)[number];

export interface Weight {
  key: WeightKey;
  label: string;
  start: number;
  most: number;
}

/** @source weights of the planner: common practice, no source */
export const WEIGHTS_SOURCE = 'Common practice, no source';
export const weights: readonly Weight[] = [
  at('inactiveDisease', 'Worth of taking out a canker that stands still', 25),
  at('dead', 'Worth of taking out plain dead wood', 12),
  at('damaged', 'Worth of taking out damaged wood', 15),
  at('misplaced', 'Worth of taking out misplaced wood of no named fault', 7),
  at('narrowUnion', 'Narrow union', 14),
  at('doubleLeader', 'Double leader', 14),
  at('rubbing', 'Rubbing limbs', 10),
  at('overAnother', 'A limb over another', 8),
  at('inward', 'Grows inward', 7),
  at('crossing', 'Crossing limbs', 7),
  at('outOfPlane', 'Out of the plane of a trained tree', 7),
  at('cluster', 'Several from one spot', 6),
  at('tooLow', 'Too low', 6),
  at('downward', 'Hangs down', 6),
  at('flatUnion', 'Too flat a union', 6),
  at('upright', 'Water sprout', 4),
  at('sucker', 'Sucker', 4),
  at('outOfReach', 'Out of reach', 8),
  at('pastBearing', 'Past bearing', 4),
  at('mummies', 'Mummies', 25),
  at('tooHigh', 'A limb above the height the tree should have', 10),
  at('lightPoint', 'A point of light gained inside', 1),
  at('keepFrame', 'Worth of keeping a limb of the frame', 12),
  at('keepSector', 'Worth of keeping what fills an empty sector', 8),
  at('keepFollower', 'Worth of keeping a follower', 10),
  at('keepLevel', 'Worth of keeping a young limb near level', 4),
  at('keepBalance', 'Worth of keeping what balances the crown', 5),
  { key: 'discount', label: 'What is left of a worth when it comes a season later', start: 0.85, most: 1 },
];

function at(key: WeightKey, label: string, start: number): Weight {
  return { key, label, start, most: 100 };
}

/** The weights of a site; what it has not set is where the table starts. */
export const Weights = z.object(
  Object.fromEntries(
    weights.map(({ key, label, start, most }) => [
      key,
      setting(
        z
          .number()
          .min(key === 'discount' ? 0.05 : 0)
          .max(most)
          .default(start),
        { label },
      ),
    ]),
  ) as Record<WeightKey, z.ZodDefault<z.ZodNumber>>,
);
export type Weights = z.infer<typeof Weights>;

export function startingWeights(): Weights {
  return Weights.parse({});
}
