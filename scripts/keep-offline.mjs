// After the web app is exported: writes the service worker that keeps the whole app on the device, so that it opens without a network.
import path from 'node:path';
import { generateSW } from 'workbox-build';
import { root, say } from './steps.mjs';

const MOST_BYTES = 8 * 1024 * 1024;
const dist = path.join(root, 'client/dist');
const { count, size, warnings } = await generateSW({
  globDirectory: dist,
  globPatterns: [
    'index.html',
    '*.css',
    '*.png',
    'icon.svg',
    'manifest.webmanifest',
    'fonts/*.woff2',
    '_expo/static/**/*.{js,css}',
    'assets/**/*.{png,woff2,ttf}',
  ],
  // Names made of a content hash need no revision of their own
  dontCacheBustURLsMatching: /^(_expo\/static|assets)\//,
  maximumFileSizeToCacheInBytes: MOST_BYTES,
  swDest: path.join(dist, 'sw.js'),
  inlineWorkboxRuntime: true,
  sourcemap: false,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  skipWaiting: true,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
});
for (const warning of warnings) say(warning);
say(`The app is kept for offline use: ${count} files, ${(size / 1e6).toFixed(1)} MB.`);
