// The plan over the wire: proved, named faults, off the thread that answers; and as files that others read.
import { routes } from '@mortisect/contracts';
import { visitKey } from '@mortisect/core/plan';
import { sayIn } from '@mortisect/words/all';
import Papa from 'papaparse';
import PDFDocument from 'pdfkit';
import request from 'supertest';
import { inOrder } from '../files/sheet/order';
import { cutSheetPdf } from '../files/sheet/sheet';
import { cutSheet } from '../services/plans';
import { NOW, type Orchard, openOrchard } from '../testing/orchard';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
});
afterAll(() => orchard.close());

const get = (path: string) => request(orchard.app).get(path).set('Host', '127.0.0.1');
const post = (path: string) => request(orchard.app).post(path).set('Host', '127.0.0.1');
const example = routes.computePlan.example;

test('a plan answers as its contract says, with its proof', async () => {
  const { body } = await post('/api/compute/plan').send(example).expect(200);
  const plan = routes.computePlan.response.parse(body);
  expect(plan.proof).toMatchObject({ done: true, gap: 0 });
  // Lesion at 12 cm, 30 cm back: past the joint to S 122; M carries on there
  expect(plan.steps[0]).toMatchObject({
    candidateId: 'S reduction 115.6',
    solves: [{ findingId: 'canker-1' }],
  });
  // A reduction excludes cutting the branch it keeps
  expect(plan.steps.map((step) => step.candidateId)).not.toContain('M collar 0');
});

test('candidates add up the crown to 1000', async () => {
  const { body } = await post('/api/compute/candidates').send(example).expect(200);
  const said = routes.computeCandidates.response.parse(body);
  expect(said.crownPieces.reduce((sum, piece) => sum + piece.crown, 0)).toBe(1000);
});

test.each([
  [
    'a finding on no limb',
    { ...example, findings: [{ ...example.findings[0], limbId: 'Z' }] },
    'findings[0].limbId',
  ],
  [
    'a season that is not planned',
    { ...example, pins: [{ kind: 'goes', candidateId: 'x', season: 4 }] },
    'pins[0].season',
  ],
  [
    'a follower that is gone',
    { ...example, pins: [{ kind: 'follower', limbId: 'S', followerId: 'gone', untilMm: 20 }] },
    'pins[0].followerId',
  ],
  [
    'a height below the lowest main limb',
    { ...example, tree: { ...example.tree, targetHeightCm: 1 } },
    'tree.targetHeightCm',
  ],
  ['six seasons', { ...example, seasons: 6 }, 'seasons'],
  [
    'a tool of no kind',
    { ...example, settings: { kit: [{ id: 'a', name: 'A', kind: 'axe', takesMm: 1, lengthCm: 9 }] } },
    'settings.kit[0].kind',
  ],
])('%s is named', async (_, body, path) => {
  const answer = await post('/api/compute/plan').send(body).expect(400);
  expect(answer.body.errors.map((error: { path: string }) => error.path)).toContain(path);
});

test('the sheet is a PDF with its fonts in it, the plan is open JSON and CSV', async () => {
  const sheet = await get('/api/trees/slip-side-11/cut-sheet.pdf?paper=LETTER').expect(200);
  expect(sheet.headers['content-type']).toBe('application/pdf');
  const bytes = sheet.body as Buffer;
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  // US Letter in points, and both faces embedded
  expect(bytes.toString('latin1')).toContain('612 792');
  expect(bytes.toString('latin1')).toMatch(/BarlowCondensed/);
  expect(bytes.toString('latin1')).toMatch(/AtkinsonHyperlegible/);
  const { body: plan } = await get('/api/trees/slip-side-11/plan.json').expect(200);
  expect(plan).toMatchObject({ kind: 'mortisect-plan', version: 1, day: NOW.slice(0, 10) });
  expect(routes.computePlan.body.safeParse(plan.input).error).toBeUndefined();
  const csv = await get('/api/trees/slip-side-11/plan.csv').expect(200);
  const { data, errors } = Papa.parse<Record<string, string>>(csv.text, { header: true });
  expect(errors).toEqual([]);
  expect(data).toHaveLength(plan.plan.steps.length);
  expect(data[0]).toMatchObject({ tree: 'Slip side 11', season: '1' });
});

test('the sheets of a plot come in one file; a paper that is none is refused', async () => {
  const sheet = await get('/api/plots/net-loft/cut-sheet.pdf').expect(200);
  expect(
    (sheet.body as Buffer).toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0,
  ).toBeGreaterThanOrEqual(6);
  await get('/api/plots/net-loft/cut-sheet.pdf?paper=A9').expect(400);
  await get('/api/trees/no-tree/cut-sheet.pdf').expect(404);
});

