// Certificates of the local network: what OpenSSL takes and refuses, when another is given, and what is wrong with one that was brought.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { DAY_MS } from '@mortisect/core/measure';
import { beginAuthority, type CertifiedKey, issue, LEAF_DAYS } from './authority';
import { localCertificate } from './localCertificate';
import { isFor, isLocal, localHosts } from './machine';
import { ownCertificate } from './ownCertificate';

const NOW = new Date();
const later = (days: number) => new Date(NOW.getTime() + days * DAY_MS);
const folder = mkdtempSync(path.join(tmpdir(), 'secure-'));
afterAll(() => rmSync(folder, { recursive: true }));
const written = (name: string, text: string) => {
  const file = path.join(folder, name);
  writeFileSync(file, text);
  return file;
};

let authority: CertifiedKey;
beforeAll(async () => {
  authority = await beginAuthority('shed.local', NOW);
});

/** What OpenSSL, as another that knows RFC 5280, says of a certificate for a host. */
function verified(certificate: string, host: string): string {
  const files = [written('ca.pem', authority.certificate), written('leaf.pem', certificate)];
  const isAddress = /^[\d.:a-f]+$/.test(host);
  const { stdout, stderr } = spawnSync('openssl', [
    'verify',
    '-x509_strict',
    '-purpose',
    'sslserver',
    isAddress ? '-verify_ip' : '-verify_hostname',
    host,
    '-CAfile',
    ...files,
  ]);
  return `${stdout}${stderr}`;
}

describe('what an authority of a local network can give', () => {
  test.each([
    'shed.local',
    'localhost',
    '192.168.1.7',
    '10.20.30.40',
    '172.31.255.255',
    '100.64.0.1',
    'fd12::7',
  ])('%s is taken', async (host) => {
    const { certificate } = await issue(authority, [host], NOW);
    expect(verified(certificate, host)).toContain(': OK');
  });

  test.each([
    'bank.example',
    '192.0.2.1',
    '172.32.0.1',
    '100.128.0.1',
    '11.0.0.1',
    '2001:db8::1',
    'local.example',
  ])('%s is refused, though the authority signed it', async (host) => {
    const { certificate } = await issue(authority, [host], NOW);
    expect(verified(certificate, host)).toMatch(/permitted subtree violation/);
  });

  test('it makes no other authority, and what it gives lasts no longer than browsers take', async () => {
    const { certificate, key } = await issue(authority, ['shed.local', '10.0.0.7'], NOW);
    const read = new X509Certificate(certificate);
    expect(read.ca).toBe(false);
    expect(Date.parse(read.validTo) - NOW.getTime()).toBeLessThanOrEqual(LEAF_DAYS * DAY_MS);
    expect(LEAF_DAYS).toBeLessThanOrEqual(398);
    expect(read.subjectAltName).toBe('DNS:shed.local, IP Address:10.0.0.7');
    const below = await issue({ certificate, key }, ['shed.local'], NOW);
    expect(verified(`${below.certificate}`, 'shed.local')).not.toContain(': OK');
    const text = execFileSync('openssl', [
      'x509',
      '-noout',
      '-text',
      '-in',
      written('a.pem', authority.certificate),
    ]).toString();
    expect(text).toMatch(/Name Constraints: critical\s+Permitted:/);
    expect(text).toMatch(/CA:TRUE, pathlen:0/);
  });
});

// Each side of each border. RFC 1918, 6598, 3927, 4193, 4291; RFC 6761, 6762, 8375
test.each([
  ['10.0.0.0', true],
  ['9.255.255.255', false],
  ['11.0.0.0', false],
  ['172.16.0.0', true],
  ['172.15.255.255', false],
  ['172.31.255.255', true],
  ['172.32.0.0', false],
  ['192.168.0.0', true],
  ['192.169.0.0', false],
  ['100.64.0.0', true],
  ['100.63.255.255', false],
  ['100.127.255.255', true],
  ['100.128.0.0', false],
  ['169.254.9.9', true],
  ['127.0.0.1', true],
  ['::1', true],
  ['::2', false],
  ['fdff::1', true],
  ['fe00::1', false],
  ['fe80::1', true],
  ['shed.local', true],
  ['orchard.home.arpa', true],
  ['shed.internal', true],
  ['localhost', true],
  ['shed', false],
  ['shed.example', false],
  ['notlocal', false],
])('%s is of a local network: %s', (host, is) => {
  expect(isLocal(host)).toBe(is);
});

