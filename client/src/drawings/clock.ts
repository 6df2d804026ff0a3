// The crown from above, as a plan in centimetres turned so that the site's 12 o'clock is up.
import { type Limb, limbShape, limbTiers, type Tier } from '@mortisect/core/tree';

export interface Spoke {
  limb: Limb;
  /** Plan of the limb, cm from the stem; x to the right, y down, as on a screen. */
  base: { x: number; y: number };
  tip: { x: number; y: number };
  tier: Tier;
}

export function spokes(limbs: Limb[], twelveBearingDeg: number): Spoke[] {
  const shape = limbShape(limbs);
  const turn = (twelveBearingDeg * Math.PI) / 180;
  const onPlan = ({ x, y }: { x: number; y: number }) => ({
    x: x * Math.cos(turn) - y * Math.sin(turn),
    y: -(x * Math.sin(turn) + y * Math.cos(turn)),
  });
  const tiers = limbTiers(limbs);
  return limbs.flatMap((limb) => {
    const placed = shape.get(limb.id);
    const tier = tiers.get(limb.id);
    if (!placed || !tier || limb.kind === 'trunk') return [];
    return [{ limb, base: onPlan(placed.base), tip: onPlan(placed.tip), tier }];
  });
}

/** Farthest reach of the crown from the stem, cm. */
export function reachCm(list: Spoke[]): number {
  return Math.max(
    100,
    ...list.flatMap(({ base, tip }) => [Math.hypot(base.x, base.y), Math.hypot(tip.x, tip.y)]),
  );
}

/** The point at s cm along a spoke, on the plan. */
export function onSpoke({ limb, base, tip }: Spoke, s: number): { x: number; y: number } {
  const share = Math.min(1, Math.max(0, s / limb.lengthCm));
  return { x: base.x + (tip.x - base.x) * share, y: base.y + (tip.y - base.y) * share };
}

/**
 * Limbs that a touch may have meant, nearest first: all within `reach` of the finger that are not clearly farther than the nearest.
 *
 * @param at the touch on the plan, cm
 * @param reach how far a touch may miss, cm
 */
export function limbsAt(list: Spoke[], at: { x: number; y: number }, reach: number): Limb[] {
  const near = list
    .map((spoke) => ({ limb: spoke.limb, away: distance(spoke, at) }))
    .filter(({ away }) => away <= reach)
    .sort((a, b) => a.away - b.away);
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
