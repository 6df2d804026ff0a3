// What was put on, whether rain has washed it off, and the guard of green tissue. The label is the law: no rates are given.

import type { TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { showsGreen } from '@mortisect/core/stage';
import { WASH_DAYS } from '@mortisect/core/timing';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { shortMoment } from '../../../data/moment';
import { useClock } from '../../../data/useClock';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { CheckRow } from '../../../ui/CheckRow';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { Notice } from '../../../ui/Notice';
import { Body, Label, Small } from '../../../ui/type';
import { speciesList } from '../../when/daysView';

interface ProtectantsProps {
  timingNow: TimingNow;
  today: SiteToday;
}

const STATES = {
  on: 'no heavy rain since',
  'washed off': 'heavy rain has washed it off',
  'past four days': 'more than four days ago: rain does not count any more',
  'not known': 'rain since is not known',
} as const;

export function Protectants({ timingNow, today }: ProtectantsProps) {
  const [open, setOpen] = useState(false);
  return (
    <View gap={10}>
      {timingNow.protectants.length === 0 ? (
        <Body>Nothing was written down in the last three weeks.</Body>
      ) : null}
      {timingNow.protectants.map((protectant) => (
        <View key={protectant.actionId} gap={2}>
          <Label>{`${protectant.product}, ${shortMoment(protectant.at, today.site.timeZone)}`}</Label>
          <Body fontSize="$16" lineHeight="$16">
            {`${protectant.species.length > 0 ? speciesList(protectant.species) : 'Every tree'} · ${STATES[protectant.state]}: ${Math.round(protectant.rainMm)} mm, heavy from ${today.site.timing.heavyRainMm} mm. ${protectant.label}.`}
          </Body>
          {protectant.state === 'washed off' && protectant.greenTissue.length > 0 ? (
            <Small color="$ochreText">{`${speciesList(protectant.greenTissue)} show green: many labels forbid it now.`}</Small>
          ) : null}
        </View>
      ))}
      {open ? (
        <NewProtectant timingNow={timingNow} onDone={() => setOpen(false)} />
      ) : (
        <View flexDirection="row">
          <Button onPress={() => setOpen(true)}>Write down what was put on</Button>
        </View>
      )}
      <Small>{`The label is the law: it says what, how much and when; Mortisect gives no rates. Rain counts for ${WASH_DAYS} days. Common practice.`}</Small>
    </View>
  );
}

function NewProtectant({ timingNow, onDone }: { timingNow: TimingNow; onDone(): void }) {
  const clock = useClock();
  const { record, error, isPending } = useRecordAction();
  const [product, setProduct] = useState('');
  const [label, setLabel] = useState('');
  const [note, setNote] = useState('');
  const [species, setSpecies] = useState<string[]>([]);
  const green = timingNow.stages.filter(
    (stage) =>
      (species.length === 0 || species.includes(stage.species)) &&
      stage.stage !== null &&
      showsGreen(stage.stage.phase),
  );
  return (
    <View gap={12}>
      <Failed title="Not saved yet" error={error} />
      <Field label="What" value={product} onChangeText={setProduct} />
      <Field
        label="Label"
        value={label}
        onChangeText={setLabel}
        hint="Number or place of the label that was followed."
      />
      <View>
        {timingNow.stages.map((stage) => (
          <CheckRow
            key={stage.species}
            label={speciesName(stage.species)}
            on={species.includes(stage.species)}
            onChange={(on) =>
              setSpecies(on ? [...species, stage.species] : species.filter((code) => code !== stage.species))
            }
          />
        ))}
      </View>
      <Small>None chosen: every tree.</Small>
      {green.length > 0 ? (
        <Notice kind="caution" title="Green tissue is out">
          {`${speciesList(green.map((group) => group.species))}: copper, sulphur and oil go on before green tissue; they burn it. Read the label.`}
        </Notice>
      ) : null}
      <Field label="Note" value={note} onChangeText={setNote} />
      <View flexDirection="row" gap={12}>
        <Button onPress={onDone}>Cancel</Button>
        <Button
          grow
          kind="main"
          disabled={product.trim() === '' || label.trim() === '' || isPending}
          onPress={() =>
            record({ kind: 'protectantApplied', at: clock(), product, label, species, note }, onDone)
          }
        >
          Put on just now
        </Button>
      </View>
    </View>
  );
}
