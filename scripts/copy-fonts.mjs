// Copies the fonts that ship with the app from node_modules to client/public: Metro does not follow url() in CSS.
import { copyFileSync, mkdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const client = path.join(path.dirname(fileURLToPath(import.meta.url)), '../client');
const require = createRequire(path.join(client, 'package.json'));
const fonts = [
  '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  '@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff2',
  '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2',
];
for (const font of fonts) {
  const to = path.join(client, 'public/fonts', path.basename(font));
  mkdirSync(path.dirname(to), { recursive: true });
  copyFileSync(require.resolve(font), to);
}
