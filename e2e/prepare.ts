// One data folder with the demo orchard, made once; every journey works on a copy of it.
import { rmSync } from 'node:fs';
import { setTimeout } from 'node:timers/promises';
import { startServer, stopServer } from '../scripts/server.mjs';
import { serverBuilt } from '../scripts/steps.mjs';
import { NOW, TEMPLATE } from './orchard';

export default async function prepare(): Promise<void> {
  await serverBuilt();
  rmSync(TEMPLATE, { recursive: true, force: true });
  const { child, url } = await startServer(['--demo', '--data', TEMPLATE, '--port', '0', '--now', NOW], {
    quiet: true,
  });
  // Every journey opens Today: what its weather says is worked out once
  await fetch(`${url}/api/timing`);
  // … and every tree is planned once
  const listed = async (path: string, list: string) => (await (await fetch(url + path)).json())[list].length;
  const open = await listed('/api/open-work', 'trees');
  while ((await listed('/api/plans', 'plans')) < open) await setTimeout(100);
  await stopServer(child);
}
