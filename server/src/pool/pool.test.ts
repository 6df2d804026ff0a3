// Computing for many at once: turns are shared, what is large keeps nobody waiting, and what takes too long is given up in words.

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { routes } from '@mortisect/contracts';
import { fold } from '@mortisect/core/present';
import type { HistoryLine } from '@mortisect/core/records';
import { english } from '@mortisect/words/all';
import { ZodError } from 'zod';
import { tellProblemsIn } from '../refusal';
import { type ComputeName, computeNames } from './computeNames';
import { MOST_ANSWER_BYTES } from './computes';
import { askedBy, BACKGROUND, FairQueue } from './fairQueue';
import { type Asking, JsonText, MOST_OF_ONE, makePool, type Pool } from './pool';

tellProblemsIn(english);

describe('whose turn it is', () => {
  const task = (of: string, by: string) => askedBy({ of }, by) as never;
  const taken = (queue: FairQueue) => {
    const order: string[] = [];
    for (let next = queue.shift(); next; next = queue.shift())
      order.push((next as unknown as { of: string }).of);
    return order;
  };

  test('goes round those who ask; each keeps its own order; what nobody waits for is last', () => {
    const queue = new FairQueue();
    queue.push(task('x', BACKGROUND));
    for (const of of ['a1', 'a2', 'a3', 'b1', 'c1', 'c2']) queue.push(task(of, of.charAt(0)));
    queue.push(task('y', BACKGROUND));
    expect(queue.size).toBe(8);
    expect(taken(queue)).toEqual(['a1', 'b1', 'c1', 'a2', 'c2', 'a3', 'x', 'y']);
    expect([queue.size, queue.shift()]).toEqual([0, null]);
  });

  test('what is given up leaves the row, and a row without any has no turn', () => {
    const queue = new FairQueue();
    const [a, b, c] = [task('a', 'a'), task('b', 'b'), task('c', 'b')];
    for (const job of [a, b, c]) queue.push(job);
    queue.remove(b);
    queue.remove(a);
    queue.remove(a);
    expect([queue.size, ...taken(queue)]).toEqual([1, 'c']);
  });
});

/** A worker that takes as long, or answers as much, as it is told. */
const WORKER = `
export function compute({ given: { body: { ms = 0, bytes = 10, species } } }) {
  for (const until = performance.now() + ms; performance.now() < until; );
  if (species) return { unknownSpecies: species };
  if (bytes > ${MOST_ANSWER_BYTES}) return { tooLargeBytes: bytes };
  return { json: new Uint8Array(bytes) };
}
export const readCopy = ({ file }) => file;
export function readWeatherFile() { for (;;); }
export const treePlan = readWeatherFile;
export const readTreeFile = readWeatherFile;
export const cutSheet = readWeatherFile;
let begun = 0;
export function treeTiming({ ms }) {
  begun += 1;
  for (const until = performance.now() + ms; performance.now() < until; );
  return begun;
}
export const treeSeason = treeTiming;
`;

