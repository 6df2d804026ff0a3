// Who is signed in: sessions with random ids, of which the database keeps hashes only.

import { createHash } from 'node:crypto';
import type { SessionList } from '@mortisect/contracts';
import { DAY_MS } from '@mortisect/core/measure';
import { unsaid } from '@mortisect/words';
import { parse as browserOf } from 'bowser';
import { and, desc, eq, gt, lt } from 'drizzle-orm';
import { type SessionData, Store as SessionStore } from 'express-session';
import { notThere } from '../refusal';
import { whereItCan } from '../store/faults';
import type { Db } from '../store/openDb';
import { sessions } from '../store/schema';
import { moment } from './moment';

declare module 'express-session' {
  interface SessionData {
    signedIn: boolean;
    agent: string;
    /** ISO moment, to the hour. */
    usedAt: string;
  }
}

/** A session that is not used for so long has ended. */
export const SESSION_MS = 30 * DAY_MS;
/** That it is used is written down so often at most. */
const NOTED_MS = 3_600_000;
const LONGEST_AGENT = 300;

export const sessionKey = (id: string) => createHash('sha256').update(id).digest('hex');

/** @param now ISO moment, by the clock of the server */
export function sessionsIn(db: Db, now: () => string): SessionStore {
  const until = () => new Date(Date.parse(now()) + SESSION_MS).toISOString();
  const live = (id: string) => and(eq(sessions.id, sessionKey(id)), gt(sessions.endsAt, now()));
  const answer = <T>(work: Promise<T>, done: (error?: unknown, value?: T) => void = () => {}) => {
    work.then((value) => done(null, value), done);
  };
  return new (class extends SessionStore {
    override get(id: string, done: (error: unknown, data?: SessionData | null) => void) {
      const find = async (): Promise<SessionData | null> => {
        const [row] = await db.select().from(sessions).where(live(id));
        if (!row) return null;
        const expires = new Date(row.endsAt);
        return {
          signedIn: true,
          agent: row.agent,
          usedAt: moment(row.usedAt),
          cookie: { originalMaxAge: SESSION_MS, expires },
        };
      };
      answer(find(), done as never);
    }

    override set(id: string, { agent }: SessionData, done?: (error?: unknown) => void) {
      const row = {
        id: sessionKey(id),
        agent: agent.slice(0, LONGEST_AGENT),
        beganAt: now(),
        usedAt: now(),
        endsAt: until(),
      };
      const write = async () => {
        await db.delete(sessions).where(lt(sessions.endsAt, now()));
        await db
          .insert(sessions)
          .values(row)
          .onConflictDoUpdate({ target: sessions.id, set: { endsAt: row.endsAt } });
      };
      answer(write(), done);
    }

    override touch(id: string, { usedAt }: SessionData, done?: (error?: unknown) => void) {
      if (Date.parse(now()) - Date.parse(usedAt) < NOTED_MS) return done?.();
      const note = db.update(sessions).set({ usedAt: now(), endsAt: until() }).where(live(id));
      answer(whereItCan(note), done);
    }

    override destroy(id: string, done?: (error?: unknown) => void) {
      answer(Promise.resolve(db.delete(sessions).where(eq(sessions.id, sessionKey(id)))), done);
    }
  })();
}

/** @param here id of the session that asks */
export async function getSessions(db: Db, now: string, here: string): Promise<SessionList> {
  const rows = await db
    .select()
    .from(sessions)
    .where(gt(sessions.endsAt, now))
    .orderBy(desc(sessions.usedAt));
  return {
    sessions: rows.map(({ id, agent, beganAt, usedAt }) => ({
      id,
      browser: nameOf(agent),
      beganAt: moment(beganAt),
      usedAt: moment(usedAt),
      here: id === sessionKey(here),
    })),
  };
}

function nameOf(agent: string): string {
  if (agent === '') return 'A program';
  const { browser, os } = browserOf(agent);
  return [browser.name ?? 'A browser', ...(os.name ? [`on ${os.name}`] : [])].join(' ');
}

/** @throws {HttpProblem} 404 where there is none of it */
export async function endSession(db: Db, id: string, now: string, here: string): Promise<SessionList> {
  const ended = await db.delete(sessions).where(eq(sessions.id, id)).returning({ id: sessions.id });
  if (ended.length === 0) throw notThere(unsaid('problem.theSession'));
  return getSessions(db, now, here);
}

export async function endAllSessions(db: Db): Promise<void> {
  await db.delete(sessions);
}
