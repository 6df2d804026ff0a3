// What is likely on a tree before any sign was looked for: by its species, the season, and what does not occur here.

import { causes } from '@mortisect/core/diagnosis';
import type { SiteToday } from '@mortisect/core/present';
import { speciesOf } from '@mortisect/core/register';

/** @returns codes, the likeliest first; none where causes are not computed for the species */
export function likelyOn(species: string, { season, site }: SiteToday): string[] {
  const host = speciesOf(species)?.host ?? null;
  if (!host) return [];
  const { absentHere } = site;
  return causes({ host, season, answers: {}, absentHere, clinic: [] }).causes.map(({ code }) => code);
}
