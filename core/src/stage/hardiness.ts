// How much cold does the wood of a crop stand on each day?
import { type Crop, evergreens } from './crops';
import type { StageDay } from './shapes';
import { type CourseOptions, stageCourse } from './stageCourse';
import type { ThermalDay } from './thermal';

/** Wood in growth, and wood that has shed its leaves but not hardened, °C. From memory, confidence low. */
const GROWING_WOOD_C = -4;
const UNHARDENED_C = -10;
/** Wood hardens within so many days of cold, and loses hardness on warm days once chill is met. From memory, confidence low. */
const HARDENS_C_A_DAY = 0.5;
const LOSES_C_A_DEGREE = 0.25;
const MOST_LOST_A_DAY_C = 1.5;
const WARM_ABOVE_C = 6;

/**
 * Temperature at which serious injury to wood begins, °C, on each day of a course: it deepens through rest, is lost on warm
 * days once rest is over, partly comes back in cold, and is gone when buds move.
 */
export function hardinessCourse(
  crop: Crop,
  days: readonly ThermalDay[],
  course: readonly StageDay[],
): number[] {
  const midwinter = (crop.woodC[0] + crop.woodC[1]) / 2;
  // Never hardier unhardened than in midwinter: fig, for one, hardly hardens at all
  const autumn = Math.max(UNHARDENED_C, midwinter);
  let now = autumn;
  return course.map((stage, i) => {
    const meanC = days[i]?.meanC ?? WARM_ABOVE_C;
    switch (stage.phase) {
      case 'growth':
      case 'petal fall':
      case 'bloom':
        now = Math.max(GROWING_WOOD_C, midwinter);
        break;
      case 'hardening':
        now = Math.min(now, Math.max(autumn, now - HARDENS_C_A_DAY));
        break;
      case 'rest':
        now = Math.max(midwinter, now - HARDENS_C_A_DAY);
        break;
      case 'awake':
      case 'buds': {
        const lost = Math.min(MOST_LOST_A_DAY_C, Math.max(0, meanC - WARM_ABOVE_C) * LOSES_C_A_DEGREE);
        const regained = meanC < 2 ? HARDENS_C_A_DAY : 0;
        // Buds that move drag the wood along: between midwinter and growth by their share of the way
        const floor = midwinter + Math.min(1, stage.share) * (GROWING_WOOD_C - midwinter);
        now = Math.min(GROWING_WOOD_C, Math.max(now + lost - regained, floor));
        break;
      }
    }
    return now;
  });
}

/** Days with the stage of a crop and what its wood stands on each of them. */
export interface Stages {
  days: readonly ThermalDay[];
  course: StageDay[];
  hardinessC: number[];
}

/** Stage and hardiness together, over the same days. @see stageCourse */
export function stagesOver(crop: Crop, days: readonly ThermalDay[], options: CourseOptions): Stages {
  const course = stageCourse(crop, days, options);
  return { days, course, hardinessC: hardinessCourse(crop, days, course) };
}

/** The same for a tree that keeps its leaves: one figure all year. */
export function evergreenWoodC(species: string): number | null {
  const evergreen = evergreens[species];
  return evergreen ? (evergreen.woodC[0] + evergreen.woodC[1]) / 2 : null;
}
