// The schools of the site: how far from the edge, how finished, how clean. Each choice says where it comes from.

import { agents } from '@mortisect/core/blades';
import { disorders, schoolFor, schoolsFor } from '@mortisect/core/disorders';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { Choice } from '../../ui/Choice';
import { Select } from '../../ui/Select';
import { Label } from '../../ui/type';
import type { SiteControl } from './siteForm';

export function SchoolSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="schools.clearance"
        render={({ field }) => <Clearances chosen={field.value} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="schools.halveDefiniteDormant"
        render={({ field }) => (
          <YesNo
            label="Definite edges in the dormant season at half the distance (10 cm, 4 in at least)"
            value={field.value}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="schools.inSeasonStub"
        render={({ field }) => (
          <YesNo
            label="In growth, leave a bare stub to be removed when dormant"
            value={field.value}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="schools.finish"
        render={({ field }) => (
          <Select
            label="Finish of a collar cut"
            value={field.value}
            options={[
              { value: 'tight', label: 'Tight to the collar' },
              { value: 'stub', label: 'A stub of 0.6–2.5 cm (¼–1 in) over dead wood' },
              { value: 'heel', label: 'A heel of 2 cm (¾ in) on the lower side' },
            ]}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="schools.cleaning"
        render={({ field }) => (
          <Select
            label="When the blade is cleaned"
            hint="Between trees always, and whenever its history is unknown."
            value={field.value}
            options={[
              { value: 'every', label: 'Before and after every diseased cut' },
              { value: 'season', label: 'By disorder and season' },
            ]}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="agentId"
        render={({ field }) => (
          <Select
            label="Agent"
            value={field.value}
            options={agents.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={field.onChange}
          />
        )}
      />
    </View>
  );
}

function Clearances({
  chosen,
  onChange,
}: {
  chosen: Record<string, string>;
  onChange(chosen: Record<string, string>): void;
}) {
  return (
    <>
      {disorders
        .map((disorder) => ({ disorder, schools: schoolsFor(disorder.code) }))
        .filter(({ schools }) => schools.length > 1)
        .map(({ disorder, schools }) => {
          const school = schoolFor(disorder.code, chosen);
          return (
            <Select
              key={disorder.code}
              label={`Clearance: ${disorder.name}`}
              hint={`${school.use} ${school.source}.`}
              value={school.id}
              options={schools.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id) => onChange({ ...chosen, [disorder.code]: id })}
            />
          );
        })}
    </>
  );
}

function YesNo({
  label,
  value,
  onChange,
}: {
  label: string;
  value: boolean;
  onChange(value: boolean): void;
}) {
  return (
    <View gap={4}>
      <Label>{label}</Label>
      <Choice
        label={label}
        options={[
          { value: false, label: 'No' },
          { value: true, label: 'Yes' },
        ]}
        value={value}
        onChange={onChange}
      />
    </View>
  );
}
