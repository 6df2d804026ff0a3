// The fields of a tree, called what a caretaker calls them; sizes without their unit.

import type { TreeColumn } from '@mortisect/contracts';
import type { Say } from '@mortisect/words';

export const fieldWordsIn = (say: Say): Record<TreeColumn, string> => ({
  code: say('round.codeOnItsTag'),
  nickname: say('round.nickname'),
  plot: say('round.plot'),
  row: say('round.row'),
  place: say('round.placeInTheRow'),
  species: say('round.species'),
  cultivar: say('round.cultivar'),
  rootstock: say('round.rootstock'),
  graftUnionCm: say('round.graftUnionAboveGround'),
  plantedYear: say('round.yearPlanted'),
  form: say('round.form'),
  purposes: say('round.for'),
  pickedBy: say('round.whoPicks'),
  reachCm: say('round.howHighItsPickerReaches'),
  habit: say('round.bearsOn'),
  tasted: say('round.somebodyHasTastedCleanFruitFromIt'),
  heightCm: say('round.height'),
  targetHeightCm: say('round.targetHeight'),
  spreadCm: say('round.spread'),
  girthCm: say('round.girthOfTheStem'),
  vigour: say('round.vigour'),
  susceptible: say('round.knownToTakeDiseaseBadly'),
  hazards: say('round.dangers'),
  neighbours: say('round.neighboursItMeetsOrShades'),
  fixtures: say('round.propsVinesAndGuards'),
  drainage: say('round.drainage'),
  frostPocket: say('round.standsInAFrostPocket'),
  status: say('round.status'),
  note: say('shared.note'),
  latitude: say('round.latitude'),
  longitude: say('round.longitude'),
});

/** The word for a field by its name; a name that is not one of a tree’s stands as it is. */
export const fieldWord = (say: Say, field: string): string => fieldWordsIn(say)[field as TreeColumn] ?? field;
