export { type Box, type LabelPlaced, type LabelWish, overlaps, placeLabels } from './labels';
export {
  type Camera,
  limbsTouched,
  MOST_ZOOM,
  movedBy,
  nearestShare,
  outlineOf,
  type SeenWood,
  type Spot,
  standAt,
  type TreeSeen,
  treeSeen,
  zoomedAt,
} from './view';
