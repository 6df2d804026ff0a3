// Where the weather comes from, and by what rule days are picked.
import { type WeatherSettings as Weather, weatherSources } from '@mortisect/core/records';
import { laneWords, schoolWords, type TimingSettings as Timing, timingSchools } from '@mortisect/core/timing';
import { climateAt } from '@mortisect/core/weather';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { CheckRow } from '../../ui/CheckRow';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';
import type { SiteControl } from './siteForm';

const SOURCES: Record<(typeof weatherSources)[number], string> = {
  none: 'None: by the calendar alone',
  simulated: 'Simulated: no instrument measures it',
  recorded: 'On record: from files and stations',
};

export function WeatherSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="weather"
        render={({ field }) => <SourceFields weather={field.value as Weather} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="timing"
        render={({ field }) => <RuleFields timing={field.value as Timing} onChange={field.onChange} />}
      />
    </View>
  );
}

function SourceFields({ weather, onChange }: { weather: Weather; onChange(weather: Weather): void }) {
  const set = (change: Partial<Weather>) => onChange({ ...weather, ...change });
  return (
    <>
      <Select
        label="The weather comes from"
        value={weather.source}
        options={weatherSources.map((value) => ({ value, label: SOURCES[value] }))}
        onChange={(source) => set({ source: source as Weather['source'] })}
      />
      {weather.source === 'simulated' ? (
        <>
          <CheckRow
            label="Near the sea"
            detail="Small swings, more wind"
            on={weather.coast}
            onChange={(coast) => set({ coast, climate: null })}
          />
          <NumberField
            label="Seed"
            unit=""
            value={weather.seed}
            least={0}
            most={2_000_000_000}
            hint="Another seed is another run of years."
            onChange={(seed) => set({ seed: Math.round(seed) })}
          />
          <ClimateFields weather={weather} onChange={set} />
        </>
      ) : null}
    </>
  );
}

/** The simulated climate, set by hand where the usual of the latitude does not fit. */
function ClimateFields({
  weather,
  onChange,
}: {
  weather: Weather;
  onChange(change: Partial<Weather>): void;
}) {
  const own = weather.climate;
  if (!own) {
    return (
      <CheckRow
        label="Set its climate by hand"
        detail="The usual of the latitude otherwise"
        on={false}
        onChange={() => onChange({ climate: climateAt(50, weather.coast) })}
      />
    );
  }
  const set = (change: Partial<typeof own>) => onChange({ climate: { ...own, ...change } });
  return (
    <>
      <CheckRow label="Set its climate by hand" on onChange={() => onChange({ climate: null })} />
      <View flexDirection="row" gap={12}>
        <NumberField
          grow
          label="Mean of the year"
          unit="°C"
          value={own.meanC}
          least={-10}
          most={30}
          onChange={(meanC) => set({ meanC })}
        />
        <NumberField
          grow
          label="Summer over mean"
          unit="°C"
          value={own.swingC}
          least={0}
          most={25}
          onChange={(swingC) => set({ swingC })}
        />
      </View>
      <View flexDirection="row" gap={12}>
        <NumberField
          grow
          label="Wet days in winter"
          unit="%"
          value={Math.round(own.wetDaysWinter * 100)}
          least={2}
          most={90}
          onChange={(share) => set({ wetDaysWinter: share / 100 })}
        />
        <NumberField
          grow
          label="Wet days in summer"
          unit="%"
          value={Math.round(own.wetDaysSummer * 100)}
          least={2}
          most={90}
          onChange={(share) => set({ wetDaysSummer: share / 100 })}
        />
      </View>
    </>
  );
}

function RuleFields({ timing, onChange }: { timing: Timing; onChange(timing: Timing): void }) {
  const set = (change: Partial<Timing>) => onChange({ ...timing, ...change });
  return (
    <>
      <Select
        label="Dry after the cut"
        value={String(timing.dryAfterH)}
        options={[24, 48, 72].map((hours) => ({ value: String(hours), label: `${hours} h` }))}
        hint="24 h the least, 48 h usual, 72 h where canker, silver leaf or Eutypa are about. Common practice, no source."
        onChange={(hours) => set({ dryAfterH: Number(hours) })}
      />
      <View flexDirection="row" gap={12}>
        <NumberField
          grow
          label="Dry before"
          unit="h"
          value={timing.dryBeforeH}
          least={0}
          most={96}
          onChange={(dryBeforeH) => set({ dryBeforeH: Math.round(dryBeforeH) })}
        />
        <NumberField
          grow
          label="No climbing above"
          unit="m/s"
          value={timing.climbWindMs}
          least={2}
          most={20}
          onChange={(climbWindMs) => set({ climbWindMs })}
        />
      </View>
      <View flexDirection="row" gap={12}>
        <NumberField
          grow
          label="No cuts below"
          unit="°C"
          value={timing.leastC}
          least={-25}
          most={5}
          onChange={(leastC) => set({ leastC })}
        />
        <Field
          grow
          label="Stop date, as in the north"
          value={timing.stopDay}
          onChangeText={(stopDay) => set({ stopDay })}
          hint="Month-day: 07-31."
          fault={
            /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(timing.stopDay)
              ? undefined
              : 'Write it like 07-31.'
          }
        />
      </View>
      <View flexDirection="row" gap={12}>
        <NumberField
          grow
          label="Good below an index of"
          unit=""
          value={timing.goodBelow}
          least={1}
          most={99}
          onChange={(goodBelow) => set({ goodBelow })}
        />
        <NumberField
          grow
          label="Wait above"
          unit=""
          value={timing.waitAbove}
          least={2}
          most={100}
          onChange={(waitAbove) => set({ waitAbove })}
        />
      </View>
      <NumberField
        label="Heavy rain washes a protectant off"
        unit="mm"
        value={timing.heavyRainMm}
        least={1}
        most={200}
        onChange={(heavyRainMm) => set({ heavyRainMm })}
      />
      <Label>School of pruning time</Label>
      {(['pome', 'plum', 'peach', 'other'] as const).map((lane) => (
        <Select
          key={lane}
          label={laneWords(lane)}
          value={timing.school[lane] ?? 'any dry day'}
          options={timingSchools.map((school) => ({
            value: school,
            label: `${schoolWords[school].name}: ${schoolWords[school].when}`,
          }))}
          onChange={(school) =>
            set({ school: { ...timing.school, [lane]: school as Timing['school'][typeof lane] } })
          }
        />
      ))}
      <Small>
        Outside the season of its school a day is possible at best. Plan, When shows the schools side by side.
      </Small>
    </>
  );
}
