// The ten most used questions on a bare Express with the same queries: what the server adds to them is the difference. `npm run harden -- --only load` starts it.
import type { AddressInfo } from 'node:net';
import express from 'express';
import { v7 as newId } from 'uuid';
import { makePool } from '../pool/pool';
import { putAction } from '../services/actions';
import { findDevice, putDevice } from '../services/devices';
import { readLog } from '../services/history';
import { getKeptPlans } from '../services/keptPlans';
import { getOpenWork, getTree, getTrees } from '../services/orchard';
import { getRound } from '../services/rounds';
import { getRun } from '../services/runs';
import { getSite } from '../services/site';
import { getTiming } from '../services/timing';
import { openDb } from '../store/openDb';

const folder = process.argv[2] ?? '';
const { db } = await openDb({ folder });
const pool = makePool(new URL('../../dist/js/tasks.worker.mjs', import.meta.url).href);
const now = () => new Date().toISOString();
const app = express();
const answers: Record<string, (request: express.Request) => Promise<unknown>> = {
  '/api/trees': () => getTrees(db),
  '/api/open-work': ({ query }) =>
    getOpenWork(db, new Date().getFullYear(), String(query.since ?? '') || undefined),
  '/api/trees/:treeId': ({ params }) => getTree(db, String(params.treeId)),
  '/api/round': () => getRound(db),
  '/api/run': () => getRun(db, now()),
  '/api/log': ({ query }) => readLog(db, { limit: Number(query.limit) }),
  '/api/timing': () => getTiming(db, pool, now()),
  '/api/plans': ({ query }) => getKeptPlans(db, String(query.since ?? '') || undefined),
  '/api/site': () => getSite(db),
};
for (const [path, answer] of Object.entries(answers))
  app.get(path, async (request, response) => {
    response.json(await answer(request));
  });
app.put('/api/devices/:id', express.json(), async (request, response) => {
  response.json(await putDevice(db, { id: request.params.id, name: request.body.name }));
});
app.put('/api/actions/:id', express.json(), async (request, response) => {
  const device = await findDevice(db, { id: request.get('x-device-id') ?? newId(), key: undefined });
  if (!device) throw new Error('Which device?');
  response.json(await putAction(db, { id: request.params.id, action: request.body, device, now: now() }));
});
const server = app.listen(0, '127.0.0.1', () => {
  process.send?.({ url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` });
});
