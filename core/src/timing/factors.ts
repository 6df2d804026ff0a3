// What speaks against a day besides infection: frost after the cut, sun, slipping bark, lateness, buds, shoots in answer.
import { type Crop, leavesDownDay, type StageDay, type Stages, type ThermalDay } from '../stage/index';
import { dayOfYear, northernDayOfYear } from '../weather/index';
import { stopDayOfYear } from './schoolNames';
import { ramp } from './score';
import type { Factors } from './shapes';

/** A cut lowers hardiness near it for about two weeks. From memory, confidence low. */
export const FROST_DAYS = 14;
const FROST_NONE_ABOVE_C = 8;
const FROST_FULL_BELOW_C = 3;
/** Sun scorches bark that was shaded, within days of opening the crown. Common practice, no source. */
const HEAT_DAYS = 5;
const HEAT_FROM_C = 32;
const HEAT_FULL_C = 38;
const HEAT_FULL_SHARE = 0.25;
const LATE_FULL_DAYS = 45;
/** A cut of this diameter tears slipping bark worse, mm. */
const LARGE_MM = 50;

export interface CutKind {
  /** Largest cut, mm. */
  mm: number;
  /** Share of the crown that goes, 0..1. */
  crownShare: number;
}

/** Least of each night’s lowest less what the wood stands that day, and the highest, over the days after a cut. */
export function frostAndHeat({ days, hardinessC }: Stages, at: number): { aboveC: number; hottestC: number } {
  let aboveC = Number.POSITIVE_INFINITY;
  let hottestC = Number.NEGATIVE_INFINITY;
  for (let k = at; k <= at + FROST_DAYS && k < days.length; k++) {
    const { minC, maxC } = days[k] as ThermalDay;
    aboveC = Math.min(aboveC, minC - (hardinessC[k] as number));
    if (k <= at + HEAT_DAYS) hottestC = Math.max(hottestC, maxC);
  }
  return { aboveC, hottestC };
}

/** How near frost comes to what the wood stands: 0 where it stays far above, 1 where severe injury is near. */
export function coldFactor(aboveHardinessC: number): number {
  return 1 - ramp(aboveHardinessC, FROST_FULL_BELOW_C, FROST_NONE_ABOVE_C);
}

/**
 * @param stage of the crop on the day of the cut
 * @param aboveHardinessC least, over the days after the cut, of a night’s lowest less what the wood stands that day, °C
 * @param hottestC highest within days after the cut
 */
export function factorsOf(
  stage: StageDay,
  aboveHardinessC: number,
  hottestC: number,
  cut: CutKind,
  options: { latitude: number; stopDay: string },
  crop: Crop,
): Factors {
  const ofYear = northernDayOfYear(dayOfYear(stage.day), options.latitude);
  const growing = stage.phase === 'growth' || stage.phase === 'hardening';
  const slips = stage.phase === 'buds' || stage.phase === 'bloom' || stage.phase === 'petal fall';
  return {
    cold: coldFactor(aboveHardinessC),
    heat: ramp(hottestC, HEAT_FROM_C, HEAT_FULL_C) * Math.min(1, cut.crownShare / HEAT_FULL_SHARE),
    slip: slips ? (cut.mm >= LARGE_MM ? 1 : 0.5) : 0,
    late:
      growing && ofYear < leavesDownDay(options.latitude)
        ? ramp(ofYear, stopDayOfYear(options.stopDay), stopDayOfYear(options.stopDay) + LATE_FULL_DAYS)
        : 0,
    buds:
      stage.phase === 'buds' || stage.phase === 'bloom'
        ? ramp(stage.share, crop.stages[0]?.share ?? 0.2, 0.6)
        : 0,
    growth: growing || stage.phase === 'petal fall' ? 0.3 : 1,
  };
}
