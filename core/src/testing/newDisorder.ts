// A row that no table has, to see what follows from a row alone.
import type { Disorder } from '../disorders/index';

const disorder: Disorder = {
  code: 'ZZZ',
  name: 'Made-up canker',
  kind: 'diseased',
  cause: 'A made-up fungus',
  hosts: 'All',
  tellingSigns: 'Blue rings.',
  edge: 'the blue ring',
  toolWeight: { dormant: 2, growing: 3 },
  answer: 'cut',
  onTrunk: 'Pare it out.',
  disposal: 'Out of the orchard.',
  source: 'made up for a test',
  confidence: 'low',
  causeGroup: 'canker',
  pathogen: 'NEO',
  summerOnly: true,
  pared: true,
  active: true,
  stresses: true,
  chips: 'never',
};

export const madeUp = { disorder, cut: { dormantCm: [7, 7], growingCm: [9, 9], use: 'Past the blue ring.' } };
