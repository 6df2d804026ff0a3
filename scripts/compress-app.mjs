// After the web app is exported: each of its scripts lies there compressed too, so that the server does not compress it for every phone that asks.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { root, say } from './steps.mjs';

/** What a packet carries anyway. */
const WORTH_BYTES = 1400;
/** One step more takes six times as long and gives a twentieth. */
const BROTLI_QUALITY = 9;

const folder = path.join(root, 'client/dist/_expo');
const files = readdirSync(folder, { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isFile() && /\.(js|css)$/.test(entry.name))
  .map(({ parentPath, name }) => path.join(parentPath, name));
const ways = [
  ['gz', (bytes) => promisify(gzip)(bytes, { level: constants.Z_BEST_COMPRESSION })],
  [
    'br',
    (bytes) =>
      promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } }),
  ],
];
const sums = { as: 0, gz: 0, br: 0 };
await Promise.all(
  files.map(async (file) => {
    const bytes = readFileSync(file);
    sums.as += bytes.length;
    if (bytes.length < WORTH_BYTES) return;
    for (const [ending, compress] of ways) {
      const compressed = await compress(bytes);
      sums[ending] += compressed.length;
      writeFileSync(`${file}.${ending}`, compressed);
    }
  }),
);
const mb = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`;
say(`The scripts of the app: ${mb(sums.as)}, ${mb(sums.gz)} by gzip, ${mb(sums.br)} by brotli.`);
