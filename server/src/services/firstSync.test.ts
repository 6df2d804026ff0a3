// How much a device takes over, against what it then really reads.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openEmpty, openOrchard, requestsTo } from '../testing/orchard';

const folder = mkdtempSync(path.join(tmpdir(), 'first-sync-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('the demo is told within a third of what the app reads first; an empty orchard is nearly nothing', async () => {
  const demo = await openOrchard();
  const { read } = requestsTo(() => demo);
  const { orchardBytes } = await read('/api/first-sync');
  const readFirst = JSON.stringify(await read('/api/trees')) + JSON.stringify(await read('/api/open-work'));
  expect(orchardBytes / Buffer.byteLength(readFirst)).toBeGreaterThan(0.67);
  expect(orchardBytes / Buffer.byteLength(readFirst)).toBeLessThan(1.5);
  await demo.close();
  mkdirSync(path.join(folder, 'inner'));
  writeFileSync(path.join(folder, 'inner/a.js'), 'x'.repeat(700));
  writeFileSync(path.join(folder, 'index.html'), 'x'.repeat(42));
  const empty = await openEmpty({ webFolder: folder });
  expect(await requestsTo(() => empty).read('/api/first-sync')).toEqual({ appBytes: 742, orchardBytes: 0 });
  await empty.close();
}, 60_000);
