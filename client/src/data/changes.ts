// Hears from the server when somebody else has written something, and reads anew what is shown.
import { z } from 'zod';
import { KEPT_PLANS } from './keptPlans';
import { LISTED_TREES } from './listedTrees';
import { send } from './outbox';
import { usePreferences } from './preferences';
import { queryClient } from './queryClient';
import { SEASON_PLAN } from './seasonPlan';

const Told = z.object({ revision: z.string(), plans: z.string() }).partial();
/** What others may have changed. The register of a large orchard is megabytes: it is read when it is shown, and not more often than once a minute. */
const SHARED = [
  ['round'],
  ['run'],
  ['open-work'],
  LISTED_TREES,
  ['tree'],
  ['jobs'],
  ['aftercare'],
  ['log'],
  ['removed-photos'],
  SEASON_PLAN,
];
const AGAIN_MS = [2000, 5000, 10_000, 20_000];

let source: EventSource | null = null;
let heard: string | null = null;
let tries = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Whether changes are told: then nobody need ask for them. */
export function changesAreTold(): boolean {
  return source !== null && source.readyState === EventSource.OPEN;
}

/** Listens as long as the page is looked at. Where a browser knows no server-sent events, screens ask now and then. */
export function followChanges(): void {
  if (typeof EventSource === 'undefined') return;
  document.addEventListener('visibilitychange', listen);
  window.addEventListener('online', listen);
  listen();
}

function listen(): void {
  if (document.visibilityState === 'hidden') {
    source?.close();
    source = null;
    return;
  }
  if (source && source.readyState !== EventSource.CLOSED) return;
  clearTimeout(timer);
  const { deviceId } = usePreferences.getState();
  const opened = new EventSource(`/api/changes?device=${deviceId}`);
  source = opened;
  opened.onmessage = ({ data }) => {
    tries = 0;
    // The server is there: what waits need not wait for its turn
    void send();
    const { revision, plans } = Told.parse(JSON.parse(data));
    if (revision !== undefined) hear(revision);
    if (plans !== undefined) hearOfPlans();
  };
  // Tried again here and not by the browser, so that a server that is away is not asked every three seconds
  opened.onerror = () => {
    opened.close();
    if (source === opened) source = null;
    timer = setTimeout(listen, AGAIN_MS[Math.min(tries++, AGAIN_MS.length - 1)]);
  };
}

/** A server that has only begun plans several trees a second: the first is shown at once, the next ones together. */
const PLANS_TOGETHER_MS = 2000;
let plansTimer: ReturnType<typeof setTimeout> | undefined;
let plansMissed = false;

function hearOfPlans(): void {
  if (plansTimer !== undefined) {
    plansMissed = true;
    return;
  }
  // Plans by themselves are read when one is next asked for
  for (const queryKey of [KEPT_PLANS, LISTED_TREES]) void queryClient.invalidateQueries({ queryKey });
  plansTimer = setTimeout(() => {
    plansTimer = undefined;
    if (plansMissed) hearOfPlans();
  }, PLANS_TOGETHER_MS);
  plansMissed = false;
}

/** @param revision how far the history has come; the first tells only where this device stands, unless something was missed meanwhile */
function hear(revision: string): void {
  const missed = heard !== null && heard !== revision;
  heard = revision;
  if (missed) for (const queryKey of SHARED) void queryClient.invalidateQueries({ queryKey });
}
