// How much bloom a limb bears, as far as it was mapped.
import { alike } from './bundle';
import type { Limb } from './limbMap';
import { indexLimbs, limbWithAll } from './wood';

/** Live flower buds and spurs on a limb and on all that it carries; 0 where nobody mapped them. */
export function bloomOn(limbs: Limb[], limb: Limb): number {
  return limbWithAll(indexLimbs(limbs), limb).reduce(
    (sum, { kind, buds = [], ...part }) =>
      sum +
      (kind === 'spur' ? alike(part) : 0) +
      buds.filter((bud) => bud.live && (bud.kind === 'flower' || bud.kind === 'mixed')).length,
    0,
  );
}
