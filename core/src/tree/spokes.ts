// The crown from above, as a plan in centimetres turned so that the site's 12 o'clock is up.
import type { Limb } from './limbMap';
import { limbTiers, type Tier } from './limbNames';
import { drawnSticks, limbShape } from './shape';

export interface Spoke {
  limb: Limb;
  /** Plan of the limb, cm from the stem; x to the right, y down, as on a screen. */
  base: { x: number; y: number };
  tip: { x: number; y: number };
  tier: Tier;
  /** What it is drawn with: itself, or a handful of a bundle. */
  drawn: { base: Spoke['base']; tip: Spoke['tip'] }[];
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
    const drawn = drawnSticks(limb, shape).map(({ base, tip }) => ({ base: onPlan(base), tip: onPlan(tip) }));
    return [{ limb, base: onPlan(placed.base), tip: onPlan(placed.tip), tier, drawn }];
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
