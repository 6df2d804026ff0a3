// Which cultivars are known, how do they bear, and how badly does fire blight take them?
import { z } from 'zod';
import { refusing } from '../refusal/index';
import { bearingHabits, type Confidence } from './species';

export const susceptibilities = ['low', 'moderate', 'high', 'unknown'] as const;

export const Cultivar = z
  .strictObject({
    species: z.string().min(1).max(40).describe('species code'),
    name: z.string().trim().min(1, refusing('noName')).max(80),
    habit: z.enum(bearingHabits),
    susceptibility: z.enum(susceptibilities).describe('to the main canker or blight of its kind'),
    note: z.string().trim().max(300),
    bloomOffsetDays: z
      .number()
      .int()
      .min(-40)
      .max(40)
      .optional()
      .describe('days it blooms after the usual of its crop; negative before'),
  })
  .meta({ id: 'Cultivar' });
export type Cultivar = z.infer<typeof Cultivar>;

export const CULTIVAR_SOURCE =
  'extension tables of fire blight susceptibility and bearing habit, from memory; local lists come first';
export const CULTIVAR_CONFIDENCE: Confidence = 'low';

/** Old cultivars in common hands. A caretaker's own are kept with the site. */
const cultivarTable: readonly Cultivar[] = [
  ['apple', 'Baldwin', 'spur', 'moderate'],
  ['apple', 'Empire', 'spur', 'moderate'],
  ['apple', 'Cortland', 'tip', 'moderate'],
  ['apple', 'Cox’s Orange Pippin', 'spur', 'moderate'],
  ['apple', 'Golden Delicious', 'spur', 'moderate'],
  ['apple', 'Granny Smith', 'partial tip', 'high'],
  ['apple', 'Jonathan', 'spur', 'high'],
  ['apple', 'Northern Spy', 'spur', 'low'],
  ['apple', 'Red Delicious', 'spur', 'low'],
  ['apple', 'Rome Beauty', 'tip', 'high'],
  ['apple', 'Worcester Pearmain', 'tip', 'moderate'],
  ['apple', 'Yellow Transparent', 'spur', 'high'],
  ['pear', 'Bartlett', 'spur', 'high'],
  ['pear', 'Bosc', 'spur', 'high'],
  ['pear', 'Comice', 'spur', 'moderate'],
  ['pear', 'Conference', 'spur', 'moderate'],
  ['pear', 'Kieffer', 'spur', 'low'],
  ['pear', 'Anjou', 'spur', 'moderate'],
  ['european-plum', 'Victoria', 'spur', 'unknown'],
  ['european-plum', 'Stanley', 'spur', 'unknown'],
  ['japanese-plum', 'Santa Rosa', 'spur', 'unknown'],
  ['sweet-cherry', 'Bing', 'spur', 'high'],
  ['sweet-cherry', 'Stella', 'spur', 'moderate'],
  ['sour-cherry', 'Montmorency', 'spur', 'moderate'],
  ['sour-cherry', 'Morello', 'last year’s shoots', 'moderate'],
  ['peach', 'Elberta', 'last year’s shoots', 'unknown'],
  ['apricot', 'Moorpark', 'spur', 'moderate'],
  ['quince', 'Vranja', 'tip', 'high'],
  ['medlar', 'Nottingham', 'tip', 'moderate'],
].map(
  ([species, name, habit, susceptibility]) =>
    ({ species, name, habit, susceptibility, note: '' }) as Cultivar,
);

/** The cultivars of a species, the caretaker's own first. */
export function cultivarsOf(species: string, siteCultivars: readonly Cultivar[]): Cultivar[] {
  return [...siteCultivars, ...cultivarTable].filter((cultivar) => cultivar.species === species);
}

/** A cultivar by its name; the caretaker's own word wins over the table. */
export function cultivarNamed(
  species: string,
  name: string,
  siteCultivars: readonly Cultivar[],
): Cultivar | undefined {
  return cultivarsOf(species, siteCultivars).find(
    (cultivar) => cultivar.name.toLowerCase() === name.trim().toLowerCase(),
  );
}
