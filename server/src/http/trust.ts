// What plain HTTP is answered beside an address with TLS: the page that tells how a phone comes to trust this server, and the way to the safe address.
import { X509Certificate } from 'node:crypto';
import type { RequestListener } from 'node:http';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { LOCAL_NAMES } from '../secure/machine';
import { hostNamedIn, type OwnHosts } from './access';

/** How phones on the local network come in. */
export interface Field {
  /** Where the steps stand, over plain HTTP. */
  trustUrl: string;
  /** The safe addresses, the one that one types first. */
  addresses: string[];
  /** SHA-256 of the authority’s certificate, in pairs of hexadecimal digits. */
  fingerprint: string;
  /** ISO moment at which the authority ends. */
  until: string;
  /** Its certificate as PEM. */
  authority: string;
}

interface PlainParts {
  hosts: OwnHosts;
  port: () => number;
  field: (() => Field) | null;
}

/** Everything but the page of steps is sent on to the safe address. */
export function plainAnswer({ hosts, port, field }: PlainParts): RequestListener {
  const app = express();
  app.disable('x-powered-by');
  if (field) serveTrust(app, field);
  app.use((request, response) => {
    const named = hostNamedIn(request);
    // Whoever comes by a name that is none of ours is not sent to it
    if (!hosts?.(named))
      return void response.status(421).type('text').send('This server does not go by that name.');
    const host = named.includes(':') ? `[${named}]` : named;
    response.redirect(308, `https://${host}:${port()}${request.originalUrl}`);
  });
  return app;
}

/** The page of steps and the certificate; over the safe address too, so that it can be looked up later. */
export function serveTrust(app: Express, field: () => Field): void {
  const bare = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      // The sign at the end comes from the safe address: where it shows, this device trusts it
      directives: { defaultSrc: ["'none'"], styleSrc: ["'unsafe-inline'"], imgSrc: ['https:'] },
    },
    strictTransportSecurity: false,
  });
  app.get('/trust', bare, (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(page(field()));
  });
  app.get('/trust/authority.crt', (_request, response) => {
    response.type('application/x-x509-ca-cert').attachment('mortisect-authority.crt');
    response.type('application/x-x509-ca-cert').send(new X509Certificate(field().authority).raw);
  });
  app.get('/trust/sign.svg', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    // Asked for by the page of steps, which stands at another address
    response.setHeader('Cross-Origin-Resource-Policy', 'cross-origin');
    response.type('image/svg+xml').send(SIGN);
  });
}

const SIGN = `<svg xmlns="http://www.w3.org/2000/svg" width="320" height="48" viewBox="0 0 320 48" role="img" aria-label="This device trusts the server"><path d="M6 25l9 9 19-21" fill="none" stroke="#2c6e36" stroke-width="5"/><text x="46" y="31" font-family="sans-serif" font-size="19" font-weight="700" fill="#2c6e36">This device trusts it</text></svg>`;

const escaped = (text: string) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

function page({ addresses, fingerprint, until }: Field): string {
  const [first = ''] = addresses.map(escaped);
  const day = until.slice(0, 10);
  const others = addresses.slice(1).map((address) => `<a href="${escaped(address)}">${escaped(address)}</a>`);
  return `<!DOCTYPE html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Let this phone trust the server</title>
<style>
:root { color-scheme: light; }
body { margin: 0; background: #ecf0e8; color: #14201a; font: 18px/1.5 "Atkinson Hyperlegible Next", system-ui, sans-serif; }
main { max-width: 42rem; margin: 0 auto; padding: 16px 16px 64px; }
h1 { font-size: 30px; line-height: 1.2; margin: 8px 0; }
h2 { font-size: 21px; margin: 28px 0 4px; }
a { color: #14406b; overflow-wrap: anywhere; }
a.main { display: block; background: #1d3a2b; color: #fff; text-align: center; padding: 16px; margin: 16px 0; border-radius: 4px; font-weight: 700; text-decoration: none; }
a.second { display: block; background: #fbfcfa; color: #14201a; border: 1px solid #14201a; text-align: center; padding: 14px; margin: 12px 0; border-radius: 4px; font-weight: 700; text-decoration: none; }
li { margin: 6px 0; }
code { font-size: 15px; overflow-wrap: anywhere; }
.sign { min-height: 48px; background: #fbfcfa; border-left: 5px solid #8a8f86; padding: 10px 12px; margin: 12px 0; font-weight: 700; }
.sign img { display: block; max-width: 100%; height: auto; min-height: 24px; }
</style></head>
<body><main>
<h1>Let this phone trust the server</h1>
<p>Without it a browser takes the address for unsafe: the app does not open without signal, and the camera stays shut. It takes two minutes, once for each phone.</p>
<h2>1. Take the certificate</h2>
<a class="main" href="/trust/authority.crt">Download the certificate</a>
<h2>2. Tell the phone to trust it</h2>
<p><strong>Android</strong></p>
<ol><li>Open Settings and search for “certificate”. Choose “CA certificate” (under Security, Encryption and credentials, Install a certificate).</li><li>Android warns you. Choose “Install anyway” and pick the file <code>mortisect-authority.crt</code>.</li></ol>
<p><strong>iPhone, iPad</strong></p>
<ol><li>Allow the download of the profile. Open Settings, “Profile Downloaded”, Install.</li><li>Open Settings, General, About, Certificate Trust Settings, and switch on full trust for “Mortisect”.</li></ol>
<p><strong>Laptop</strong></p>
<ol><li>Windows: open the file, Install Certificate, “Trusted Root Certification Authorities”. macOS: open the file, add it to the login keychain, set it to “Always Trust”.</li><li>Linux, and Firefox everywhere: in the settings of the browser search for “certificates”, Authorities, Import, and trust it for websites.</li></ol>
<h2>3. See whether it worked</h2>
<p>Load this page again. Below stands a green sign once this phone trusts the server.</p>
<div class="sign"><img src="${first}/trust/sign.svg" alt="Not yet: this phone does not trust the server."></div>
<a class="second" href="${first}/">Open the orchard: ${first.replace(/^https:\/\//, '')}</a>
${others.length > 0 ? `<p>Also at ${others.join(', ')}.</p>` : ''}
<h2>What you trust by this</h2>
<p>You trust this one server, which has the key to the certificate. The key lies in its data folder, in <code>lan</code>, and never leaves that machine. The certificate itself says that it counts on local networks only (addresses such as 192.168.… and 10.…, and names that end in ${LOCAL_NAMES.map((name) => `.${name}`).join(', ')}): with it nobody can pass for your bank or any other site of the internet. It holds until ${day}.</p>
<p>Compare its fingerprint (SHA-256) with the one that the server showed when it started:</p>
<p><code>${escaped(fingerprint)}</code></p>
<h2>How to undo it</h2>
<ul><li><strong>Android:</strong> Settings, search for “certificate”, “User credentials” or “Trusted credentials”, User, choose “Mortisect”, Remove.</li>
<li><strong>iPhone, iPad:</strong> Settings, General, VPN &amp; Device Management, choose the profile “Mortisect”, Remove.</li>
<li><strong>Laptop:</strong> delete “Mortisect” where you added it.</li>
<li><strong>For every phone at once:</strong> stop the server and take the folder <code>lan</code> out of its data folder. The next start begins another authority, and each phone has to trust that one.</li></ul>
</main></body></html>`;
}
