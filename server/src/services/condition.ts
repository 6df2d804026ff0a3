// In what condition is the database? Its pages are read through after each start; what a question stumbles over is noted too.
import type { Copies } from '@mortisect/contracts';
import { sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { isDamaged } from '../store/faults';
import type { OpenDb } from '../store/openDb';
import type { DamagedPage } from '../store/pages';

export interface Condition {
  told(): Copies['database'];
  /** A question failed: if it was over damage, it is told from now on. */
  noteFault(error: unknown): void;
  /** Reads through every page; where a server keeps the database, that is its own work. */
  readThrough(): Promise<void>;
}

interface Parts {
  store: Pick<OpenDb, 'db' | 'isReadOnly'>;
  /** Of the database; null where a server keeps it. */
  folder: string | null;
  damagedPages(folder: string): Promise<DamagedPage[]>;
  now: () => string;
  log: Logger;
}

export function makeCondition({ store, folder, damagedPages, now, log }: Parts): Condition {
  let damage: Copies['database']['damage'] = null;
  const note = (what: string) => {
    damage = { seenAt: now(), what };
    log.error({ what }, 'the database is damaged');
  };
  return {
    told: () => ({ damage, isReadOnly: store.isReadOnly() }),
    noteFault(error) {
      if (isDamaged(error) && damage === null) note('a part of it could not be read');
    },
    async readThrough() {
      if (folder === null) return;
      const pages = await damagedPages(folder);
      if (pages.length > 0) note(await damageWords(store.db, pages));
    },
  };
}

/** “3 pages in trees, history_tree”. */
export async function damageWords(db: OpenDb['db'], pages: readonly DamagedPage[]): Promise<string> {
  const files = [...new Set(pages.map(({ file }) => file))];
  const names = await Promise.all(files.map((file) => relationOf(db, file)));
  const count = pages.length === 1 ? '1 page' : `${pages.length} pages`;
  return `${count} in ${[...new Set(names)].join(', ')}`;
}

/** The table or index that a file belongs to; the file, where the database cannot say. */
async function relationOf(db: OpenDb['db'], file: string): Promise<string> {
  const node = /(\d+)[^/]*$/.exec(file)?.[1] ?? '';
  try {
    const { rows } = (await db.execute(
      sql`select relname as name from pg_class where pg_relation_filenode(oid) = ${node}::oid`,
    )) as unknown as { rows: { name: string }[] };
    return rows[0]?.name ?? file;
  } catch {
    return file;
  }
}
