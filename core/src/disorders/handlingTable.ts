// The disorders beyond the six worked ones: what they look like, how far past the last sign to cut, and when not to cut at all.
import type { Confidence } from '../register/index';
import type { Disorder, Traits } from './disorder';

type Clearance = readonly [number, number];
interface Handled {
  disorder: Disorder;
  /** cm past the last sign; null where wood is not cut for it. */
  cut: { dormantCm: Clearance; growingCm: Clearance; use: string } | null;
}

const POME = 'applePearQuinceMedlarHawthornAnd';
const STONE = 'peachApricotPlumCherryAlmond';
const EXTENSION = 'handling tables of extension services, from memory';
const FIRE_BLIGHT_REPORT = 'mayBeNotifiableWhereYouAre';
const OUT = 'removeFromTheSiteBurnWhere';
const CHIP = 'chipOrFirewood';
const HALF_OUT = 'halfOfTheTrunkGirdledThe';
const NO_TRUNK_CUT = 'noCutOnTheStemAnswers';
const FREEZE_WAIT = 'waitUntilLeafOutShowsWhat';

/** Distances: Science of handling by extension services, remembered; each is a school that a site may change. */
export const handlingTable: readonly Handled[] = [
  disease('FB_SHOOT', 'fireBlightShootStrike', POME, 'hookedTipLeavesClingBrownOr', [1, 3], OUT, null, {
    notifiable: FIRE_BLIGHT_REPORT,
    edge: 'theLastDarkBark',
    spread: 'fire blight',
    pathogen: 'FB',
    causeGroup: 'fire blight',
    runsOn: true,
    strike: true,
    active: true,
    chips: 'thin',
  }),
  disease('FB_BLOS', 'fireBlightInBlossomOrSpur', POME, 'flowerClusterDeadAndBrownSpur', [1, 3], OUT, null, {
    notifiable: FIRE_BLIGHT_REPORT,
    edge: 'theLastDarkBark',
    spread: 'fire blight',
    pathogen: 'FB',
    causeGroup: 'fire blight',
    runsOn: true,
    strike: true,
    active: true,
    chips: 'thin',
  }),
  disease('FB_ROOT', 'fireBlightOfTheRootstock', POME, 'bleedingOrDeadBarkBelowThe', [1, 3], OUT, 'none', {
    notifiable: FIRE_BLIGHT_REPORT,
    onTrunk: 'noCutCuresItTheTree',
    instead: 'noCutCuresItLookFirst',
    spread: 'fire blight',
    pathogen: 'FB',
    causeGroup: 'fire blight',
    runsOn: true,
    takesTree: true,
    sits: 'rootstock',
  }),
  disease(
    'NFB',
    'anthracnoseOrPerennialCankerOfApple',
    'applePear',
    'sunkenEllipseWithACrackedEdge',
    [1, 1],
    OUT,
    [
      [5, 15],
      [5, 15],
    ],
    { causeGroup: 'canker', pared: true },
  ),
  disease(
    'PSS_CANK',
    'bacterialCanker',
    STONE,
    'deadSpursSourSmellBrownFlecks',
    [1, 2],
    OUT,
    [
      [15, 30],
      [15, 30],
    ],
    {
      use: 'inDrySummerNotInWet',
      confidence: 'low',
      onTrunk: 'halfGirdledItDeclinesDeadAbove',
      spread: 'bacterial canker',
      pathogen: 'PSS',
      causeGroup: 'bacterial',
      summerOnly: true,
      pared: true,
      chips: 'thin',
    },
  ),
  disease(
    'PSS_BLAST',
    'bacterialBlastOfBloomAndTips',
    'pearAsianPearStoneFruit',
    'brownClustersAfterFrostAndWet',
    [1, 1],
    'nothingSpecial',
    [
      [5, 5],
      [5, 5],
    ],
    {
      use: 'wait34WeeksForA',
      spread: 'bacterial canker',
      pathogen: 'PSS',
      causeGroup: 'bacterial',
      chips: 'thin',
    },
  ),
  disease(
    'BOT',
    'blackRotCanker',
    'applePearPeachAsFungalGum',
    'redBrownSunkenBarkPaperyAnd',
    [1, 1],
    'noBrushPilesBurnBuryOr',
    [
      [15, 15],
      [15, 15],
    ],
    { pathogen: 'BOT', causeGroup: 'canker', pared: true, chips: 'never' },
  ),
  disease(
    'BRN',
    'brownRotOfBlossomAndTwig',
    'stoneFruitQuinceApple',
    'blightedFlowersGumAtTheSpur',
    [0, 1],
    'mummiesBuriedBaggedOrBurnedNot',
    [
      [5, 10],
      [10, 15],
    ],
    { use: 'belowTheBlightAllMummiesAnd', causeGroup: 'brown rot', onFruit: true },
  ),
  disease(
    'SIL',
    'silverLeaf',
    'plumCherryPeachApple',
    'silveryLeavesFirstOnOneLimb',
    [1, 1],
    'burnOrRemoveBeforeBracketsForm',
    [
      [10, 15],
      [10, 15],
    ],
    {
      use: 'pastTheLastStainJuneTo',
      onTrunk: 'stainAtTheBaseOfThe',
      pathogen: 'SIL',
      causeGroup: 'stain',
      summerOnly: true,
      runsOn: true,
      chips: 'never',
    },
  ),
  disease(
    'EUT',
    'eutypaDieback',
    'apricotCherryAppleLittle',
    'oneLimbCollapsesInSummerLeaves',
    [0, 0],
    'burnOrBuryDeadWoodIt',
    [
      [30, 30],
      [30, 30],
    ],
    {
      use: 'pastStainAndCankerDrySummer',
      pathogen: 'EUT',
      causeGroup: 'stain',
      summerOnly: true,
      chips: 'never',
    },
  ),
  disease(
    'COR',
    'coralSpot',
    'all',
    'coralPinkCushionsOnDeadWood',
    [0, 0],
    'burnOrBuryNotStacked',
    [
      [5, 10],
      [5, 10],
    ],
    { use: 'toLiveWood', causeGroup: 'dead wood' },
  ),
  disease(
    'PMW',
    'powderyMildewOfTips',
    'appleAndOthers',
    'whiteTipsSilverFlattenedWinterShoots',
    [0, 0],
    'chipOrMow',
    [
      [10, 15],
      [10, 15],
    ],
    { use: 'belowTheSilverBudsDormantTip', causeGroup: 'local', chips: 'always' },
  ),
  disease(
    'CGL',
    'crownGall',
    'all',
    'roughCorkyTumourAtCollarRoots',
    [3, 3],
    'landfillOrBurnDoNotChip',
    'none',
    {
      instead: 'doNotCutAGallWhile',
      spread: 'crown gall',
      causeGroup: 'local',
      chips: 'never',
    },
  ),
  disease(
    'PHY',
    'phytophthoraCollarOrRootRot',
    'all',
    'declineEarlyRedLeavesDeadBark',
    [1, 1],
    'anyWashSoilOffBootsAnd',
    'none',
    { instead: 'exposeTheCollarDrainTheGround', causeGroup: 'root', sits: 'base' },
  ),
  disease(
    'BKT',
    'blackKnot',
    'plumCherry',
    'hardBlackLumpySwellingAlongThe',
    [1, 1],
    'burnBuryOrLandfillSoonKnots',
    [
      [15, 20],
      [15, 20],
    ],
    {
      use: 'byLateWinterNotInSpring',
      notifiable: 'regulatedInPlacesAskThePlant',
      causeGroup: 'local',
      chips: 'never',
      onlyIn: 'northAmerica',
    },
  ),
  disease(
    'SCB',
    'scabOnWood',
    'applePear',
    'blisteredThenCrackedPustulesOnYoung',
    [0, 0],
    'chipOrMow',
    [
      [0, 5],
      [0, 5],
    ],
    { use: 'pustuledTipsOnly', causeGroup: 'local', chips: 'always' },
  ),
  damage(
    'BOR',
    'borersOrBarkBeetles',
    'holesSawdustAloneOrInGum',
    [
      [5, 10],
      [5, 10],
    ],
    'chipThinWoodOrBurnBefore',
    { use: 'belowTheTunnels', causeGroup: 'borers', chips: 'thin' },
  ),
  damage(
    'TIPB',
    'shootTipBorer',
    'oneWiltedTipHollowInside',
    [
      [5, 5],
      [5, 5],
    ],
    'bagOrChip',
    { use: 'belowTheTunnelOptional', causeGroup: 'borers' },
  ),
  damage('FRZ_WOOD', 'freezeInjuryOfWood', 'brownCambiumNoEdgeOfA', 'wait', CHIP, {
    causeGroup: 'freeze',
    summerOnly: true,
    stresses: true,
  }),
  damage('FRZ_BUD', 'freezeBudsOrBloomKilled', 'brownInsideTheBudGreenWood', 'none', CHIP, {
    instead: 'theWoodIsAliveNothingTo',
    causeGroup: 'freeze',
    stresses: true,
  }),
  damage('FRZ_HEART', 'freezeBlackHeart', 'darkCoreLiveCambiumBrittleWood', 'none', CHIP, {
    instead: 'theWoodLivesOnButIs',
    causeGroup: 'freeze',
    stresses: true,
  }),
  damage('FRZ_DLY', 'delayedDiebackAfterFreeze', 'leafedOutThenCollapsedWeeksLater', 'wait', CHIP, {
    causeGroup: 'freeze',
    summerOnly: true,
    stresses: true,
  }),
  damage('SWI', 'winterSunInjuryOrFrostSplit', 'deadStripOnTheSunnyWinter', 'none', CHIP, {
    instead: 'trimLooseBarkToTheLive',
    causeGroup: 'freeze',
  }),
  damage('SUN', 'sunscald', 'deadPaperyBarkOnTopOf', 'none', CHIP, {
    instead: 'trimLooseBarkHalfGirdled',
    causeGroup: 'sunscald',
  }),
  damage(
    'RUB',
    'rubWound',
    'wornPatchWhereTwoLimbsTouch',
    [
      [0, 0],
      [0, 0],
    ],
    CHIP,
    { use: 'theLesserOfTheTwoTo', causeGroup: 'damage' },
  ),
  damage(
    'BRW',
    'browsing',
    'twigEndsBittenRaggedOrSlanted',
    [
      [0, 0],
      [0, 0],
    ],
    CHIP,
    { use: 'toLiveWoodThenProtectThe', causeGroup: 'damage' },
  ),
  damage('ROD', 'barkGnawedByRodents', 'barkGnawedToothMarksAtThe', 'none', CHIP, {
    instead: 'measureHowMuchOfTheCircumference',
    causeGroup: 'damage',
    sits: 'base',
    often: true,
  }),
  damage('MEC', 'mowerTieOrStringDamage', 'scrapeOrGougeLowOnThe', 'none', CHIP, {
    instead: 'trimToLiveBarkKeepMachines',
    causeGroup: 'damage',
  }),
  damage('HRB', 'weedkillerInjury', 'strapLeavesBleachingInAPattern', 'none', 'notAsMulchOnBeds', {
    instead: 'waitASeasonRemoveOnlyWhat',
    causeGroup: 'root',
  }),
  damage('DRT', 'droughtDieback', 'leafEdgesScorchedTipsDyingEvenly', 'none', CHIP, {
    instead: 'waterFirstWaitASeasonThen',
    causeGroup: 'root',
    stresses: true,
  }),
  damage('WLG', 'waterlogging', 'paleLeavesWiltingInWetSoil', 'none', CHIP, {
    instead: 'drainFirstLookAtTheCollar',
    causeGroup: 'root',
    stresses: true,
  }),
  damage('GUM', 'gumWithoutADeadPatch', 'amberGumGreenUnderneathNoDead', 'none', CHIP, {
    instead: 'doNotCutForGumFindCause',
    causeGroup: 'gum',
  }),
  own(
    'SUSPECT',
    'notIdentifiedYet',
    'diseased',
    'deadOrSunkenWoodWhoseCause',
    { dormantCm: [25, 30], growingCm: [25, 30], use: 'asTheWorstItCouldBe' },
    { plain: 'diseased' },
  ),
  own('STUB', 'deadStubOfAnOldCut', 'dead', 'aStubThatDiedBack', atLiveWood('toTheLivingCollar'), {
    oldCut: true,
    plain: 'old cut',
  }),
  own('DMG', 'damagedHowIsNotSaid', 'damaged', 'barkOrWoodIsHurtNothing', atLiveWood('toLiveWood'), {
    plain: 'damaged',
  }),
  own('TORN', 'tornOldCut', 'damaged', 'barkTornDownBelowAnOld', atLiveWood('smoothToLiveWood'), {
    oldCut: true,
  }),
  own('CLOSING', 'oldCutClosingWell', 'dead', 'aRingOfCallusAllRound', null, {
    instead: 'nothingToDoLetItClose',
    oldCut: true,
  }),
  own('SPROUTS', 'oldCutSprouting', 'misplaced', 'severalShootsBelowAnOldCut', null, {
    instead: 'thinInSummerWhileTheShoots',
    oldCut: true,
    summerOnly: true,
  }),
  own('MISPLACED', 'badlyPlacedWood', 'misplaced', 'soundWoodInTheWrongPlace', null, {
    instead: 'badlyPlacedWoodThePlanDecides',
    plain: 'misplaced',
  }),
];

