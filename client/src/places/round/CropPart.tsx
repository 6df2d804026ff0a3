// The crops of a tree, year by year, and what they say of the next one.

import { type Crop, cropRhythm, crops } from '@mortisect/core/crown';
import { winterOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { cropsOf, type SiteToday } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Body, Label, Section, Small } from '../../ui/type';

const SHOWN_YEARS = 6;

interface CropPartProps {
  treeId: string;
  actions: readonly Action[];
  today: SiteToday;
}

export function CropPart({ treeId, actions, today }: CropPartProps) {
  const say = useSay();
  const [adding, setAdding] = useState(false);
  const seen = cropsOf(actions);
  const byYear = [...new Map(seen.map((each) => [each.year, each])).values()].sort((a, b) => b.year - a.year);
  const { next } = cropRhythm(seen, winterOf(today.day, today.site.latitude) + 1);
  return (
    <View gap={8}>
      <Section>{say('round.crops')}</Section>
      {byYear.length === 0 ? <Small>{say('round.noCropYet')}</Small> : null}
      {byYear.slice(0, SHOWN_YEARS).map(({ year, crop, thinned }) => (
        <View key={year} flexDirection="row" gap={12}>
          <Label width={64}>{String(year)}</Label>
          <Body flex={1}>
            {[upperFirst(told(say, crop)), thinned ? say('round.thinned') : ''].filter(Boolean).join(', ')}
          </Body>
        </View>
      ))}
      {next ? <Body>{say(next === 'on' ? 'round.onYear' : 'round.offYear')}</Body> : null}
      {adding ? (
        <AddCrop treeId={treeId} today={today} onClose={() => setAdding(false)} />
      ) : (
        <View flexDirection="row">
          <Button onPress={() => setAdding(true)}>{say('round.writeDownCrop')}</Button>
        </View>
      )}
    </View>
  );
}

function AddCrop({ treeId, today, onClose }: Pick<CropPartProps, 'treeId' | 'today'> & { onClose(): void }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const thisYear = Number(today.day.slice(0, 4));
  const [typed, setTyped] = useState(String(thisYear));
  const [crop, setCrop] = useState<Crop | null>(null);
  const [thinned, setThinned] = useState(false);
  const year = Number(typed);
  const fits = /^\d{4}$/.test(typed.trim()) && year >= EARLIEST && year <= thisYear;
  const add = () => {
    if (crop) recording.record({ kind: 'cropSeen', at: clock(), treeId, year, crop, thinned }, onClose);
  };
  return (
    <View gap={8}>
      <View maxWidth={420} flexDirection="row">
        <Field
          label={say('round.harvestOf')}
          kind="decimal"
          value={typed}
          onChangeText={setTyped}
          fault={fits ? undefined : say('round.harvestRange', { thisYear: String(thisYear) })}
        />
      </View>
      <Choice<Crop>
        label={say('round.howMuchFruit')}
        layout="wrap"
        options={crops.map((value) => ({ value, label: upperFirst(told(say, value)) }))}
        value={crop}
        onChange={setCrop}
      />
      <CheckRow label={say('round.thinnedByHand')} on={thinned} onChange={setThinned} />
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <View flexDirection="row" gap={8}>
        <Button onPress={onClose}>{say('shared.back')}</Button>
        <Button kind="main" disabled={!fits || crop === null || recording.isPending} onPress={add}>
          {say('shared.recordIt')}
        </Button>
      </View>
    </View>
  );
}

const EARLIEST = 1800;
