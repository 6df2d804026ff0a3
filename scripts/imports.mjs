// Does a large import starve the others? Twenty thousand trees, ten years of hours and a whole archive come in, and the health of the server is asked for meanwhile.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { whileProbed } from './probe.mjs';
import { startServer, stopServer } from './server.mjs';
import { StepFailed } from './steps.mjs';

const TREES = 20_000;
const HOURS = 87_600;
const DEVICE = '0193f000-0000-7000-8000-0000000000dd';
/** What is asked. */
const TREES_MS = 30_000;
const WEATHER_MS = 5000;
const HEALTH_P99_MS = 200;
/** As many as a request may hold. */
const MOST_BYTES = 7_500_000;

const headers = (type) => ({ 'Content-Type': type, 'X-Device-Id': DEVICE });

/** @returns one line; what is too slow is a fault */
export async function largeImports() {
  const folder = mkdtempSync(path.join(tmpdir(), 'imports-'));
  const started = [];
  const start = async (name) => {
    const { child, url } = await startServer(
      ['--data', path.join(folder, name), '--port', '0', '--copies', 'none'],
      { quiet: true },
    );
    started.push(child);
    await fetch(`${url}/api/devices/${DEVICE}`, {
      method: 'PUT',
      headers: headers('application/json'),
      body: JSON.stringify({ name: 'Wall crew' }),
    });
    return url;
  };
  const said = [];
  const slow = [];
  const measure = async (what, url, work, { mostMs = Number.POSITIVE_INFINITY } = {}) => {
    const from = performance.now();
    const { healthMs, healthP99 } = await whileProbed(url, work);
    const ms = performance.now() - from;
    said.push(
      `${what} ${(ms / 1000).toFixed(1)} s, health meanwhile ${Math.round(healthP99)} ms (99 %), ${Math.round(healthMs)} ms at most`,
    );
    if (ms > mostMs || healthP99 > HEALTH_P99_MS) slow.push(what);
  };
  try {
    const url = await start('first');
    const rows = Array.from(
      { length: TREES },
      (_, i) => `Tree ${i + 1},Plot ${Math.floor(i / 50) + 1},Row ${(i % 5) + 1},${(i % 10) + 1},apple`,
    );
    await measure(
      `${TREES.toLocaleString('en')} trees`,
      url,
      () =>
        sent(
          url,
          '/api/trees/import?format=csv&take=good',
          'text/csv',
          `code,plot,row,place,species\n${rows.join('\n')}`,
          TREES,
        ),
      { mostMs: TREES_MS },
    );
    const from = Date.UTC(2016, 0, 1);
    const hours = Array.from(
      { length: HOURS },
      (_, i) =>
        `${new Date(from + i * 3_600_000).toISOString().slice(0, 16)}Z,${(8 + 8 * Math.sin(i / 1400)).toFixed(1)},80,0,3`,
    );
    await measure('ten years of hours', url, () =>
      sent(
        url,
        '/api/weather/import?format=csv&take=good&kind=observed&zone=UTC',
        'text/csv',
        `time,temperature,humidity,rain,wind\n${hours.join('\n')}`,
        HOURS,
      ),
    );
    const asWritten = (time) =>
      `time,temperature\n${Array.from({ length: HOURS }, (_, i) => `${time(i)},${i % 30}`).join('\n')}`;
    const look = (csv) => () =>
      sent(
        url,
        '/api/weather/import?format=csv&take=nothing&kind=observed&zone=America/New_York',
        'text/csv',
        csv,
        0,
      );
    const local = (i) => new Date(from + i * 3_600_000).toISOString().slice(0, 16).replace('T', ' ');
    await measure('as many in local time, looked at,', url, look(asWritten(local)), { mostMs: WEATHER_MS });
    await measure('as many whose time nobody can read', url, look(asWritten((i) => `soon ${i}`)), {
      mostMs: WEATHER_MS,
    });
    let archive;
    await measure('the archive of both, out,', url, async () => {
      archive = Buffer.from(await (await fetch(`${url}/api/archive.ndjson`)).arrayBuffer());
    });
    // What it still works ahead is not of this import
    await stopServer(started[0]);
    const second = await start('second');
    await measure(`${Math.round(archive.length / 1024 ** 2)} MB, in,`, second, () =>
      sent(second, '/api/archive', 'application/x-ndjson', archive),
    );
    const line = `imports: ${said.join('; ')}`;
    if (slow.length > 0) throw new StepFailed(`${line}. Too slow: ${slow.join('; ')}.`);
    return line;
  } finally {
    for (const child of started) await stopServer(child);
    rmSync(folder, { recursive: true, force: true });
  }
}

async function sent(url, at, type, body, written) {
  if (body.length > MOST_BYTES && written !== undefined)
    throw new StepFailed(`${body.length} bytes are more than a request may hold.`);
  const answer = await fetch(`${url}${at}`, { method: 'POST', headers: headers(type), body });
  const report = await answer.json();
  if (!answer.ok) throw new StepFailed(`${at}: ${answer.status}, ${report.detail}`);
  if (written !== undefined && report.written !== written)
    throw new StepFailed(`${at}: ${report.written} of ${written} were written.`);
}
