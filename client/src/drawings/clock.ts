// Which limb did a finger mean on the plan of the crown?
import type { Limb, Spoke } from '@mortisect/core/tree';

/**
 * Limbs that a touch may have meant, nearest first: all within `reach` of the finger that are not clearly farther than the nearest; where
 * none is so near, the nearest of all, so that every touch chooses.
 *
 * @param at the touch on the plan, cm
 * @param reach how far a touch may miss, cm
 */
export function limbsAt(list: Spoke[], at: { x: number; y: number }, reach: number): Limb[] {
  const all = list
    .map((spoke) => ({ limb: spoke.limb, away: distance(spoke, at) }))
    .sort((a, b) => a.away - b.away);
  const near = all.filter(({ away }) => away <= reach);
  if (near.length === 0) return all.slice(0, 1).map(({ limb }) => limb);
  const nearest = near[0]?.away ?? 0;
  return near.filter(({ away }) => away <= nearest + reach / 3).map(({ limb }) => limb);
}

function distance({ base, tip }: Spoke, at: { x: number; y: number }): number {
  const dx = tip.x - base.x;
  const dy = tip.y - base.y;
  const square = dx * dx + dy * dy;
  const share =
    square === 0 ? 0 : Math.min(1, Math.max(0, ((at.x - base.x) * dx + (at.y - base.y) * dy) / square));
  return Math.hypot(at.x - base.x - dx * share, at.y - base.y - dy * share);
}
