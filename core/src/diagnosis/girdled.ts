// How much of the bark round a limb or stem is gone, and what does that ask for?

/** What is usually done: below a quarter, to a half, to three quarters, and from there on. Common practice, no source. */
export type GirdleAdvice =
  | 'excise and watch'
  | 'take or excise'
  | 'excise and lighten'
  | 'limb goes'
  | 'stem declines'
  | 'bridge in spring'
  | 'stem is lost'
  | 'bridge when bark slips';

interface Girdled {
  /** 0..1 of the circumference. */
  share: number;
  advice: GirdleAdvice;
}

/**
 * Share of the circumference girdled: width counts, not area, as bark feeds only downward.
 *
 * @param widthsCm widths of the dead patches measured round the limb
 * @param circumferenceCm measured, or π × diameter
 * @returns null without a circumference or a width
 * @example girdled([6, 4], 31.4, 'stem', true)?.share //=> 0.318
 */
export function girdled(
  widthsCm: readonly number[],
  circumferenceCm: number,
  on: 'limb' | 'stem',
  diseased: boolean,
): Girdled | null {
  const sum = widthsCm.reduce((total, width) => total + width, 0);
  if (sum <= 0 || circumferenceCm <= 0) return null;
  const share = Math.min(1, sum / circumferenceCm);
  return { share, advice: adviceFor(share, on, diseased) };
}

function adviceFor(share: number, on: 'limb' | 'stem', diseased: boolean): GirdleAdvice {
  if (share < 0.25) return 'excise and watch';
  if (share < 0.5) return on === 'limb' ? 'take or excise' : 'excise and lighten';
  if (on === 'limb') return 'limb goes';
  if (share < 0.75) return diseased ? 'stem declines' : 'bridge in spring';
  return diseased ? 'stem is lost' : 'bridge when bark slips';
}
