// Each device says once who works on it.

import { createHash } from 'node:crypto';
import { unsaid } from '@mortisect/words';
import { asc, eq } from 'drizzle-orm';
import { HttpProblem } from '../refusal';
import type { Store } from '../store/openDb';
import { devices } from '../store/schema';

export interface Device {
  id: string;
  name: string;
}

/** The simulated plant clinic writes under an id of its own, which no device may take. */
export const CLINIC = { id: '01900000-0000-7000-8000-00000000c111', name: 'Plant clinic (simulated)' };

/** What a device says of itself: its id, which others may learn, and its key, which they do not. */
export interface DeviceWord {
  id: string;
  key: string | undefined;
}

const hashOf = (key: string) => createHash('sha256').update(key).digest('hex');

/**
 * The device that a request comes from. The first key that it says is its own from then on.
 *
 * @returns null where no device of this id has said its name
 * @throws {HttpProblem} 403 for a device that is another’s
 */
export async function findDevice(db: Store, { id, key }: DeviceWord): Promise<Device | null> {
  const [row] = await db.select().from(devices).where(eq(devices.id, id));
  refuseOthers({ id, keyHash: row?.keyHash ?? null }, key);
  if (!row) return null;
  if (row.keyHash === null && key !== undefined)
    await db
      .update(devices)
      .set({ keyHash: hashOf(key) })
      .where(eq(devices.id, id));
  return { id: row.id, name: row.name };
}

/** @throws {HttpProblem} 403 for a device that is another’s */
export async function putDevice(db: Store, { id, name }: Device, key?: string): Promise<Device> {
  const [row] = await db.select().from(devices).where(eq(devices.id, id));
  refuseOthers({ id, keyHash: row?.keyHash ?? null }, key);
  const keyHash = key === undefined ? (row?.keyHash ?? null) : hashOf(key);
  await db
    .insert(devices)
    .values({ id, name, keyHash })
    .onConflictDoUpdate({ target: devices.id, set: { name, keyHash } });
  return { id, name };
}

function refuseOthers(
  { id, keyHash }: { id: string; keyHash: string | null },
  key: string | undefined,
): void {
  if (id !== CLINIC.id && (keyHash === null || (key !== undefined && keyHash === hashOf(key)))) return;
  throw new HttpProblem(403, 'not-your-device', unsaid('problem.othersDevice'));
}

/** Everybody who works here, by the names on their devices; each once. */
export async function getPeople(db: Store): Promise<{ people: string[] }> {
  const named = await db.selectDistinct({ name: devices.name }).from(devices).orderBy(asc(devices.name));
  return { people: named.map(({ name }) => name) };
}
