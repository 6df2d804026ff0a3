// Who may ask: host and origin checks always, a passphrase outside loopback.

import { randomBytes } from 'node:crypto';
import { unsaid } from '@mortisect/words';
import { hash, verify } from '@node-rs/argon2';
import type { Express, RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import session from 'express-session';
import { type Config, isLoopback, isSecure } from '../config';
import { StartFailure } from '../failure';
import { HttpProblem } from '../refusal';
import { keep, kept } from '../services/keepsakes';
import { endAllSessions, SESSION_MS, sessionsIn } from '../services/sessions';
import type { Db } from '../store/openDb';

export interface Access {
  required: boolean;
  install(app: Express): void;
  guard: RequestHandler;
  signedIn(request: Parameters<RequestHandler>[0]): boolean;
  signIn(request: Parameters<RequestHandler>[0], passphrase: string): Promise<void>;
  signOut(request: Parameters<RequestHandler>[0]): Promise<void>;
}

interface Keys {
  passphraseHash: string;
  cookieKey: string;
}

/** The hosts that a server answers to; null: it leaves that to who stands before it. */
export type OwnHosts = ((named: string) => boolean) | null;

/** Of a server without TLS of its own: on loopback only local names. */
export const plainHosts = ({ host, proxy }: Config): OwnHosts =>
  isLoopback(host) && !proxy ? isLoopback : null;

/**
 * Sets up access. A new passphrase replaces the kept one and ends all sessions.
 *
 * @param now ISO moment, by the clock of the server
 * @param hosts whose name in a request is answered
 * @throws {StartFailure} outside loopback without a passphrase, or with one that is guessed too easily
 */
export async function setUpAccess(
  config: Config,
  db: Db,
  now: () => string,
  hosts: OwnHosts = plainHosts(config),
): Promise<Access> {
  const keys = await keysFor(config, db);
  if ((!isLoopback(config.host) || config.proxy) && !keys) {
    throw new StartFailure(
      `Mortisect does not listen on ${config.host} without a passphrase: anyone there could read and write.`,
      `Set MORTISECT_PASSPHRASE to at least ${LEAST_PASSPHRASE} characters, or listen on 127.0.0.1.`,
    );
  }
  const required = keys !== null;
  const signedIn: Access['signedIn'] = (request) => !required || request.session?.signedIn === true;
  return {
    required,
    signedIn,
    install: (app) => install(app, config, keys && { ...keys, store: sessionsIn(db, now) }, hosts),
    guard: (request, _response, next) =>
      next(
        signedIn(request) ? undefined : new HttpProblem(401, 'sign-in', unsaid('problem.passphraseAsked')),
      ),
    signIn: async (request, passphrase) => {
      if (keys && !(await verify(keys.passphraseHash, passphrase))) {
        const why = unsaid('problem.wrongPassphrase');
        throw new HttpProblem(403, 'wrong-passphrase', why, { errors: [{ path: 'passphrase', why }] });
      }
      if (!keys) return;
      if (isSecure(config) && !request.secure)
        throw new HttpProblem(400, 'not-secure', unsaid('problem.notSecure'));
      // Another id: one that somebody knew before is worth nothing
      await new Promise<void>((resolve, reject) => {
        request.session.regenerate((error) => (error ? reject(error) : resolve()));
      });
      request.session.signedIn = true;
      request.session.agent = request.get('user-agent') ?? '';
      request.session.usedAt = now();
    },
    signOut: (request) =>
      new Promise((resolve, reject) => {
        if (!request.session) return resolve();
        request.session.destroy((error) => (error ? reject(error) : resolve()));
      }),
  };
}

async function keysFor(config: Config, db: Db): Promise<Keys | null> {
  const stored = await kept<Keys>(db, 'access');
  if (!config.passphrase) return stored;
  if (stored && (await verify(stored.passphraseHash, config.passphrase))) return stored;
  await refuseWeak(config.passphrase);
  // @node-rs/argon2 hashes with argon2id unless told otherwise
  const keys = {
    passphraseHash: await hash(config.passphrase),
    cookieKey: randomBytes(32).toString('base64'),
  };
  await endAllSessions(db);
  await keep(db, 'access', keys);
  return keys;
}

/** @source NIST SP 800-63B, 3.1.1.2, from memory: length counts, and a list of common ones is refused; that it is 12: common practice, no source */
export const LEAST_PASSPHRASE = 12;
/** Of 0 to 4 as the estimator counts: ten million guesses would find one of less. */
const LEAST_SCORE = 3;

/** @throws {StartFailure} for one that is short, or that a list of common ones finds */
async function refuseWeak(passphrase: string): Promise<void> {
  const todo = 'Four or five words that do not belong together are good.';
  if (passphrase.length < LEAST_PASSPHRASE)
    throw new StartFailure(`The passphrase has fewer than ${LEAST_PASSPHRASE} characters.`, todo);
  const { ZxcvbnFactory } = await import('@zxcvbn-ts/core');
  const { adjacencyGraphs: graphs, dictionary } = await import('@zxcvbn-ts/language-common');
  const { score } = new ZxcvbnFactory({ dictionary, graphs }).check(passphrase);
  if (score < LEAST_SCORE) throw new StartFailure('The passphrase is guessed too easily.', todo);
}

function install(
  app: Express,
  config: Config,
  keys: (Keys & { store: session.Store }) | null,
  hosts: OwnHosts,
): void {
  if (config.proxy) app.set('trust proxy', 1);
  app.use(sameHost(hosts), sameOrigin);
  if (!keys) return;
  const secure = isSecure(config);
  app.use(
    '/api',
    session({
      // A cookie of this name is taken over a safe line and for this host only
      name: secure ? '__Host-mortisect' : 'mortisect',
      secret: keys.cookieKey,
      store: keys.store,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { maxAge: SESSION_MS, httpOnly: true, sameSite: 'strict', secure, path: '/' },
    }),
  );
  app.post(
    '/api/session',
    rateLimit({
      windowMs: 15 * 60_000,
      limit: 10,
      skipSuccessfulRequests: true,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: tooOften,
    }),
  );
}

const tooOften: RequestHandler = (_request, _response, next) =>
  next(new HttpProblem(429, 'too-often', unsaid('problem.tooManyTries')));

/** The host that a request names: without its port, an address of IPv6 without its brackets. */
export const hostNamedIn = (request: Parameters<RequestHandler>[0]): string =>
  (request.get('host') ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '');

/** Only own names are answered, so that a page elsewhere cannot reach in by a name that it points here. */
function sameHost(hosts: OwnHosts): RequestHandler {
  return (request, _response, next) => {
    next(
      hosts === null || hosts(hostNamedIn(request))
        ? undefined
        : new HttpProblem(421, 'other-host', unsaid('problem.otherHost')),
    );
  };
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

const sameOrigin: RequestHandler = (request, _response, next) => {
  const origin = request.get('origin');
  if (READS.has(request.method) || origin === undefined || hostOf(origin) === request.get('host'))
    return next();
  next(new HttpProblem(403, 'other-origin', unsaid('problem.otherOrigin')));
};

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}
