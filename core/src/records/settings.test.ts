// What is asked of a caretaker is what the schema takes: no more, no less, each under one name.
import { z } from 'zod';
import { DebrisSettings, RecheckSettings } from '../aftercare/index';
import { Limits } from '../faults/index';
import { Costs, PlanSettings, RegrowthShares, Weights } from '../plan/index';
import { settingsIn } from '../settings/index';
import { TimingSchools, TimingSettings, TimingWeights } from '../timing/index';
import { Climate } from '../weather/index';
import { SiteSchools, WeatherSettings } from './index';

const SCHEMAS = Object.entries({
  Climate,
  Costs,
  DebrisSettings,
  Limits,
  PlanSettings,
  RecheckSettings,
  RegrowthShares,
  SiteSchools,
  TimingSchools,
  TimingSettings,
  TimingWeights,
  WeatherSettings,
  Weights,
});
const fields = SCHEMAS.flatMap(([schema, shape]) =>
  settingsIn(shape).map((field) => ({
    name: `${schema}.${field.key}`,
    field,
    takes: shape.shape[field.key as never] as z.ZodType,
  })),
);
const numbers = fields.filter(({ field }) => field.kind === 'number' || field.kind === 'whole');
/** Smaller than the last digit of any bound. */
const BEYOND = 0.001;

test('every schema asks for something, under a name of its own, and what is chosen is among its choices', () => {
  for (const [, shape] of SCHEMAS) {
    const labels = settingsIn(shape).map(({ label }) => label);
    expect(labels.length).toBeGreaterThan(1);
    expect(new Set(labels).size).toBe(labels.length);
  }
  // Not asked for field by field: lists, tables, and schemas of their own
  const asked = new Set(fields.map(({ name }) => name));
  const silent = SCHEMAS.flatMap(([schema, { shape }]) =>
    Object.keys(shape).map((key) => `${schema}.${key}`),
  ).filter((name) => !asked.has(name));
  expect(silent).toEqual([
    'PlanSettings.limit',
    'PlanSettings.kit',
    'PlanSettings.costs',
    'PlanSettings.regrowth',
    'PlanSettings.weights',
    'SiteSchools.clearance',
    'TimingSettings.school',
    'TimingSettings.weights',
    'WeatherSettings.climate',
    'WeatherSettings.spells',
  ]);
});

test.each(numbers)('$name takes its least and its most, and nothing beyond', ({ field, takes }) => {
  const given = (asked: number) => takes.safeParse(field.percent ? asked / 100 : asked).success;
  const { least, most } = field;
  expect([least - BEYOND, least, most, most + BEYOND].map(given)).toEqual([false, true, true, false]);
  const between = field.kind === 'whole' ? least + 0.5 : (least + most) / 2;
  expect(given(between)).toBe(field.kind !== 'whole');
});

test('each choice is one that the schema takes; only diseased wood may not be left to lie', () => {
  const untold = fields
    .filter(({ field }) => field.kind === 'choice')
    .flatMap(({ name, field, takes }) => {
      const inner = takes instanceof z.ZodDefault ? takes.unwrap() : takes;
      const options = inner instanceof z.ZodEnum ? inner.options : (field.offered ?? []);
      const offered = field.offered ?? Object.keys(field.choices ?? {});
      for (const value of offered) expect(takes.safeParse(value).success).toBe(true);
      return options
        .filter((option) => !offered.includes(option as never))
        .map((option) => `${name}: ${option}`);
    });
  expect(untold).toEqual(['DebrisSettings.infectedBy: leave']);
});

test('a share is asked for in hundredths; a date says how it is written', () => {
  const wet = settingsIn(Climate).find(({ key }) => key === 'wetDaysWinter');
  expect([wet?.least, wet?.most]).toEqual([2, 90]);
  const stop = settingsIn(TimingSettings).find(({ key }) => key === 'stopDay');
  expect(stop?.kind).toBe('text');
  for (const day of ['07-31', '12-01', '01-09']) expect(stop?.fault(day)).toBeNull();
  for (const day of ['7-31', '13-01', '07-32', '00-10', '07-00', 'late July'])
    expect(stop?.fault(day)?.code).toBe('noMonthAndDay');
});
