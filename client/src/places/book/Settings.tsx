// Settings: this device, the site, its schools.

import { zodResolver } from '@hookform/resolvers/zod';
import { SeasonSettings, startingSeason } from '@mortisect/core/campaign';
import type { SiteRecord } from '@mortisect/core/records';
import { Site } from '@mortisect/core/records';
import type { PlainKey, Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useEffect } from 'react';
import { Controller, type FieldPath, useForm } from 'react-hook-form';
import { useHealth, useSite } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveSite } from '../../data/writes';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { FieldRow } from '../../ui/FieldRow';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { goToFirstFault, SaveButton } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { useBase } from '../../ui/useBase';
import { Waiting } from '../../ui/Waiting';
import { Conflict, movedProblem } from '../Conflict';
import { SpeciesGrown } from '../SpeciesGrown';
import { AftercareSettings } from './AftercareSettings';
import { BookTabs } from './BookTabs';
import { DeviceSettings } from './DeviceSettings';
import { FieldPhones } from './FieldPhones';
import { LimitSettings } from './LimitSettings';
import { LocalSettings } from './LocalSettings';
import { PlanSettings } from './PlanSettings';
import { RemovedPhotos } from './RemovedPhotos';
import { SafeCopies } from './SafeCopies';
import { SchoolSettings } from './SchoolSettings';
import { SettingGroup } from './SettingGroup';
import { formOf, type SiteControl, type SiteForm, siteFormIn } from './siteForm';
import { WeatherSettings } from './WeatherSettings';

export function Settings() {
  const say = useSay();
  const { data, error, refetch } = useSite();
  const isReached = useHealth().data !== undefined;
  if (!data || !isReached) return <Waiting title={say('shared.book')} error={error} onRetry={refetch} />;
  return <SettingsForm record={data} />;
}

function SettingsForm({ record }: { record: SiteRecord }) {
  const say = useSay();
  const { control, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(siteFormIn(say)),
    defaultValues: formOf(record.site),
  });
  const wide = useWide();
  const saving = useSaveSite();
  const base = useBase(record, formState.isDirty);
  // What another device saved comes into a form that nobody has changed
  useEffect(() => reset(formOf(base.site)), [base, reset]);
  const send = (site: Site, baseRevision: number) =>
    saving.mutate({ site, baseRevision }, { onSuccess: (saved) => reset(formOf(saved.site)) });
  const save = handleSubmit(
    (site) => send(site, base.revision),
    () => goToFirstFault(null),
  );
  const leaving = useLeaveGuard(formState.isDirty, say('book.theSite'));
  const failed = saving.error && !movedProblem(saving.error) ? saving.error : null;
  const ofMachines = (
    <View gap={24}>
      <DeviceSettings />
      <FieldPhones />
      <SafeCopies timeZone={record.site.timeZone} />
      <RemovedPhotos />
    </View>
  );
  return (
    <Screen
      title={say('shared.book')}
      subtitle={record.site.name}
      width="full"
      actions={
        <SaveButton kind="main" onSave={() => save()} disabled={!formState.isDirty} saving={saving.isPending}>
          {formState.isDirty || !saving.isSuccess ? say('book.saveSite') : say('shared.saved')}
        </SaveButton>
      }
    >
      <BookTabs />
      <Failed title={say('shared.notSavedYet')} error={failed} />
      {leaving.question}
      <Columns beside={ofMachines}>
        {wide ? null : ofMachines}
        <Section>{say('book.site2')}</Section>
        <SiteFields control={control} />
        <Section>{say('book.schools')}</Section>
        <SchoolSettings control={control} />
        <Section>{say('book.hereAndNearby')}</Section>
        <LocalSettings control={control} />
        <Section>{say('book.weatherAndDays')}</Section>
        <WeatherSettings control={control} latitude={record.site.latitude} />
        <Section>{say('book.planning')}</Section>
        <PlanSettings control={control} />
        <Section>{say('shared.season')}</Section>
        <SettingGroup
          control={control}
          name="seasonWorth"
          schema={SeasonSettings}
          starting={startingSeason()}
        />
        <Section>{say('book.afterTheCut')}</Section>
        <AftercareSettings control={control} />
        <Section>{say('shared.shape')}</Section>
        <LimitSettings control={control} />
        <Small>{say('book.lastChangedByRevision', { by: record.by, revision: record.revision })}</Small>
      </Columns>
      <Conflict
        error={saving.error}
        lines={(...given) => siteLines(say, ...given)}
        onDismiss={() => saving.reset()}
        onKeepMine={(revision) => saving.variables && send(saving.variables.site, revision)}
        onKeepTheirs={() => {
          const theirs = siteIn(movedProblem(saving.error)?.theirs);
          saving.reset();
          if (theirs) reset(formOf(theirs));
        }}
      />
    </Screen>
  );
}

