// The routes whose answers are computed on a worker.
export const computeNames = [
  'computeCutPosition',
  'computeTreeCuts',
  'computeCutBack',
  'computeLimbNames',
  'computeFaults',
  'computeOpenness',
  'computeLimbMass',
  'computeCandidates',
  'computePlan',
  'computeOrder',
  'computeRunOrder',
  'computeTransmission',
  'computeStage',
  'computeFreeze',
  'computeWoundRisk',
  'computeWindows',
  'computeSeason',
  'computeSeasonPlan',
] as const;
export type ComputeName = (typeof computeNames)[number];

export const isComputed = (route: string): route is ComputeName =>
  (computeNames as readonly string[]).includes(route);
