// How far the clock of the server is ahead: measured to the second, and kept while it may still be right. Days as people write them.
import { aheadAfter, dayAt, dayHour, dayWords, nextMoment, readDays, shortDay } from './moment';

test.each([
  // Nothing was known: the middle of question and answer counts
  [undefined, { askedAt: 0, answeredAt: 200, serverAt: 3_600_400 }, 3_600_000],
  [undefined, { askedAt: 0, answeredAt: 0, serverAt: -1600 }, -2000],
  // A second beside what was known is no news; more is
  [0, { askedAt: 0, answeredAt: 0, serverAt: 1000 }, 0],
  [0, { askedAt: 0, answeredAt: 0, serverAt: 1001 }, 1000],
  [0, { askedAt: 0, answeredAt: 0, serverAt: -1001 }, -1000],
  // A slow answer may have been given at its begin or its end
  [0, { askedAt: 0, answeredAt: 4000, serverAt: 5000 }, 0],
  [0, { askedAt: 0, answeredAt: 4000, serverAt: 5001 }, 3000],
])('known as %p ms, %j: %d ms ahead', (known, measured, ahead) => {
  expect(aheadAfter(measured, known)).toBe(ahead);
});

test('what is recorded one after the other stays so where the clock was measured anew, and a wrong clock is put right', () => {
  const at = jest.spyOn(Date, 'now').mockReturnValue(Date.parse('2026-11-24T10:00:00.000Z'));
  const said = (aheadMs?: number) => nextMoment(aheadMs).slice(11, 23);
  expect([said(2000), said(2000), said(0), said(-57_000)]).toEqual([
    '10:00:02.000',
    '10:00:02.000',
    '10:00:02.001',
    '10:00:02.002',
  ]);
  // A minute and more behind what was said: the clock was wrong
  expect(said(-57_998)).toBe('09:59:02.002');
  expect([said(), said(3_600_000), said()]).toEqual(['10:00:00.000', '11:00:00.000', '10:00:00.000']);
  at.mockRestore();
});

test.each([
  ['en-GB', '1 May 2027', '1 May'],
  ['en-US', 'May 1, 2027', 'May 1'],
  ['es-ES', '1 may 2027', '1 may'],
] as const)('a day in %s, with its year and without', async (locale, long, short) => {
  (await readDays(locale))();
  expect([dayWords('2027-05-01'), shortDay('2027-05-01')]).toEqual([long, short]);
  (await readDays('en-GB'))();
});

test('the day at the site, from its first minute to its last, and of another site at the same time', () => {
  // Offsets of the time zone database: +05:30, and −03:00
  const [india, brazil] = ['Asia/Kolkata', 'America/Sao_Paulo'];
  expect(
    [
      ['2026-11-24T18:29:59.999Z', india],
      ['2026-11-24T18:30:00.000Z', india],
      ['2026-11-24T18:30:00.000Z', brazil],
      ['2026-11-25T02:59:59.999Z', brazil],
      ['2026-11-25T03:00:00.000Z', brazil],
      ['2026-11-25T04:00:00+01:00', brazil],
    ].map(([moment, zone]) => dayAt(moment as string, zone as string)),
  ).toEqual(['2026-11-24', '2026-11-25', '2026-11-24', '2026-11-24', '2026-11-25', '2026-11-25']);
});

test('an hour that was told before is told in the language of now, and of the site at hand', async () => {
  // 25 November 2026, 10:00 UTC
  const hour = Date.parse('2026-11-25T10:00:00Z') / 3_600_000;
  const said = () => [
    dayHour(hour, 'Europe/Berlin'),
    dayHour(hour + 1, 'Europe/Berlin'),
    dayHour(hour, 'UTC'),
  ];
  expect([said(), said()]).toEqual(Array(2).fill(['Wed 11:00', 'Wed 12:00', 'Wed 10:00']));
  (await readDays('es-ES'))();
  expect(said()).toEqual(['mié 11:00', 'mié 12:00', 'mié 10:00']);
  (await readDays('en-GB'))();
});
