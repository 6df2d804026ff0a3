// The register as files: CSV for spreadsheets, GeoJSON for maps, one archive with everything.

import { treeColumns } from '@mortisect/contracts';
import type { TreeBody } from '@mortisect/core/records';
import Papa from 'papaparse';
import { type Cells, cellsOf } from './columns';

/** Formulas are made harmless by an apostrophe, which import takes off again. */
export function csvOf(rows: Cells[], columns: readonly string[] = treeColumns): string {
  return Papa.unparse({ fields: [...columns], data: rows }, { escapeFormulae: FORMULA, newline: '\r\n' });
}

/** A leading minus before a digit is a number, no formula. Apostrophes before a formula get one more, so that taking one off again is right. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d+(?:\.\d+)?$)|'+[=+\-@\t\r]).*$/s;

export function treesAsCsv(trees: TreeBody[]): string {
  return csvOf(trees.map(cellsOf));
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
