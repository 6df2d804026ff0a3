// How much of the bark round a limb or stem is gone, and what does that ask for?

interface Girdled {
  /** 0..1 of the circumference. */
  share: number;
  /** What is usually done; thresholds are common practice, no source. */
  advice: string;
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

function adviceFor(share: number, on: 'limb' | 'stem', diseased: boolean): string {
  if (share < 0.25) return 'Less than a quarter: excise in dry weather and watch.';
  if (share < 0.5) {
    return on === 'limb'
      ? 'A quarter to a half: take a limb that the frame can spare; else excise and lighten what hangs above.'
      : 'A quarter to a half: excise and lighten the crown above.';
  }
  if (share < 0.75) {
    if (on === 'limb') return 'Half to three quarters: the limb goes.';
    return diseased
      ? 'Half to three quarters of the stem: the tree will decline; it is better taken out.'
      : 'Half to three quarters of the stem: bridge graft in spring, or take the tree out.';
  }
  if (on === 'limb') return 'Three quarters or more: the limb goes.';
  return diseased
    ? 'Three quarters or more of the stem, from disease: the tree comes out.'
    : 'Three quarters or more of the stem: bridge graft when the bark slips, or take the tree out.';
}
