// Why a value is refused, in the reader’s language.
import { type Refusal, type RefusalCode, type Refusals, refusalOf } from '@mortisect/core/refusal';
import type { Messages } from '../../compiled/keys';
import type { Say } from '../say';
import { sayUnsaid, type Unsaid, unsaid } from '../unsaid';

/** For each code the message that is given what the code is told with. */
const WORDS: {
  readonly [C in RefusalCode]: Refusals[C] extends Messages[`fault.${C}`] ? `fault.${C}` : never;
} = {
  missing: 'fault.missing',
  empty: 'fault.empty',
  noText: 'fault.noText',
  noNumber: 'fault.noNumber',
  noWholeNumber: 'fault.noWholeNumber',
  noYesOrNo: 'fault.noYesOrNo',
  noList: 'fault.noList',
  noObject: 'fault.noObject',
  noId: 'fault.noId',
  noMoment: 'fault.noMoment',
  noDay: 'fault.noDay',
  wrongForm: 'fault.wrongForm',
  notUsable: 'fault.notUsable',
  notStorable: 'fault.notStorable',
  tooManyLetters: 'fault.tooManyLetters',
  tooFewLetters: 'fault.tooFewLetters',
  tooMany: 'fault.tooMany',
  tooFew: 'fault.tooFew',
  atMost: 'fault.atMost',
  lessThan: 'fault.lessThan',
  atLeast: 'fault.atLeast',
  moreThan: 'fault.moreThan',
  mustBe: 'fault.mustBe',
  oneOf: 'fault.oneOf',
  unknownFields: 'fault.unknownFields',
  noLength: 'fault.noLength',
  dividesByZero: 'fault.dividesByZero',
  severalYears: 'fault.severalYears',
  noYear: 'fault.noYear',
  noName: 'fault.noName',
  noVersion7: 'fault.noVersion7',
  noTimeZone: 'fault.noTimeZone',
  noSuchMoment: 'fault.noSuchMoment',
  noSuchDay: 'fault.noSuchDay',
  noMonthAndDay: 'fault.noMonthAndDay',
  unknownDisorder: 'fault.unknownDisorder',
  noStem: 'fault.noStem',
  limbTwice: 'fault.limbTwice',
  onItself: 'fault.onItself',
  tooDeep: 'fault.tooDeep',
  noParent: 'fault.noParent',
  stemOnLimb: 'fault.stemOnLimb',
  onBundle: 'fault.onBundle',
  bundleBeyond: 'fault.bundleBeyond',
  noBundle: 'fault.noBundle',
  onNoLimb: 'fault.onNoLimb',
  beyondParent: 'fault.beyondParent',
  thickerTip: 'fault.thickerTip',
  shorterUncut: 'fault.shorterUncut',
  noUnionHere: 'fault.noUnionHere',
  budBeyond: 'fault.budBeyond',
  ringBeyond: 'fault.ringBeyond',
  limbNotInMap: 'fault.limbNotInMap',
  underLowestLimb: 'fault.underLowestLimb',
  kerfBeyond: 'fault.kerfBeyond',
  endsBeforeItBegins: 'fault.endsBeforeItBegins',
  measuredNowhere: 'fault.measuredNowhere',
  lesionTwice: 'fault.lesionTwice',
  lesionOnNoLimb: 'fault.lesionOnNoLimb',
  lesionEndsFirst: 'fault.lesionEndsFirst',
  lesionBeyond: 'fault.lesionBeyond',
  cutTwice: 'fault.cutTwice',
  noCutOfVisit: 'fault.noCutOfVisit',
  cutsInRing: 'fault.cutsInRing',
  treeTwice: 'fault.treeTwice',
  idTwice: 'fault.idTwice',
  notListed: 'fault.notListed',
  oneForEachSlot: 'fault.oneForEachSlot',
  stopsBeforeBegins: 'fault.stopsBeforeBegins',
  nothingFixed: 'fault.nothingFixed',
  lastDayBeforeFirst: 'fault.lastDayBeforeFirst',
  halfOfNoDay: 'fault.halfOfNoDay',
  harvestAhead: 'fault.harvestAhead',
  noJobTitle: 'fault.noJobTitle',
  seasonBeyond: 'fault.seasonBeyond',
  notStronger: 'fault.notStronger',
  productHolds: 'fault.productHolds',
  noArchiveFile: 'fault.noArchiveFile',
  laterArchive: 'fault.laterArchive',
  treeWithoutMap: 'fault.treeWithoutMap',
  treeWithoutRow: 'fault.treeWithoutRow',
  lineWithoutTree: 'fault.lineWithoutTree',
  lineNotUnderstood: 'fault.lineNotUnderstood',
  hoursApart: 'fault.hoursApart',
  unevenColumns: 'fault.unevenColumns',
  hoursWithoutTemperature: 'fault.hoursWithoutTemperature',
  hoursWithoutRain: 'fault.hoursWithoutRain',
};

/** Whether a schema was given a code of ours, or words that were said already. */
const isCode = (code: string): code is RefusalCode => Object.hasOwn(WORDS, code);

/** A refusal as a message that is said later. */
export function refusalUnsaid({ code, given }: Refusal): Unsaid {
  return { key: isCode(code) ? WORDS[code] : WORDS.notUsable, given };
}

/** @example refusalWords(say, refusal('limbTwice', { limb: 'B' })) //=> 'Limb B is listed twice.' */
export const refusalWords = (say: Say, refusal: Refusal): string => sayUnsaid(say, refusalUnsaid(refusal));

type Issue = Parameters<typeof refusalOf>[0];

/** What a schema found wrong; in the words that a form gave it, where it gave any. */
export const issueWords = (say: Say, issue: Issue): string =>
  isCode(issue.message) ? refusalWords(say, refusalOf(issue)) : issue.message;

/** The same with its field before it. @param whole what is wrong where no field is named */
export function issueUnsaid(issue: Issue | undefined, whole?: Unsaid): Unsaid {
  const why = issue ? refusalUnsaid(refusalOf(issue)) : unsaid('fault.notUsable');
  const field = issue?.path.join('.') || whole;
  return field ? unsaid('problem.fieldFault', { field, why }) : why;
}
