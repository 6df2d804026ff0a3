// What stands beside a setting.
import { z } from 'zod';
import { asAsked, asKept, setting, settingsIn } from './index';

test('a field asks for what its schema takes: kind, bounds in the unit that is asked for, and what is wrong with a value', () => {
  const words = { label: 'Of it' };
  const fields = settingsIn(
    z.object({
      share: setting(z.number().min(0.05).max(0.4).default(0.1), { ...words, percent: true }),
      days: setting(z.int().min(2).max(90), words),
      open: setting(z.number(), words),
      one: setting(z.number().min(1).max(3), { ...words, offered: [1, 3] }),
      way: setting(z.enum(['a', 'b']), words),
      yes: setting(z.boolean().default(true), words),
      note: setting(z.string().max(3), words),
    }),
  );
  const { NEGATIVE_INFINITY: none, POSITIVE_INFINITY: endless } = Number;
  expect(fields.map(({ key, kind, least, most }) => [key, kind, least, most])).toEqual([
    ['share', 'number', 5, 40],
    ['days', 'whole', 2, 90],
    ['open', 'number', none, endless],
    ['one', 'choice', 1, 3],
    ['way', 'choice', none, endless],
    ['yes', 'yes', none, endless],
    ['note', 'text', none, endless],
  ]);
  const days = fields[1];
  expect([days?.fault(1), days?.fault(2)]).toEqual([{ code: 'atLeast', given: { least: 2 } }, null]);
  expect([asAsked({ ...words, percent: true }, 0.07), asKept({ ...words, percent: true }, 7)]).toEqual([
    7, 0.07,
  ]);
  expect([asAsked(words, 0.07), asKept(words, 7)]).toEqual([0.07, 7]);
});

test('who reads the schema alone is told its label, where it does not say itself what it is', () => {
  const said = z.number().describe('so many days');
  expect(setting(said, { label: 'Days' }).description).toBe('so many days');
  expect(setting(z.number(), { label: 'Days' }).description).toBe('Days');
});
