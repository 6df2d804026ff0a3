// Puts the table of routes on Express: parse at the border, hand plain data to the handler, send plain data back.

import { pipeline } from 'node:stream/promises';
import { type Route, type RouteParsed, type RouteResponse, routes } from '@mortisect/contracts';
import { RecordId } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { unsaid } from '@mortisect/words';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { PackedJson } from '../packedJson';
import { type ComputeName, isComputed } from '../pool/computeNames';
import type { ComputeTask } from '../pool/computes';
import { JsonText } from '../pool/pool';
import { HttpProblem } from '../refusal';
import type { Device, DeviceWord } from '../services/devices';
import { sayFor } from './language';
import { storable, withinSize } from './storable';

interface Asked<R extends Route> extends RouteParsed<R> {
  /** The body of a route that takes bytes. */
  bytes: Buffer;
  /** The device a write came from; only on routes that ask for it. */
  device: Device;
  request: Request;
  /** In the language of whoever asks. */
  say: Say;
}

export type Handlers = {
  [K in keyof typeof routes]: (
    asked: Asked<(typeof routes)[K]>,
  ) => Promise<RouteResponse<(typeof routes)[K]> | JsonText | PackedJson> | RouteResponse<(typeof routes)[K]>;
};

interface MountOptions {
  /** Refuses with 401 unless signed in. */
  guard: RequestHandler;
  findDevice(said: DeviceWord): Promise<Device | null>;
  /** Off the thread that answers. */
  compute<K extends ComputeName>(
    route: K,
    given: ComputeTask<K>['given'],
    request: Request,
  ): Promise<JsonText>;
  /** Refuses with 401 what does not come from a station. */
  knowsStation(authorization: string | undefined): Promise<void>;
  /** A write was taken; from which device, where the route asks for one. */
  onWritten(device: Device | undefined): void;
}

const COMMON_LIMIT = '256kb';

export function mountRoutes(app: Express, handlers: Handlers, options: MountOptions): void {
  for (const name of Object.keys(routes) as (keyof typeof routes)[]) {
    const route: Route = routes[name];
    const handle = handlers[name] as (asked: unknown) => unknown;
    const steps: RequestHandler[] = [];
    if (!route.open) steps.push(options.guard);
    if (route.fromStation) steps.push(stationFirst(options), notTooOften());
    const limit = route.bodyLimit ?? COMMON_LIMIT;
    // What is large is neither read nor checked on the thread that answers
    if (isComputed(name)) steps.push(jsonOnly, largeBody(limit), computeLarge(name, options));
    if (route.body) steps.push(jsonOnly, express.json({ limit }));
    const { rawBody } = route;
    if (rawBody && 'limit' in rawBody)
      steps.push(express.raw({ type: [...rawBody.types], limit: rawBody.limit }), bytesOnly);
    steps.push(async (request, response) => {
      const asked = {
        params: route.params?.parse(storable(request.params)),
        query: route.query?.parse(storable(request.query)),
        body: route.body?.parse(storable(withinSize(request.body))),
        bytes: rawBody ? request.body : undefined,
        device: route.fromDevice ? await deviceOf(request, options) : undefined,
        request,
        say: sayFor(request),
      };
      const answer = await handle(asked);
      if (writes(route)) options.onWritten(asked.device);
      if (route.rawAnswer) await sendFile(response, route, answer as RouteResponse<RawRoute>);
      else if (answer instanceof JsonText) sendJson(response, answer);
      else if (answer instanceof PackedJson) await sendPacked(request, response, answer);
      else response.json(answer);
    });
    app[route.method](route.path, ...steps);
  }
}

/** Computing keeps nothing, and who is signed in is no record. */
function writes({ method, tag, open }: Route): boolean {
  return method !== 'get' && tag !== 'Compute' && !open;
}

type RawRoute = (typeof routes)['getPhoto' | 'getArchive'];

async function sendFile(
  response: Response,
  { rawAnswer: type = '', inline }: Route,
  { fileName, content }: RouteResponse<RawRoute>,
): Promise<void> {
  response.type(type);
  // What is told as it happens must not wait in a compressor
  if (type === 'text/event-stream') response.setHeader('Cache-Control', 'no-store, no-transform');
  if (!inline && !type.startsWith('image/')) response.attachment(fileName).type(type);
  if (typeof content === 'string') response.send(content);
  else if (content instanceof Uint8Array) response.send(Buffer.from(content));
  else await pipeline(content, response);
}

/** Larger bodies may take seconds: some four hundred limbs, or six weeks of hours. */
const LARGE_BYTES = 100_000;
export const isLarge = (request: Request): boolean =>
  Number(request.get('content-length') ?? LARGE_BYTES) >= LARGE_BYTES;

const largeBody = (limit: string) => express.raw({ type: (request) => isLarge(request as Request), limit });

const computeLarge =
  (name: ComputeName, { compute }: MountOptions): RequestHandler =>
  async (request, response, next) => {
    if (!Buffer.isBuffer(request.body)) return next();
    sendJson(response, await compute(name, { bytes: new Uint8Array(request.body) }, request));
  };

function sendJson(response: Response, { bytes }: JsonText): void {
  response.type('json').send(Buffer.from(bytes.buffer));
}

async function sendPacked(request: Request, response: Response, packed: PackedJson): Promise<void> {
  const { encoding, bytes } = await packed.as((name) => request.acceptsEncodings(name) !== false);
  response.type('json').vary('Accept-Encoding');
  if (encoding) response.setHeader('Content-Encoding', encoding);
  response.send(bytes);
}

/** Before a body of megabytes is read: is there a station behind it? */
const stationFirst =
  ({ knowsStation }: MountOptions): RequestHandler =>
  async (request, _response, next) => {
    await knowsStation(request.get('authorization'));
    next();
  };

/** A station that sends every minute, and what waited a day, stays far below. */
const PUSHES_AN_HOUR = 240;

/** For each station by its token. */
const notTooOften = () =>
  rateLimit({
    windowMs: 3_600_000,
    limit: PUSHES_AN_HOUR,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => request.get('authorization') ?? '',
    handler: (_request, _response, next) =>
      next(new HttpProblem(429, 'too-often', unsaid('problem.tooManyPushes', { most: PUSHES_AN_HOUR }))),
  });

const bytesOnly: RequestHandler = (request, _response, next) => {
  if (Buffer.isBuffer(request.body) && request.body.length > 0) return next();
  next(new HttpProblem(415, 'no-file', unsaid('problem.sendFile')));
};

const jsonOnly: RequestHandler = (request, _response, next) => {
  if (request.is('application/json')) return next();
  next(new HttpProblem(415, 'not-json', unsaid('problem.sendJson')));
};

async function deviceOf(request: Request, { findDevice }: MountOptions): Promise<Device> {
  const id = RecordId.safeParse(request.get('x-device-id'));
  const device = id.success ? await findDevice({ id: id.data, key: request.get('x-device-key') }) : null;
  if (!device) {
    throw new HttpProblem(422, 'device-unknown', unsaid('problem.sayWho'));
  }
  return device;
}
