// A certificate that somebody brings: what is wrong with it is said before anybody meets it.
import { createPrivateKey, type KeyObject, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { StartFailure } from '../failure';
import type { CertifiedKey } from './authority';

/**
 * @param files paths of the certificate (PEM, with the chain behind it) and of its key
 * @throws {StartFailure} where one cannot be read, they do not belong together, or it does not hold now
 */
export function ownCertificate(files: { cert: string; key: string }, now = new Date()): CertifiedKey {
  const [certificate, key] = [read(files.cert, '--cert'), read(files.key, '--key')];
  const read509 = parsed(files.cert, '--cert', 'certificate', () => new X509Certificate(certificate));
  const readKey: KeyObject = parsed(files.key, '--key', 'private key', () => createPrivateKey(key));
  if (!read509.checkPrivateKey(readKey))
    throw new StartFailure(
      `The key ${files.key} is not that of the certificate ${files.cert}.`,
      'Name the two files that were made together.',
    );
  const [from, to] = [new Date(read509.validFrom), new Date(read509.validTo)];
  if (now > to)
    throw new StartFailure(
      `The certificate ${files.cert} has run out (${day(to)}).`,
      'Have it renewed; browsers refuse it.',
    );
  if (now < from)
    throw new StartFailure(
      `The certificate ${files.cert} does not hold yet (from ${day(from)}).`,
      'Is the clock of this machine right?',
    );
  return { certificate, key };
}

const day = (date: Date) => date.toISOString().slice(0, 10);

function read(file: string, option: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new StartFailure(
      `The file ${file} of ${option} cannot be read (${(error as NodeJS.ErrnoException).code}).`,
      'Name a file that this user can read.',
    );
  }
}

function parsed<T>(file: string, option: string, what: string, parse: () => T): T {
  try {
    return parse();
  } catch {
    throw new StartFailure(
      `The file ${file} of ${option} holds no ${what} in PEM form.`,
      'It begins with “-----BEGIN”.',
    );
  }
}
