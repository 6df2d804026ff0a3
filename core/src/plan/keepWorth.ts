// Which limbs are worth more than their wood?
import { type Limb, widestGap } from '../tree/index';
import type { PlanInput } from './input';

export interface KeepWorth {
  limbId: string;
  worth: number;
  because: string[];
}

/** @source common practice, no source; weights are the planner's */
const FRAME = 12;
const FILLS_SECTOR = 8;
const FOLLOWER = 10;
const LEVEL_AND_YOUNG = 4;
const BALANCES = 5;
const LEVEL_WITHIN_DEG = 25;
const YOUNG_YEARS = 3;
const SECTOR_DEG = 140;
const OFF_BALANCE = 0.35;

const SLOTS = {
  'open centre': 4,
  'central leader': 8,
  'modified leader': 6,
  espalier: 12,
  fan: 14,
  cordon: 20,
  'multi-stem': 5,
  wild: 5,
} as const;

/** Worth of each limb that has any, with the reasons. It is lost once, when more than half of the limb goes. */
export function keepWorths({ tree, pins }: Pick<PlanInput, 'tree' | 'pins'>): KeepWorth[] {
  const worth = new Map<string, { worth: number; because: string[] }>();
  const add = (limbId: string, more: number, why: string) => {
    const had = worth.get(limbId) ?? { worth: 0, because: [] };
    worth.set(limbId, { worth: had.worth + more, because: [...had.because, why] });
  };
  const main = tree.limbs.filter((limb) => limb.kind === 'scaffold');
  for (const limb of frameOf(main, SLOTS[tree.form])) add(limb.id, FRAME, 'one of the frame');
  for (const limb of main) if (fillsSector(limb, main)) add(limb.id, FILLS_SECTOR, 'fills an empty sector');
  for (const limb of balancing(main)) add(limb.id, BALANCES, 'balances the crown');
  for (const limb of tree.limbs) {
    const young = limb.ageYears <= YOUNG_YEARS && Math.abs(limb.inclinationDeg) <= LEVEL_WITHIN_DEG;
    if (young && (limb.kind === 'lateral' || limb.kind === 'branch'))
      add(limb.id, LEVEL_AND_YOUNG, 'near level and young');
  }
  for (const pin of pins)
    if (pin.kind === 'follower') add(pin.followerId, FOLLOWER, 'grown on as a follower');
  return [...worth].map(([limbId, one]) => ({ limbId, ...one }));
}

/** The stoutest limbs that the form has room for, none steeper than a leader. */
function frameOf(main: Limb[], slots: number): Limb[] {
  return main.toSorted((a, b) => b.baseMm - a.baseMm).slice(0, slots);
}

function fillsSector(limb: Limb, main: Limb[]): boolean {
  const others = main.filter((one) => one !== limb).map((one) => one.bearingDeg);
  if (others.length < 1) return false;
  const middle = widestGap(others);
  const gap = others.length === 1 ? 360 : gapRound(middle, others);
  const off = Math.abs(((limb.bearingDeg - middle + 540) % 360) - 180);
  return gap > SECTOR_DEG && off < gap / 2;
}

function gapRound(middle: number, bearings: number[]): number {
  const off = bearings.map((deg) => Math.abs(((deg - middle + 540) % 360) - 180));
  return 2 * Math.min(...off);
}

/** Limbs on the light side of a crown that leans to the other. */
function balancing(main: Limb[]): Limb[] {
  let [x, y, whole] = [0, 0, 0];
  const weight = (limb: Limb) =>
    limb.baseMm ** 2 * limb.lengthCm * Math.cos((limb.inclinationDeg * Math.PI) / 180);
  for (const limb of main) {
    const bearing = (limb.bearingDeg * Math.PI) / 180;
    x += Math.sin(bearing) * weight(limb);
    y += Math.cos(bearing) * weight(limb);
    whole += Math.abs(weight(limb));
  }
  if (whole === 0 || Math.hypot(x, y) / whole < OFF_BALANCE) return [];
  const heavy = (Math.atan2(x, y) * 180) / Math.PI;
  return main.filter((limb) => Math.abs(((limb.bearingDeg - heavy + 540) % 360) - 180) > 110);
}
