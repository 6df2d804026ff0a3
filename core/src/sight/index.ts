export { type Box, type LabelPlaced, type LabelWish, overlaps, placeLabels } from './labels';
export {
  type Camera,
  limbsTouched,
  type SeenWood,
  type Spot,
  standAt,
  type TreeSeen,
  treeSeen,
} from './view';