describe('a pool', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'pool-'));
  let pool: Pool;
  beforeAll(() => {
    const worker = path.join(folder, 'worker.mjs');
    writeFileSync(worker, WORKER);
    pool = makePool(pathToFileURL(worker).href);
  });
  afterAll(async () => {
    await pool.close();
    rmSync(folder, { recursive: true });
  });
  const ask = (body: { ms?: number; bytes?: number; species?: string }, given: Partial<Asking> = {}) =>
    pool.compute(
      { route: 'computePlan', given: { body: body as never } },
      {
        by: 'a',
        isLarge: false,
        signal: new AbortController().signal,
        ...given,
      },
    );

  test('answers with text, with nothing, or says that it would be too much', async () => {
    expect(await ask({ bytes: 12 })).toBeInstanceOf(JsonText);
    await expect(ask({ species: 'fig' })).rejects.toMatchObject({
      status: 422,
      message: expect.stringContaining('for fig'),
    });
    await expect(ask({ bytes: 17 * 1024 ** 2 })).rejects.toMatchObject({
      status: 413,
      message: expect.stringContaining('17 MB'),
    });
    expect(MOST_ANSWER_BYTES).toBe(16 * 1024 ** 2);
  });

  test('what is small does not wait for what is large', async () => {
    const answered: string[] = [];
    const large = ask({ ms: 3000 }, { isLarge: true }).then((text) => {
      answered.push('large');
      return text;
    });
    await ask({}, { by: 'b' });
    answered.push('small');
    expect(await large).toBeInstanceOf(JsonText);
    expect(answered).toEqual(['small', 'large']);
  });

  test('an order of more than forty cuts goes where what is large goes', async () => {
    const order = (cuts: number, by: string) =>
      pool.compute(
        { route: 'computeOrder', given: { body: { ms: 3000, cuts: Array(cuts).fill(0) } as never } },
        { by, isLarge: false, signal: new AbortController().signal },
      );
    for (const [cuts, waits] of [
      [40, true],
      [41, false],
    ] as const) {
      let isDone = false;
      const long = order(cuts, 'a').then(() => {
        isDone = true;
      });
      await ask({}, { by: 'b' });
      expect(isDone).toBe(waits);
      await long;
    }
  });

  test('one who asks too much at once is told to wait, and another is not; afterwards all is as before', async () => {
    const mine = Array.from({ length: MOST_OF_ONE }, () => ask({ ms: 5 }));
    await expect(ask({})).rejects.toMatchObject({ status: 503, type: 'busy' });
    await expect(ask({}, { by: 'b' })).resolves.toBeInstanceOf(JsonText);
    await Promise.all(mine);
    await expect(ask({})).resolves.toBeInstanceOf(JsonText);
  });

  test('what nobody waits for any more is given up, and so is what takes longer than nine seconds', async () => {
    const gone = new AbortController();
    const given = ask({ ms: 60_000 }, { signal: gone.signal });
    setTimeout(() => gone.abort(), 100);
    await expect(given).rejects.toThrow(/abort/i);
    const from = performance.now();
    const late = ask({ ms: 60_000 });
    const byAddress = expect(pool.treePlan({} as never)).rejects.toMatchObject({ type: 'took-too-long' });
    await expect(late).rejects.toMatchObject({
      status: 503,
      type: 'took-too-long',
      message: expect.stringContaining('9 seconds'),
    });
    await byAddress;
    expect(performance.now() - from).toBeGreaterThan(8500);
    expect(performance.now() - from).toBeLessThan(20_000);
    await expect(ask({})).resolves.toBeInstanceOf(JsonText);
  });

  test.each(['readWeatherFile', 'readTreeFile', 'cutSheet'] as const)(
    '%s ends with the one who waited for it, and the next is answered',
    async (read) => {
      const gone = new AbortController();
      const given = pool[read]({} as never, gone.signal);
      setTimeout(() => gone.abort(), 100);
      await expect(given).rejects.toThrow(/abort/i);
      await expect(ask({}, { isLarge: true })).resolves.toBeInstanceOf(JsonText);
    },
  );

  test.each(['treeTiming', 'treeSeason'] as const)(
    '%s: what has begun is finished, whoever has gone; what still waits for its turn is given up',
    async (work) => {
      const threads = Math.max(1, availableParallelism() - 1);
      const gone = new AbortController();
      const all = async (asked: Promise<unknown>[]) => (await Promise.all(asked)) as number[];
      const at = (ms: number) => pool[work]({ ms } as never, gone.signal);
      const before = Math.max(...(await all(Array.from({ length: threads }, () => at(300)))));
      const atWork = Array.from({ length: threads }, () => at(600));
      const queued = expect(at(1)).rejects.toThrow(/abort/i);
      expect(pool.waiting()).toContainEqual({ lane: 'quick', waiting: 1 });
      setTimeout(() => gone.abort(), 100);
      await queued;
      expect(pool.waiting()).toContainEqual({ lane: 'quick', waiting: 0 });
      expect(Math.max(...(await all(atWork)))).toBe(before + 1);
      await expect(ask({})).resolves.toBeInstanceOf(JsonText);
    },
  );

  test.each([
    ['cutSheet', 30_000],
    ['treeTiming', 30_000],
    ['treePlan', 9000],
  ] as const)('%s has its time and no more: %d ms', async (work, ms) => {
    const soon = AbortSignal.timeout(100);
    const timeout = jest.spyOn(AbortSignal, 'timeout').mockReturnValue(soon);
    await expect(pool[work]({ ms: 60_000 } as never)).rejects.toMatchObject({
      status: 503,
      type: 'took-too-long',
      message: expect.stringContaining(`${ms / 1000} seconds`),
    });
    expect(timeout.mock.calls).toEqual([[ms]]);
    timeout.mockRestore();
  });

  test('a path that is read by itself comes to the worker as it is', async () => {
    expect(await pool.readCopy('/somewhere')).toBe('/somewhere');
  });
});

