// Serves the exported web app: hashed files for a year, the rest fresh, deep links to index.html, honest 404s.

import { existsSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { unsaid } from '@mortisect/words';
import express, { type Express } from 'express';
import staticCompressed from 'express-static-gzip';
import { HttpProblem, notThere } from '../refusal';

const YEAR_MS = 365 * 24 * 3600_000;

/** Where the app lies after a build, beside the server: as deep from its sources as from what is compiled. */
export const WEB_FOLDER = fileURLToPath(new URL('../../../client/dist', import.meta.url));

let read = { index: '', at: 0, app: null as string | null };

/** The script that the app begins with, by the name that carries its digest; null where none is built. */
export function appIn(folder: string): string | null {
  const index = path.join(folder, 'index.html');
  const at = statSync(index, { throwIfNoEntry: false })?.mtimeMs;
  if (at === undefined) return null;
  // It may be built anew under a server that runs
  if (read.index !== index || read.at !== at)
    read = { index, at, app: /\/(entry-[0-9a-f]+\.js)"/.exec(readFileSync(index, 'utf8'))?.[1] ?? null };
  return read.app;
}

export function serveWeb(app: Express, folder: string): void {
  app.use(
    '/_expo',
    staticCompressed(path.join(folder, '_expo'), {
      enableBrotli: true,
      orderPreference: ['br', 'gzip'],
      serveStatic: { immutable: true, maxAge: YEAR_MS, fallthrough: false },
    }),
  );
  app.use(
    '/assets',
    express.static(path.join(folder, 'assets'), { immutable: true, maxAge: YEAR_MS, fallthrough: false }),
  );
  app.use(
    express.static(folder, { setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache') }),
  );
  app.use((request, response, next) => {
    const index = path.join(folder, 'index.html');
    const isPage =
      request.method === 'GET' && !request.path.startsWith('/api') && path.extname(request.path) === '';
    if (!isPage) return next(notThere(unsaid('problem.thePage', { path: request.path })));
    if (!existsSync(index)) {
      return next(new HttpProblem(503, 'not-built', unsaid('problem.buildIt')));
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(index);
  });
}
