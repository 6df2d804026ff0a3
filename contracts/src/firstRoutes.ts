// What is asked before the first page stands: it is read with the page, the rest of the table behind it.
import { Action, Plot, RecordId, Row, TreeSummary } from '@mortisect/core/records';
import { refusing } from '@mortisect/core/refusal';
import { z } from 'zod';
import { type Route, route } from './route';

const Health = z.object({
  ok: z.literal(true),
  now: z.iso.datetime(),
  demo: z.boolean(),
  app: z
    .string()
    .nullable()
    .describe(
      'the script that the app of this server begins with: a page that runs another is of another version',
    ),
  clockSet: z
    .boolean()
    .describe('it does not go by the clock of its machine, but by one set for pictures and tests'),
});
export const Session = z.object({ required: z.boolean(), signedIn: z.boolean() });

export const firstRoutes = {
  health: route({
    method: 'get',
    path: '/api/health',
    tag: 'Access',
    summary: 'Is the server up, and what time does it go by?',
    response: Health,
    open: true,
  }),
  reportFault: route({
    method: 'post',
    path: '/api/faults',
    tag: 'Access',
    summary: 'Tell the server’s log of a page that failed',
    body: z.strictObject({
      message: z.string().max(500),
      stack: z.string().max(4000),
      path: z.string().max(200),
    }),
    response: z.object({ noted: z.literal(true) }),
  }),
  getSession: route({
    method: 'get',
    path: '/api/session',
    tag: 'Access',
    summary: 'Is a passphrase asked for, and was it given?',
    response: Session,
    open: true,
  }),
  signIn: route({
    method: 'post',
    path: '/api/session',
    tag: 'Access',
    summary: 'Sign in with the passphrase of the site',
    body: z.strictObject({ passphrase: z.string().min(1).max(400) }),
    response: Session,
    open: true,
  }),
  putDevice: route({
    method: 'put',
    path: '/api/devices/:deviceId',
    tag: 'Access',
    summary: 'Say who works on this device',
    params: z.object({ deviceId: RecordId }),
    body: z.strictObject({ name: z.string().trim().min(1, refusing('noName')).max(60) }),
    response: z.object({ id: RecordId, name: z.string() }),
  }),
  getTrees: route({
    method: 'get',
    path: '/api/trees',
    tag: 'Orchard',
    summary: 'Trees in walking order, with plots and rows',
    response: z.object({ plots: z.array(Plot), rows: z.array(Row), trees: z.array(TreeSummary) }),
  }),
  getRound: route({
    method: 'get',
    path: '/api/round',
    tag: 'Field records',
    summary:
      'What was done in the round that is open, oldest first; where none is, in the last one, with its close',
    response: z.object({ actions: z.array(Action) }),
  }),
} as const satisfies Record<string, Route>;
