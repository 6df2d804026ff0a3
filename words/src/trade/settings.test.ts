// What stands beside a setting.
import { setting, settingsIn } from '@mortisect/core/settings';
import { z } from 'zod';
import { english, sayIn } from '../all';
import { aboutSetting } from './settings';

test('where it starts, where it comes from and how sure that is stand beside it', () => {
  const schema = z.object({
    gap: setting(z.number().min(0).max(9), {
      label: 'Gap',
      unit: 'mm',
      source: 'a handbook',
      confidence: 'low',
    }),
    share: setting(z.number().min(0).max(1), {
      label: 'Share',
      unit: '%',
      percent: true,
      hint: 'Of the crown.',
    }),
    plain: setting(z.boolean(), { label: 'Plain', source: 'common practice', confidence: 'practice' }),
    own: z.string(),
  });
  const [gap, share, plain, ...rest] = settingsIn(schema);
  if (!gap || !share || !plain) throw new Error('Three are asked for.');
  expect(rest).toEqual([]);
  expect(aboutSetting(english, gap, -6)).toMatch(/^Starts at −6 mm\./);
  expect(aboutSetting(english, gap, 1.5)).toBe('Starts at 1.5 mm. A handbook (confidence low).');
  expect(aboutSetting(english, share, 0.07)).toBe('Of the crown. Starts at 7 %.');
  expect(aboutSetting(english, plain, true)).toBe('Common practice.');
  expect(aboutSetting(sayIn('es-ES'), share, 0.07)).toBe('Of the crown. De partida 7 %.');
  expect(aboutSetting(english, { ...plain, source: '' }, undefined)).toBe('');
});
