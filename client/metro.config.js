const http = require('node:http');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// What the app never asks for, 75 KB gzip: 50 languages of messages, what reads JSON Schema and what compiles schemas (Zod), scales of time and of
// colour and texts of ticks (d3-scale), other kinds of ids than the seventh (uuid), and lists of React Native: long ones are TanStack's.
const UNUSED =
  /zod\/v4\/(locales\/index|classic\/from-json-schema|core\/(json-schema-generator|compile))\.c?js$|\/uuid\/dist\/[^/]+\/(v[1-6]|v35|v\dToV\d|md5|sha1|native)\.js$|\/d3-(time|time-format|color|format)\/[^.]+\.mjs$|\/react-native-web\/dist\/vendor\/react-native\/Virtualized(Section)?List\/index\.js$/;
const resolveBefore = config.resolver.resolveRequest;
// Messages are compiled when the app is built; what reads them stays out of it.
const PARSER = '@formatjs/icu-messageformat-parser';
config.resolver.resolveRequest = (context, name, platform) => {
  const wanted = name === PARSER ? `${PARSER}/no-parser.js` : name;
  const found = (resolveBefore ?? context.resolveRequest)(context, wanted, platform);
  return platform === 'web' && found.type === 'sourceFile' && UNUSED.test(found.filePath)
    ? { type: 'empty' }
    : found;
};

// In development Metro serves the app: hand /api to the Express server, so that one origin serves both.
const api = new URL(process.env.API_ORIGIN ?? 'http://127.0.0.1:3000');
const before = config.server?.enhanceMiddleware;
config.server = {
  ...config.server,
  enhanceMiddleware(metro, server) {
    const next = before ? before(metro, server) : metro;
    return (request, response, done) => {
      if (!request.url?.startsWith('/api/')) return next(request, response, done);
      const up = http.request(
        {
          host: api.hostname,
          port: api.port,
          method: request.method,
          path: request.url,
          headers: request.headers,
        },
        (answer) => {
          response.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(response);
        },
      );
      up.on('error', () => {
        response.writeHead(502, { 'content-type': 'application/problem+json' });
        response.end('{"title":"The server does not answer","status":502}');
      });
      request.pipe(up);
    };
  },
};

module.exports = config;
