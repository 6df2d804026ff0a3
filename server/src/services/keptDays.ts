// How long what was deleted can be taken back.
import { DAY_MS } from '@mortisect/core/measure';
import { moment } from './moment';

/** As long as a mistake may take to be seen. */
export const KEPT_DAYS = 30;
export const KEPT_MS = KEPT_DAYS * DAY_MS;

/** @param askedAt when it was deleted, by the server's own clock. @returns whole days, begun ones counted */
export const daysLeft = (askedAt: string): number =>
  Math.max(0, Math.ceil((Date.parse(moment(askedAt)) + KEPT_MS - Date.now()) / DAY_MS));
