// The API as OpenAPI and as a readable page, from files that ship with the server.
import { createRequire } from 'node:module';
import path from 'node:path';
import { openApiDocument } from '@mortisect/contracts/openapi';
import { english } from '@mortisect/words/all';
import { describedIn } from '@mortisect/words/trade';
import express, { type Express, type RequestHandler } from 'express';

const fromHere = createRequire(import.meta.url);

const PAGE = `<!DOCTYPE html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Mortisect API</title>
<link rel="icon" href="/icon.svg"><link rel="stylesheet" href="/api/docs/swagger-ui.css"></head>
<body><div id="api"></div>
<script src="/api/docs/swagger-ui-bundle.js"></script><script src="/api/docs/start.js"></script></body></html>`;
const START = "SwaggerUIBundle({ url: '/api/openapi.json', dom_id: '#api', deepLinking: true });";

/** @param guard refuses with 401 unless signed in */
export function serveReference(app: Express, version: string, guard: RequestHandler): void {
  const document = openApiDocument(version, describedIn(english));
  const assets = path.dirname(fromHere.resolve('swagger-ui-dist/package.json'));
  app.use(['/api/openapi.json', '/api/docs'], guard);
  app.get('/api/openapi.json', (_request, response) => {
    response.json(document);
  });
  app.get('/api/docs', (_request, response) => {
    response.type('html').send(PAGE);
  });
  app.get('/api/docs/start.js', (_request, response) => {
    response.type('js').send(START);
  });
  app.use('/api/docs', express.static(assets, { index: false, maxAge: '1d' }));
}
