/** Of wood that is cut, in the order in which a run comes to it. */
export const woodClasses = ['sound', 'suspect', 'infected'] as const;
export type WoodClass = (typeof woodClasses)[number];
