// What looks much the same, and which check tells them apart?

interface LookAlike {
  name: string;
  /** Met on healthy trees: nothing to cut. */
  harmless: boolean;
  /** The look or test that decides between them. */
  check: string;
}

const LICHEN: LookAlike = {
  name: 'lichen',
  harmless: true,
  check: 'greyGreenCrustOrTuftsOn',
};
const APHID: LookAlike = {
  name: 'woollyAphid',
  harmless: true,
  check: 'whiteWoolThatWipesOffSoft',
};
const NORMAL: LookAlike = {
  name: 'normalBark',
  harmless: true,
  check: 'evenlySpacedPoresOrFissuresNo',
};
const FROST: LookAlike = {
  name: 'frost',
  harmless: false,
  check: 'allAtOnceSeveralKindsOf',
};
const BORER: LookAlike = {
  name: 'A borer',
  harmless: false,
  check: 'holesSawdustOrTunnelsUnderThe',
};

/** @source Science of look-alikes from extension guides, from memory; biology high, checks common practice */
const table: Record<string, readonly LookAlike[]> = {
  FB_SHOOT: [
    { name: 'bacterialBlast', harmless: false, check: 'afterColdWetBloomStopsAt' },
    { name: 'shootTipBorer', harmless: false, check: 'splitTheShootHollowWithA' },
    {
      name: 'aCankerAtTheBaseOf',
      harmless: false,
      check: 'lookAtTheBaseOfThe',
    },
    FROST,
  ],
  FB_BLOS: [
    {
      name: 'bacterialBlast',
      harmless: false,
      check: 'coldBeforeItNotWarmthNo',
    },
    FROST,
  ],
  FB_CANK_A: [
    {
      name: 'neonectriaCanker',
      harmless: false,
      check: 'ringsLikeATargetCrackedEdge',
    },
    { name: 'blackRotCanker', harmless: false, check: 'paperyBarkWithBlackPimplesSharp' },
    APHID,
    NORMAL,
  ],
  FB_CANK_D: [
    {
      name: 'blackRotCanker',
      harmless: false,
      check: 'paperyBarkWithBlackPimplesNo',
    },
    { name: 'neonectriaCanker', harmless: false, check: 'ringsLikeATargetRedBeads' },
    NORMAL,
  ],
  NEO: [APHID, { name: 'anthracnoseCanker', harmless: false, check: 'fibresLikeFiddleStringsNoRed' }, LICHEN],
  NFB: [{ name: 'neonectriaCanker', harmless: false, check: 'ringsAndRedBeadsInsteadOf' }, APHID],
  CYT: [
    { name: 'bacterialCanker', harmless: false, check: 'sourSmellFlecksPastTheEdge' },
    BORER,
    { name: 'gumAlone', harmless: true, check: 'greenUnderneathNoDeadPatch' },
  ],
  PSS_CANK: [
    { name: 'cytosporaCanker', harmless: false, check: 'pimplesOrangeThreadsWhenWetSharp' },
    FROST,
    { name: 'gumAlone', harmless: true, check: 'greenUnderneathNoDeadPatch' },
  ],
  PSS_BLAST: [
    {
      name: 'fireBlightInBlossom',
      harmless: false,
      check: 'warmthBeforeItOozeDropsRuns',
    },
    FROST,
  ],
  BOT: [
    {
      name: 'fireBlightCankerInactive',
      harmless: false,
      check: 'flecksPastTheEdgeCentredOn',
    },
    { name: 'sunscald', harmless: false, check: 'onlyOnTopOfExposedLimbs' },
    LICHEN,
  ],
  BRN: [{ name: 'bacterialBlast', harmless: false, check: 'noTanTuftsInDampWeather' }, FROST],
  SIL: [
    {
      name: 'falseSilveringByStress',
      harmless: true,
      check: 'wholeTreeAtOnceCutA',
    },
  ],
  EUT: [
    {
      name: 'cytosporaCanker',
      harmless: false,
      check: 'noBrownWedgeOnTheCut',
    },
  ],
  COR: [
    {
      name: 'neonectriaCanker',
      harmless: false,
      check: 'redBeadsOnALiveEdge',
    },
  ],
  CGL: [
    { name: 'burrKnot', harmless: true, check: 'smoothOrWithRootTipsAbove' },
    { name: 'callus', harmless: true, check: 'evenRingRoundAWound' },
    APHID,
  ],
  PHY: [
    BORER,
    {
      name: 'gnawingOrMowerDamage',
      harmless: false,
      check: 'toothMarksOrAScrapeSound',
    },
  ],
  SCB: [{ name: 'poresOfNormalBark', harmless: true, check: 'evenRowsNotCrackedNoPustule' }],
  BKT: [{ name: 'crownGall', harmless: false, check: 'corkyAtCollarOrRootsNot' }],
  FRZ_WOOD: [
    {
      name: 'bacterialCanker',
      harmless: false,
      check: 'aSourSmellAndFlecksFreeze',
    },
  ],
  GUM: [{ name: 'cytosporaCanker', harmless: false, check: 'aDeadPatchWithPimplesUnder' }, BORER],
  DEAD: [
    {
      name: 'anyCankerFurtherDown',
      harmless: false,
      check: 'followTheDeadWoodToIts',
    },
    LICHEN,
  ],
  ROD: [{ name: 'mowerOrString', harmless: false, check: 'aCleanScrapeWithoutToothMarks' }],
  SWI: [
    {
      name: 'cytosporaCanker',
      harmless: false,
      check: 'pimplesAndGumOnAnySide',
    },
  ],
};

const ALWAYS: readonly LookAlike[] = [LICHEN, APHID, NORMAL];

/** What is easily taken for this cause; harmless things met on healthy trees always stand among them. */
export function lookAlikesOf(code: string): LookAlike[] {
  const rows = table[code] ?? [];
  return [...rows, ...ALWAYS.filter((lookAlike) => !rows.includes(lookAlike))];
}
