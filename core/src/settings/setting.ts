// What a caretaker may set: a schema holds its bounds; beside it stand the words it is asked with, where it comes from and how sure that is.
import { z } from 'zod';
import { type Refusal, refusalOf } from '../refusal/index';
import type { Confidence } from '../register/index';

export interface SettingWords {
  label: string;
  unit?: string;
  /** What it does, or where it starts, in a sentence. */
  hint?: string;
  source?: string;
  confidence?: Confidence;
  /** A share that is asked for in hundredths. */
  percent?: boolean;
  /** A number of which only these are offered. */
  offered?: readonly number[];
  /** What each choice of an enumeration is called. */
  choices?: Readonly<Record<string, string>>;
}

export interface SettingField extends SettingWords {
  key: string;
  kind: 'number' | 'whole' | 'choice' | 'yes' | 'text';
  /** Bounds of a number, as it is asked for. */
  least: number;
  most: number;
  /** Whether a value of this field will do: what is wrong with it, or null. */
  fault(value: unknown): Refusal | null;
}

/** What the trade does, and nobody has written down. */
export const COMMON_PRACTICE = { source: 'common practice, no source', confidence: 'practice' } as const;

const wordsOf = z.registry<SettingWords>();

/** The schema, which the screen of settings asks for with these words. */
export function setting<S extends z.ZodType>(schema: S, words: SettingWords): S {
  // Whoever reads the schema alone, as in the description of the API, is told what it is too
  const named = schema.description === undefined ? schema.describe(words.label) : schema;
  wordsOf.add(named, words);
  return named;
}

const PERCENT = 100;

/** A number as it is asked for. */
export const asAsked = ({ percent }: SettingWords, value: number): number =>
  percent ? Math.round(value * PERCENT) : value;

/** A number that was asked for as it is kept. */
export const asKept = ({ percent }: SettingWords, asked: number): number =>
  percent ? asked / PERCENT : asked;

/** What is asked for of these settings, in the order of the schema; what has no words is not asked for. */
export function settingsIn(schema: z.ZodObject): SettingField[] {
  return Object.entries(schema.shape).flatMap(([key, field]) => {
    const words = wordsOf.get(field as z.ZodType);
    return words
      ? [{ ...words, key, ...boundsOf(field as z.ZodType, words), fault: faultIn(field as z.ZodType) }]
      : [];
  });
}

function boundsOf(
  field: z.ZodType,
  { percent, offered }: SettingWords,
): Pick<SettingField, 'kind' | 'least' | 'most'> {
  const inner = field instanceof z.ZodDefault ? field.unwrap() : field;
  if (inner instanceof z.ZodNumber) {
    const times = percent ? PERCENT : 1;
    return {
      kind: offered ? 'choice' : inner.isInt ? 'whole' : 'number',
      least: (inner.minValue ?? Number.NEGATIVE_INFINITY) * times,
      most: (inner.maxValue ?? Number.POSITIVE_INFINITY) * times,
    };
  }
  const kind = inner instanceof z.ZodEnum ? 'choice' : inner instanceof z.ZodBoolean ? 'yes' : 'text';
  return { kind, least: Number.NEGATIVE_INFINITY, most: Number.POSITIVE_INFINITY };
}

const faultIn = (field: z.ZodType) => (value: unknown) => {
  const [issue] = field.safeParse(value).error?.issues ?? [];
  return issue ? refusalOf(issue) : null;
};
