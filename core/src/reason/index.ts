// Why something is so, as data: a code, and the values that its sentence tells. The sentences stand in the room `words`.
import { z } from 'zod';

type Shapes = Record<string, z.ZodRawShape>;

type ReasonOf<S extends Shapes> = {
  [Code in keyof S & string]: { code: Code; values: z.infer<z.ZodObject<S[Code], z.core.$strict>> };
}[keyof S & string];

/**
 * The reasons that a room may give.
 *
 * @param shapes the values of each, by its code
 * @example reasonSchema({ girdled: { share: z.number() } }).parse({ code: 'girdled', values: { share: 0.6 } })
 */
export function reasonSchema<const S extends Shapes>(shapes: S): z.ZodType<ReasonOf<S>> {
  const reasons = Object.entries(shapes).map(([code, shape]) =>
    z.strictObject({ code: z.literal(code), values: z.strictObject(shape) }),
  );
  return z.discriminatedUnion('code', reasons as never) as never;
}

/** A reason that needs no values. */
export function plainReason<Code extends string>(
  code: Code,
): { [C in Code]: { code: C; values: Record<string, never> } }[Code] {
  return { code, values: {} } as never;
}

interface AnyReason {
  code: string;
  values: object;
}

/** A sentence for each reason. */
export type Sentences<R extends AnyReason> = {
  readonly [Code in R['code']]: (values: Extract<R, { code: Code }>['values']) => string;
};

export function sentenceOf<R extends AnyReason>(sentences: Sentences<R>, reason: R): string {
  const sentence = sentences[reason.code as R['code']] as (values: object) => string;
  return sentence(reason.values);
}
