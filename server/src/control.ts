// Commands for a server that runs: a door on loopback, whose key lies in the data folder for whoever may read there.

import { randomBytes, timingSafeEqual } from 'node:crypto';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import type { Problem } from '@mortisect/contracts';
import { unsaid } from '@mortisect/words';
import express from 'express';
import { z } from 'zod';
import { StartFailure } from './failure';
import { problemHandler } from './http/problem';
import { HttpProblem } from './refusal';
import type { CopyKeeper, CopyMade } from './services/copies';

const Door = z.object({ port: z.number().int(), key: z.string() });
const doorOf = (dataFolder: string) => path.join(dataFolder, 'control.json');

const Asked = z.strictObject({ file: z.string().refine(path.isAbsolute, 'must be a whole path') });

/**
 * Opens the door of a data folder.
 *
 * @returns closes it
 */
export async function openControl(dataFolder: string, copies: CopyKeeper): Promise<() => Promise<void>> {
  const key = randomBytes(32).toString('base64url');
  const app = express();
  app.disable('x-powered-by');
  app.use((request, _response, next) => {
    next(
      isSame(request.get('authorization') ?? '', `Bearer ${key}`)
        ? undefined
        : new HttpProblem(401, 'sign-in', unsaid('problem.keyAsked')),
    );
  });
  app.post('/copy', express.json(), async (request, response) => {
    response.json(await copies.makeIn(Asked.parse(request.body).file));
  });
  app.use(problemHandler);
  const server = createServer(app);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, '127.0.0.1', resolve);
  });
  const { port } = server.address() as AddressInfo;
  rmSync(doorOf(dataFolder), { force: true });
  writeFileSync(doorOf(dataFolder), JSON.stringify({ port, key }), { mode: 0o600 });
  return async () => {
    rmSync(doorOf(dataFolder), { force: true });
    await new Promise((resolve) => server.close(resolve));
  };
}

function isSame(given: string, wanted: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(wanted)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/**
 * Asks the server that runs on a data folder for a copy.
 *
 * @returns null where none runs there
 * @throws {StartFailure} with what the server says where it could not
 */
export async function askForCopy(dataFolder: string, file: string): Promise<CopyMade | null> {
  const answer = await ask(dataFolder, file);
  if (!answer) return null;
  const body = await answer.json();
  if (answer.ok) return body as CopyMade;
  throw new StartFailure((body as Problem).detail, 'The log of the server that runs there may say more.');
}

async function ask(dataFolder: string, file: string): Promise<Response | null> {
  try {
    const { port, key } = Door.parse(JSON.parse(readFileSync(doorOf(dataFolder), 'utf8')));
    return await fetch(`http://127.0.0.1:${port}/copy`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${key}` },
      body: JSON.stringify({ file }),
    });
  } catch {
    // No door, or one that a server left behind that was killed
    return null;
  }
}
