// A number held within its bounds: a wrong one is said, and what stood before is kept.

import { useState } from 'react';
import { useSay } from '../data/useSay';
import { Field } from './Field';

interface NumberFieldProps {
  label: string;
  value: number;
  least: number;
  most: number;
  unit: string;
  hint?: string | undefined;
  grow?: boolean;
  whole?: boolean;
  onChange(value: number): void;
}

export function NumberField({
  label,
  value,
  least,
  most,
  unit,
  hint,
  grow,
  whole = false,
  onChange,
}: NumberFieldProps) {
  const say = useSay();
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = (text: string) => {
    const number = Number(text.replace(',', '.'));
    const fits = whole ? Number.isInteger(number) : Number.isFinite(number);
    return text.trim() === '' || !fits || number < least || number > most;
  };
  return (
    <Field
      label={unit ? `${label}, ${unit}` : label}
      kind="decimal"
      value={typed ?? String(value)}
      {...(grow && { grow })}
      {...(hint && { hint })}
      fault={
        typed !== null && wrong(typed)
          ? say('shared.to2', {
              more: whole ? say('shared.aWholeNumberFrom') : say('shared.from'),
              least,
              most,
              more2: unit && ` ${unit}`,
            })
          : undefined
      }
      onChangeText={(text) => {
        setTyped(text);
        if (!wrong(text)) onChange(Number(text.replace(',', '.')));
      }}
      onBlur={() => typed !== null && !wrong(typed) && setTyped(null)}
    />
  );
}
