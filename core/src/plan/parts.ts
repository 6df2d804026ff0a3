// What a plan’s problem is built from.
import type { CrownMap, SeasonLimits } from '../crown/index';
import type { TreeCuts } from '../cuts/index';
import type { Goal, OverLong, TooTall } from '../shaping/index';
import type { LimbIndex } from '../tree/index';
import type { KeepWorth } from './keepWorth';
import type { Priced } from './price';
import type { Training } from './training';

/** A problem of the plan: a finding, or what the whole tree lacks. */
export interface Asked {
  id: string;
  findingId: string | null;
  what: 'finding' | Goal;
  value: number;
  must: boolean;
}

/** A candidate with the index of the cut that takes its wood too. */
export interface InForest {
  priced: Priced;
  parent: number | null;
}

export interface Parts {
  doable: InForest[];
  cuts: TreeCuts;
  crown: CrownMap;
  limits: SeasonLimits;
  keep: KeepWorth[];
  index: LimbIndex;
  training: Training;
  /** What stands too high, and shoots that grew too long. */
  heights: { tall: TooTall[] };
  shoots: { long: OverLong[] };
}
