// Why a value is refused: a code with what it is told with. The words are the catalogue’s, for each code one message.

/** What each refusal is told with; null: nothing. */
export interface Refusals {
  // What a schema finds
  missing: null;
  empty: null;
  noText: null;
  noNumber: null;
  noWholeNumber: null;
  noYesOrNo: null;
  noList: null;
  noObject: null;
  noId: null;
  noMoment: null;
  noDay: null;
  wrongForm: null;
  notUsable: null;
  notStorable: null;
  tooManyLetters: { most: number };
  tooFewLetters: { least: number };
  tooMany: { most: number };
  tooFew: { least: number };
  atMost: { most: number };
  lessThan: { most: number };
  atLeast: { least: number };
  moreThan: { least: number };
  mustBe: { value: string };
  oneOf: { values: string };
  unknownFields: { names: string };
  // What was typed
  noLength: { text: string; tape: 'us' | 'metric' };
  dividesByZero: { text: string };
  severalYears: { text: string };
  noYear: { text: string };
  // Names, places, times
  noName: null;
  noVersion7: null;
  noTimeZone: null;
  noSuchMoment: null;
  noSuchDay: null;
  noMonthAndDay: null;
  unknownDisorder: null;
  // A limb map
  noStem: null;
  limbTwice: { limb: string };
  onItself: { limb: string };
  tooDeep: { limb: string; most: number };
  noParent: { limb: string; kind: string };
  stemOnLimb: { limb: string };
  onBundle: { limb: string; parent: string };
  bundleBeyond: { limb: string; parent: string; toCm: number; lengthCm: number };
  noBundle: { limb: string };
  onNoLimb: { limb: string; parent: string };
  beyondParent: { limb: string; parent: string; jointCm: number; lengthCm: number };
  thickerTip: { limb: string; tipMm: number; baseMm: number };
  shorterUncut: { limb: string };
  noUnionHere: { limb: string };
  budBeyond: { limb: string; atCm: number; lengthCm: number };
  ringBeyond: { limb: string };
  limbNotInMap: { limb: string };
  underLowestLimb: { targetCm: number; lowestCm: number };
  kerfBeyond: { limb: string; atCm: number; lengthCm: number };
  // Findings and cuts
  endsBeforeItBegins: null;
  measuredNowhere: null;
  lesionTwice: { lesion: string };
  lesionOnNoLimb: { lesion: string; limb: string };
  lesionEndsFirst: { lesion: string };
  lesionBeyond: { lesion: string; limb: string; toCm: number; lengthCm: number };
  cutTwice: null;
  noCutOfVisit: { cut: string };
  cutsInRing: null;
  treeTwice: null;
  // A season
  idTwice: { id: string };
  notListed: { id: string };
  oneForEachSlot: { slots: number };
  stopsBeforeBegins: null;
  nothingFixed: null;
  lastDayBeforeFirst: null;
  halfOfNoDay: null;
  harvestAhead: { year: number };
  noJobTitle: null;
  seasonBeyond: { season: number; seasons: number };
  // Mixtures
  notStronger: { productPct: number };
  productHolds: { ppm: number };
  // Archives and their lines
  noArchiveFile: null;
  laterArchive: null;
  treeWithoutMap: { tree: string };
  treeWithoutRow: { tree: string };
  lineWithoutTree: { tree: string };
  lineNotUnderstood: { kind: string; field: string };
  // Weather
  hoursApart: null;
  unevenColumns: null;
  hoursWithoutTemperature: null;
  hoursWithoutRain: null;
}

export type RefusalCode = keyof Refusals;

export interface Refusal<C extends RefusalCode = RefusalCode> {
  code: C;
  given: Readonly<Record<string, string | number>>;
}

type Given<C extends RefusalCode> = Refusals[C] extends null ? [] : [Refusals[C]];

/** @example refusal('limbTwice', { limb: 'B' }) */
export function refusal<C extends RefusalCode>(code: C, ...[given]: Given<C>): Refusal<C> {
  return { code, given: (given ?? {}) as Refusal['given'] };
}

/**
 * The same for a schema: the message of the issue is the code, its `params` what it is told with.
 *
 * @example z.string().refine(isTimeZone, refusing('noTimeZone'))
 */
export function refusing<C extends RefusalCode>(code: C, ...given: Given<C>) {
  return { error: code, params: refusal(code, ...given).given };
}

/** An issue of a schema that looks at a value as a whole. */
export function issueOf(path: readonly (string | number)[], { code, given }: Refusal) {
  return { code: 'custom' as const, path: [...path], message: code, params: given };
}
