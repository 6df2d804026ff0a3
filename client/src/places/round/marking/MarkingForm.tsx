// What it is, from where to where, how sure the edge is. The answer follows every change.

import { findingPlaces } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { activities, type FindingKind, findingKinds } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
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
import { type Findable, findables, findablesOf, foundMostIn } from './findables';

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
  const say = useSay();
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
          label={say('shared.whatIsIt')}
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
          {foundMostIn(say).map((found) => (
            <Button key={found.key} onPress={() => choose(found)}>
              {found.name}
            </Button>
          ))}
          <Button onPress={() => setNaming(true)}>{say('round.searchByName')}</Button>
        </View>
        {sheet(null)}
      </View>
    );
  }
  const names = isUnnamed(marking)
    ? findablesOf(say, likely)
        .filter(({ mark }) => mark === marking.kind)
        .slice(0, AT_ONCE)
    : [];
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="center" gap={8}>
        <Mark kind={marking.kind === 'old cut' ? disorder.kind : marking.kind} />
        <Label flex={1} fontSize="$19" lineHeight="$19">
          {marking.fault ? faultTitle(say, marking.fault) : told(say, disorder.name)}
        </Label>
      </View>
      {names.length > 0 ? (
        <View role="group" aria-label={say('round.likelyHere')} flexDirection="row" flexWrap="wrap" gap={8}>
          {names.map((found) => (
            <Button key={found.key} onPress={() => choose(found)}>
              {found.name}
            </Button>
          ))}
        </View>
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={16}>
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setNaming(true)}>
          {say('round.chooseWhatItIs')}
        </Button>
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setChoosing(true)}>
          {say('round.otherKind')}
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
  const say = useSay();
  const [sought, setSought] = useState('');
  const found = findables(say, kind, sought);
  return (
    <Sheet title={say('round.chooseWhatItIs')} open={open} onClose={onClose} closeLabel={say('shared.back')}>
      <Field label={say('round.searchAllNamesAndSigns')} value={sought} onChangeText={setSought} />
      <Small>{say('round.notSureLeaveItAsSuspectAnswer')}</Small>
      {found.length === 0 ? <Small role="status">{say('round.nothingIsCalledThatHere')}</Small> : null}
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
  const say = useSay();
  const site = useToday()?.site;
  const disorder = marking.disorder === null ? undefined : disorderOf(marking.disorder);
  if (!disorder) return null;
  const rule = site?.notifiable.find((rule) => rule.codes.includes(disorder.code));
  return (
    <View gap={8}>
      <Small>
        {disorder.plain === 'diseased'
          ? told(say, disorder.tellingSigns)
          : say('round.mostLikelyIfYouSee', {
              disorder: told(say, disorder.name),
              tellingSigns: told(say, disorder.tellingSigns),
            })}
      </Small>
      {rule ? (
        <Notice kind="caution" title={say('round.notifiableHere')}>
          {say('round.reportToMoveNoWoodOffThe', { authority: rule.authority, note: rule.note })}
        </Notice>
      ) : told(say, disorder.notifiable) ? (
        <Notice kind="caution">{told(say, disorder.notifiable)}</Notice>
      ) : null}
    </View>
  );
}

const edgesIn = (say: Say) =>
  [
    { value: 'definite', label: say('round.edgeClear') },
    { value: 'indefinite', label: say('round.edgeUnclear') },
  ] as const;
const growthIn = (say: Say) =>
  [
    { value: false, label: say('round.slowOrDormant') },
    { value: true, label: say('round.growingFast') },
  ] as const;
const PLACE_WORDS = {
  span: 'round.aStretch',
  limb: 'shared.wholeLimb',
  base: 'round.treeBase',
  rootstock: 'round.rootstock',
  fruit: 'round.fruit',
} as const;
const placesIn = (say: Say) => findingPlaces.map((value) => ({ value, label: say(PLACE_WORDS[value]) }));
const ACTIVITIES = activities.map((value) => ({ value, label: upperFirst(value) }));

/** Some names say already whether it is active. */
function saysActivity(disorder: string | null): boolean {
  return disorder !== null && disorderOf(disorder)?.saysActivity === true;
}

export function EdgeChoice({ marking, onChange }: MarkingFormProps) {
  const say = useSay();
  if (!edgeMatters(marking.disorder) || marking.place === 'fruit') return null;
  return (
    <Choice
      label={say('round.canYouSeeWhereItEnds')}
      options={edgesIn(say)}
      value={marking.edge}
      onChange={(edge) => onChange({ ...marking, edge })}
    />
  );
}

/** The handles in figures, for exact values and for those who cannot drag. */
export function SpanFields({ marking, onChange, limb }: MarkingFormProps & { limb: Limb }) {
  const say = useSay();
  return (
    <View flexDirection="row" gap={12}>
      <LengthField
        grow
        label={say('shared.startsAt')}
        cm={marking.fromCm}
        leastCm={0}
        mostCm={marking.toCm}
        onChange={(fromCm) => onChange(withSpan(marking, { fromCm }))}
      />
      <LengthField
        grow
        label={say('shared.endsAt')}
        cm={marking.toCm}
        leastCm={marking.fromCm}
        mostCm={limb.lengthCm}
        onChange={(toCm) => onChange(withSpan(marking, { toCm }))}
      />
    </View>
  );
}

export function MoreFields({ marking, onChange, limbs }: MarkingFormProps & { limbs: Limb[] }) {
  const say = useSay();
  return (
    <View gap={12}>
      <Choice
        label={say('round.whereDoesItLie')}
        layout="wrap"
        options={placesIn(say)}
        value={marking.place}
        onChange={(place) => onChange(atPlace(marking, place, limbs))}
      />
      {saysActivity(marking.disorder) ? null : (
        <View gap={4}>
          <Small>{say('round.activeOrHealedOver')}</Small>
          <Choice
            label={say('round.activeOrHealed')}
            options={ACTIVITIES}
            value={marking.activity}
            onChange={(activity) => onChange({ ...marking, activity })}
          />
        </View>
      )}
      <View gap={4}>
        <Small>{say('round.growthOfTheTree')}</Small>
        <Choice
          label={say('round.growthOfTheTree')}
          options={growthIn(say)}
          value={marking.growthRapid}
          onChange={(growthRapid) => onChange({ ...marking, growthRapid })}
        />
      </View>
      <Field
        label={say('shared.note')}
        multiline
        value={marking.note}
        onChangeText={(note) => onChange({ ...marking, note: note.slice(0, 500) })}
      />
    </View>
  );
}
