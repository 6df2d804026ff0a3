// How this machine is reached on its local network.
import type { X509Certificate } from 'node:crypto';
import { BlockList, isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { StartFailure } from '../failure';

/** Names that only local networks have. @source RFC 6761 (localhost), RFC 6762 (local), RFC 8375 (home.arpa), ICANN resolution of 29 July 2024 (internal), from memory */
export const LOCAL_NAMES = ['localhost', 'local', 'home.arpa', 'internal'];
/** Addresses that only local networks have. @source RFC 1918, RFC 6598, RFC 3927, RFC 4193, RFC 4291 */
export const LOCAL_NETWORKS = [
  '127.0.0.0/8',
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '100.64.0.0/10',
  '169.254.0.0/16',
  '::1/128',
  'fc00::/7',
  'fe80::/10',
];

const local = new BlockList();
for (const network of LOCAL_NETWORKS) {
  const [address, bits] = network.split('/') as [string, string];
  local.addSubnet(address, Number(bits), isIP(address) === 6 ? 'ipv6' : 'ipv4');
}

/** Whether a name or an address is of local networks only. */
export function isLocal(host: string): boolean {
  const kind = isIP(host);
  if (kind !== 0) return local.check(host, kind === 6 ? 'ipv6' : 'ipv4');
  return LOCAL_NAMES.some((name) => host === name || host.endsWith(`.${name}`));
}

/**
 * The address that one types first, then the others, then names.
 *
 * @param more names that the network has for this machine
 * @throws {StartFailure} where one of these is no name of a local network
 */
export function localHosts(
  more: readonly string[],
  networks = networkInterfaces(),
  name = hostname(),
): string[] {
  for (const given of more) {
    if (isLocal(given)) continue;
    throw new StartFailure(
      `${given} is no name of a local network only (${LOCAL_NAMES.map((ending) => `.${ending}`).join(', ')}).`,
      'For a name of the internet give a certificate of your own with --cert and --key.',
    );
  }
  const addresses = Object.values(networks)
    .flatMap((network) => network ?? [])
    // An address that holds for one cable only cannot be typed into a browser
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80:') && isLocal(address))
    .sort((a, b) => a.family.localeCompare(b.family))
    .map(({ address }) => address);
  const own = name.split('.')[0]?.toLowerCase() ?? '';
  const named = /^[a-z0-9-]+$/.test(own) && own !== 'localhost' ? [`${own}.local`] : [];
  return [
    ...new Set([...addresses, ...more.map((name) => name.toLowerCase()), ...named, 'localhost', '127.0.0.1']),
  ];
}

/** Whether a certificate is for a name or an address. */
export const isFor = (certificate: X509Certificate, host: string): boolean =>
  (isIP(host) ? certificate.checkIP(host) : certificate.checkHost(host, { subject: 'never' })) !== undefined;
