// Figures that rest on limbs which were counted at a glance, with the range that leaves.
import { type Grain, wholeMinutes, withinOf } from '@mortisect/core/plan';
import type { Say } from '../say';

type Range = Grain['minutes'];
const percentOf = (thousandths: number) => Math.round(thousandths / 10);

/** From the least to the most of a figure as it is told; none where one step up and down covers it. */
function told(figure: number, within: Range, round: (end: number) => number): Range | null {
  const [least, most] = (withinOf(figure, within) ?? [figure, figure]).map(round) as Range;
  return most - least < 2 ? null : [least, most];
}

/** @param within as much less and as much more. @example '15 min (9–42)' */
export function minutesWords(say: Say, figure: number, within: Range): string {
  const range = told(figure, within, wholeMinutes);
  const minutes = wholeMinutes(figure);
  if (!range) return say('shared.min', { minutes });
  return say('shared.minWithin', { minutes, least: range[0], most: range[1] });
}

/** A share of the crown, thousandths. @param percent the same in words. @example '15 % (9–34)' */
export function shareWords(say: Say, percent: string, thousandths: number, within: Range): string {
  const range = told(thousandths, within, percentOf);
  return range ? say('shared.shareWithin', { percent, least: range[0], most: range[1] }) : percent;
}

/** What it may come to; null where every limb was mapped by itself, or the range is too small to be told. @param crown none where it is told elsewhere */
export function countedWords(
  say: Say,
  { minutes, crown = 0, grain }: { minutes: number; crown?: number; grain: Grain },
): string | null {
  const time = told(minutes, grain.minutes, wholeMinutes);
  const share = crown > 0 ? told(crown, grain.crown, percentOf) : null;
  const likely = [
    ...(time ? [say('shared.rangeOfMin', { least: time[0], most: time[1] })] : []),
    ...(share ? [say('shared.rangeOfCrown', { least: share[0], most: share[1] })] : []),
  ];
  return likely.length > 0 ? say('shared.onlyCounted', { likely: likely.join(', ') }) : null;
}
