// The schools of pruning time and what each says for itself.
import { type Crop, FRUIT_SET, PETALS_DOWN, type StageDay } from '../stage/index';
import { dayOfYear, northernDayOfYear } from '../weather/index';

export const timingSchools = [
  'full dormancy',
  'late dormancy',
  'bloom',
  'after fruit set',
  'after harvest',
  'any dry day',
] as const;
export type TimingSchool = (typeof timingSchools)[number];

/** Common practice; the pull of each way is the trade’s. */
export const schoolWords: Record<TimingSchool, { name: string; when: string; for: string; against: string }> =
  {
    'full dormancy': {
      name: 'Dormant',
      when: 'from half of the chill until buds move',
      for: 'Wood is seen, fire blight rests, the crew has time.',
      against: 'Silver leaf, bacterial canker and Eutypa in stone fruit; frost; wounds stay open long.',
    },
    'late dormancy': {
      name: 'Late dormant',
      when: 'from the end of rest until buds move',
      for: 'The hard frosts are past, wounds heal sooner.',
      against: 'A short window; too late it knocks off buds.',
    },
    bloom: {
      name: 'At bloom',
      when: 'from coloured buds to petal fall',
      for: 'Wounds of stone fruit close fast, killed wood shows, the crop can be judged.',
      against: 'Never on hosts of fire blight; bacterial canker when it is wet; bark slips.',
    },
    'after fruit set': {
      name: 'After fruit set',
      when: 'from fruit set to the stop date',
      for: 'Few spores fly, wounds close in days, few shoots answer.',
      against: 'Sun scorch, hardiness lost if late, fire blight if warm and wet.',
    },
    'after harvest': {
      name: 'After harvest',
      when: 'from the stop date until six weeks before leaves are down',
      for: 'Dry early autumns: cherry and apricot before the rain.',
      against: 'Wet autumns are the worst for silver leaf and canker; late growth does not harden.',
    },
    'any dry day': {
      name: 'Any dry day',
      when: 'all year, whenever the window is dry',
      for: 'What is found is cut.',
      against: 'The season of spores and the frost are left out of account.',
    },
  };

/** Coloured buds. */
const COLOURED = 0.75;
const BEFORE_LEAVES_DOWN_DAYS = 42;

/** Which school’s season is a day in? */
export function isInSchool(
  school: TimingSchool,
  stage: StageDay,
  crop: Crop,
  options: { latitude: number; stopDay: string; leavesDownDay: number },
): boolean {
  const ofYear = northernDayOfYear(dayOfYear(stage.day), options.latitude);
  const stop = stopDayOfYear(options.stopDay);
  const firstBud = crop.stages[0]?.share ?? 0.22;
  switch (school) {
    case 'full dormancy':
      return (
        (stage.phase === 'rest' && stage.chillShare >= 0.5) ||
        (stage.phase === 'awake' && stage.share < firstBud)
      );
    case 'late dormancy':
      return stage.phase === 'awake' && stage.share < firstBud;
    case 'bloom':
      return stage.share >= COLOURED && stage.share < PETALS_DOWN && stage.phase !== 'hardening';
    case 'after fruit set':
      return stage.phase === 'growth' && stage.share >= FRUIT_SET - 1e-9 && ofYear <= stop;
    case 'after harvest':
      return ofYear > stop && ofYear <= options.leavesDownDay - BEFORE_LEAVES_DOWN_DAYS;
    case 'any dry day':
      return true;
  }
}

/** Day of the year, in the north, of a stop date. */
export function stopDayOfYear(stopDay: string): number {
  return dayOfYear(`2001-${stopDay}`);
}
