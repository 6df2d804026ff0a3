// From which measure on is wood misplaced? Every limit is the site's own; these are where it starts.
import { z } from 'zod';
import type { Confidence } from '../register/index';
import { COMMON_PRACTICE, setting } from '../settings/index';

export interface Threshold {
  key: ThresholdKey;
  label: string;
  unit: 'mm' | 'cm' | '°' | '%' | 'mm a metre' | 'ratio' | 'limbs';
  start: number;
  least: number;
  most: number;
  source: string;
  confidence: Confidence;
}

const keys = [
  'swayMmPerM',
  'fruitSagMmPerM',
  'rubGapMm',
  'crossGapMm',
  'inwardPercent',
  'uprightDeg',
  'sproutFromCm',
  'downwardDeg',
  'narrowUnionDeg',
  'flatUnionDeg',
  'clusterLimbs',
  'clusterWithinCm',
  'shadeGapCm',
  'shadeSharePercent',
  'lowCm',
  'reachCm',
  'twinRatio',
  'emptySectorDeg',
  'lopsidedPercent',
  'outOfPlaneDeg',
] as const;
type ThresholdKey = (typeof keys)[number];

export const thresholds: readonly Threshold[] = [
  at('swayMmPerM', 'Sway of a limb, for each metre from its base', 'mm a metre', 10, 0, 100),
  at('fruitSagMmPerM', 'Sag under fruit, for each metre from its base', 'mm a metre', 15, 0, 200),
  at('rubGapMm', 'Gap below which two limbs rub, beyond sway', 'mm', 20, 0, 200),
  at('crossGapMm', 'Distance of crossing limbs', 'mm', 150, 0, 600),
  at('inwardPercent', 'Grows toward the stem by more than', '%', 20, 0, 100),
  at('uprightDeg', 'Upright sprout: nearer to vertical than', '°', 20, 0, 45),
  at('sproutFromCm', 'Upright sprout: longer than', 'cm', 40, 5, 300),
  at('downwardDeg', 'Hangs down by more than, below level', '°', 10, 0, 80),
  {
    ...at('narrowUnionDeg', 'Union narrower than', '°', 35, 5, 60),
    source: 'narrow unions include bark: Shigo 1989; limit common practice',
    confidence: 'high',
  },
  at('flatUnionDeg', 'Main limb flatter than, from vertical', '°', 85, 60, 120),
  at('clusterLimbs', 'Cluster: this many shoots from one spot', 'limbs', 3, 2, 12),
  at('clusterWithinCm', 'One spot: within', 'cm', 5, 1, 40),
  at('shadeGapCm', 'One limb over another: less apart in height than', 'cm', 20, 5, 150),
  at('shadeSharePercent', 'One limb over another: share of the lower covered', '%', 50, 10, 100),
  at('lowCm', 'Too low to mow or drive under', 'cm', 60, 0, 300),
  at('reachCm', 'Out of reach above', 'cm', 400, 150, 1200),
  {
    ...at('twinRatio', 'Double leader: as thick as, against the other', 'ratio', 0.8, 0.5, 1),
    source: 'codominant stems: arboricultural guides, from memory',
    confidence: 'low',
  },
  at('emptySectorDeg', 'Empty sector wider than', '°', 140, 60, 300),
  at('lopsidedPercent', 'Crown off its stem by, of its radius', '%', 35, 10, 100),
  at('outOfPlaneDeg', 'Trained flat: out of the plane by more than', '°', 30, 5, 90),
];

function at(
  key: ThresholdKey,
  label: string,
  unit: Threshold['unit'],
  start: number,
  least: number,
  most: number,
): Threshold {
  return { key, label, unit, start, least, most, ...COMMON_PRACTICE };
}

/** The limits of a site; what it has not set is where the table starts. */
export const Limits = z.object(
  Object.fromEntries(
    thresholds.map(({ key, start, least, most, ...words }) => [
      key,
      setting(z.number().min(least).max(most).default(start), words),
    ]),
  ) as Record<ThresholdKey, z.ZodDefault<z.ZodNumber>>,
);
export type Limits = z.infer<typeof Limits>;

export function startingLimits(): Limits {
  return Limits.parse({});
}
