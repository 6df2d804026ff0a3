// The authority and the certificate of a data folder: made once, given anew when they run out or the machine moves.
import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DAY_MS } from '@mortisect/core/measure';
import { StartFailure } from '../failure';
import { beginAuthority, type CertifiedKey, issue } from './authority';
import { isFor } from './machine';

/** Given anew so long before it ends. */
const AHEAD_MS = 30 * DAY_MS;

export interface LocalCertificate extends CertifiedKey {
  authority: string;
  hosts: string[];
}

/**
 * @param folder of the authority; whoever has it can pass for this server on the networks of those who trust it
 * @param hosts names and addresses of this machine
 * @throws {StartFailure} where the folder cannot be read or written, or what lies there is none of ours
 */
export async function localCertificate(
  folder: string,
  hosts: string[],
  now = new Date(),
): Promise<LocalCertificate> {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const authority =
      read(folder, 'authority') ?? keep(folder, 'authority', await beginAuthority(nameIn(hosts), now));
    const authorityEnds = Date.parse(new X509Certificate(authority.certificate).validTo);
    if (authorityEnds < now.getTime() + AHEAD_MS) {
      renameSync(path.join(folder, 'authority.crt'), path.join(folder, 'authority-ended.crt'));
      return localCertificate(folder, hosts, now);
    }
    const kept = read(folder, 'server');
    const server =
      kept && stillServes(kept, authority, hosts, now)
        ? kept
        : keep(folder, 'server', await issue(authority, hosts, now));
    return { ...server, authority: authority.certificate, hosts };
  } catch (error) {
    if (error instanceof StartFailure) throw error;
    throw new StartFailure(
      `The certificates in ${folder} cannot be used (${error instanceof Error ? error.message : error}).`,
      'Take the folder away to begin anew; every phone has to trust the new authority then.',
    );
  }
}

const nameIn = (hosts: readonly string[]) =>
  hosts.find((host) => host.endsWith('.local')) ?? hosts[0] ?? 'this machine';

function stillServes(
  kept: CertifiedKey,
  authority: CertifiedKey,
  hosts: readonly string[],
  now: Date,
): boolean {
  const certificate = new X509Certificate(kept.certificate);
  return (
    Date.parse(certificate.validTo) >= now.getTime() + AHEAD_MS &&
    certificate.verify(new X509Certificate(authority.certificate).publicKey) &&
    hosts.every((host) => isFor(certificate, host))
  );
}

const filesOf = (folder: string, name: string) =>
  [path.join(folder, `${name}.crt`), path.join(folder, `${name}.key`)] as const;

function read(folder: string, name: string): CertifiedKey | null {
  const [certificate, key] = filesOf(folder, name);
  if (!existsSync(certificate) || !existsSync(key)) return null;
  return { certificate: readFileSync(certificate, 'utf8'), key: readFileSync(key, 'utf8') };
}

/** The key first: a certificate without its key is not taken for one. */
function keep(folder: string, name: string, made: CertifiedKey): CertifiedKey {
  const [certificate, key] = filesOf(folder, name);
  writeFileSync(key, made.key, { mode: 0o600 });
  writeFileSync(certificate, made.certificate, { mode: 0o600 });
  return made;
}
