// What one process of several wrote is told to the others: PostgreSQL passes it on (LISTEN, NOTIFY), ids only.
import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { z } from 'zod';
import type { Db } from '../store/openDb';

const CHANNEL = 'mortisect';
const AGAIN_MS = 2000;

const Told = z.object({ from: z.string(), device: z.string().nullable(), plan: z.boolean() });
type Told = z.infer<typeof Told>;

export interface Listening {
  /** To the other processes. */
  tell(news: Omit<Told, 'from'>): void;
  close(): Promise<void>;
}

interface Heard {
  /** Another process wrote something; by which device, where one wrote it. */
  onWritten(device: string | null): void;
  /** Another process kept a plan. */
  onPlan(): void;
}

/**
 * On a line of its own, which is made anew where it breaks; what was missed meanwhile is told as written by nobody in particular, so that everything is read anew.
 *
 * @param url of the PostgreSQL server
 */
export async function listenToOthers(
  url: string,
  db: Db,
  log: Logger,
  { onWritten, onPlan }: Heard,
): Promise<Listening> {
  const me = randomUUID();
  let closed = false;
  let client: import('pg').Client | null = null;
  let timer: NodeJS.Timeout | undefined;
  const { default: pg } = await import('pg');

  const connect = async (isAgain: boolean): Promise<void> => {
    const next = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
    const gone = () => {
      if (client === next) client = null;
      if (closed) return;
      clearTimeout(timer);
      timer = setTimeout(() => void connect(true).catch(gone), AGAIN_MS).unref();
    };
    next.on('error', (error) => {
      log.warn({ err: error }, 'the line to other processes broke');
      void next.end().catch(() => undefined);
      gone();
    });
    next.on('notification', ({ payload = '' }) => {
      const told = Told.safeParse(JSON.parse(payload));
      if (!told.success || told.data.from === me) return;
      if (told.data.plan) onPlan();
      else onWritten(told.data.device);
    });
    await next.connect();
    await next.query(`listen ${CHANNEL}`);
    client = next;
    if (isAgain) onWritten(null);
  };
  await connect(false);

  return {
    tell(news) {
      const payload = JSON.stringify({ from: me, ...news } satisfies Told);
      db.execute(sql`select pg_notify(${CHANNEL}, ${payload})`).catch((error) =>
        log.warn({ err: error }, 'other processes could not be told'),
      );
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      await client?.end();
    },
  };
}
