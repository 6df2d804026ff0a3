// When may a record say that something was? Databases and devices disagree about years far off, and a record that one of them cannot read is lost to all.
import { z } from 'zod';
import { refusing } from '../refusal/index';

const IN_YEARS = /^(?:19|20|21)\d\d-/;
/** Farthest from UTC that clocks are set: 14 h. @source IANA time zone database (Pacific/Kiritimati) */
const WITH_OFFSET = /(?:Z|[+-](?:(?:0\d|1[0-3]):[0-5]\d|14:00))$/;

/** ISO time with its offset, of the years 1900 to 2199. */
export const moment = z.iso
  .datetime({ offset: true, abort: true })
  .refine((text) => IN_YEARS.test(text) && WITH_OFFSET.test(text), refusing('noSuchMoment'));

/** Local date, YYYY-MM-DD, of the years 1900 to 2199. */
export const localDay = z.iso
  .date({ abort: true })
  .refine((text) => IN_YEARS.test(text), refusing('noSuchDay'));
