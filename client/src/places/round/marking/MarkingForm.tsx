// What it is, from where to where, how sure the edge is. The answer follows every change.

import { findingPlaces } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { activities, type FindingKind, findingKinds } from '@mortisect/core/records';
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
import { faultTitle } from '../shape/faultWords';
import { atPlace, edgeMatters, isUnnamed, type Marking, ofKind, withSpan } from './draft';
import { type Findable, FOUND_MOST, findables, findablesOf } from './findables';

interface MarkingFormProps {
  marking: Marking;
  onChange(marking: Marking): void;
}

const KINDS = findingKinds.map((value) => ({
  value,
  label: upperFirst(value),
  ...(value === 'old cut' ? {} : { mark: <Mark kind={value} /> }),
}));

interface KindChoiceProps extends MarkingFormProps {
  limbs: Limb[];
  /** Codes of what is most likely on this tree, whatever its kind. */
  likely: readonly string[];
}

/** So many names stand there at once, before all of them are asked for. */
const AT_ONCE = 4;

/** All kinds until one is chosen, and what is found most by its name; then what it is taken for, so that the tape comes up to the thumb. */
export function KindChoice({ marking, onChange, limbs, likely }: KindChoiceProps) {
  const [choosing, setChoosing] = useState(false);
  const [naming, setNaming] = useState(false);
  const disorder = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  const choose = (found: Findable) => {
    setNaming(false);
    setChoosing(false);
    onChange(found.apply(marking, limbs));
  };
  const sheet = (kind: FindingKind | null) => (
    <NameSheet
      kind={kind}
      marking={marking}
      open={naming}
      onClose={() => setNaming(false)}
      onChoose={choose}
    />
  );
  if (!disorder || choosing || marking.kind === null) {
    return (
      <View gap={8}>
        <Choice
          label="What is it?"
          layout="wrap"
          manual
          options={KINDS}
          value={marking.kind}
          onChange={(kind) => {
            setChoosing(false);
            onChange(ofKind(marking, kind, limbs));
          }}
        />
        <View flexDirection="row" flexWrap="wrap" gap={8}>
          {FOUND_MOST.map((found) => (
            <Button key={found.key} onPress={() => choose(found)}>
              {found.name}
            </Button>
          ))}
          <Button onPress={() => setNaming(true)}>Search by name</Button>
        </View>
        {sheet(null)}
      </View>
    );
  }
  const names = isUnnamed(marking)
    ? findablesOf(likely)
        .filter(({ mark }) => mark === marking.kind)
        .slice(0, AT_ONCE)
    : [];
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="center" gap={8}>
        <Mark kind={marking.kind === 'old cut' ? disorder.kind : marking.kind} />
        <Label flex={1} fontSize="$19" lineHeight="$19">
          {marking.fault ? faultTitle(marking.fault) : disorder.name}
        </Label>
      </View>
      {names.length > 0 ? (
        <View role="group" aria-label="Likely here" flexDirection="row" flexWrap="wrap" gap={8}>
          {names.map((found) => (
            <Button key={found.key} onPress={() => choose(found)}>
              {found.name}
            </Button>
          ))}
        </View>
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={16}>
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setNaming(true)}>
          Choose what it is
        </Button>
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setChoosing(true)}>
          Other kind
        </Button>
      </View>
      {sheet(marking.kind)}
    </View>
  );
}

function NameSheet({
  kind,
  marking,
  open,
  onClose,
  onChoose,
}: {
  /** Whose names stand there before anything is searched for; null for all. */
  kind: FindingKind | null;
  marking: Marking;
  open: boolean;
  onClose(): void;
  onChoose(found: Findable): void;
}) {
  const [sought, setSought] = useState('');
  const found = findables(kind, sought);
  return (
    <Sheet title="Choose what it is" open={open} onClose={onClose} closeLabel="Back">
      <Field label="Search all names and signs" value={sought} onChangeText={setSought} />
      <Small>Not sure? Leave it as suspect, answer the signs, and the likely causes follow.</Small>
      {found.length === 0 ? <Small role="status">Nothing is called that here.</Small> : null}
      <Rows>
        {found.map((findable) => (
          <PressRow
            key={findable.key}
            chosen={findable.isChosen(marking)}
            onPress={() => onChoose(findable)}
            padding={12}
          >
            <Mark kind={findable.mark} />
            <View flex={1} minWidth={0}>
              <Label>{findable.name}</Label>
              <Small>{findable.says}</Small>
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
  const disorder = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (!disorder) return null;
  const rule = site?.notifiable.find((rule) => rule.codes.includes(disorder.code));
  return (
    <View gap={8}>
      <Small>
        {disorder.plain === 'diseased'
          ? disorder.tellingSigns
          : `${disorder.name}, most likely if you see: ${disorder.tellingSigns}`}
      </Small>
      {rule ? (
        <Notice kind="caution" title="Notifiable here">
          {`Report to: ${rule.authority}. ${rule.note} Move no wood off the site before they have answered.`}
        </Notice>
      ) : disorder.notifiable ? (
        <Notice kind="caution">{disorder.notifiable}</Notice>
      ) : null}
    </View>
  );
}

const EDGES = [
  { value: 'definite', label: 'Edge clear' },
  { value: 'indefinite', label: 'Edge unclear' },
] as const;
const GROWTH = [
  { value: false, label: 'Slow or dormant' },
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

/** Some names say already whether it is active. */
function saysActivity(disorder: string | null): boolean {
  return disorder !== null && disorderOf(disorder)?.saysActivity === true;
}

export function EdgeChoice({ marking, onChange }: MarkingFormProps) {
  if (!edgeMatters(marking.disorder) || marking.place === 'fruit') return null;
  return (
    <Choice
      label="Can you see where it ends?"
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
        label="Starts at"
        cm={marking.fromCm}
        leastCm={0}
        mostCm={marking.toCm}
        onChange={(fromCm) => onChange(withSpan(marking, { fromCm }))}
      />
      <LengthField
        grow
        label="Ends at"
        cm={marking.toCm}
        leastCm={marking.fromCm}
        mostCm={limb.lengthCm}
        onChange={(toCm) => onChange(withSpan(marking, { toCm }))}
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
      {saysActivity(marking.disorder) ? null : (
        <View gap={4}>
          <Small>Active, or healed over?</Small>
          <Choice
            label="Active or healed"
            options={ACTIVITIES}
            value={marking.activity}
            onChange={(activity) => onChange({ ...marking, activity })}
          />
        </View>
      )}
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
