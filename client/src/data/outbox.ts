// What was recorded here and has not reached the server yet: kept on this device, sent in order, each exactly once.
import type { Problem } from '@mortisect/contracts';
import { clear, createStore, delMany, entries, set } from 'idb-keyval';
import { v7 } from 'uuid';
import { create } from 'zustand';
import { type Ask, ask, NoAnswer, ServerProblem } from './api';
import { keptStore } from './queryClient';

/** Writes that may wait: every one carries its own id, so that the server counts it once however often it comes. */
export type OutboxRoute = 'putFinding' | 'putAction' | 'putPhoto' | 'putLimbs' | 'putTree' | 'putJob';

export interface OutboxItem<R extends OutboxRoute = OutboxRoute> {
  /** UUID of version 7: items sort by the time they were made. */
  id: string;
  route: R;
  /** The record it writes; a later write to the same record waits for an earlier one. */
  recordId: string;
  input: Ask<R>;
  /** `conflict`: the record has changed meanwhile; `refused`: the server does not take it, or failed over it again and again. Both wait for a person. */
  state: 'waiting' | 'conflict' | 'refused';
  problem: Problem | null;
  /** How often the server failed over it. */
  failures?: number;
}

interface Outbox {
  items: OutboxItem[];
  /** Read from the device; until then nothing is sent and nothing is shown as sent. */
  loaded: boolean;
  sending: boolean;
  /** The last try met no server. */
  away: boolean;
}

export const useOutbox = create<Outbox>(() => ({ items: [], loaded: false, sending: false, away: false }));

const store = typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-outbox', 'items');
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('mortisect-outbox');
/** After so many failures of the server over one write a person decides on it. */
const MOST_FAILURES = 5;
/** A server that is away is asked less and less often; whoever comes back to the page or to a network asks at once. */
const AGAIN_MS = [3000, 5000, 10_000, 20_000];
let whenSent: (item: OutboxItem, answer: unknown) => void = () => {};
let whenSignedOut: () => void = () => {};
let timer: ReturnType<typeof setTimeout> | undefined;
let tries = 0;

/**
 * Reads what waits from the device and begins to send.
 *
 * @param onSent called with each item that the server took, and with null for one that was let go
 * @param onSignedOut called when the server asks for the passphrase first
 */
export async function openOutbox(
  onSent: (item: OutboxItem, answer: unknown) => void,
  onSignedOut: () => void,
): Promise<void> {
  whenSent = onSent;
  whenSignedOut = onSignedOut;
  await reload();
  channel?.addEventListener('message', () => void reload());
  window.addEventListener('online', () => void send());
  document.addEventListener('visibilitychange', () => void send());
  void send();
}

/** Another tab of this device has added or sent something. */
async function reload(): Promise<void> {
  // Where the device keeps nothing, what waits lives as long as the page
  if (!store) return useOutbox.setState({ loaded: true });
  const before = new Set(useOutbox.getState().items.map((item) => item.id));
  const kept = await entries<string, OutboxItem>(store);
  useOutbox.setState(({ items: now }) => {
    // What came in or went out here while the device was read is not undone by what was read
    const here = new Set(now.map((item) => item.id));
    const read = kept.flatMap(([, item]) => (before.has(item.id) && !here.has(item.id) ? [] : [item]));
    const readIds = new Set(read.map((item) => item.id));
    const added = now.filter((item) => !before.has(item.id) && !readIds.has(item.id));
    return { items: [...read, ...added].sort((a, b) => (a.id < b.id ? -1 : 1)), loaded: true };
  });
}

/** Puts a write in the outbox; it is safe on the device when this resolves. */
export async function enqueue<R extends OutboxRoute>(
  route: R,
  recordId: string,
  input: Ask<R>,
): Promise<void> {
  const item: OutboxItem<R> = { id: v7(), route, recordId, input, state: 'waiting', problem: null };
  await keep(item as unknown as OutboxItem);
  void send();
}

async function keep(item: OutboxItem): Promise<void> {
  if (store) {
    const write = () => set(item.id, item, store);
    // What was only read makes room for what was recorded
    await write().catch(async (error: unknown) => {
      if ((error as { name?: unknown }).name !== 'QuotaExceededError' || !keptStore) throw error;
      await clear(keptStore);
      await write();
    });
  }
  useOutbox.setState(({ items }) => ({
    items: [...items.filter((kept) => kept.id !== item.id), item].sort((a, b) => (a.id < b.id ? -1 : 1)),
  }));
  channel?.postMessage('changed');
}

async function drop(ids: string[]): Promise<void> {
  if (store) await delMany(ids, store);
  useOutbox.setState(({ items }) => ({ items: items.filter((item) => !ids.includes(item.id)) }));
  channel?.postMessage('changed');
}

