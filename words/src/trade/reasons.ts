// The sentence of each reason that the rooms give as data.

import type { DebrisReason, LookFor, RecheckVerdict, ScionReason } from '@mortisect/core/aftercare';
import type { CleaningReason, SuppliesReason } from '@mortisect/core/blades';
import { type LimitReason, limitSchools, type RegrowthReason, type ShootsAt } from '@mortisect/core/crown';
import type { GirdleAdvice } from '@mortisect/core/diagnosis';
import { disorderOf } from '@mortisect/core/disorders';
import type { Caution, CautionReason, MinutesFor } from '@mortisect/core/handling';
import type { KeptFor, Verdict, VerdictReason } from '@mortisect/core/plan';
import { type Sentences, sentenceOf } from '@mortisect/core/reason';
import type { TriageReason } from '@mortisect/core/triage';
import type { PlainKey, Say } from '@mortisect/words';
import { figure } from './figures';
import { told } from './told';

const percent = (share: number) => `${Math.round(share * 100)} %`;
const FOOT_CM = 30.48;
const INCH_CM = 2.54;
const LB_KG = 0.45359237;
const feet = (say: Say, cm: number) =>
  say('trade.ft', { metres: `${figure(say, cm / 100, { most: 1 })} m`, cm: Math.round(cm / FOOT_CM) });
const inches = (say: Say, cm: number) => say('trade.cmIn', { cm, cm2: Math.round(cm / INCH_CM) });

const shareOf = (say: Say, { schoolId, hundredths }: { schoolId: string; hundredths: number }) => ({
  share: hundredths,
  school: told(say, limitSchools.find(({ id }) => id === schoolId)?.name ?? schoolId),
});

const limitIn = (say: Say): Sentences<LimitReason> => ({
  stressed: () => say('trade.aStressedOrFrozenTreeATenth'),
  young: (turned) => say('trade.aYoungTreeLessSoThatIt', shareOf(say, turned)),
  weak: (turned) => say('trade.aWeakTreeLess', shareOf(say, turned)),
  'bears on last year’s shoots': () => say('trade.peachAndNectarineBearOnLastYears'),
  'cherry or plum': (turned) => say('trade.cherriesAndPlumsLess', shareOf(say, turned)),
  'renovated evenly': () => say('trade.aTreeToRenovateAThirdA'),
  'not strong enough to be hard': () => say('trade.hardIsForStrongApplesAndPears'),
  'renovated a little': () => say('trade.renovatedALittle'),
  'set for this tree': () => say('trade.limitSetForThisTree'),
  'renovated hard first': () => say('trade.aTreeToRenovateHardAtOnce'),
  school: ({ schoolId }) => {
    const school = limitSchools.find((limitSchool) => limitSchool.id === schoolId);
    if (!school) return '';
    return say('trade.schoolSource', {
      school: told(say, school.name),
      use: told(say, school.use),
      source: school.source,
    });
  },
});
/** Why a season has its limit. */
export const limitWords = (say: Say, reason: LimitReason) => sentenceOf(limitIn(say), reason);

const regrowthIn = (say: Say): Sentences<RegrowthReason> => ({
  'cut in summer': () => say('trade.summerCutsAreHardlyAnswered'),
  'large wound': () => say('trade.aLargeDormantCutWakesManyBuds'),
  'taken at its collar': () => say('trade.aLimbTakenAtItsCollarIs'),
  shortened: () => say('trade.aShortenedLimbAnswersJustBelowThe'),
  'the heir is weak': () => say('trade.theHeirIsWeak'),
  'much goes at once': () => say('trade.overThreeTenthsOfTheCrownGoes'),
});
export const regrowthWords = (say: Say, reasons: readonly RegrowthReason[]) =>
  reasons.map((reason) => sentenceOf(regrowthIn(say), reason)).join(' ');

const SHOOTS_AT: Record<ShootsAt, PlainKey> = {
  collar: 'trade.roundTheCollarAndOnTheUpper',
  'below the cut': 'trade.within30Cm12InBelowThe',
};
export const shootsAtWords = (say: Say, at: ShootsAt) => say(SHOOTS_AT[at]);

