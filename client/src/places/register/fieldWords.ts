// The fields of a tree, called what a caretaker calls them; sizes without their unit.

import type { TreeColumn } from '@mortisect/contracts';
import type { PlainKey, Say } from '@mortisect/words';

export const FIELD_WORDS: Record<TreeColumn, PlainKey> = {
  code: 'round.codeOnItsTag',
  nickname: 'round.nickname',
  plot: 'round.plot',
  row: 'round.row',
  place: 'round.placeInTheRow',
  species: 'round.species',
  cultivar: 'round.cultivar',
  rootstock: 'round.rootstock',
  graftUnionCm: 'round.graftUnionAboveGround',
  plantedYear: 'round.yearPlanted',
  form: 'round.form',
  purposes: 'round.for',
  pickedBy: 'round.whoPicks',
  reachCm: 'round.howHighItsPickerReaches',
  habit: 'round.bearsOn',
  tasted: 'round.somebodyHasTastedCleanFruitFromIt',
  heightCm: 'round.height',
  targetHeightCm: 'round.targetHeight',
  spreadCm: 'round.spread',
  girthCm: 'round.girthOfTheStem',
  vigour: 'round.vigour',
  susceptible: 'round.knownToTakeDiseaseBadly',
  hazards: 'round.dangers',
  leanDeg: 'round.howFarItLeans',
  slopeDeg: 'round.howSteepTheGroundIs',
  neighbours: 'round.neighboursItMeetsOrShades',
  fixtures: 'round.propsVinesAndGuards',
  drainage: 'round.drainage',
  frostPocket: 'round.standsInAFrostPocket',
  status: 'round.status',
  note: 'shared.note',
  latitude: 'round.latitude',
  longitude: 'round.longitude',
};

/** The word for a field by its name; a name that is not one of a tree’s stands as it is. */
export const fieldWord = (say: Say, field: string): string =>
  field in FIELD_WORDS ? say(FIELD_WORDS[field as TreeColumn]) : field;
