// Settings: this device, the site, its schools.

import { zodResolver } from '@hookform/resolvers/zod';
import type { SiteRecord } from '@mortisect/core/records';
import { Site } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useEffect } from 'react';
import { Controller, type FieldPath, useForm } from 'react-hook-form';
import { useHealth, useSite } from '../../data/queries';
import { useSaveSite } from '../../data/writes';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { goToFirstFault, SaveButton } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { useBase } from '../../ui/useBase';
import { Waiting } from '../../ui/Waiting';
import { Conflict, movedProblem } from '../Conflict';
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
import { formOf, type SiteControl, SiteForm } from './siteForm';
import { WeatherSettings } from './WeatherSettings';

export function Settings() {
  const { data, error, refetch } = useSite();
  const isReached = useHealth().data !== undefined;
  if (!data || !isReached) return <Waiting title="Book" error={error} onRetry={refetch} />;
  return <SettingsForm record={data} />;
}

function SettingsForm({ record }: { record: SiteRecord }) {
  const { control, handleSubmit, reset, formState } = useForm({
    resolver: zodResolver(SiteForm),
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
  const leaving = useLeaveGuard(formState.isDirty, 'The site');
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
      title="Book"
      subtitle={record.site.name}
      width="full"
      actions={
        <SaveButton kind="main" onSave={() => save()} disabled={!formState.isDirty} saving={saving.isPending}>
          {formState.isDirty || !saving.isSuccess ? 'Save site' : 'Saved'}
        </SaveButton>
      }
    >
      <BookTabs />
      <Failed title="Not saved yet" error={failed} />
      {leaving.question}
      <Columns beside={ofMachines}>
        {wide ? null : ofMachines}
        <Section>Site</Section>
        <SiteFields control={control} />
        <Section>Schools</Section>
        <SchoolSettings control={control} />
        <Section>Here and nearby</Section>
        <LocalSettings control={control} />
        <Section>Weather and days</Section>
        <WeatherSettings control={control} latitude={record.site.latitude} />
        <Section>Planning</Section>
        <PlanSettings control={control} />
        <Section>After the cut</Section>
        <AftercareSettings control={control} />
        <Section>Shape</Section>
        <LimitSettings control={control} />
        <Small>
          Last changed by {record.by}, revision {record.revision}.
        </Small>
      </Columns>
      <Conflict
        error={saving.error}
        lines={siteLines}
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

function siteLines(version: unknown): string[] {
  const site = siteIn(version);
  if (!site) return [];
  return [
    `${site.name}, ${site.latitude}, ${site.longitude}, ${site.timeZone}`,
    `12 o’clock at ${site.twelveBearingDeg}°, ${site.units === 'us' ? 'US units' : 'metric'}`,
    `Schools: ${Object.values(site.schools.clearance).join(', ')}`,
  ];
}

function SiteFields({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <TextOf control={control} name="name" label="Name" />
      <View flexDirection="row" gap={12}>
        <TextOf control={control} name="latitude" label="Latitude, °" grow decimal />
        <TextOf control={control} name="longitude" label="Longitude, °" grow decimal />
      </View>
      <View flexDirection="row" gap={12}>
        <TextOf control={control} name="timeZone" label="Time zone" grow />
        <TextOf
          control={control}
          name="twelveBearingDeg"
          label="12 o’clock points to, ° from north"
          grow
          decimal
        />
      </View>
      <Controller
        control={control}
        name="units"
        render={({ field }) => (
          <View gap={4}>
            <Label>Units of the site</Label>
            <Choice
              label="Units of the site"
              options={[
                { value: 'metric', label: 'cm, mm, kg' },
                { value: 'us', label: 'in, ft, lb' },
              ]}
              value={field.value}
              onChange={field.onChange}
            />
          </View>
        )}
      />
      <Controller
        control={control}
        name="season"
        render={({ field }) => (
          <Select
            label="Season"
            hint="By the calendar: dormant November to March, bud to petal fall April and May, summer June to September, autumn October; six months later in the south."
            value={field.value ?? 'calendar'}
            options={[
              { value: 'calendar', label: 'By the calendar' },
              { value: 'dormant', label: 'Dormant, set by hand' },
              { value: 'bloom', label: 'Bud to petal fall, set by hand' },
              { value: 'summer', label: 'Summer, set by hand' },
              { value: 'autumn', label: 'Autumn, set by hand' },
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
