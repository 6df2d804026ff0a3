// Serves the exported web app: hashed files for a year, the rest fresh, deep links to index.html, honest 404s.
import { existsSync } from 'node:fs';
import path from 'node:path';
import express, { type Express } from 'express';
import { HttpProblem } from '../refusal';

const YEAR_MS = 365 * 24 * 3600_000;

export function serveWeb(app: Express, folder: string): void {
  app.use(
    '/_expo',
    express.static(path.join(folder, '_expo'), { immutable: true, maxAge: YEAR_MS, fallthrough: false }),
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
    if (!isPage) return next(new HttpProblem(404, 'not-there', 'Not there', `${request.path} is not there.`));
    if (!existsSync(index)) {
      return next(new HttpProblem(503, 'not-built', 'The app is not built', 'Build it with: npm run build'));
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(index);
  });
}
