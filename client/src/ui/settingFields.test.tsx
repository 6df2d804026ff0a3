// A setting is asked for as its schema says; what it does not take is said and not handed on.
import { refusing } from '@mortisect/core/refusal';
import { setting } from '@mortisect/core/settings';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { z } from 'zod';
import { FakeServer } from '../testing/fakeServer';
import { field, show, write } from '../testing/here';
import { SettingFields } from './SettingFields';

jest.mock('expo-router', () => require('../testing/here').router);

const Schema = z.object({
  gapMm: setting(z.number().min(0.5).max(20), {
    label: 'Gap',
    unit: 'mm',
    source: 'a handbook',
    confidence: 'low',
  }),
  days: setting(z.number().int().min(1).max(9), { label: 'Again after', unit: 'days' }),
  wet: setting(z.number().min(0.1).max(0.9), { label: 'Wet', unit: '%', percent: true }),
  way: setting(z.enum(['up', 'down']), { label: 'Way', choices: { up: 'the upper', down: 'the lower' } }),
  hours: setting(z.number(), { label: 'Dry', unit: 'h', offered: [24, 48] }),
  day: setting(z.string().regex(/^\d\d$/, refusing('noMonthAndDay')), { label: 'Day' }),
  burns: setting(z.boolean(), { label: 'Burns', hint: 'Where it may' }),
});
type Values = z.infer<typeof Schema>;
const START: Values = { gapMm: 2, days: 3, wet: 0.25, way: 'up', hours: 48, day: '31', burns: false };

function shown(except: (keyof Values)[] = []): () => Values {
  let last = START;
  function Page() {
    const [value, setValue] = useState(START);
    last = value;
    return (
      <SettingFields schema={Schema} value={value} starting={START} except={except} onChange={setValue} />
    );
  }
  show(<Page />, new FakeServer([]));
  return () => last;
}
const isWrong = (label: string) => field(label).getAttribute('aria-invalid') === 'true';

test('every kind of setting changes what it stands for, and nothing else', () => {
  const now = shown();
  for (const [label, text] of [
    ['Gap, mm', '4,5'],
    ['Again after, days', '9'],
    ['Wet, %', '40'],
    ['Day', '07'],
  ] as const)
    write(label, text);
  fireEvent.change(field('Way'), { target: { value: 'down' } });
  fireEvent.change(field('Dry'), { target: { value: '24' } });
  fireEvent.click(screen.getByRole('checkbox', { name: 'Burns' }));
  expect(now()).toEqual({ gapMm: 4.5, days: 9, wet: 0.4, way: 'down', hours: 24, day: '07', burns: true });
});

test.each([
  ['Gap, mm', '0.4', 'From 0.5 to 20 mm.'],
  ['Gap, mm', '20.1', 'From 0.5 to 20 mm.'],
  ['Gap, mm', '', 'From 0.5 to 20 mm.'],
  ['Again after, days', '2.5', 'A whole number, from 1 to 9 days.'],
  ['Again after, days', '10', 'A whole number, from 1 to 9 days.'],
  ['Wet, %', '91', 'From 10 to 90 %.'],
])('%s does not take “%s”', (label, text, says) => {
  const now = shown();
  write(label, text);
  expect(isWrong(label)).toBe(true);
  expect(document.body.textContent).toContain(says);
  expect(now()).toEqual(START);
});

test('where it starts and its source stand beside it; a choice is called by its words; what is left out is not asked', () => {
  shown(['burns']);
  const text = document.body.textContent ?? '';
  expect(text).toContain('Starts at 2 mm. A handbook (confidence low).');
  expect(text).toContain('Starts at 25 %.');
  const called = (label: string) =>
    [...field(label).querySelectorAll('option')].map((option) => option.textContent);
  expect(called('Way')).toEqual(['The upper', 'The lower']);
  expect(called('Dry')).toEqual(['24 h', '48 h']);
  expect(screen.queryByRole('checkbox')).toBeNull();
  write('Day', '7');
  expect(isWrong('Day')).toBe(true);
  expect(document.body.textContent).toContain('Write it as month and day: 07-31.');
});
