// The fields of a tree, called what a caretaker calls them; sizes without their unit.
import type { TreeColumn } from '@mortisect/contracts';

export const fieldWords: Record<TreeColumn, string> = {
  code: 'Code on its tag',
  nickname: 'Nickname',
  plot: 'Plot',
  row: 'Row',
  place: 'Place in the row',
  species: 'Species',
  cultivar: 'Cultivar',
  rootstock: 'Rootstock',
  graftUnionCm: 'Graft union above ground',
  plantedYear: 'Year planted',
  form: 'Form',
  purposes: 'For',
  pickedBy: 'Who picks',
  reachCm: 'How high its picker reaches',
  habit: 'Bears on',
  tasted: 'Somebody has tasted clean fruit from it',
  heightCm: 'Height',
  targetHeightCm: 'Target height',
  spreadCm: 'Spread',
  girthCm: 'Girth of the stem',
  vigour: 'Vigour',
  susceptible: 'Known to take disease badly',
  hazards: 'Dangers',
  neighbours: 'Neighbours it meets or shades',
  fixtures: 'Props, vines and guards',
  drainage: 'Drainage',
  frostPocket: 'Stands in a frost pocket',
  status: 'Status',
  note: 'Note',
  latitude: 'Latitude',
  longitude: 'Longitude',
};

/** The word for a field by its name; a name that is not one of a tree’s stands as it is. */
export const fieldWord = (field: string): string => fieldWords[field as TreeColumn] ?? field;
