export { asksForShape, type Goal, goals, TRAINED_UP_TO_YEARS } from './goals';
