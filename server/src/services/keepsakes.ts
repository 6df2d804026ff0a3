// Small things the server keeps for itself.
import { eq } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { keepsakes } from '../store/schema';

export async function kept<T>(db: Store, name: string): Promise<T | null> {
  const [row] = await db.select().from(keepsakes).where(eq(keepsakes.name, name));
  return (row?.value as T | undefined) ?? null;
}

export async function keep(db: Store, name: string, value: unknown): Promise<void> {
  await db
    .insert(keepsakes)
    .values({ name, value })
    .onConflictDoUpdate({ target: keepsakes.name, set: { value } });
}

export async function letGo(db: Store, name: string): Promise<void> {
  await db.delete(keepsakes).where(eq(keepsakes.name, name));
}