function siteIn(version: unknown): Site | null {
  const inside = (version as { site?: unknown } | null)?.site ?? version;
  const parsed = Site.safeParse(inside);
  return parsed.success ? parsed.data : null;
}

const UNITS: Record<Site['units'], PlainKey> = {
  metric: 'book.metric',
  us: 'book.usUnits',
  language: 'book.unitsByTheLanguage',
};

function siteLines(say: Say, version: unknown): string[] {
  const site = siteIn(version);
  if (!site) return [];
  return [
    `${site.name}, ${site.latitude}, ${site.longitude}, ${site.timeZone}`,
    say('book.n12OclockAt', {
      twelveBearingDeg: site.twelveBearingDeg,
      more: say(UNITS[site.units]),
    }),
    say('book.schools2', { values: Object.values(site.schools.clearance).join(', ') }),
  ];
}

function SiteFields({ control }: { control: SiteControl }) {
  const say = useSay();
  return (
    <View gap={12}>
      <TextOf control={control} name="name" label={say('shared.name')} />
      <FieldRow>
        <TextOf control={control} name="latitude" label={say('book.latitudeDeg')} grow decimal />
        <TextOf control={control} name="longitude" label={say('book.longitudeDeg')} grow decimal />
      </FieldRow>
      <FieldRow>
        <TextOf control={control} name="timeZone" label={say('book.timeZone')} grow />
        <TextOf
          control={control}
          name="twelveBearingDeg"
          label={say('book.n12OclockPointsToFromNorth')}
          grow
          decimal
        />
      </FieldRow>
      <Controller
        control={control}
        name="units"
        render={({ field }) => (
          <View gap={4}>
            <Label>{say('book.unitsOfTheSite')}</Label>
            <Choice
              label={say('book.unitsOfTheSite')}
              options={[
                { value: 'metric', label: say('book.cmMmKg') },
                { value: 'us', label: say('book.inFtLb') },
                { value: 'language', label: say('book.byTheLanguage') },
              ]}
              value={field.value}
              onChange={field.onChange}
            />
          </View>
        )}
      />
      <Controller
        control={control}
        name="grows"
        render={({ field }) => <SpeciesGrown value={field.value ?? []} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="season"
        render={({ field }) => (
          <Select
            label={say('shared.season')}
            hint={say('book.byTheCalendarDormantNovemberToMarch')}
            value={field.value ?? 'calendar'}
            options={[
              { value: 'calendar', label: say('book.byTheCalendar') },
              { value: 'dormant', label: say('book.dormantSetByHand') },
              { value: 'bloom', label: say('book.budToPetalFallSetByHand') },
              { value: 'summer', label: say('book.summerSetByHand') },
              { value: 'autumn', label: say('book.autumnSetByHand') },
            ]}
            onChange={(value) => field.onChange(value === 'calendar' ? null : value)}
          />
        )}
      />
    </View>
  );
}

type TextName = Extract<
  FieldPath<SiteForm>,
  'name' | 'latitude' | 'longitude' | 'timeZone' | 'twelveBearingDeg'
>;

function TextOf({
  control,
  name,
  label,
  decimal = false,
  grow = false,
}: {
  control: SiteControl;
  name: TextName;
  label: string;
  decimal?: boolean;
  grow?: boolean;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Field
          label={label}
          grow={grow}
          kind={decimal ? 'decimal' : 'text'}
          value={field.value}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          fault={fieldState.error?.message}
        />
      )}
    />
  );
}
