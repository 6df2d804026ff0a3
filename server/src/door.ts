// Where the server listens: plain on loopback, by TLS on the local network, or behind a proxy.
import { X509Certificate } from 'node:crypto';
import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { type AddressInfo, isIP, isIPv4, type Server as NetServer } from 'node:net';
import path from 'node:path';
import { type Config, isLoopback } from './config';
import { StartFailure } from './failure';
import { type OwnHosts, plainHosts } from './http/access';
import { type Field, plainAnswer } from './http/trust';
import type { CertifiedKey } from './secure/authority';
import { makeFront } from './secure/front';
import type { LocalCertificate } from './secure/localCertificate';
import { isFor, localHosts } from './secure/machine';
import { ownCertificate } from './secure/ownCertificate';

export interface Door {
  url: string;
  /** Hosts whose name in a request is answered; null: the proxy sees to it. */
  hosts: OwnHosts;
  /** How phones on the local network come in; null where they do not. */
  field: (() => Field) | null;
  /** Answers from now on; before, whoever comes is told to try again. */
  answerWith(answer: RequestListener): void;
  close(): Promise<void>;
}

const GRACE_MS = 10_000;
/** A machine that was given another address has another certificate within so long. */
const LOOKS_AGAIN_MS = 10 * 60_000;

/** @throws {StartFailure} when the port or the certificate is not to be had; nothing is changed then */
export async function openDoor(config: Config): Promise<Door> {
  const lan = config.lan ? await lanCertificate(config) : null;
  const own = config.cert && config.key ? ownCertificate({ cert: config.cert, key: config.key }) : null;
  const certified = lan ?? own;
  return certified ? openSecure(config, certified, lan) : openPlain(config);
}

/** What makes certificates is large: a server that needs none does not load it. */
async function lanCertificate({ dataFolder, names, host }: Config): Promise<LocalCertificate> {
  const { localCertificate } = await import('./secure/localCertificate');
  return localCertificate(
    path.join(dataFolder, 'lan'),
    localHosts(names).filter((name) => isHeard(name, host)),
  );
}

/** Whether what is sent to an address of this machine comes to a server that listens on `host`. */
export function isHeard(address: string, host: string): boolean {
  if (host === '::' || isIP(address) === 0 || isLoopback(address)) return true;
  return host === '0.0.0.0' ? isIPv4(address) : address === host;
}

async function openPlain(config: Config): Promise<Door> {
  let answer: RequestListener = notYet;
  const server = createServer((request, response) => answer(request, response));
  await listen(server, config);
  return {
    url: `http://${hostWords(config.host)}:${portOf(server)}`,
    hosts: plainHosts(config),
    field: null,
    answerWith: (given) => {
      answer = given;
    },
    close: () => closed([server], server, () => server.closeAllConnections()),
  };
}

async function openSecure(
  config: Config,
  certified: CertifiedKey,
  lan: LocalCertificate | null,
): Promise<Door> {
  let answer: RequestListener = notYet;
  let local = lan;
  let certificate = new X509Certificate(certified.certificate);
  const hosts = (named: string) => isFor(certificate, named);
  const secure = createSecure(
    { cert: certified.certificate, key: certified.key, minVersion: 'TLSv1.2' },
    (request, response) => answer(request, response),
  );
  const field = () => fieldOf(local as LocalCertificate, portOf(front));
  const plain = createServer(plainAnswer({ hosts, port: () => portOf(front), field: lan && field }));
  const { server: front, dropAll } = makeFront(secure, plain);
  await listen(front, config);
  const again = setInterval(async () => {
    if (!local) return;
    // What it has stays good where nothing better is to be had
    const next = await lanCertificate(config).catch(() => local as LocalCertificate);
    if (next.certificate === local.certificate) return;
    local = next;
    certificate = new X509Certificate(next.certificate);
    secure.setSecureContext({ cert: next.certificate, key: next.key });
  }, LOOKS_AGAIN_MS).unref();
  const [first = 'localhost'] = local?.hosts ?? [
    certificate.subjectAltName?.split(', ')[0]?.replace(/^\w+( \w+)?:/, ''),
  ];
  return {
    url: `https://${hostWords(first)}:${portOf(front)}`,
    hosts,
    field: lan && field,
    answerWith: (given) => {
      answer = given;
    },
    close: () => {
      clearInterval(again);
      return closed([secure, plain], front, dropAll);
    },
  };
}

function fieldOf({ authority, hosts }: LocalCertificate, port: number): Field {
  const reachable = hosts.filter((host) => !isLoopback(host));
  const [first = 'localhost'] = reachable;
  const read = new X509Certificate(authority);
  return {
    trustUrl: `http://${hostWords(first)}:${port}/trust`,
    addresses: (reachable.length > 0 ? reachable : ['localhost']).map(
      (host) => `https://${hostWords(host)}:${port}`,
    ),
    fingerprint: read.fingerprint256,
    until: new Date(read.validTo).toISOString(),
    authority,
  };
}

const notYet: RequestListener = (_request, response) => {
  response.writeHead(503, { 'Content-Type': 'application/problem+json', 'Retry-After': '1' });
  response.end(
    JSON.stringify({
      type: 'starting',
      title: 'Starting',
      status: 503,
      detail: 'The server is starting. Try again in a moment.',
      instance: '',
    }),
  );
};

function listen(server: NetServer, { host, port }: Pick<Config, 'host' | 'port'>): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      // Without IPv6 the other way to listen everywhere is left
      if (host === '::' && (error.code === 'EAFNOSUPPORT' || error.code === 'EADDRNOTAVAIL'))
        return resolve(listen(server, { host: '0.0.0.0', port }));
      reject(
        error.code === 'EADDRINUSE'
          ? new StartFailure(
              `Port ${port} on ${host} is taken.`,
              `Stop what uses it, or choose another with --port NUMBER.`,
            )
          : new StartFailure(
              `The server cannot listen on ${host}:${port} (${error.code}).`,
              'Check --host and --port.',
            ),
      );
    });
    server.listen(port, host, resolve);
  });
}

const portOf = (server: NetServer) => (server.address() as AddressInfo).port;
const hostWords = (host: string) => (host.includes(':') ? `[${host}]` : host);

/** Lets requests in flight finish, within the grace time. */
function closed(answering: Server[], listening: NetServer, dropAll: () => void): Promise<void> {
  return new Promise((resolve) => {
    const hard = setTimeout(dropAll, GRACE_MS);
    listening.close(() => {
      clearTimeout(hard);
      resolve();
    });
    for (const server of answering) server.closeIdleConnections();
  });
}
