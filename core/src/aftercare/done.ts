// What goes on record of wood that is carried away, and of cuts that are looked at again.
export const debrisRoutes = ['burn', 'bury', 'landfill', 'chip', 'leave'] as const;
export type DebrisRoute = (typeof debrisRoutes)[number];

export const DEBRIS_ROUTE_WORDS: Record<DebrisRoute, string> = {
  burn: 'burned',
  bury: 'buried',
  landfill: 'to landfill, bagged',
  chip: 'chipped',
  leave: 'left to rot',
};

export const recheckKinds = ['strikes', 'month', 'early summer', 'next winter'] as const;
export type RecheckKind = (typeof recheckKinds)[number];
export const recheckOutcomes = ['clean', 'came back', 'regrown'] as const;
export type RecheckOutcome = (typeof recheckOutcomes)[number];
