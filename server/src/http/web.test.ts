// How the web app is served: deep links open, hashed files stay a year, what is missing is said to be missing.
import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import express from 'express';
import request from 'supertest';
import { problemHandler } from './problem';
import { appIn, serveWeb } from './web';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'web-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

function built() {
  mkdirSync(path.join(folder, '_expo'), { recursive: true });
  writeFileSync(path.join(folder, 'index.html'), '<!DOCTYPE html><title>Mortisect</title>');
  writeFileSync(path.join(folder, '_expo/entry-0123.js'), '1');
  writeFileSync(path.join(folder, 'base.css'), 'a{}');
  return app();
}
function app() {
  const served = express();
  serveWeb(served, folder);
  served.use(problemHandler);
  return served;
}

test.each([
  ['/', 200, 'no-cache'],
  ['/round/lee-wall-07', 200, 'no-cache'],
  ['/base.css', 200, 'no-cache'],
  ['/_expo/entry-0123.js', 200, 'public, max-age=31536000, immutable'],
])('%s is served and kept as %s %s', async (at, status, cache) => {
  const answer = await request(built()).get(at).expect(status);
  expect(answer.headers['cache-control']).toBe(cache);
});

test.each(['/_expo/entry-gone.js', '/missing.png', '/api/nothing', '/assets/none.png'])(
  '%s is not there, and not the app',
  async (at) => {
    const answer = await request(built()).get(at).expect(404);
    expect(answer.type).toBe('application/problem+json');
  },
);

test.each([
  ['gzip, deflate, br', 'br'],
  ['gzip, deflate', 'gzip'],
  ['identity', undefined],
])(
  'who reads %s is given the script as it was compressed when the app was built: %s',
  async (accepted, encoding) => {
    mkdirSync(path.join(folder, '_expo'), { recursive: true });
    const text = 'const wood = 1;';
    writeFileSync(path.join(folder, '_expo/a-01.js'), text);
    writeFileSync(path.join(folder, '_expo/a-01.js.br'), brotliCompressSync(text));
    writeFileSync(path.join(folder, '_expo/a-01.js.gz'), gzipSync(text));
    const answer = await request(app()).get('/_expo/a-01.js').set('Accept-Encoding', accepted).expect(200);
    expect(answer.headers['content-encoding']).toBe(encoding);
    expect(answer.headers['content-type']).toMatch(/^text\/javascript/);
    expect(answer.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(answer.text).toBe(text);
  },
);

test('nothing outside the folder is reached', async () => {
  await request(built())
    .get('/_expo/..%2f..%2f..%2fetc%2fpasswd')
    .expect((answer) => {
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.text).not.toContain('root:');
    });
});

test('an app that was never built says how to build it', async () => {
  const answer = await request(app()).get('/today').expect(503);
  expect(answer.body.detail).toContain('npm run build');
});

test('the script that the app begins with is told, also after it was built anew', () => {
  expect(appIn(folder)).toBeNull();
  const index = path.join(folder, 'index.html');
  const write = (name: string, at: number) => {
    writeFileSync(index, `<script src="/_expo/static/js/web/${name}" defer></script>`);
    utimesSync(index, at, at);
  };
  write('entry-0f65.js', 1000);
  expect(appIn(folder)).toBe('entry-0f65.js');
  write('entry-0f66.js', 2000);
  expect(appIn(folder)).toBe('entry-0f66.js');
  write('index.js', 3000);
  expect(appIn(folder)).toBeNull();
});
