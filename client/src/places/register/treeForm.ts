// A tree as it is typed: sizes are text until they are saved, so that nothing half typed is lost.

import { isBareNumber, tapeReading, typedLengthCm, type Units } from '@mortisect/core/measure';
import { TreeBody, type TreeSummary } from '@mortisect/core/records';
import {
  type Cultivar,
  cultivarNamed,
  isUsualSize,
  speciesOf,
  type TreeSize,
  treeSizes,
  writtenYear,
} from '@mortisect/core/register';
import type { Say } from '@mortisect/words';
import { issueWords, readingIn, refusalWords } from '@mortisect/words/trade';

export type LengthKey = TreeSize;
export type TextKey = 'code' | 'nickname' | 'plot' | 'row' | 'cultivar' | 'rootstock' | 'pickedBy' | 'note';
export type NumberKey = 'place' | 'plantedYear' | 'latitude' | 'longitude' | 'leanDeg' | 'slopeDeg';

export type TreeForm = Record<LengthKey | TextKey | NumberKey, string> &
  Pick<
    TreeBody,
    | 'species'
    | 'form'
    | 'habit'
    | 'vigour'
    | 'status'
    | 'drainage'
    | 'purposes'
    | 'hazards'
    | 'fixtures'
    | 'susceptible'
    | 'tasted'
    | 'frostPocket'
    | 'neighbours'
  >;

const LENGTHS: readonly LengthKey[] = treeSizes;
const NUMBERS = [
  'place',
  'latitude',
  'longitude',
  'leanDeg',
  'slopeDeg',
] as const satisfies readonly NumberKey[];

const NEW_TREE: TreeBody = TreeBody.parse({
  code: 'x',
  plot: 'x',
  row: 'x',
  place: 1,
  species: 'apple',
  form: 'central leader',
  heightCm: 0,
  spreadCm: 0,
});

export function formOfTree(say: Say, tree: TreeBody, units: Units): TreeForm {
  const length = (cm: number | null) => (cm === null ? '' : readingIn(say, tapeReading(cm, units)).value);
  return {
    ...tree,
    ...(Object.fromEntries(LENGTHS.map((key) => [key, length(tree[key])])) as Record<LengthKey, string>),
    ...(Object.fromEntries(
      [...NUMBERS, 'plantedYear' as const].map((key) => [key, tree[key] === null ? '' : String(tree[key])]),
    ) as Record<NumberKey, string>),
    nickname: tree.nickname ?? '',
    cultivar: tree.cultivar ?? '',
    rootstock: tree.rootstock ?? '',
  };
}

/** @param species that is usual here */
export function emptyForm(say: Say, species = NEW_TREE.species): TreeForm {
  const tree = { ...NEW_TREE, species, form: speciesOf(species)?.usualForm ?? NEW_TREE.form };
  return { ...formOfTree(say, tree, 'metric'), code: '', plot: '', row: '', heightCm: '', spreadCm: '' };
}

/**
 * The tree, or what is wrong by field.
 *
 * @param before the tree that is edited: a size that nobody touched stays as it was measured, whatever the tape shows
 */
export function treeOfForm(
  say: Say,
  form: TreeForm,
  units: Units,
  before: TreeBody | null = null,
): { tree: TreeBody } | { faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const raw: Record<string, unknown> = { ...form };
  const shown = before && formOfTree(say, before, units);
  for (const key of LENGTHS) {
    const text = form[key].trim();
    if (before && text === shown?.[key]) raw[key] = before[key];
    else if (text === '') raw[key] = key === 'heightCm' || key === 'spreadCm' ? undefined : null;
    else {
      const length = typedLengthCm(text, units);
      if ('fault' in length) faults[key] = refusalWords(say, length.fault);
      else raw[key] = Math.round(length.cm * 10) / 10;
    }
  }
  for (const key of NUMBERS) {
    const text = form[key].trim();
    const value = Number(text.replace(',', '.'));
    if (text === '') raw[key] = key === 'place' ? undefined : null;
    else if (Number.isFinite(value)) raw[key] = value;
    else faults[key] = say('round.isNotANumber', { text });
  }
  const planted = form.plantedYear.trim() === '' ? null : writtenYear(form.plantedYear);
  if (planted && 'fault' in planted) faults.plantedYear = refusalWords(say, planted.fault);
  raw.plantedYear = planted && 'year' in planted ? planted.year : null;
  for (const key of ['nickname', 'cultivar', 'rootstock'] as const) raw[key] = form[key].trim() || null;
  const parsed = TreeBody.safeParse(raw);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      const key = String(issue.path[0]);
      faults[key] ??= raw[key] === undefined ? say('round.sayHowMuch') : issueWords(say, issue);
    }
  }
  return parsed.success && Object.keys(faults).length === 0 ? { tree: parsed.data } : { faults };
}

/** A size that no fruit tree usually has, and what may have been meant. */
export interface SizeDoubt {
  key: LengthKey;
  /** As it was typed, and read. */
  typed: string;
  cm: number;
  /** The same number in metres, or in feet where the tape is in inches, where that is a usual size. */
  instead: { text: string; cm: number } | null;
}

/** Sizes of a form that somebody should look at again; nothing is refused for them. */
export function doubtsOf(
  say: Say,
  form: TreeForm,
  units: Units,
  before: TreeBody | null = null,
): SizeDoubt[] {
  const shown = before && formOfTree(say, before, units);
  return LENGTHS.flatMap((key): SizeDoubt[] => {
    const typed = form[key].trim();
    const length = typedLengthCm(typed, units);
    if (typed === '' || typed === shown?.[key] || 'fault' in length || isUsualSize(key, length.cm)) return [];
    const text = `${typed} ${units === 'us' ? 'ft' : 'm'}`;
    const larger = isBareNumber(typed) ? typedLengthCm(text, units) : null;
    const fits = larger && 'cm' in larger && isUsualSize(key, larger.cm);
    return [{ key, typed, cm: length.cm, instead: fits ? { text, cm: larger.cm } : null }];
  });
}

/** What the tables know of a species and cultivar, put where nothing was said yet. */
export function withKnown(form: TreeForm, siteCultivars: readonly Cultivar[]): TreeForm {
  const cultivar = cultivarNamed(form.species, form.cultivar, siteCultivars);
  const species = speciesOf(form.species);
  return {
    ...form,
    habit: cultivar?.habit ?? (form.habit === 'unknown' ? (species?.habit ?? 'unknown') : form.habit),
    susceptible: cultivar ? cultivar.susceptibility === 'high' : form.susceptible,
  };
}

/** The next place in a row that has trees already. */
export function nextPlace(trees: readonly TreeSummary[], plot: string, row: string): number {
  const treesOfRow = trees.filter((tree) => tree.plot === plot && tree.row === row);
  return Math.max(0, ...treesOfRow.map((tree) => tree.place)) + 1;
}
