// What it is, from where to where, how sure the edge is. The answer follows every change.

import { disorderOf, disorders } from '@mortisect/core/disorders';
import { tapeReading, typedLengthCm, type Units } from '@mortisect/core/measure';
import type { Limb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Label, Small } from '../../ui/type';
import { edgeMatters, type Marking } from './draft';

interface MarkingFormProps {
  marking: Marking;
  onChange(marking: Marking): void;
}

const KINDS = disorders.map((disorder) => ({
  value: disorder.code,
  label: disorder.name,
  mark: <Mark kind={disorder.kind} />,
}));

/** All of them until one is chosen; then that one, so that the tape comes up to the thumb. */
export function DisorderChoice({ marking, onChange }: MarkingFormProps) {
  const [choosing, setChoosing] = useState(false);
  const known = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (known && !choosing) {
    return (
      <View flexDirection="row" alignItems="center" gap={12}>
        <Mark kind={known.kind} />
        <Label flex={1} fontSize="$19" lineHeight="$19">
          {known.name}
        </Label>
        <Button onPress={() => setChoosing(true)}>Change</Button>
      </View>
    );
  }
  return (
    <Choice
      label="What is it?"
      layout="wrap"
      options={KINDS}
      value={marking.disorder}
      onChange={(disorder) => {
        setChoosing(false);
        onChange({ ...marking, disorder });
      }}
    />
  );
}

/** What the disorder looks like, to be held against the wood, and what the law may ask. */
export function DisorderSigns({ marking }: { marking: Marking }) {
  const known = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (!known) return null;
  return (
    <View gap={8}>
      <Small>
        {known.name}, most likely if you see: {known.tellingSigns}
      </Small>
      {known.notifiable ? <Notice kind="caution">{known.notifiable}</Notice> : null}
    </View>
  );
}

const EDGES = [
  { value: 'definite', label: 'Edge definite' },
  { value: 'indefinite', label: 'Edge not definite' },
] as const;
const GROWTH = [
  { value: false, label: 'Standing still' },
  { value: true, label: 'Growing fast' },
] as const;

export function EdgeChoice({ marking, onChange }: MarkingFormProps) {
  if (!edgeMatters(marking.disorder)) return null;
  return (
    <Choice
      label="How sure is the edge?"
      options={EDGES}
      value={marking.edge}
      onChange={(edge) => onChange({ ...marking, edge })}
    />
  );
}

/** The handles in figures, for exact values and for those who cannot drag. */
export function SpanFields({
  marking,
  onChange,
  limb,
  units,
}: MarkingFormProps & { limb: Limb; units: Units }) {
  return (
    <View flexDirection="row" gap={12}>
      <LengthField
        label="Edge nearest the trunk"
        cm={marking.fromCm}
        leastCm={0}
        mostCm={marking.toCm}
        units={units}
        onChange={(fromCm) => onChange({ ...marking, fromCm })}
      />
      <LengthField
        label="Far end"
        cm={marking.toCm}
        leastCm={marking.fromCm}
        mostCm={limb.lengthCm}
        units={units}
        onChange={(toCm) => onChange({ ...marking, toCm })}
      />
    </View>
  );
}

interface LengthFieldProps {
  label: string;
  cm: number;
  leastCm: number;
  mostCm: number;
  units: Units;
  onChange(cm: number): void;
}

function LengthField({ label, cm, leastCm, mostCm, units, onChange }: LengthFieldProps) {
  const shown = tapeReading(cm, units);
  const [typed, setTyped] = useState<string | null>(null);
  const fault = typed === null ? undefined : faultOf(typed, { leastCm, mostCm, units });
  return (
    <Field
      grow
      label={`${label}, ${shown.unit}`}
      kind="decimal"
      value={typed ?? shown.value}
      fault={fault}
      onChangeText={(text) => {
        setTyped(text);
        const length = typedLengthCm(text, units);
        if ('cm' in length && faultOf(text, { leastCm, mostCm, units }) === undefined) onChange(length.cm);
      }}
      onBlur={() => fault === undefined && setTyped(null)}
    />
  );
}

function faultOf(
  text: string,
  { leastCm, mostCm, units }: Pick<LengthFieldProps, 'leastCm' | 'mostCm' | 'units'>,
): string | undefined {
  const length = typedLengthCm(text, units);
  if ('fault' in length) return length.fault;
  if (length.cm >= leastCm && length.cm <= mostCm) return undefined;
  const [low, high] = [tapeReading(leastCm, units), tapeReading(mostCm, units, 'down')];
  return `Between ${low.value} and ${high.value} ${high.unit}.`;
}

export function MoreFields({ marking, onChange }: MarkingFormProps) {
  const [open, setOpen] = useState(marking.growthRapid || marking.note !== '');
  if (!open) {
    return (
      <View flexDirection="row">
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setOpen(true)}>
          Growth and note
        </Button>
      </View>
    );
  }
  return (
    <View gap={12}>
      <Choice
        label="Growth of the tree"
        options={GROWTH}
        value={marking.growthRapid}
        onChange={(growthRapid) => onChange({ ...marking, growthRapid })}
      />
      <Field
        label="Note"
        multiline
        value={marking.note}
        onChangeText={(note) => onChange({ ...marking, note: note.slice(0, 500) })}
      />
    </View>
  );
}
