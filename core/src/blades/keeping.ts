// Where a mix stands, which says how long it lasts.
export const keepings = ['shade', 'sun', 'sappy'] as const;
export type Keeping = (typeof keepings)[number];