/** One tab sends at a time; what one tab has sent no other sends again. */
export async function send(): Promise<void> {
  if (!useOutbox.getState().loaded || useOutbox.getState().sending) return;
  clearTimeout(timer);
  useOutbox.setState({ sending: true });
  try {
    if (navigator.locks) await navigator.locks.request('mortisect-outbox', sendAll);
    else await sendAll();
  } finally {
    useOutbox.setState({ sending: false });
  }
  if (nextToSend()) timer = setTimeout(() => void send(), AGAIN_MS[Math.min(tries++, AGAIN_MS.length - 1)]);
  else tries = 0;
}

async function sendAll(): Promise<void> {
  await reload();
  // What the server fails over holds back its own record only, and is tried again with the next round
  const failed = new Set<string>();
  for (let item = nextToSend(failed); item; item = nextToSend(failed)) {
    const outcome = await sendOne(item);
    if (outcome === 'away') return;
    if (outcome === 'failed') failed.add(item.recordId);
  }
}

/** The oldest that waits and whose record has nothing older that is stuck. */
function nextToSend(failed: ReadonlySet<string> = new Set()): OutboxItem | undefined {
  const stuck = new Set(failed);
  for (const item of useOutbox.getState().items) {
    if (item.state !== 'waiting') stuck.add(item.recordId);
    else if (!stuck.has(item.recordId)) return item;
  }
  return undefined;
}

/** `away`: there is no use in going on now; `failed`: not over this record. */
async function sendOne(item: OutboxItem): Promise<'done' | 'away' | 'failed'> {
  try {
    const answer = await ask(item.route, item.input);
    // What was read takes it over before it leaves the outbox: there is no moment in which it is nowhere
    whenSent(item, answer);
    await follow(item, answer);
    await drop([item.id]);
    useOutbox.setState({ away: false });
    tries = 0;
    return 'done';
  } catch (error) {
    if (error instanceof NoAnswer) {
      useOutbox.setState({ away: true });
      return 'away';
    }
    if (!(error instanceof ServerProblem)) throw error;
    const { status } = error.problem;
    if (status === 401) whenSignedOut();
    // Signed out, too often, or not to be had just now: it stays and is tried again
    if (status === 401 || status === 429 || status === 503) return 'away';
    if (status >= 500) {
      const failures = (item.failures ?? 0) + 1;
      const isEnough = failures >= MOST_FAILURES;
      await keep({ ...item, failures, ...(isEnough && { state: 'refused', problem: error.problem }) });
      return 'failed';
    }
    await keep({ ...item, state: status === 409 ? 'conflict' : 'refused', problem: error.problem });
    return 'done';
  }
}

/**
 * What was written here later to the same record was written on top of this: it goes out on the revision that this was given, whatever
 * revision stood on the screen when it was made.
 */
async function follow(item: OutboxItem, answer: unknown): Promise<void> {
  const revision = revisionIn(item.route, answer);
  if (revision === null) return;
  const later = useOutbox
    .getState()
    .items.filter((kept) => kept.recordId === item.recordId && kept.id > item.id && kept.state === 'waiting');
  // Each of them follows the one before it in turn; only the next is told now
  const [next] = later;
  if (next) await keep(onRevision(next, revision));
}

function revisionIn(route: OutboxRoute, answer: unknown): number | null {
  const revisions = answer as { revision?: unknown; limbsRevision?: unknown } | null;
  const revision = route === 'putLimbs' ? revisions?.limbsRevision : revisions?.revision;
  return typeof revision === 'number' ? revision : null;
}

function onRevision(item: OutboxItem, baseRevision: number): OutboxItem {
  const input = item.input as { body?: object };
  return { ...item, input: { ...input, body: { ...input.body, baseRevision } } as OutboxItem['input'] };
}

/** Sends mine again on the revision that stands now. Later edits of the same record follow it. */
export async function keepMine(item: OutboxItem, revision: number): Promise<void> {
  await keep({ ...onRevision(item, revision), state: 'waiting', problem: null });
  void send();
}

/** Sends once more what the server had failed over. */
export async function tryAgain(item: OutboxItem): Promise<void> {
  await keep({ ...item, state: 'waiting', problem: null, failures: 0 });
  void send();
}

/** Whether the server failed over it: it may take it yet. */
export const isFailed = ({ state, problem }: OutboxItem): boolean =>
  state === 'refused' && problem !== null && problem.status >= 500;

/** Lets the server's version stand: mine and what was built on it is dropped. */
export async function letGo(item: OutboxItem): Promise<void> {
  const later = useOutbox
    .getState()
    .items.filter((kept) => kept.recordId === item.recordId && kept.id >= item.id);
  await drop(later.map(({ id }) => id));
  whenSent(item, null);
  void send();
}

/** Nothing of the orchard stays on a device that signs out. @see queries.useSignOut */
export async function emptyOutbox(): Promise<void> {
  await drop(useOutbox.getState().items.map((item) => item.id));
}