test('the addresses of a machine come first, then its names; a name of the internet is refused', () => {
  const network = (address: string, family: 'IPv4' | 'IPv6', internal = false) =>
    ({ address, family, internal, netmask: '', mac: '', cidr: null, scopeid: 0 }) as never;
  const networks = {
    lo: [network('127.0.0.1', 'IPv4', true)],
    eth: [
      network('fd00::9', 'IPv6'),
      network('fe80::9', 'IPv6'),
      network('192.168.1.7', 'IPv4'),
      network('203.0.113.9', 'IPv4'),
    ],
  };
  expect(localHosts(['Orchard.home.arpa'], networks, 'Shed.example.org')).toEqual([
    '192.168.1.7',
    'fd00::9',
    'orchard.home.arpa',
    'shed.local',
    'localhost',
    '127.0.0.1',
  ]);
  expect(localHosts([], {}, 'localhost')).toEqual(['localhost', '127.0.0.1']);
  expect(() => localHosts(['orchard.example'], networks, 'shed')).toThrow('no name of a local network');
});

describe('the certificate of a data folder', () => {
  const at = (name: string) => path.join(folder, name);
  const printOf = (pem: string) => createHash('sha256').update(pem).digest('hex');

  test('stays as it is, with its keys for its owner only, as long as it serves', async () => {
    const first = await localCertificate(at('stays'), ['10.0.0.7', 'localhost'], NOW);
    for (const name of ['authority.key', 'server.key'])
      expect(statSync(path.join(at('stays'), name)).mode & 0o777).toBe(0o600);
    const again = await localCertificate(at('stays'), ['10.0.0.7'], later(1));
    expect(again.certificate).toBe(first.certificate);
    expect(isFor(new X509Certificate(first.certificate), '10.0.0.7')).toBe(true);
    expect(isFor(new X509Certificate(first.certificate), '10.0.0.8')).toBe(false);
    expect(isFor(new X509Certificate(first.certificate), 'localhost')).toBe(true);
  });

  test('another is given by the same authority for another address, and thirty days before its end', async () => {
    const of = (hosts: string[], now: Date) => localCertificate(at('moves'), hosts, now);
    const first = await of(['10.0.0.7'], NOW);
    const moved = await of(['10.0.0.8'], NOW);
    expect(printOf(moved.certificate)).not.toBe(printOf(first.certificate));
    expect(moved.authority).toBe(first.authority);
    const ends = Date.parse(new X509Certificate(moved.certificate).validTo);
    const before = await of(['10.0.0.8'], new Date(ends - 30 * DAY_MS));
    expect(before.certificate).toBe(moved.certificate);
    const due = await of(['10.0.0.8'], new Date(ends - 30 * DAY_MS + 1));
    expect(due.certificate).not.toBe(moved.certificate);
    expect(due.authority).toBe(first.authority);
  });

  test('an authority that ends gives way to another; a folder that holds something else is said', async () => {
    const first = await localCertificate(at('ends'), ['10.0.0.7'], NOW);
    const ends = Date.parse(new X509Certificate(first.authority).validTo);
    const next = await localCertificate(at('ends'), ['10.0.0.7'], new Date(ends - 30 * DAY_MS + 1));
    expect(next.authority).not.toBe(first.authority);
    writeFileSync(path.join(at('ends'), 'authority.crt'), 'none');
    await expect(localCertificate(at('ends'), ['10.0.0.7'], NOW)).rejects.toThrow('cannot be used');
    await expect(localCertificate(path.join(at('ends'), 'server.key', 'x'), [], NOW)).rejects.toThrow(
      'cannot be used',
    );
  });
});

describe('a certificate that was brought', () => {
  let cert: string;
  let key: string;
  beforeAll(async () => {
    const made = await issue(authority, ['shed.local'], NOW);
    cert = written('own.crt', made.certificate);
    key = written('own.key', made.key);
  });

  test('is taken from its first day to its last', () => {
    const { validFrom, validTo } = new X509Certificate(readFileSync(cert));
    const at = (moment: string, ms: number) =>
      ownCertificate({ cert, key }, new Date(Date.parse(moment) + ms));
    expect(at(validFrom, 0).certificate).toContain('BEGIN CERTIFICATE');
    expect(at(validTo, 0).key).toContain('BEGIN PRIVATE KEY');
    expect(() => at(validFrom, -1)).toThrow('does not hold yet');
    expect(() => at(validTo, 1)).toThrow('has run out');
  });

  test.each<[string, () => { cert: string; key: string }, string]>([
    ['a file that is not there', () => ({ cert: `${cert}.not`, key }), '--cert cannot be read (ENOENT)'],
    ['a key for a certificate', () => ({ cert: key, key }), 'holds no certificate'],
    ['a certificate for a key', () => ({ cert, key: cert }), 'holds no private key'],
    [
      'the key of another',
      () => ({ cert, key: written('other.key', authority.key) }),
      'is not that of the certificate',
    ],
  ])('%s is told', (_said, files, words) => {
    expect(() => ownCertificate(files())).toThrow(words);
  });
});
