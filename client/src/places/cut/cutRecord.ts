// A cut as it goes on record.

import { type Cut, kerfMm } from '@mortisect/core/cuts';
import { limbMass, loadIn } from '@mortisect/core/handling';
import { shortfallOf } from '@mortisect/core/plan';
import type { Blade } from '@mortisect/core/present';
import type { ActionOf } from '@mortisect/core/records';
import { indexLimbs } from '@mortisect/core/tree';
import type { SiteToday } from '../../data/orchardView';
import type { RunItem } from './work';

export interface Placed {
  limbId: string;
  atCm: number;
  kind: Cut['kind'];
}

/** As planned: where the bud is still to be found, the outermost place. */
export function placedAt({ limbId, atCm, upToCm, kind }: Cut): Placed {
  return { limbId, atCm: upToCm ?? atCm, kind };
}

/** @param season what hangs on the wood is weighed too */
export function cutMade(
  item: RunItem,
  placed: Placed,
  blade: Blade,
  at: string,
  season: SiteToday['season'],
): ActionOf<'cutMade'> {
  const { view, cut } = item;
  const mass = limbMass(view.limbs, view.tree.species, placed, loadIn(season));
  const name = view.names.get(placed.limbId) ?? placed.limbId;
  return {
    kind: 'cutMade',
    at,
    treeId: view.tree.id,
    blade: blade.id,
    findingIds: item.findingIds,
    disorders: item.disorders,
    cut: {
      limbId: placed.limbId,
      limbName: name,
      atCm: placed.atCm,
      kind: placed.kind,
      diameterMm: kerfMm(view.limbs, placed),
      clearanceCm: Math.max(0, ...cut.because.map((reason) => reason.clearanceCm)),
      // What was really cut decides
      shortfallCm: shortfallOf(
        placed,
        cut.because.map(({ edgeLimbId, edgeCm, clearanceCm }) => ({
          limbId: edgeLimbId,
          fromCm: edgeCm,
          clearanceCm,
        })),
        indexLimbs(view.limbs),
      ),
      sentence: `${name}, ${Math.round(placed.atCm * 10) / 10} cm from the collar.`,
      massKg: Math.round(mass.kg * 1000) / 1000,
      tool: blade.tool.name,
    },
  };
}
