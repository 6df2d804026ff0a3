export { cutPosition, cutsFor, deadWoodOff, type Heir, heirsOf, kerfMm, shapeCut } from './cutPosition';
export {
  CuttingSchools,
  FindingForCut,
  findingPlaces,
  type ReasonNotToCut,
  reasonsNotToCut,
  TreeCuts,
  TreeForCut,
} from './forCut';
export {
  Cut,
  CutPositionInput,
  CutPositionResult,
  choicesBeyondSawing,
  Decision,
  type Finish,
  finishes,
  Lesion,
  MOST_LESIONS,
  MOST_LIMBS,
  type Place,
  type Reason,
} from './model';
export { leadingReason, type Telling } from './telling';
export { stillStands, treeAfter, treeCuts } from './treeCuts';
