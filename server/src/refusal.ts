// Requests that are refused, each with the answer it gets: a message by its key, said when the answer goes out.
import { type PlainKey, type Say, sayUnsaid, type Unsaid, unsaid } from '@mortisect/words';

/** For each kind of problem what it is called. */
const TITLES = {
  'not-understood': 'problem.titleNotUnderstood',
  'not-there': 'problem.titleNotThere',
  'does-not-fit': 'problem.titleDoesNotFit',
  'moved-meanwhile': 'problem.titleMovedMeanwhile',
  'database-away': 'problem.titleDatabaseAway',
  'read-only': 'problem.titleReadOnly',
  damaged: 'problem.titleDamaged',
  'disk-full': 'problem.titleDiskFull',
  'too-large': 'problem.titleTooLarge',
  'server-fault': 'problem.titleServerFault',
  'not-your-device': 'problem.titleNotYourDevice',
  'file-not-read': 'problem.titleFileNotRead',
  'no-station': 'problem.titleNoStation',
  'no-weather': 'problem.titleNoWeather',
  'keeps-its-leaves': 'problem.titleKeepsItsLeaves',
  'id-taken': 'problem.titleIdTaken',
  'no-photo': 'problem.titleNoPhoto',
  'not-empty': 'problem.titleNotEmpty',
  'copy-not-good': 'problem.titleCopyNotGood',
  'copy-not-written': 'problem.titleCopyNotWritten',
  'no-copies': 'problem.titleNoCopies',
  'sign-in': 'problem.titleSignIn',
  'wrong-passphrase': 'problem.titleWrongPassphrase',
  'not-secure': 'problem.titleNotSecure',
  'too-often': 'problem.titleTooOften',
  'other-host': 'problem.titleOtherHost',
  'other-origin': 'problem.titleOtherOrigin',
  'no-file': 'problem.titleNoFile',
  'not-json': 'problem.titleNotJson',
  'device-unknown': 'problem.titleDeviceUnknown',
  'not-ready': 'problem.titleNotReady',
  'not-built': 'problem.titleNotBuilt',
  busy: 'problem.titleBusy',
  'took-too-long': 'problem.titleTookTooLong',
} as const satisfies Record<string, PlainKey>;

export type ProblemType = keyof typeof TITLES;

export const titleOf = (type: ProblemType): PlainKey => TITLES[type];

export interface FieldFault {
  path: string;
  why: Unsaid;
}

let inTheLog = ({ key }: Unsaid): string => key;

/**
 * How problems are told in the log and in the terminal. A worker has no words, which would take it a quarter of a second to load: what it
 * throws is told by the server.
 */
export function tellProblemsIn(say: Say): void {
  inTheLog = (why) => sayUnsaid(say, why);
}

/** A failure with its answer; anything else thrown becomes a 500 without details. Its own message is for the log. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: ProblemType,
    readonly why: Unsaid,
    readonly more: { errors?: FieldFault[]; yours?: unknown; theirs?: unknown } = {},
  ) {
    super(inTheLog(why));
    this.name = 'HttpProblem';
  }
}

export const notThere = (what: Unsaid) => new HttpProblem(404, 'not-there', unsaid('problem.gone', { what }));

export const doesNotFit = (path: string, why: Unsaid) =>
  new HttpProblem(422, 'does-not-fit', why, { errors: [{ path, why }] });

export const moved = (yours: unknown, theirs: unknown) =>
  new HttpProblem(409, 'moved-meanwhile', unsaid('problem.movedMeanwhile'), { yours, theirs });

export const notRead = (why: Unsaid) => new HttpProblem(422, 'file-not-read', why);
