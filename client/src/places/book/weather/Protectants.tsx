// What was put on, whether rain has washed it off, and the guard of green tissue. The label is the law: no rates are given.

import type { TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { showsGreen } from '@mortisect/core/stage';
import { WASH_DAYS } from '@mortisect/core/timing';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { shortMoment } from '../../../data/moment';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
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
  on: 'book.noHeavyRainSince',
  'washed off': 'book.heavyRainHasWashedItOff',
  'past four days': 'book.moreThanFourDaysAgoRainDoes',
  'not known': 'book.rainSinceIsNotKnown',
} as const;

export function Protectants({ timingNow, today }: ProtectantsProps) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  return (
    <View gap={10}>
      {timingNow.protectants.length === 0 ? <Body>{say('book.nothingWasWrittenDownInTheLast')}</Body> : null}
      {timingNow.protectants.map((protectant) => (
        <View key={protectant.actionId} gap={2}>
          <Label>{`${protectant.product}, ${shortMoment(protectant.at, today.site.timeZone)}`}</Label>
          <Body fontSize="$16" lineHeight="$16">
            {say('book.mmHeavyFromMm', {
              more:
                protectant.species.length > 0 ? speciesList(say, protectant.species) : say('book.everyTree'),
              states: say(STATES[protectant.state]),
              rainMm: Math.round(protectant.rainMm),
              heavyRainMm: today.site.timing.heavyRainMm,
              label: protectant.label,
            })}
          </Body>
          {protectant.state === 'washed off' && protectant.greenTissue.length > 0 ? (
            <Small color="$ochreText">
              {say('book.showGreenManyLabelsForbidItNow', {
                speciesList: speciesList(say, protectant.greenTissue),
              })}
            </Small>
          ) : null}
        </View>
      ))}
      {open ? (
        <NewProtectant timingNow={timingNow} onDone={() => setOpen(false)} />
      ) : (
        <View flexDirection="row">
          <Button onPress={() => setOpen(true)}>{say('book.writeDownWhatWasPutOn')}</Button>
        </View>
      )}
      <Small>{say('book.theLabelIsTheLawItSays', { washDays: WASH_DAYS })}</Small>
    </View>
  );
}

function NewProtectant({ timingNow, onDone }: { timingNow: TimingNow; onDone(): void }) {
  const say = useSay();
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
      <Failed title={say('shared.notSavedYet')} error={error} />
      <Field label={say('book.what')} value={product} onChangeText={setProduct} />
      <Field
        label={say('book.label2')}
        value={label}
        onChangeText={setLabel}
        hint={say('book.numberOrPlaceOfTheLabelThat')}
      />
      <View>
        {timingNow.stages.map((stage) => (
          <CheckRow
            key={stage.species}
            label={told(say, speciesName(stage.species))}
            on={species.includes(stage.species)}
            onChange={(on) =>
              setSpecies(on ? [...species, stage.species] : species.filter((code) => code !== stage.species))
            }
          />
        ))}
      </View>
      <Small>{say('book.noneChosenEveryTree')}</Small>
      {green.length > 0 ? (
        <Notice kind="caution" title={say('book.greenTissueIsOut')}>
          {say('book.copperSulphurAndOilGoOnBefore', {
            speciesList: speciesList(
              say,
              green.map((group) => group.species),
            ),
          })}
        </Notice>
      ) : null}
      <Field label={say('shared.note')} value={note} onChangeText={setNote} />
      <View flexDirection="row" gap={12}>
        <Button onPress={onDone}>{say('shared.cancel')}</Button>
        <Button
          grow
          kind="main"
          disabled={product.trim() === '' || label.trim() === '' || isPending}
          onPress={() =>
            record({ kind: 'protectantApplied', at: clock(), product, label, species, note }, onDone)
          }
        >
          {say('book.putOnJustNow')}
        </Button>
      </View>
    </View>
  );
}
