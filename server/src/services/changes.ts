// Tells those who listen that something was written, and how far the history has come: they read anew what they show.
import { count, desc } from 'drizzle-orm';
import type { Db, Store } from '../store/openDb';
import { history, orchards, plans } from '../store/schema';

interface Reached {
  orchardId: string;
  seq: number;
  /** Both as one word. */
  revision: string;
}

const reachedBy = (orchardId: string, seq: number): Reached => ({
  orchardId,
  seq,
  revision: `${orchardId}:${seq}`,
});

async function orchardIdOf(db: Store): Promise<string> {
  const [orchard] = await db.select().from(orchards);
  return orchard?.id ?? '';
}

/** How far the history of an orchard has come: “ORCHARD:SEQ”. Another orchard, or one put back from a copy, is known by it. */
export async function revisionOf(db: Store): Promise<Reached> {
  const [last] = await db.select({ seq: history.seq }).from(history).orderBy(desc(history.seq)).limit(1);
  return reachedBy(await orchardIdOf(db), last?.seq ?? 0);
}

/** How far the plans that are kept have come: “ORCHARD:SEQ”. */
export async function plansRevisionOf(db: Store) {
  const [last] = await db.select({ seq: plans.seq }).from(plans).orderBy(desc(plans.seq)).limit(1);
  return reachedBy(await orchardIdOf(db), last?.seq ?? 0);
}

/** Another one as soon as a plan is kept, kept anew or put aside. */
export async function plansStampOf(db: Store): Promise<string> {
  const [kept] = await db.select({ plans: count() }).from(plans);
  return `${(await plansRevisionOf(db)).revision} ${kept?.plans}`;
}

/**
 * The line after which whoever has read up to here reads on.
 *
 * @param since as “ORCHARD:SEQ”
 * @returns null where it must be read whole: nothing was read yet, or of another orchard, or ahead of this one
 */
export function sinceOf(since: string | undefined, { orchardId, seq }: Reached): number | null {
  const [readId, readSeq] = (since ?? '').split(':');
  const from = Number(readSeq);
  return readId === orchardId && Number.isInteger(from) && from <= seq ? from : null;
}

/** Writes that come together are told together. */
const TOGETHER_MS = 250;
/** A line that says nothing, so that whoever stands between keeps the line open and a listener that is gone is noticed. */
const ALIVE_MS = 25_000;

/** What a listener is told of: how far the history has come, and how far the plans that are kept. */
type Told = Map<'revision' | 'plans', string>;

interface Listener {
  deviceId: string | null;
  /** What is not yet passed on. */
  told: Told;
  wake(): void;
}

export interface Changes {
  /** Something was written; by which device, where one wrote it. */
  announce(deviceId: string | null): void;
  /** The plan of a tree was kept. */
  announcePlan(): void;
  /** As these, of what another process did: it is not passed on. */
  hear: { written(deviceId: string | null): void; plan(): void };
  /** Passes on to the other processes what is announced here. */
  passOn(tell: (news: { device: string | null; plan: boolean }) => void): void;
  /** Server-sent events (HTML standard, 9.2), the first at once. A device is not told of what only it wrote. */
  listen(deviceId: string | null): AsyncGenerator<Uint8Array>;
  close(): void;
}

/** @param onWritten called once for what was written together */
export function makeChanges(db: Db, onWritten: () => void = () => {}): Changes {
  const listeners = new Set<Listener>();
  let wrote = new Set<string | null>();
  let keptPlan = false;
  let isDue = false;
  let closed = false;

  const tell = async () => {
    const [by, planned] = [wrote, keptPlan];
    [wrote, keptPlan, isDue] = [new Set(), false, false];
    if (closed) return;
    if (by.size > 0) onWritten();
    if (listeners.size === 0) return;
    const written = by.size > 0 ? (await revisionOf(db)).revision : null;
    const kept = planned ? (await plansRevisionOf(db)).revision : null;
    for (const { deviceId, told, wake } of listeners) {
      const isOwn = deviceId !== null && by.size === 1 && by.has(deviceId);
      if (written !== null && !isOwn) told.set('revision', written);
      if (kept !== null) told.set('plans', kept);
      if (told.size > 0) wake();
    }
  };
  const tellSoon = () => {
    if (isDue) return;
    isDue = true;
    setTimeout(() => void tell().catch(() => undefined), TOGETHER_MS).unref();
  };

  let tellOthers: (news: { device: string | null; plan: boolean }) => void = () => {};
  const hear = {
    written(deviceId: string | null) {
      wrote.add(deviceId);
      tellSoon();
    },
    plan() {
      keptPlan = true;
      tellSoon();
    },
  };

  return {
    announce(deviceId) {
      hear.written(deviceId);
      tellOthers({ device: deviceId, plan: false });
    },
    announcePlan() {
      hear.plan();
      tellOthers({ device: null, plan: true });
    },
    hear,
    passOn(tell) {
      tellOthers = tell;
    },
    async *listen(deviceId) {
      const listener: Listener = { deviceId, told: new Map(), wake: () => {} };
      // Before it reads where the history stands: what is written in between is told
      listeners.add(listener);
      try {
        const passedOn: Told = new Map([
          ['revision', (await revisionOf(db)).revision],
          ['plans', (await plansRevisionOf(db)).revision],
        ]);
        yield event([...passedOn]);
        for (;;) {
          if (listener.told.size === 0 && !closed) await wokenOrAlive(listener);
          if (closed) return;
          // A write that leaves no line, such as the name of a device, is nothing to read anew
          const news = [...listener.told].filter(([of, reached]) => passedOn.get(of) !== reached);
          listener.told.clear();
          for (const [of, reached] of news) passedOn.set(of, reached);
          yield news.length > 0 ? event(news) : ALIVE;
        }
      } finally {
        listeners.delete(listener);
      }
    },
    close() {
      closed = true;
      for (const listener of listeners) listener.wake();
    },
  };
}

function wokenOrAlive(listener: Listener): Promise<void> {
  return new Promise((resolve) => {
    const timer = setTimeout(resolve, ALIVE_MS);
    timer.unref();
    listener.wake = () => {
      clearTimeout(timer);
      resolve();
    };
  });
}

const text = new TextEncoder();
const ALIVE = text.encode(': still here\n\n');
const event = (news: [string, string][]) =>
  text.encode(`data: ${JSON.stringify(Object.fromEntries(news))}\n\n`);
