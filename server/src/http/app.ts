// The Express app: borders first, then the table of routes, then the web app, then one error shape.

import { nextStep } from '@mortisect/core/blades';
import { cutPosition, treeCuts } from '@mortisect/core/cuts';
import { clearance, seasonOn } from '@mortisect/core/disorders';
import { cautions } from '@mortisect/core/handling';
import { cutBack, limbNames } from '@mortisect/core/tree';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { v7 as newId } from 'uuid';
import type { Config } from '../config';
import { putAction } from '../services/actions';
import { findDevice, putDevice } from '../services/devices';
import { putFinding } from '../services/findings';
import { readLog } from '../services/history';
import { getOpenWork, getTree, getTrees } from '../services/orchard';
import { getSite, putSite } from '../services/site';
import type { Db } from '../store/openDb';
import type { Access } from './access';
import { type Handlers, mountRoutes } from './mount';
import { problemHandler } from './problem';
import { serveReference } from './reference';
import { serveWeb } from './web';

export interface AppParts {
  db: Db;
  config: Config;
  access: Access;
  log: Logger;
  version: string;
  now: () => string;
}

export function makeApp(parts: AppParts): Express {
  const { access, config, log } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      genReqId: () => newId(),
      customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  app.use(
    helmet({ contentSecurityPolicy: { directives: CONTENT_SECURITY }, strictTransportSecurity: false }),
  );
  app.use(compression());
  access.install(app);
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  mountRoutes(app, handlers(parts), { guard: access.guard, findDevice: (id) => findDevice(parts.db, id) });
  serveReference(app, parts.version);
  serveWeb(app, config.webFolder);
  app.use(problemHandler);
  return app;
}

const CONTENT_SECURITY = {
  defaultSrc: ["'self'"],
  // Tamagui and react-native-web write their rules into the page
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'data:', 'blob:'],
  upgradeInsecureRequests: null,
};

function handlers({ db, config, access, now }: AppParts): Handlers {
  return {
    health: () => ({ ok: true, now: now(), demo: config.demo }),
    getSession: ({ request }) => ({ required: access.required, signedIn: access.signedIn(request) }),
    signIn: async ({ request, body }) => {
      await access.signIn(request, body.passphrase);
      return { required: access.required, signedIn: true };
    },
    signOut: ({ request }) => {
      access.signOut(request);
      return { required: access.required, signedIn: !access.required };
    },
    putDevice: ({ params, body }) => putDevice(db, { id: params.deviceId, name: body.name }),
    getSite: () => getSite(db),
    putSite: ({ body, device }) => putSite(db, body.site, body.baseRevision, device, now()),
    getTrees: () => getTrees(db),
    getTree: ({ params }) => getTree(db, params.treeId),
    getOpenWork: () => getOpenWork(db),
    putFinding: ({ params, body, device }) =>
      putFinding(db, { id: params.findingId, ...body, device, now: now() }),
    putAction: ({ params, body, device }) =>
      putAction(db, { id: params.actionId, action: body, device, now: now() }),
    getLog: ({ query }) => readLog(db, query.before, query.limit),
    computeCutPosition: ({ body }) => cutPosition(body),
    computeTreeCuts: ({ body }) => treeCuts(body.tree, body.findings, body.schools, body.season, body.year),
    computeCautions: ({ body }) => ({ cautions: cautions(body) }),
    computeNextStep: ({ body }) => nextStep(body.left, body.events, body.season, body.school),
    computeClearance: ({ body }) => clearance(body),
    computeSeason: ({ body }) => ({ season: seasonOn(body.day, body.latitude) }),
    computeCutBack: ({ body }) => ({ limbs: cutBack(body.limbs, body.kerfs) }),
    computeLimbNames: ({ body }) => ({
      names: Object.fromEntries(limbNames(body.limbs, body.twelveBearingDeg, body.units)),
    }),
  };
}