test('a history folded on a worker is folded as it is here', async () => {
  const pool = makePool(process.env.COMPILED_WORKER);
  const lines = Array.from({ length: 700 }, (_, i) => ({
    orchardId: '0193f000-0000-7000-8000-000000000001',
    seq: i,
    at: '2026-11-24T10:00:00.000Z',
    receivedAt: '2026-11-24T10:00:00.000Z',
    recordId: `plot-${i % 300}`,
    revision: 1 + Math.floor(i / 300),
    treeId: null,
    deviceId: 'x',
    by: 'Wall crew',
    value: { kind: 'plot', plot: { name: i === 5 ? '' : `Plot ${i}`, note: '', position: i } },
  })) as HistoryLine[];
  const there = await pool.fold(lines);
  expect(there).toEqual(fold(lines));
  expect([there.plots.size, there.aside.length, there.plots.get('plot-7')?.revision]).toEqual([300, 1, 3]);
  await pool.close();
});

describe('a body that goes to the worker as it came', () => {
  const pool = makePool(process.env.COMPILED_WORKER);
  afterAll(() => pool.close());
  const asking = { by: 'a', isLarge: true, signal: new AbortController().signal };
  const sent = (route: ComputeName, text: string) =>
    pool.compute({ route, given: { bytes: Buffer.from(text) } }, asking);

  test.each(computeNames)(
    '%s answers its example as its contract says, read there or here',
    async (route) => {
      const { body, example, response } = routes[route];
      const there = await sent(route, JSON.stringify(example));
      const here = await pool.compute({ route, given: { body: body.parse(example) as never } }, asking);
      expect(response.parse(JSON.parse(Buffer.from(there.bytes).toString()))).toBeDefined();
      expect(Buffer.from(here.bytes).equals(Buffer.from(there.bytes))).toBe(true);
    },
  );

  test('is refused in the same words as one that is read here', async () => {
    await expect(sent('computeCutBack', '{"limbs"')).rejects.toMatchObject({
      status: 400,
      type: 'not-understood',
    });
    await expect(sent('computeCutBack', '{"limbs":[],"kerfs":[]}')).rejects.toBeInstanceOf(ZodError);
    const many = { limbs: Array(2001).fill({}), kerfs: [] };
    await expect(sent('computeCutBack', JSON.stringify(many))).rejects.toMatchObject({ status: 413 });
    await expect(sent('computeCutBack', '{"limbs":"a\\u0000b"}')).rejects.toBeInstanceOf(ZodError);
    const citrus = { ...routes.computeStage.example, species: 'citrus' };
    await expect(sent('computeStage', JSON.stringify(citrus))).rejects.toThrow(
      'no course through the year for citrus',
    );
  });
});
