// In which language the server answers: what the address asks for, what the request accepts, else English.
import { Problem } from '@mortisect/contracts';
import { locales } from '@mortisect/words';
import { sayIn } from '@mortisect/words/all';
import type { Request } from 'express';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import request from 'supertest';
import { type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { sayFor } from './language';

let orchard: Orchard;
const { get } = requestsTo(() => orchard);
beforeAll(async () => {
  orchard = await openOrchard();
});
afterAll(() => orchard.close());

test.each([
  ['es-MX,es;q=0.9,en;q=0.8', undefined, 'es-419'],
  ['en;q=0.5,es-ES', undefined, 'es-ES'],
  ['en-US', undefined, 'en-US'],
  ['en-US', 'es', 'es-ES'],
  ['de,fr;q=0.9', undefined, 'en-GB'],
  ['de', 'fr', 'en-GB'],
  ['', undefined, 'en-GB'],
  ['*', undefined, 'en-GB'],
] as const)('of “%s” and the address “%s” it is %s', async (accepted, language, locale) => {
  const { body } = await get(`/api/trees/none${language ? `?language=${language}` : ''}`)
    .set('Accept-Language', accepted)
    .expect(404);
  const say = sayIn(locale);
  expect(Problem.parse(body)).toMatchObject({
    type: 'not-there',
    title: say('problem.titleNotThere'),
    detail: say('problem.gone', { what: say('problem.aTree', { id: 'none' }) }),
    code: 'gone',
  });
});

test('a language that is not spoken is told to the log once, and answered in English', () => {
  const info = jest.fn();
  const asking = (tags: string[]) =>
    sayFor({ query: {}, acceptsLanguages: () => tags, log: { info } } as unknown as Request).locale;
  expect([asking(['tlh']), asking(['tlh', 'es']), asking(['tlh'])]).toEqual(['en-GB', 'es-ES', 'en-GB']);
  expect(info.mock.calls.map(([told]) => told)).toEqual([{ language: 'tlh' }]);
});

test('what a schema finds wrong comes with its code, what it is told with, and the words of the reader', async () => {
  const { body, headers } = await request(orchard.app)
    .post('/api/compute/dilution')
    .set('Host', '127.0.0.1')
    .set('Accept-Language', 'es')
    .send({ kind: 'alcohol', spirit: 'ethanol', productPct: 70, targetPct: 96, litres: 1 })
    .expect(400);
  expect(headers.vary).toContain('Accept-Language');
  expect(Problem.parse(body)).toMatchObject({
    title: 'No se entiende',
    detail: 'targetPct: Con agua no se hace más fuerte un 70 %.',
    errors: [
      {
        path: 'targetPct',
        code: 'notStronger',
        given: { productPct: 70 },
        message: 'Con agua no se hace más fuerte un 70 %.',
      },
    ],
  });
});

test.each(locales)(
  'in %s the columns of the register are headed in it, and its values stay as they are',
  async (locale) => {
    const say = sayIn(locale);
    const { text } = await get(`/api/trees.csv?language=${locale}`).expect(200);
    const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true });
    expect(meta.fields?.slice(0, 3)).toEqual([
      say('files.columnCode'),
      say('files.columnNickname'),
      say('files.columnPlot'),
    ]);
    expect(data[0]?.[say('files.columnCode')]).toBe('Lee wall 01');
  },
);

test('the plan of a tree and its days are told in Spanish', async () => {
  const { text: plan } = await get('/api/trees/slip-side-11/plan.csv?language=es').expect(200);
  expect(plan).toMatch(/^árbol,temporada,época,rama,/);
  expect(plan).not.toMatch(/o’clock|dormant/);
  const { text: days } = await get('/api/trees/slip-side-11/windows.ics')
    .set('Accept-Language', 'es')
    .expect(200);
  const events = new ICAL.Component(ICAL.parse(days)).getAllSubcomponents('vevent');
  expect(events.length).toBeGreaterThan(0);
  for (const event of events)
    expect(new ICAL.Event(event).description).toMatch(/^Seco [\d,]+ h desde que empieza\./);
});

test('a cut sheet is drawn in the language that is asked for', async () => {
  const drawn = async (language: string) =>
    (await get(`/api/trees/slip-side-11/cut-sheet.pdf?language=${language}`).expect(200)).body as Buffer;
  const [english, again, spanish] = [await drawn('en'), await drawn('en'), await drawn('es')];
  // But for when it was made, the same page is the same bytes
  const undated = (pdf: Buffer) => pdf.toString('latin1').replace(/\(D:\d+Z?\)|<[0-9a-f]{32}>/g, '');
  expect(undated(again)).toBe(undated(english));
  expect(undated(spanish)).not.toBe(undated(english));
});
