// What every record is made of.
import { z } from 'zod';
import { moment } from '../measure/index';
import { refusing } from '../refusal/index';

export { localDay, moment } from '../measure/index';

export const text = (most: number) => z.string().trim().max(most);
export const name = (most: number) => text(most).min(1, refusing('noName'));
export const RecordId = z.uuidv7(refusing('noVersion7'));
export const TreeId = z.string().min(1).max(64);
export const limbId = z.string().min(1).max(64);
export const alongCm = z.number().min(0).max(3000);

export const TimeZone = z.string().refine(isTimeZone, refusing('noTimeZone'));

/** To ask the machine takes as long as to read a small record; a site is read with nearly every question. */
const knownZones = new Set<string>();

/** Whether it is a name of the IANA list that this machine knows. */
export function isTimeZone(zone: string): boolean {
  if (knownZones.has(zone)) return true;
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
  } catch {
    return false;
  }
  knownZones.add(zone);
  return true;
}

/** Who made a record and when it was received; stamped by the server. */
export const Stamp = z.object({
  revision: z.number().int().min(1),
  by: z.string(),
  receivedAt: moment,
});
export type Stamp = z.infer<typeof Stamp>;