const lookForIn = (say: Say): Record<LookFor, string> => ({
  strikes: say('trade.newStrikesWithin30CmOfThe'),
  dieback: say('trade.regrowthAndAnyDiebackFromTheCut'),
  canker: say('trade.cankerAtTheCutOrTowardThe'),
  collar: say('trade.shoots', { collar: say(SHOOTS_AT.collar) }),
  'below the cut': say('trade.shoots2', { shootsAt: say(SHOOTS_AT['below the cut']) }),
});
/** What a recheck looks for. */
export const lookForWords = (say: Say, what: LookFor) => lookForIn(say)[what];

const RECHECKED: Record<RecheckVerdict, PlainKey> = {
  'clean so far': 'trade.nothingToBeSeenSoFarThat',
  regrown: 'trade.regrownAsCutsAreChooseWhatStays',
  'fell short': 'trade.theCutFellShortCutAgain30',
  'new or crept': 'trade.newInfectionOrAnOldOneThat',
};
/** What was seen at a cut says of it, and what to do. */
export const recheckedWords = (say: Say, verdict: RecheckVerdict) => say(RECHECKED[verdict]);

const GIRDLING: Record<GirdleAdvice, PlainKey> = {
  'excise and watch': 'trade.lessThanAQuarterExciseInDry',
  'take or excise': 'trade.aQuarterToAHalfTakeA',
  'excise and lighten': 'trade.aQuarterToAHalfExciseAnd',
  'limb goes': 'trade.halfOrMoreTheLimbGoes',
  'stem declines': 'trade.halfToThreeQuartersOfTheStem',
  'bridge in spring': 'trade.halfToThreeQuartersOfTheStem2',
  'stem is lost': 'trade.threeQuartersOrMoreOfTheStem',
  'bridge when bark slips': 'trade.threeQuartersOrMoreOfTheStem2',
};
export const girdlingWords = (say: Say, advice: GirdleAdvice) => say(GIRDLING[advice]);

const verdictIn = (say: Say): Sentences<VerdictReason> => ({
  decided: () => say('trade.decidedByTheCaretaker'),
  'rootstock lost': () => say('trade.fireBlightInTheRootstockNoCut'),
  'girdled by disease': ({ share }) =>
    say('trade.diseaseGirdlesOfTheStemFromHalf', { percent: percent(share) }),
  'too much at once': ({ share }) => say('trade.ofTheLivingCrownMustGoFor', { percent: percent(share) }),
  gnawed: ({ share, scions }) => say('trade.theBarkIsGoneRoundOfThe', { percent: percent(share), scions }),
});
export const verdictWords = (say: Say, reason: VerdictReason) => sentenceOf(verdictIn(say), reason);

type Instead = Verdict['instead'][number];
const insteadIn = (say: Say): Record<VerdictReason['code'], Partial<Record<Instead, string>>> => ({
  decided: {},
  'rootstock lost': {},
  'girdled by disease': {
    excise: say('trade.pareItOutInDryWeatherAnd'),
    watch: say('trade.watchItStaysASourceOfDisease'),
    'top-work': say('trade.cutItOffBelowTheCankerAnd'),
  },
  'too much at once': {
    'remove tree': say('trade.takeTheTreeOut'),
    watch: say('trade.cutWhatMustBeCutAndSee'),
  },
  gnawed: {
    'remove tree': say('trade.replantOrCutToAboveTheGraft'),
    watch: say('trade.watchFromHalfOnAStemSeldom'),
  },
});
/** What it means to choose something else than the verdict. */
export const insteadWords = (say: Say, { because }: Verdict, choice: Instead): string =>
  insteadIn(say)[because.code][choice] ?? '';

const KEPT_FOR: Record<KeptFor, PlainKey> = {
  frame: 'trade.oneOfTheFrame',
  level: 'trade.nearLevelAndYoung',
  follower: 'trade.grownOnAsAFollower',
  flower: 'trade.flowerWood',
  better: 'trade.theBetterOfTwo',
};
export const keptForWords = (say: Say, reasons: readonly KeptFor[]) =>
  reasons.map((reason) => say(KEPT_FOR[reason])).join(', ');

