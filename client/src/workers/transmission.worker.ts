// What skipping a cleaning costs, played out off the thread that draws.
import './importMeta';
import { transmission } from '@mortisect/core/blades';
import { expose } from 'comlink';

const work = { transmission };
export type TransmissionWork = typeof work;

expose(work);
