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
          label="Set its climate by hand"
          {...(!climate && { detail: 'Otherwise: typical for this latitude' })}
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
  return (
    <>
      <SettingFields schema={Timing} value={timing} starting={startingTimingSettings()} onChange={onChange} />
      <Label>School of pruning time</Label>
      <SettingFields
        schema={TimingSchools}
        value={timing.school}
        onChange={(school) => onChange({ ...timing, school })}
      />
      <Small>
        Outside the season of its school a day is possible at best. Plan, When shows the schools side by side.
      </Small>
      <Folded title="What stands against a day">
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
