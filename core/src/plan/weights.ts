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
  'uprightCrown',
  'sucker',
  'outOfReach',
  'pastBearing',
  'mummies',
  'tooHigh',
  'heightCrown',
  'lightPoint',
  'keepFrame',
  'keepSector',
  'keepFollower',
  'keepLevel',
  'spacing',
  'renewal',
  'balancePoint',
  'gap',
  'keepFlower',
  'keepBetter',
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
export const WEIGHTS_SOURCE = 'commonPracticeNoSource';
export const weights: readonly Weight[] = [
  at('inactiveDisease', 'worthOfTakingOutACanker', 25),
  at('dead', 'worthOfTakingOutPlainDead', 12),
  at('damaged', 'worthOfTakingOutDamagedWood', 15),
  at('misplaced', 'worthOfTakingOutMisplacedWood', 7),
  at('narrowUnion', 'narrowUnion', 14),
  at('doubleLeader', 'doubleLeader', 14),
  at('rubbing', 'rubbingLimbs', 10),
  at('overAnother', 'aLimbOverAnother', 8),
  at('inward', 'growsInward', 7),
  at('crossing', 'crossingLimbs', 7),
  at('outOfPlane', 'outOfThePlaneOfA', 7),
  at('cluster', 'severalFromOneSpot', 6),
  at('tooLow', 'tooLow', 6),
  at('downward', 'hangsDown', 6),
  at('flatUnion', 'tooFlatAUnion', 6),
  at('upright', 'waterSprout', 1.5),
  at('uprightCrown', 'aThousandthOfUprightWood', 0.06),
  at('sucker', 'suckerName', 4),
  at('outOfReach', 'outOfReach', 8),
  at('pastBearing', 'pastBearing', 4),
  at('mummies', 'mummies', 25),
  at('tooHigh', 'aLimbAboveTheHeightThe', 10),
  at('heightCrown', 'aThousandthAboveTheHeight', 0.06),
  at('spacing', 'aShootOrSpurBeyondItsRoom', 1),
  at('renewal', 'aLateralThatIsRenewed', 4),
  at('balancePoint', 'aPointThatTheCrownComesBack', 0.3),
  at('gap', 'aGapThatIsFilled', 6),
  at('lightPoint', 'aPointOfLightGainedInside', 1),
  at('keepFrame', 'worthOfKeepingALimbOf', 12),
  at('keepSector', 'worthOfKeepingWhatFillsAn', 8),
  at('keepFollower', 'worthOfKeepingAFollower', 10),
  at('keepLevel', 'worthOfKeepingAYoungLimb', 4),
  at('keepFlower', 'worthOfKeepingFlowerWood', 2),
  at('keepBetter', 'worthOfKeepingTheBetterOfTwo', 2),
  { key: 'discount', label: 'whatIsLeftOfAWorth', start: 0.85, most: 1 },
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
