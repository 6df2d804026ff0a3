// A certificate authority of this server's own, for the local network and nothing else, and the certificates that it gives.
import 'reflect-metadata';
import { randomBytes, webcrypto } from 'node:crypto';
import { isIP } from 'node:net';
import { DAY_MS } from '@mortisect/core/measure';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { LOCAL_NAMES, LOCAL_NETWORKS } from './machine';

/** A certificate and its key, each as PEM. */
export interface CertifiedKey {
  certificate: string;
  key: string;
}

const AUTHORITY_YEARS = 10;
/** Browsers take no server certificate that lasts longer. @source CA/Browser Forum, Baseline Requirements 6.3.2: 398 days at most until 2026; of an authority that the owner added, browsers ask the same, from memory */
export const LEAF_DAYS = 397;

const SIGNING = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const NAME_CONSTRAINTS = '2.5.29.30';

/**
 * Begins an authority. Whoever trusts it trusts it for names and addresses of local networks only (RFC 5280, 4.2.1.10): with its key nobody can pass for a
 * site on the internet.
 *
 * @param of what it is called, as in “shed.local”
 */
export async function beginAuthority(of: string, now = new Date()): Promise<CertifiedKey> {
  const keys = await webcrypto.subtle.generateKey(SIGNING, true, ['sign', 'verify']);
  const subtrees = [
    ...LOCAL_NAMES.map((dNSName) => new GeneralName({ dNSName })),
    ...LOCAL_NETWORKS.map((iPAddress) => new GeneralName({ iPAddress })),
  ].map((base) => new GeneralSubtree({ base }));
  const constraints = new NameConstraints({ permittedSubtrees: new GeneralSubtrees(subtrees) });
  const certificate = await X509CertificateGenerator.createSelfSigned(
    {
      serialNumber: serial(),
      name: [{ CN: [`Mortisect on ${of}`] }, { O: ['Mortisect, local network only'] }],
      notBefore: new Date(now.getTime() - DAY_MS),
      notAfter: new Date(now.getTime() + AUTHORITY_YEARS * 365 * DAY_MS),
      signingAlgorithm: SIGNING,
      keys,
      extensions: [
        new BasicConstraintsExtension(true, 0, true),
        new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
        new Extension(NAME_CONSTRAINTS, true, AsnConvert.serialize(constraints)),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, webcrypto),
      ],
    },
    webcrypto,
  );
  return { certificate: certificate.toString('pem'), key: await pemOf(keys.privateKey) };
}

/** @param hosts names and addresses that the certificate is for */
export async function issue(
  authority: CertifiedKey,
  hosts: readonly string[],
  now = new Date(),
): Promise<CertifiedKey> {
  const keys = await webcrypto.subtle.generateKey(SIGNING, true, ['sign', 'verify']);
  const [der] = PemConverter.decode(authority.key);
  if (!der) throw new Error('The key of the authority is not PEM.');
  const signingKey = await webcrypto.subtle.importKey('pkcs8', der, SIGNING, false, ['sign']);
  const issuer = new X509Certificate(authority.certificate);
  const certificate = await X509CertificateGenerator.create(
    {
      serialNumber: serial(),
      // No host: some hold a common name against the constraints, as if it were one (RFC 6125, 6.4.4)
      subject: [{ CN: ['Mortisect server'] }],
      issuer: issuer.subjectName.toJSON(),
      notBefore: new Date(now.getTime() - DAY_MS / 24),
      notAfter: new Date(Math.min(now.getTime() + LEAF_DAYS * DAY_MS, issuer.notAfter.getTime())),
      signingAlgorithm: SIGNING,
      publicKey: keys.publicKey,
      signingKey,
      extensions: [
        new BasicConstraintsExtension(false, undefined, true),
        new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
        new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
        new SubjectAlternativeNameExtension(
          hosts.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
        ),
        await AuthorityKeyIdentifierExtension.create(issuer.publicKey, false, webcrypto),
      ],
    },
    webcrypto,
  );
  return { certificate: certificate.toString('pem'), key: await pemOf(keys.privateKey) };
}

const pemOf = async (key: webcrypto.CryptoKey) =>
  PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');

/** Positive, as RFC 5280, 4.1.2.2 asks. */
const serial = () => `00${randomBytes(16).toString('hex')}`;
