// Tells those who listen that something was written, and how far the history has come: they read anew what they show.
import { desc } from 'drizzle-orm';
import type { Db, Store } from '../store/openDb';
import { history, orchards } from '../store/schema';

/** How far the history of an orchard has come: “ORCHARD:SEQ”. Another orchard, or one put back from a copy, is known by it. */
export async function revisionOf(db: Store): Promise<{ orchardId: string; seq: number; revision: string }> {
  const [orchard] = await db.select().from(orchards);
  const [last] = await db.select({ seq: history.seq }).from(history).orderBy(desc(history.seq)).limit(1);
  const orchardId = orchard?.id ?? '';
  const seq = last?.seq ?? 0;
  return { orchardId, seq, revision: `${orchardId}:${seq}` };
}

/** Writes that come together are told together. */
const TOGETHER_MS = 250;
/** A line that says nothing, so that whoever stands between keeps the line open and a listener that is gone is noticed. */
const ALIVE_MS = 25_000;

interface Listener {
  deviceId: string | null;
  /** How far the history had come when it was told last; null once it has been passed on. */
  told: string | null;
  wake(): void;
}

export interface Changes {
  /** Something was written; by which device, where one wrote it. */
  announce(deviceId: string | null): void;
  /** Server-sent events (HTML standard, 9.2), the first at once. A device is not told of what only it wrote. */
  listen(deviceId: string | null): AsyncGenerator<Uint8Array>;
  close(): void;
}

export function makeChanges(db: Db): Changes {
  const listeners = new Set<Listener>();
  let wrote: Set<string | null> | null = null;
  let closed = false;

  const tell = async () => {
    const by = wrote ?? new Set();
    wrote = null;
    if (closed || listeners.size === 0) return;
    const { revision } = await revisionOf(db);
    for (const listener of listeners) {
      const isOwn = listener.deviceId !== null && by.size === 1 && by.has(listener.deviceId);
      if (isOwn) continue;
      listener.told = revision;
      listener.wake();
    }
  };

  return {
    announce(deviceId) {
      if (wrote) wrote.add(deviceId);
      else {
        wrote = new Set([deviceId]);
        setTimeout(() => void tell().catch(() => undefined), TOGETHER_MS).unref();
      }
    },
    async *listen(deviceId) {
      const listener: Listener = { deviceId, told: null, wake: () => {} };
      // Before it reads where the history stands: what is written in between is told
      listeners.add(listener);
      try {
        let { revision: known } = await revisionOf(db);
        yield event(known);
        for (;;) {
          if (listener.told === null && !closed) await wokenOrAlive(listener);
          if (closed) return;
          const { told } = listener;
          listener.told = null;
          // A write that leaves no line, such as the name of a device, is nothing to read anew
          if (told === null) yield ALIVE;
          else if (told !== known) {
            known = told;
            yield event(told);
          }
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
const event = (revision: string) => text.encode(`data: ${JSON.stringify({ revision })}\n\n`);