interface More extends Traits {
  notifiable?: string;
  edge?: string;
  onTrunk?: string;
  instead?: string;
  use?: string;
  confidence?: Confidence;
}
type Cutting = readonly [Clearance, Clearance] | 'none' | 'wait' | null;

function disease(
  code: string,
  name: string,
  hosts: string,
  tellingSigns: string,
  [dormant, growing]: [0 | 1 | 2 | 3, 0 | 1 | 2 | 3],
  disposal: string,
  cutting: Cutting,
  more: More = {},
): Handled {
  return handled(
    {
      code,
      name,
      kind: 'diseased',
      cause: name,
      hosts,
      tellingSigns,
      toolWeight: { dormant, growing },
      disposal,
      edge: 'theLastSign',
      onTrunk: HALF_OUT,
    },
    cutting,
    more,
  );
}

function damage(
  code: string,
  name: string,
  tellingSigns: string,
  cutting: Cutting,
  disposal: string,
  more: More = {},
): Handled {
  const clean = { dormant: 0, growing: 0 } as const;
  return handled(
    {
      code,
      name,
      kind: 'damaged',
      cause: name,
      hosts: 'all',
      tellingSigns,
      toolWeight: clean,
      disposal,
      edge: 'theEdgeOfLiveWood',
      onTrunk: NO_TRUNK_CUT,
    },
    cutting,
    more,
  );
}

