export { type Box, type LabelPlaced, type LabelWish, overlaps, placeLabels } from './labels';
