// The trees of a run are ordered off the thread that draws: a thread of its own, which is there at once, where the one that plans reads as much script as the page.
import './importMeta';
import { type RunOrder, type RunOrderInput, runOrder } from '@mortisect/core/plan';
import { expose } from 'comlink';

const work = { order: (input: RunOrderInput): RunOrder => runOrder(input) };
export type OrderWork = typeof work;

expose(work);
