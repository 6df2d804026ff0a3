// Trees alike in a row, written down at once: checked as each would be by itself, and sent as one file.

import { typedLengthCm, type Units } from '@mortisect/core/measure';
import { RowBody, TreeBody } from '@mortisect/core/records';
import { speciesOf, writtenYear } from '@mortisect/core/register';
import type { Say } from '@mortisect/words';
import { issueWords, refusalWords } from '@mortisect/words/trade';

export interface RowForm {
  count: string;
  plot: string;
  row: string;
  species: string;
  cultivar: string;
  plantedYear: string;
  heightCm: string;
  spreadCm: string;
  spacingCm: string;
}

export const MOST_IN_A_ROW = 200;

/** @param codes of trees that are written down already @returns the trees, or what is wrong by field */
export function treesOfRow(
  say: Say,
  form: RowForm,
  units: Units,
  codes: ReadonlySet<string>,
): { trees: TreeBody[]; spacingCm: number } | { faults: Partial<Record<keyof RowForm, string>> } {
  const faults: Partial<Record<keyof RowForm, string>> = {};
  const count = Number(form.count);
  if (form.count.trim() === '' || !Number.isInteger(count) || count < 1 || count > MOST_IN_A_ROW)
    faults.count = say('round.rowCountRange', { most: MOST_IN_A_ROW });
  const cmOf = (key: 'heightCm' | 'spreadCm' | 'spacingCm'): number => {
    const read = typedLengthCm(form[key], units);
    if ('cm' in read) return Math.round(read.cm);
    faults[key] = refusalWords(say, read.fault);
    return 0;
  };
  const [heightCm, spreadCm, spacingCm] = [cmOf('heightCm'), cmOf('spreadCm'), cmOf('spacingCm')];
  const apart = RowBody.shape.spacingCm.safeParse(spacingCm).error?.issues[0];
  if (apart) faults.spacingCm ??= issueWords(say, apart);
  const year = form.plantedYear.trim() === '' ? null : writtenYear(form.plantedYear);
  if (year && 'fault' in year) faults.plantedYear = refusalWords(say, year.fault);
  const digits = Math.max(2, form.count.trim().length);
  const trees = Array.from({ length: faults.count ? 1 : count }, (_, i) =>
    TreeBody.safeParse({
      code: `${form.row.trim()} ${String(i + 1).padStart(digits, '0')}`,
      plot: form.plot.trim(),
      row: form.row.trim(),
      place: i + 1,
      species: form.species,
      cultivar: form.cultivar.trim() || null,
      plantedYear: year && 'year' in year ? year.year : null,
      form: speciesOf(form.species)?.usualForm,
      heightCm,
      spreadCm,
    }),
  );
  for (const issue of trees[0]?.error?.issues ?? []) {
    const key = String(issue.path[0]) === 'code' ? 'row' : (String(issue.path[0]) as keyof RowForm);
    faults[key] ??= issueWords(say, issue);
  }
  const taken = trees.find(({ data }) => data && codes.has(data.code));
  if (taken?.data) faults.row ??= say('round.codeIsTaken', { code: taken.data.code });
  if (Object.keys(faults).length > 0) return { faults };
  return { trees: trees.flatMap(({ data }) => data ?? []), spacingCm };
}

const COLUMNS = [
  ...(['code', 'plot', 'row', 'place', 'species', 'cultivar', 'plantedYear', 'form'] as const),
  ...(['heightCm', 'spreadCm'] as const),
];

/** As a CSV file whose columns are called as the fields are. */
export function fileOfTrees(trees: readonly TreeBody[]): { file: File; mapping: Record<string, string> } {
  const cell = (value: unknown) => `"${String(value ?? '').replaceAll('"', '""')}"`;
  const lines = [COLUMNS.join(','), ...trees.map((tree) => COLUMNS.map((key) => cell(tree[key])).join(','))];
  return {
    file: new File([lines.join('\n')], 'row.csv', { type: 'text/csv' }),
    mapping: Object.fromEntries(COLUMNS.map((key) => [key, key])),
  };
}