const MINUTES_FOR: Record<MinutesFor, PlainKey> = {
  blade: 'trade.blade',
  'no tool': 'trade.noToolOfTheKitDoesIt',
  place: 'trade.atThePlace',
  pieces: 'trade.furtherPieces',
  carrying: 'trade.carryingAway',
  ladder: 'trade.ladderItsShare',
  cleaning: 'trade.cleaningTheBlade',
  'by hand': 'trade.byHand',
};
/** @param tool name of the tool that cuts */
export const minutesForWords = (say: Say, what: MinutesFor, tool?: string) =>
  what === 'blade' && tool !== undefined
    ? say('trade.blade2', { tool: tool.toLowerCase() })
    : say(MINUTES_FOR[what]);

const suppliesIn = (say: Say): Sentences<SuppliesReason> => ({
  wipes: ({ mL, count }) => say('trade.mlOnTheClothForEachOf', { mL, count }),
  squirts: ({ mL, count }) => say('trade.mlOnEachOfTwoSidesTimes', { mL, count }),
  tray: ({ litres }) => say('trade.aTrayOfL', { litres }),
  jar: ({ litres }) => say('trade.aJarOfL', { litres }),
  'top-up': ({ litres, everyHours }) => say('trade.lMoreForEveryH', { litres, everyHours }),
});
export const suppliesWords = (say: Say, reasons: readonly SuppliesReason[]) =>
  `${reasons.map((reason) => sentenceOf(suppliesIn(say), reason)).join('; ')}.`;

const cleaningIn = (say: Say): Sentences<CleaningReason> => ({
  notifiable: () => say('trade.aDiseaseThatMustBeReportedIs'),
  'avoids more': ({ than }) => say('trade.cleaningAtEveryCutAvoidsMoreThan', { than }),
  'avoids no more': ({ than }) => say('trade.cleaningAtEveryCutAvoidsNoMore', { than }),
});
export const cleaningWords = (say: Say, reason: CleaningReason) => sentenceOf(cleaningIn(say), reason);

const nameOf = (say: Say, disorder: string, unknown: string) =>
  told(say, disorderOf(disorder)?.name) ?? unknown;
const wood = (say: Say, disorder: string) => nameOf(say, disorder, say('trade.woodOfUnknownCause'));
const debrisIn = (say: Say): Sentences<DebrisReason> => ({
  'burning banned': () => say('trade.burningIsNotAllowedHere'),
  'fire blight not burned': () => say('trade.byTheSchoolOfThisSiteFire'),
  'does not stay': () => say('trade.brushOfDiseasedOrSuspectWoodIs'),
  'sheds from chips': ({ disorder }) =>
    say('trade.goesOnSheddingFromChipsUnlessThey', { wood: wood(say, disorder) }),
  'chipped only thin': ({ disorder, mm }) =>
    say('trade.isChippedOnlyWhereItIsNo', { wood: wood(say, disorder), mm }),
  'chips less safe': ({ disorder }) =>
    say('trade.chipsAreLessSafeThanTakingIt', { wood: wood(say, disorder) }),
  'kept apart': () => say('trade.keptApartFromSoundWoodAndNever'),
  'ask about burning': () => say('trade.askFirstWhetherItMayBeBurned'),
});
export const debrisWords = (say: Say, reason: DebrisReason) => sentenceOf(debrisIn(say), reason);

const scionsIn = (say: Say): Sentences<ScionReason> => ({
  'on record': ({ disorder, years }) =>
    say('trade.isOnItsRecordWithinYears', {
      name: nameOf(say, disorder, say('trade.somethingOfUnknownCause')),
      years,
    }),
  'dead of unknown cause': () => say('trade.itHasDeadWoodOfUnknownCause'),
  'came back': () => say('trade.diseaseCameBackAfterACut'),
  'not looked at': () => say('trade.nobodyHasLookedAllRoundItFor'),
  clean: ({ years }) => say('trade.noDiseaseOnItsRecordForYears', { years }),
});
export const scionWords = (say: Say, reasons: readonly ScionReason[]) =>
  reasons.map((reason) => sentenceOf(scionsIn(say), reason)).join(' ');

