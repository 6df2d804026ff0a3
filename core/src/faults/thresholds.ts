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
  at('swayMmPerM', 'swayOfALimbForEach', 'mm a metre', 10, 0, 100),
  at('fruitSagMmPerM', 'sagUnderFruitForEachMetre', 'mm a metre', 15, 0, 200),
  at('rubGapMm', 'gapBelowWhichTwoLimbsRub', 'mm', 20, 0, 200),
  at('crossGapMm', 'distanceOfCrossingLimbs', 'mm', 150, 0, 600),
  at('inwardPercent', 'growsTowardTheStemByMore', '%', 20, 0, 100),
  at('uprightDeg', 'uprightSproutNearerToVerticalThan', '°', 20, 0, 45),
  at('sproutFromCm', 'uprightSproutLongerThan', 'cm', 40, 5, 300),
  at('downwardDeg', 'hangsDownByMoreThanBelow', '°', 10, 0, 80),
  {
    ...at('narrowUnionDeg', 'unionNarrowerThan', '°', 35, 5, 60),
    source: 'narrow unions include bark: Shigo 1989; limit common practice',
    confidence: 'high',
  },
  at('flatUnionDeg', 'mainLimbFlatterThanFromVertical', '°', 85, 60, 120),
  at('clusterLimbs', 'clusterThisManyShootsFromOne', 'limbs', 3, 2, 12),
  at('clusterWithinCm', 'oneSpotWithin', 'cm', 5, 1, 40),
  at('shadeGapCm', 'oneLimbOverAnotherLessApart', 'cm', 20, 5, 150),
  at('shadeSharePercent', 'oneLimbOverAnotherShareOf', '%', 50, 10, 100),
  at('lowCm', 'tooLowToMowOrDrive', 'cm', 60, 0, 300),
  at('reachCm', 'outOfReachAbove', 'cm', 400, 150, 1200),
  {
    ...at('twinRatio', 'doubleLeaderAsThickAsAgainst', 'ratio', 0.8, 0.5, 1),
    source: 'codominant stems: arboricultural guides, from memory',
    confidence: 'low',
  },
  at('emptySectorDeg', 'emptySectorWiderThan', '°', 140, 60, 300),
  at('lopsidedPercent', 'crownOffItsStemByOf', '%', 35, 10, 100),
  at('outOfPlaneDeg', 'trainedFlatOutOfThePlane', '°', 30, 5, 90),
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
