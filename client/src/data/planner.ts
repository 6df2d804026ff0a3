// The thread that plans: one for the whole app.
import { type Remote, wrap } from 'comlink';
import type { PlanWork } from '../workers/plan.worker';

let remote: Remote<PlanWork> | null = null;

/** Starts it where it is not there yet; it reads as much script as the page itself. */
export function planner(): Remote<PlanWork> {
  remote ??= wrap<PlanWork>(new Worker(new URL('../workers/plan.worker', import.meta.url)));
  return remote;
}
