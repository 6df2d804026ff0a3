// What did somebody mean who wrote a tree down in their own words: which fruit, which shape, planted when, and can it be so large?
import { type Refusal, refusal } from '../refusal/index';
import { type Species, speciesNamed, speciesOf, type TreeForm, treeForms } from './species';

/** What people call a fruit, by the species it can be. Common practice, no source. */
const CALLED: Record<string, readonly string[]> = {
  plum: ['european-plum', 'japanese-plum'],
  cherry: ['sweet-cherry', 'sour-cherry'],
  prune: ['european-plum'],
  damson: ['european-plum'],
  gage: ['european-plum'],
  greengage: ['european-plum'],
  mirabelle: ['european-plum'],
  'pie cherry': ['sour-cherry'],
  'tart cherry': ['sour-cherry'],
  'morello cherry': ['sour-cherry'],
  crabapple: ['crab'],
  'crab apple': ['crab'],
  nashi: ['asian-pear'],
  malus: ['apple', 'crab'],
  'malus domestica': ['apple'],
  pyrus: ['pear', 'asian-pear'],
  'pyrus communis': ['pear'],
  'pyrus pyrifolia': ['asian-pear'],
  'cydonia oblonga': ['quince'],
  'prunus persica': ['peach', 'nectarine'],
  'prunus armeniaca': ['apricot'],
  'prunus dulcis': ['almond'],
  'prunus domestica': ['european-plum'],
  'prunus salicina': ['japanese-plum'],
  'prunus avium': ['sweet-cherry'],
  'prunus cerasus': ['sour-cherry'],
};

/**
 * The species that a written word can mean: one where it is clear, several where somebody must say, none where it is not known here.
 * Case, accents and a plural are of no account.
 *
 * @example speciesMeant('Plums').map(({ code }) => code) //=> ['european-plum', 'japanese-plum']
 */
export function speciesMeant(text: string): Species[] {
  const word = text
    .trim()
    .toLowerCase()
    .replace(/\s+(tree|trees)$/, '');
  for (const singular of singulars(word)) {
    const named = speciesNamed(singular);
    if (named) return [named];
    const called = CALLED[singular];
    if (called) return called.flatMap((code) => speciesOf(code) ?? []);
  }
  return [];
}

function singulars(word: string): string[] {
  return [word, word.replace(/ies$/, 'y'), word.replace(/es$/, ''), word.replace(/s$/, '')];
}

const SHAPES: Record<string, TreeForm> = {
  vase: 'open centre',
  goblet: 'open centre',
  'open center': 'open centre',
  bush: 'open centre',
  pyramid: 'central leader',
  spindle: 'central leader',
  'slender spindle': 'central leader',
  leader: 'central leader',
  standard: 'modified leader',
  'half standard': 'modified leader',
  multistem: 'multi-stem',
  'multi stem': 'multi-stem',
  stepover: 'cordon',
  feathered: 'central leader',
};

/** The form that a written word means; undefined where none does. Common practice, no source. */
export function formMeant(text: string): TreeForm | undefined {
  const word = text.trim().toLowerCase().replace(/[_-]/g, ' ').replace(/\s+/g, ' ');
  return treeForms.find((form) => form.replace('-', ' ') === word) ?? SHAPES[word];
}

/** A year; `exact` where nothing but a year was written. */
type WrittenYear = { year: number; exact: boolean } | { fault: Refusal };

/**
 * The year in what was written of a planting: 1990, c. 1990, 12/03/1990, spring 1990.
 *
 * @param latest no tree was planted after it
 */
export function writtenYear(text: string, latest = 2200): WrittenYear {
  const years = [...new Set(text.match(/(?<!\d)(?:1[5-9]|2[01])\d\d(?!\d)/g) ?? [])].map(Number);
  const [year] = years;
  if (years.length > 1) return { fault: refusal('severalYears', { text }) };
  if (year === undefined || year > latest) return { fault: refusal('noYear', { text }) };
  return { year, exact: text.trim() === String(year) };
}

export const treeSizes = [
  'heightCm',
  'targetHeightCm',
  'spreadCm',
  'girthCm',
  'graftUnionCm',
  'reachCm',
] as const;
export type TreeSize = (typeof treeSizes)[number];

/** Between these a size is taken without asking, cm. Common practice, no source. */
const USUAL: Record<TreeSize, readonly [least: number, most: number]> = {
  heightCm: [60, 1500],
  targetHeightCm: [60, 1500],
  spreadCm: [40, 1500],
  girthCm: [2, 400],
  graftUnionCm: [0, 120],
  reachCm: [120, 800],
};

/** Whether a size is one that a fruit tree can well have; what is not so is asked about, never refused for it. */
export function isUsualSize(size: TreeSize, cm: number): boolean {
  const [least, most] = USUAL[size];
  return cm >= least && cm <= most;
}
