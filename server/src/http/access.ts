// Who may ask: host and origin checks always, a passphrase outside loopback.

import { randomBytes } from 'node:crypto';
import { DAY_MS } from '@mortisect/core/measure';
import { hash, verify } from '@node-rs/argon2';
import cookieSession from 'cookie-session';
import type { Express, RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { type Config, isLoopback } from '../config';
import { StartFailure } from '../failure';
import { HttpProblem } from '../refusal';
import { keep, kept } from '../services/keepsakes';
import type { Db } from '../store/openDb';

export interface Access {
  required: boolean;
  install(app: Express): void;
  guard: RequestHandler;
  signedIn(request: Parameters<RequestHandler>[0]): boolean;
  signIn(request: Parameters<RequestHandler>[0], passphrase: string): Promise<void>;
  signOut(request: Parameters<RequestHandler>[0]): void;
}

interface Keys {
  passphraseHash: string;
  cookieKey: string;
}

/**
 * Sets up access. A new passphrase replaces the kept one and ends all sessions.
 *
 * @throws {StartFailure} outside loopback without a passphrase
 */
export async function setUpAccess(config: Config, db: Db): Promise<Access> {
  const keys = await keysFor(config, db);
  if (!isLoopback(config.host) && !keys) {
    throw new StartFailure(
      `Mortisect does not listen on ${config.host} without a passphrase: anyone there could read and write.`,
      'Set MORTISECT_PASSPHRASE to at least 10 characters, or listen on 127.0.0.1.',
    );
  }
  const required = keys !== null;
  const signedIn: Access['signedIn'] = (request) => !required || request.session?.signedIn === true;
  return {
    required,
    signedIn,
    install: (app) => install(app, config, keys),
    guard: (request, _response, next) =>
      next(
        signedIn(request)
          ? undefined
          : new HttpProblem(401, 'sign-in', 'Sign in first', 'The passphrase of this site is asked for.'),
      ),
    signIn: async (request, passphrase) => {
      if (keys && !(await verify(keys.passphraseHash, passphrase))) {
        throw new HttpProblem(
          403,
          'wrong-passphrase',
          'Not the passphrase',
          'That is not the passphrase of this site.',
          {
            errors: [{ path: 'passphrase', message: 'Not the passphrase of this site.' }],
          },
        );
      }
      if (request.session) request.session.signedIn = true;
    },
    signOut: (request) => {
      request.session = null;
    },
  };
}

async function keysFor(config: Config, db: Db): Promise<Keys | null> {
  const stored = await kept<Keys>(db, 'access');
  if (!config.passphrase) return stored;
  if (stored && (await verify(stored.passphraseHash, config.passphrase))) return stored;
  // @node-rs/argon2 hashes with argon2id unless told otherwise
  const keys = {
    passphraseHash: await hash(config.passphrase),
    cookieKey: randomBytes(32).toString('base64'),
  };
  await keep(db, 'access', keys);
  return keys;
}

function install(app: Express, config: Config, keys: Keys | null): void {
  app.use(sameHost(config), sameOrigin);
  if (!keys) return;
  app.use(
    cookieSession({
      name: 'mortisect',
      keys: [keys.cookieKey],
      maxAge: 30 * DAY_MS,
      httpOnly: true,
      sameSite: 'strict',
    }),
  );
  app.post(
    '/api/session',
    rateLimit({
      windowMs: 15 * 60_000,
      limit: 10,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: tooOften,
    }),
  );
}

const tooOften: RequestHandler = (_request, _response, next) =>
  next(new HttpProblem(429, 'too-often', 'Too many tries', 'Wait a quarter of an hour, then try again.'));

/** On loopback only local names are answered, so that a page elsewhere cannot reach in by a name that it points here. */
function sameHost(config: Config): RequestHandler {
  return (request, _response, next) => {
    const named = (request.get('host') ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '');
    next(
      !isLoopback(config.host) || isLoopback(named)
        ? undefined
        : new HttpProblem(421, 'other-host', 'Not this server', 'This server answers on this machine only.'),
    );
  };
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

const sameOrigin: RequestHandler = (request, _response, next) => {
  const origin = request.get('origin');
  if (READS.has(request.method) || origin === undefined || hostOf(origin) === request.get('host'))
    return next();
  next(new HttpProblem(403, 'other-origin', 'From elsewhere', 'Writes are taken from the app itself only.'));
};

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}
