// A length typed in the units of this device, held within its bounds; a wrong one is said and what stood before is kept.

import { type Reading, tapeReading, typedLengthCm, type Units } from '@mortisect/core/measure';
import type { Say } from '@mortisect/words';
import { readingIn, refusalWords } from '@mortisect/words/trade';
import { useState } from 'react';
import { useSay } from '../data/useSay';
import { useUnits } from '../data/useToday';
import { Field } from './Field';

interface LengthFieldProps {
  label: string;
  /** null: not measured; an emptied field says so where `onClear` is given. */
  cm: number | null;
  leastCm: number;
  mostCm: number;
  grow?: boolean;
  hint?: string;
  onChange(cm: number): void;
  onClear?(): void;
}

export function LengthField({
  label,
  cm,
  leastCm,
  mostCm,
  grow = false,
  hint,
  onChange,
  onClear,
}: LengthFieldProps) {
  const say = useSay();
  const units = useUnits();
  const { value, unit } = readingIn(say, tapeReading(cm ?? 0, units));
  const shown = { value: cm === null ? '' : value, unit };
  const [typed, setTyped] = useState<string | null>(null);
  const cleared = typed?.trim() === '' && onClear !== undefined;
  const fault = typed === null || cleared ? undefined : faultOf(say, typed, leastCm, mostCm, units);
  return (
    <Field
      grow={grow}
      label={`${label}, ${shown.unit}`}
      kind="decimal"
      value={typed ?? shown.value}
      fault={fault}
      hint={hint}
      onChangeText={(text) => {
        setTyped(text);
        if (text.trim() === '' && onClear) return onClear();
        const length = typedLengthCm(text, units);
        if ('cm' in length && faultOf(say, text, leastCm, mostCm, units) === undefined) onChange(length.cm);
      }}
      onBlur={() => fault === undefined && setTyped(null)}
    />
  );
}

function faultOf(say: Say, text: string, leastCm: number, mostCm: number, units: Units): string | undefined {
  const length = typedLengthCm(text, units);
  if ('fault' in length) return refusalWords(say, length.fault);
  if (length.cm >= leastCm && length.cm <= mostCm) return undefined;
  const [low, high] = [tapeReading(leastCm, units), tapeReading(mostCm, units, 'down')].map((bound) =>
    readingIn(say, bound),
  ) as [Reading, Reading];
  return say('shared.betweenAnd', { low: low.value, high: high.value, unit: high.unit });
}
