// What it is, from where to where, how sure the edge is. The answer follows every change.
import { activities, type FindingKind, findingKinds } from '@mortisect/contracts';
import { findingPlaces } from '@mortisect/core/cuts';
import { disorderOf, disorders } from '@mortisect/core/disorders';
import type { Limb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useToday } from '../../../data/useToday';
import { Mark } from '../../../drawings/marks';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { LengthField } from '../../../ui/LengthField';
import { Notice } from '../../../ui/Notice';
import { PressRow } from '../../../ui/PressRow';
import { Rows } from '../../../ui/Row';
import { Sheet } from '../../../ui/Sheet';
import { Label, Small } from '../../../ui/type';
import { upperFirst } from '../../words';
import { atPlace, edgeMatters, type Marking, ofKind } from './draft';

interface MarkingFormProps {
  marking: Marking;
  onChange(marking: Marking): void;
}

const KINDS = findingKinds.map((value) => ({
  value,
  label: upperFirst(value),
  ...(value === 'old cut' ? {} : { mark: <Mark kind={value} /> }),
}));

/** All kinds until one is chosen; then what it is taken for, so that the tape comes up to the thumb. */
export function KindChoice({ marking, onChange }: MarkingFormProps) {
  const [choosing, setChoosing] = useState(false);
  const [naming, setNaming] = useState(false);
  const known = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (!known || choosing || marking.kind === null) {
    return (
      <Choice
        label="What is it?"
        layout="wrap"
        options={KINDS}
        value={marking.kind}
        onChange={(kind) => {
          setChoosing(false);
          onChange(ofKind(marking, kind));
        }}
      />
    );
  }
  return (
    <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={8}>
      <Mark kind={marking.kind === 'old cut' ? known.kind : marking.kind} />
      <Label flex={1} minWidth={120} fontSize="$19" lineHeight="$19">
        {known.name}
      </Label>
      <Button kind="quiet" onPress={() => setNaming(true)}>
        Name it
      </Button>
      <Button kind="quiet" onPress={() => setChoosing(true)}>
        Other kind
      </Button>
      <NameSheet
        kind={marking.kind}
        value={marking.disorder}
        open={naming}
        onClose={() => setNaming(false)}
        onChoose={(disorder) => {
          setNaming(false);
          onChange({ ...marking, disorder });
        }}
      />
    </View>
  );
}

const OLD_CUTS = ['CLOSING', 'STUB', 'TORN', 'SPROUTS'];
const NO_CAUSES = [...OLD_CUTS, 'MISPLACED'];

/** Names that fit a kind, the plain ones first. */
function namesOf(kind: FindingKind): typeof disorders {
  if (kind === 'old cut') return disorders.filter(({ code }) => OLD_CUTS.includes(code));
  if (kind === 'misplaced') return disorders.filter(({ code }) => code === 'MISPLACED');
  const fitting = disorders.filter(
    (one) => !NO_CAUSES.includes(one.code) && (one.kind === kind || one.code === 'SUSPECT'),
  );
  // Dead wood may have died of anything
  return kind === 'dead'
    ? [...fitting, ...disorders.filter((one) => one.kind === 'diseased' && one.code !== 'SUSPECT')]
    : fitting;
}

function NameSheet({
  kind,
  value,
  open,
  onClose,
  onChoose,
}: {
  kind: FindingKind;
  value: string | null;
  open: boolean;
  onClose(): void;
  onChoose(code: string): void;
}) {
  return (
    <Sheet title="Name it" open={open} onClose={onClose} closeLabel="Back">
      <Small>Not sure? Leave it as suspect, answer the signs, and the likely causes follow.</Small>
      <Rows>
        {namesOf(kind).map(({ code, name, kind: mark, tellingSigns }) => (
          <PressRow key={code} chosen={code === value} onPress={() => onChoose(code)} padding={12}>
            <Mark kind={mark} />
            <View flex={1} minWidth={0}>
              <Label>{name}</Label>
              <Small>{tellingSigns}</Small>
            </View>
          </PressRow>
        ))}
      </Rows>
    </Sheet>
  );
}

/** What the disorder looks like, to be held against the wood, and what the law may ask. */
export function DisorderSigns({ marking }: { marking: Marking }) {
  const site = useToday()?.site;
  const known = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (!known) return null;
  const rule = site?.notifiable.find((one) => one.codes.includes(known.code));
  return (
    <View gap={8}>
      <Small>
        {known.code === 'SUSPECT'
          ? known.tellingSigns
          : `${known.name}, most likely if you see: ${known.tellingSigns}`}
      </Small>
      {rule ? (
        <Notice kind="caution" title="Notifiable here">
          {`Report to: ${rule.authority}. ${rule.note} Move no wood off the site before they have answered.`}
        </Notice>
      ) : known.notifiable ? (
        <Notice kind="caution">{known.notifiable}</Notice>
      ) : null}
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
const PLACE_WORDS = {
  span: 'A stretch',
  limb: 'Whole limb',
  base: 'Tree base',
  rootstock: 'Rootstock',
  fruit: 'Fruit',
} as const;
const PLACES = findingPlaces.map((value) => ({ value, label: PLACE_WORDS[value] }));
const ACTIVITIES = activities.map((value) => ({ value, label: upperFirst(value) }));

export function EdgeChoice({ marking, onChange }: MarkingFormProps) {
  if (!edgeMatters(marking.disorder) || marking.place === 'fruit') return null;
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
export function SpanFields({ marking, onChange, limb }: MarkingFormProps & { limb: Limb }) {
  return (
    <View flexDirection="row" gap={12}>
      <LengthField
        grow
        label="Edge nearest the trunk"
        cm={marking.fromCm}
        leastCm={0}
        mostCm={marking.toCm}
        onChange={(fromCm) => onChange({ ...marking, fromCm })}
      />
      <LengthField
        grow
        label="Far end"
        cm={marking.toCm}
        leastCm={marking.fromCm}
        mostCm={limb.lengthCm}
        onChange={(toCm) => onChange({ ...marking, toCm })}
      />
    </View>
  );
}

export function MoreFields({ marking, onChange, limbs }: MarkingFormProps & { limbs: Limb[] }) {
  return (
    <View gap={12}>
      <Choice
        label="Where does it lie?"
        layout="wrap"
        options={PLACES}
        value={marking.place}
        onChange={(place) => onChange(atPlace(marking, place, limbs))}
      />
      <View gap={4}>
        <Small>Active, or healed over?</Small>
        <Choice
          label="Active or healed"
          options={ACTIVITIES}
          value={marking.activity}
          onChange={(activity) => onChange({ ...marking, activity })}
        />
      </View>
      <View gap={4}>
        <Small>Growth of the tree</Small>
        <Choice
          label="Growth of the tree"
          options={GROWTH}
          value={marking.growthRapid}
          onChange={(growthRapid) => onChange({ ...marking, growthRapid })}
        />
      </View>
      <Field
        label="Note"
        multiline
        value={marking.note}
        onChangeText={(note) => onChange({ ...marking, note: note.slice(0, 500) })}
      />
    </View>
  );
}