test('a sheet is drawn in the units that are asked for, else in those of the site', async () => {
  const { site } = (await get('/api/site').expect(200)).body;
  const drawnIn = async (units?: 'us' | 'metric') => {
    const pool = { ...orchard.pool, cutSheet: jest.fn(orchard.pool.cutSheet) };
    const asked = {
      treeId: 'slip-side-11',
      paper: 'A4' as const,
      locale: 'en-GB' as const,
      now: NOW,
      ...(units && { units }),
    };
    await cutSheet(orchard.store.db, pool, asked);
    return pool.cutSheet.mock.calls[0]?.[0].sheets.map((sheet) => sheet.units);
  };
  expect(site.units).toBe('metric');
  expect([await drawnIn(), await drawnIn('us'), await drawnIn('metric')]).toEqual([
    ['metric'],
    ['us'],
    ['metric'],
  ]);
});

test('a tall tree in two parts: the sheet lists the arborist’s cut with its measures, and not among what is left', async () => {
  const pool = { ...orchard.pool, cutSheet: jest.fn().mockResolvedValue(new Uint8Array()) };
  await cutSheet(orchard.store.db, pool, { treeId: 'net-loft-05', paper: 'A4', locale: 'en-GB', now: NOW });
  const [{ sheets, paper, locale }] = pool.cutSheet.mock.calls[0];
  const text = jest.spyOn(PDFDocument.prototype, 'text');
  await cutSheetPdf(sayIn(locale), sheets, paper);
  const said = text.mock.calls.map(([words]) => String(words));
  text.mockRestore();
  const at = said.indexOf('For a licensed arborist');
  expect(said[at + 1]).toMatch(/: Neonectria canker$/);
  expect(said).toContain('The tree is 6.6 m tall and should be 4.0 m.');
  expect(said.filter((words) => /^After season \d: [\d.]+ m\.$/.test(words))).toHaveLength(3);
  expect(said[at + 2]).toMatch(
    /^4\.\d m over the ground · 68 mm thick · [\d.]+–[\d.]+ kg\. The cut is more than 3\.4 m \(11 ft\) over the ground\.$/,
  );
  expect(said.filter((words) => /^[A-Z] · 7 o’clock, high/.test(words))).toHaveLength(1);
  // The face of a cut by the school of the site; none for the cut that takes only dead wood
  expect(
    said.filter((words) =>
      /Slope the face so that water runs off it\. Put nothing on the wound\.$/.test(words),
    ),
    // The canker, and seven upright limbs, one of which stands too high
  ).toHaveLength(8);
});

test('the demo has open plans of every kind', async () => {
  const planOf = async (id: string) => (await get(`/api/trees/${id}/plan.json`).expect(200)).body.plan;
  expect((await planOf('net-loft-22')).verdict.choice).toBe('remove tree');
  expect((await planOf('net-loft-10')).verdict.choice).toBe('bridge graft');
  // A limb hangs in it: whatever stands too high is the arborist’s too
  expect((await planOf('net-loft-03')).handOver).toEqual([
    expect.any(String),
    'height T',
    'height E',
    'height F',
  ]);
  // What was found on it, beside the training of a young tree
  expect(
    (await planOf('net-loft-09')).steps.map(({ candidateId }: { candidateId: string }) => candidateId),
  ).toEqual(expect.arrayContaining(['C tie down', 'T heading 219']));
  expect((await planOf('slip-side-08')).steps).toMatchObject([{ candidateId: 'B pick mummies' }]);
  const seasons = (await planOf('net-loft-07')).seasons.filter(
    (season: { crown: number }) => season.crown > 0,
  );
  expect(seasons.length).toBeGreaterThanOrEqual(2);
});

test('the sheet cuts in the order that the visit takes on the screen, and takes no step of another visit', () => {
  const steps = ['a', 'b', 'c'].map((candidateId) => ({ candidateId, season: 2, pass: 'summer' }) as never);
  const byId = new Map(['a', 'b', 'c', 'd'].map((id) => [id, { id } as never]));
  const orders = {
    [visitKey({ season: 2, pass: 'summer' } as never)]: { order: ['c', 'a', 'd', 'b'] } as never,
    [visitKey({ season: 1, pass: 'dormant' } as never)]: { order: ['b', 'a', 'c'] } as never,
  };
  expect(inOrder(steps, byId, orders).map(({ id }) => id)).toEqual(['c', 'a', 'b']);
  expect(inOrder([], byId, orders)).toEqual([]);
});
