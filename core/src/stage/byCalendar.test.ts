// Where no weather is known the calendar answers; a record counts from the first of October, in the south of April.
import { hourOf } from '../weather/index';
import { cropOf, seasonsFrom, stageByCalendar } from './index';

const YEAR = Math.round(365.2425 * 24);

test.each([
  ['the last of September belongs to the season before', '2026-09-30T23:00:00Z', 54, '2025-10-01'],
  ['the first of October begins one', '2026-10-01T00:00:00Z', 54, '2026-10-01'],
  ['in a leap year too', '2028-09-30T12:00:00Z', 54, '2027-10-01'],
  ['in March it has begun the year before', '2027-03-01T12:00:00Z', 54, '2026-10-01'],
  ['in the south it begins in April', '2026-04-01T00:00:00Z', -41, '2026-04-01'],
  ['and not before', '2026-03-31T23:00:00Z', -41, '2025-04-01'],
  ['on the equator as in the north', '2026-04-01T00:00:00Z', 0, '2025-10-01'],
])('%s', (_said, now, latitude, begins) => {
  expect(seasonsFrom(now, latitude)).toBe(hourOf(`${begins}T00:00:00Z`) - YEAR);
});

describe('the bloom of an apple by the calendar', () => {
  const apple = cropOf('apple');
  const on = (day: string, latitude = 54, offsetDays = 0) => {
    if (!apple) throw new Error('There is no apple.');
    return stageByCalendar(apple, day, { latitude, offsetDays, seen: [] });
  };
  const days = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 864e5;

  test('comes within twelve days of its usual one, in spring', () => {
    const { bloom } = on('2026-02-01');
    expect([days(bloom.from, bloom.day), days(bloom.day, bloom.to)]).toEqual([12, 12]);
    expect(bloom.day.slice(0, 7)).toMatch(/^2026-0[45]$/);
    expect(days(on('2026-02-01', 54, 10).bloom.day, bloom.day)).toBe(-10);
  });

  test('is that of this year for sixty days after it, then of the next', () => {
    const { day } = on('2026-02-01').bloom;
    const after = (n: number) => new Date(Date.parse(day) + n * 864e5).toISOString().slice(0, 10);
    expect(on(after(60)).bloom.day).toBe(day);
    expect(on(after(61)).bloom.day.slice(0, 4)).toBe('2027');
  });

  test('lies half a year off in the south', () => {
    expect(on('2026-08-01', -54).bloom.day.slice(0, 7)).toMatch(/^2026-1[01]$/);
  });

  test('buds rest in January and have moved by June', () => {
    expect([on('2026-01-10').stage?.phase, on('2026-06-20').stage?.phase]).toEqual(['rest', 'growth']);
  });
});