function handled(
  base: Omit<Disorder, 'source' | 'confidence' | 'answer'>,
  cutting: Cutting,
  more: More,
): Handled {
  const { use = 'pastTheLastSign', confidence = 'low', ...rest } = more;
  const answer = cutting === 'none' ? 'leave' : cutting === 'wait' ? 'wait' : 'cut';
  const instead = answer === 'wait' ? { instead: FREEZE_WAIT } : {};
  const disorder: Disorder = { ...base, ...instead, ...rest, answer, source: EXTENSION, confidence };
  if (cutting === 'none' || cutting === null) return { disorder, cut: null };
  const [dormantCm, growingCm] =
    cutting === 'wait'
      ? ([
          [0, 0],
          [0, 0],
        ] as const)
      : cutting;
  return {
    disorder,
    cut: { dormantCm, growingCm, use: cutting === 'wait' ? 'toLiveWoodOnceItShows' : use },
  };
}

/** Nothing is cut past the edge of live wood. */
function atLiveWood(use: string): Handled['cut'] {
  return { dormantCm: [0, 0], growingCm: [0, 0], use };
}

function own(
  code: string,
  name: string,
  kind: Disorder['kind'],
  tellingSigns: string,
  cut: Handled['cut'],
  more: Traits & Pick<More, 'instead'>,
): Handled {
  const weight =
    code === 'SUSPECT' ? ({ dormant: 1, growing: 3 } as const) : ({ dormant: 0, growing: 0 } as const);
  return {
    disorder: {
      code,
      name,
      kind,
      cause: name,
      hosts: 'all',
      tellingSigns,
      edge: code === 'SUSPECT' ? 'the edge' : 'live wood',
      toolWeight: weight,
      answer: cut ? 'cut' : 'leave',
      onTrunk: code === 'SUSPECT' ? HALF_OUT : NO_TRUNK_CUT,
      disposal: code === 'SUSPECT' ? OUT : CHIP,
      ...more,
      source: 'common practice, no source',
      confidence: 'practice',
    },
    cut,
  };
}