const triageIn = (say: Say): Sentences<TriageReason> => ({
  dangers: ({ hazards }) =>
    say('trade.workForALicensedArborist', { hazards: hazards.map((each) => told(say, each)).join(' and ') }),
  leans: () => say('trade.itLeans'),
  'for wildlife': () => say('trade.keptForWildlifeDeadWoodThatEndangers'),
  'stem girdled': ({ share }) => say('trade.ofTheStemIsGirdledByDisease', { percent: percent(share) }),
  'crown dead or diseased': ({ share }) =>
    say('trade.ofTheCrownIsDeadOrDiseased', { percent: percent(share) }),
  'crown gone, fruit unknown': ({ share }) =>
    say('trade.ofTheCrownIsGoneAndNobody', { percent: percent(share) }),
  'no fruit': ({ years }) => say('trade.noFruitYears', { years }),
  'half gone': ({ share }) => say('trade.ofTheCrownIsDeadOrDiseased2', { percent: percent(share) }),
  'fruit unknown': () => say('trade.nobodyKnowsTheFruitPruneTheLeast'),
  'grown wild': () => say('trade.itHasGrownWild'),
  outgrown: () => say('trade.itHasOutgrownTheHeightItShould'),
  sound: () => say('trade.mostlySoundAndAsHighAsIt'),
  'arborist’s part': ({ overCm }) => say('trade.cutsAboveAreAnArborists', { feet: feet(say, overCm) }),
});
export const triageWords = (say: Say, reasons: readonly TriageReason[]) =>
  reasons.map((reason) => sentenceOf(triageIn(say), reason)).join(' ');

const cautionsIn = (say: Say): Sentences<CautionReason> => ({
  'hanging limb': () => say('trade.aLimbHangsInThisTreeKeep'),
  'split stem': () => say('trade.theStemIsSplitItMayOpen'),
  'power line': () => say('trade.aPowerLineIsNearKeep3'),
  cavity: () => say('trade.theStemIsHollowDoNotClimb'),
  'heaved roots': () => say('trade.heavedRoots'),
  'fungus at the base': () => say('trade.fungusAtTheBase'),
  'leans a little': ({ deg }) => say('trade.leansALittle', { deg }),
  lean: () => say('trade.theTreeLeansNobodyOnTheLow'),
  'cut too high': ({ overCm }) => say('trade.theCutIsMoreThanOverThe', { feet: feet(say, overCm) }),
  'too thick': ({ overMm }) => say('trade.theWoodIsOverThickAtThe', { inches: inches(say, overMm / 10) }),
  'piece too high': ({ overCm }) => say('trade.aPieceIsCutOver', { feet: feet(say, overCm) }),
  'no ladder': () => say('trade.noLadderAtAHollowStem'),
  'too steep for a ladder': ({ overDeg }) => say('trade.tooSteepForALadder', { overDeg }),
  'too soft for a ladder': () => say('trade.tooSoftForALadder'),
  'too thick on a ladder': ({ overMm }) =>
    say('trade.tooThickForALadder', { inches: inches(say, overMm / 10) }),
  'too heavy': ({ overKg }) =>
    say('trade.theLimbWeighsMoreThanKgLb', { overKg, overKg2: Math.round(overKg / LB_KG) }),
  'down on a rope': () => say('trade.twoPeopleOneLetsTheLimbDown'),
  'two to lift': () => say('trade.twoPeopleItWeighsMoreThanOne'),
  'three cuts': ({ undercutOutCm }) =>
    say('trade.heavyUndercutFirstAThirdThroughOut', { inches: inches(say, undercutOutCm) }),
  'on a ladder': () => say('trade.aboveReachThreeLeggedLadderOnFirm'),
  'by pole': () => say('trade.withThePole'),
  slope: () => say('trade.onTheSlopeTheThirdLegOf'),
  'metal in the stem': () => say('trade.thereIsMetalInTheStemNo'),
  'boundary mark': () => say('trade.aBoundaryMarkIsNailedToThe'),
  'something under it': () => say('trade.somethingUnderIt'),
  'heritage tree': () => say('trade.protectedAsHeritageAskTheAuthority'),
});
export const cautionWords = (say: Say, { because }: Caution) => sentenceOf(cautionsIn(say), because);
