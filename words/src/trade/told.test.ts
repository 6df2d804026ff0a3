// The tables of the core in each language.

import { beforeStart, closeDown, DEBRIS_ROUTE_WORDS, RecheckSettings } from '@mortisect/core/aftercare';
import { agents } from '@mortisect/core/blades';
import { limitSchools } from '@mortisect/core/crown';
import { signs } from '@mortisect/core/diagnosis';
import { disorderOf, disorders, schoolsFor } from '@mortisect/core/disorders';
import { faultKinds, Limits } from '@mortisect/core/faults';
import { hazards, LIFT_KG, LIFT_NEVER_ABOVE_KG } from '@mortisect/core/handling';
import { PlanSettings } from '@mortisect/core/plan';
import { bearingHabits, jobKinds, speciesTable, treeForms } from '@mortisect/core/register';
import { type SettingField, settingsIn } from '@mortisect/core/settings';
import { crops } from '@mortisect/core/stage';
import { pathogens, schoolWords, TimingSettings } from '@mortisect/core/timing';
import { limbKinds } from '@mortisect/core/tree';
import { english, sayIn } from '../all';
import { limbIn } from './limbIn';
import { told } from './told';

const spanish = sayIn('es-ES');

const ofSetting = ({ label, hint, unit, choices }: SettingField) => [
  label,
  hint,
  unit,
  ...Object.values(choices ?? {}),
];
const TABLES: Record<string, readonly (string | null | undefined)[]> = {
  disorders: disorders.flatMap((each) => [
    each.name,
    each.hosts,
    each.tellingSigns,
    each.edge,
    each.onTrunk,
    each.disposal,
    each.notifiable,
    each.instead,
  ]),
  signs: signs.map(({ label }) => label),
  species: speciesTable.flatMap(({ name, guide }) => [name, guide]),
  'forms, habits, limbs, faults, dangers': [
    ...treeForms,
    ...bearingHabits,
    ...limbKinds,
    ...faultKinds,
    ...hazards,
  ],
  jobs: jobKinds.flatMap(({ name, why }) => [name, why]),
  agents: agents.flatMap(({ name, how, protection, caution, neverWith }) => [
    name,
    how,
    protection,
    caution,
    ...neverWith,
  ]),
  'before and after': [...beforeStart, ...closeDown].flatMap(({ text, why }) => [text, why]),
  'where wood goes': Object.values(DEBRIS_ROUTE_WORDS),
  schools: [...limitSchools, ...disorders.flatMap(({ code }) => schoolsFor(code))].map(({ use }) => use),
  'schools of time': Object.values(schoolWords).flatMap((school) => Object.values(school)),
  stages: crops.flatMap(({ stages }) => stages.map(({ name }) => name)),
  pathogens: pathogens.flatMap(({ name, carriedBy }) => [name, carriedBy]),
  settings: [Limits, PlanSettings, TimingSettings, RecheckSettings].flatMap((schema) =>
    settingsIn(schema).flatMap(ofSetting),
  ),
};
/** Units and names that are the same everywhere. */
const ALIKE = /^(lateral|Alcohol 70 %|[^\p{L}]*|mm|cm|kg|°C|m\/s|h|min|%|\d.* in \(.*)$/u;

test.each(Object.entries(TABLES))('%s: every text is told in both languages', (_, texts) => {
  expect(texts.length).toBeGreaterThan(3);
  const names = texts.filter((text) => text && !ALIKE.test(text)) as string[];
  expect(names.filter((name) => !english.has(`tables.${name}`))).toEqual([]);
  expect(names.filter((name) => told(spanish, name) === told(english, name))).toEqual([]);
});

test('what must be reported, and what one person may lift, is said as the law and the limits have it', () => {
  for (const code of ['FB_SHOOT', 'FB_BLOS', 'FB_CANK_A', 'FB_CANK_D', 'FB_ROOT'])
    expect(told(english, disorderOf(code)?.notifiable)).toMatch(/plant-health authority/);
  const hint = settingsIn(PlanSettings).find(({ key }) => key === 'liftKg')?.hint ?? '';
  for (const language of [english, spanish])
    expect(told(language, hint).match(/\d+ kg/g)).toEqual([`${LIFT_KG} kg`, `${LIFT_NEVER_ABOVE_KG} kg`]);
});

test('suspect wood is handled as the worst it could be', () => {
  const suspect = disorderOf('SUSPECT');
  expect(told(english, suspect?.disposal)).toMatch(/^Remove from the site/);
  expect(told(english, suspect?.onTrunk)).toMatch(/^Half of the trunk girdled/);
});

test('what nobody knows stays as it is', () => {
  expect(told(english, 'Dead wood')).toBe('Dead wood');
  expect(told(spanish, 'The owl tree')).toBe('The owl tree');
  expect([told(spanish, null), told(spanish, undefined)]).toEqual([null, undefined]);
});

test('a capital stays a capital', () => {
  expect([told(spanish, 'open centre'), told(spanish, 'Open centre')]).toEqual(['vaso', 'Vaso']);
});

test.each([
  ['4 o’clock, low', 'las 4, baja'],
  ['1 o’clock, high (2)', 'la 1, alta (2)'],
  ['3 o’clock at 240 cm on 5 o’clock, middle', 'las 3 a 240 cm en las 5, media'],
  [
    '3 o’clock at 94 in on 1 o’clock at 12 in on 5 o’clock, low (3)',
    'las 3 a 94 in en la 1 a 12 in en las 5, baja (3)',
  ],
  [
    'The 10 steepest of about 15 at 150 cm on 3 o’clock, low (2)',
    'Los 10 más empinados de unos 15 a 150 cm en las 3, baja (2)',
  ],
  ['the 5 flattest of about 15 at 59 in on stem', 'Los 5 más tendidos de unos 15 a 59 in en Tronco'],
  ['About 12 at 59 in on 3 o’clock, low', 'Unos 12 a 59 in en las 3, baja'],
  ['Stem', 'Tronco'],
  ['stem 2', 'Tronco 2'],
  ['Sucker at 1 o’clock', 'Sierpe a la 1'],
  ['The long one', 'The long one'],
])('the limb “%s” is “%s”', (name, words) => {
  expect(limbIn(spanish, name)).toBe(words);
  expect(limbIn(english, name).toLowerCase()).toBe(name.toLowerCase());
});
