// The register as files: CSV for spreadsheets, GeoJSON for maps, one archive with everything.

import { treeColumns } from '@mortisect/contracts';
import type { TreeBody } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import Papa from 'papaparse';
import { type Cells, cellsOf, HEADINGS } from './columns';

/** Formulas are made harmless by an apostrophe, which import takes off again. */
export function csvOf(rows: Cells[], columns: readonly string[]): string {
  return Papa.unparse({ fields: [...columns], data: rows }, { escapeFormulae: FORMULA, newline: '\r\n' });
}

/** A leading minus before a digit is a number, no formula. Apostrophes before a formula get one more, so that taking one off again is right. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d+(?:\.\d+)?$)|'+[=+\-@\t\r]).*$/s;

/** Its headings are in a language of the reader; each of them is understood when the file comes back. */
export function treesAsCsv(say: Say, trees: TreeBody[]): string {
  return csvOf(
    trees.map((tree) => {
      const cells = cellsOf(say, tree);
      return Object.fromEntries(treeColumns.map((field) => [say(HEADINGS[field]), cells[field] ?? '']));
    }),
    treeColumns.map((field) => say(HEADINGS[field])),
  );
}

/** Trees without a position are left out: GeoJSON says where things are. */
export function treesAsGeojson(trees: TreeBody[]): string {
  return JSON.stringify({
    type: 'FeatureCollection',
    features: trees
      .filter((tree) => tree.latitude !== null && tree.longitude !== null)
      .map(({ latitude, longitude, ...properties }) => ({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [longitude, latitude] },
        properties,
      })),
  });
}
