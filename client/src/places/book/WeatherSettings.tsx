// Where the weather comes from, and by what rule days are picked.

import { WeatherSettings as Weather } from '@mortisect/core/records';
import {
  startingTimingSettings,
  TimingSettings as Timing,
  TimingSchools,
  TimingWeights,
} from '@mortisect/core/timing';
import { Climate, climateAt } from '@mortisect/core/weather';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { useSay } from '../../data/useSay';
import { CheckRow } from '../../ui/CheckRow';
import { SettingFields } from '../../ui/SettingFields';
import { Label, Small } from '../../ui/type';
import { Folded } from './Folded';
import type { SiteControl } from './siteForm';

export function WeatherSettings({ control, latitude }: { control: SiteControl; latitude: number }) {
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="weather"
        render={({ field }) => (
          <SourceFields weather={field.value as Weather} latitude={latitude} onChange={field.onChange} />
        )}
      />
      <Controller
        control={control}
        name="timing"
        render={({ field }) => <RuleFields timing={field.value as Timing} onChange={field.onChange} />}
      />
    </View>
  );
}

interface SourceFieldsProps {
  weather: Weather;
  latitude: number;
  onChange(weather: Weather): void;
}

function SourceFields({ weather, latitude, onChange }: SourceFieldsProps) {
  const say = useSay();
  const { source, climate } = weather;
  const set = (next: Weather) =>
    // Another distance from the sea is another climate
    onChange(next.coast === weather.coast ? next : { ...next, climate: null });
  return (
    <>
      <SettingFields
        schema={Weather}
        value={weather}
        except={source === 'simulated' ? [] : ['coast', 'seed']}
        onChange={set}
      />
      {source === 'simulated' ? (
        <CheckRow
          label={say('book.setItsClimateByHand')}
          {...(!climate && { detail: say('book.otherwiseTypicalForThisLatitude') })}
          on={climate !== null}
          onChange={(on) => onChange({ ...weather, climate: on ? climateAt(latitude, weather.coast) : null })}
        />
      ) : null}
      {source === 'simulated' && climate ? (
        <SettingFields
          schema={Climate}
          value={climate}
          onChange={(next) => onChange({ ...weather, climate: next })}
        />
      ) : null}
    </>
  );
}

function RuleFields({ timing, onChange }: { timing: Timing; onChange(timing: Timing): void }) {
  const say = useSay();
  return (
    <>
      <SettingFields schema={Timing} value={timing} starting={startingTimingSettings()} onChange={onChange} />
      <Label>{say('book.schoolOfPruningTime')}</Label>
      <SettingFields
        schema={TimingSchools}
        value={timing.school}
        onChange={(school) => onChange({ ...timing, school })}
      />
      <Small>{say('book.outsideTheSeasonOfItsSchoolA')}</Small>
      <Folded title={say('book.whatStandsAgainstADay')}>
        <SettingFields
          schema={TimingWeights}
          value={timing.weights}
          starting={startingTimingSettings().weights}
          onChange={(weights) => onChange({ ...timing, weights })}
        />
      </Folded>
    </>
  );
}
