// What a device reads whole when it begins: made and compressed once, until something is recorded or the day turns.
import { PackedJson } from '../packedJson';
import type { Db } from '../store/openDb';
import { Answers } from './answers';
import { plansStampOf, revisionOf } from './changes';
import { orchardBytes } from './firstSync';
import { getKeptPlans } from './keptPlans';
import { getOpenWork, getTrees } from './orchard';

export interface WholeReads {
  trees(): Promise<PackedJson>;
  openWork(): Promise<PackedJson>;
  keptPlans(): Promise<PackedJson>;
  /** How much a device takes over of the orchard. */
  orchardBytes(): Promise<number>;
}

/** Each of them twice: while one is made anew, another may still wait for the one before. */
const MOST_KEPT = 8;

export function makeWholeReads({ db, now }: { db: Db; now: () => string }): WholeReads {
  const answers = new Answers(MOST_KEPT);
  const year = () => Number(now().slice(0, 4));
  // The day too: what is deleted for good takes its lines of the history along, which then ends where it did a month before
  const recorded = async () => `${(await revisionOf(db)).revision} ${now().slice(0, 10)}`;
  const packed = (name: string, stamp: string, make: () => Promise<object>) =>
    answers.ask(`${name} ${stamp}`, async () => PackedJson.of(await make()));
  return {
    trees: async () => packed('trees', await recorded(), () => getTrees(db)),
    openWork: async () => packed('open work', await recorded(), () => getOpenWork(db, year())),
    keptPlans: async () => packed('plans', await plansStampOf(db), () => getKeptPlans(db)),
    orchardBytes: async () => answers.ask(`bytes ${await recorded()}`, () => orchardBytes(db, year())),
  };
}
