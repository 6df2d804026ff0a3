// Each device says once who works on it.
import { asc, eq } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { devices } from '../store/schema';

export interface Device {
  id: string;
  name: string;
}

export async function findDevice(db: Store, id: string): Promise<Device | null> {
  const [row] = await db.select().from(devices).where(eq(devices.id, id));
  return row ?? null;
}

export async function putDevice(db: Store, device: Device): Promise<Device> {
  await db
    .insert(devices)
    .values(device)
    .onConflictDoUpdate({ target: devices.id, set: { name: device.name } });
  return device;
}

/** Everybody who works here, by the names on their devices; each once. */
export async function getPeople(db: Store): Promise<{ people: string[] }> {
  const named = await db.selectDistinct({ name: devices.name }).from(devices).orderBy(asc(devices.name));
  return { people: named.map(({ name }) => name) };
}
