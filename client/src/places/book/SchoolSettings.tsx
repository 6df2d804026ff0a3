// The schools of the site: how far from the edge, how finished, how clean. Each choice says where it comes from.

import { agents } from '@mortisect/core/blades';
import { disorders, schoolFor, schoolsFor } from '@mortisect/core/disorders';
import { SiteSchools } from '@mortisect/core/records';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { useSay } from '../../data/useSay';
import { Select } from '../../ui/Select';
import { SettingFields } from '../../ui/SettingFields';
import type { SiteControl } from './siteForm';

export function SchoolSettings({ control }: { control: SiteControl }) {
  const say = useSay();
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="schools"
        // One value for both: of two controllers, of the whole and of a part, one would write over what the other was given
        render={({ field: { value, onChange } }) => (
          <>
            <Clearances
              chosen={value.clearance}
              onChange={(clearance) => onChange({ ...value, clearance })}
            />
            <SettingFields schema={SiteSchools} value={value} onChange={onChange} />
          </>
        )}
      />
      <Controller
        control={control}
        name="agentId"
        render={({ field }) => (
          <Select
            label={say('shared.agent')}
            value={field.value}
            options={agents.map(({ id, name }) => ({ value: id, label: told(say, name) }))}
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
  const say = useSay();
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
              label={say('book.clearance', { disorder: told(say, disorder.name) })}
              hint={`${told(say, school.use)} ${school.source}.`}
              value={school.id}
              options={schools.map(({ id, name }) => ({ value: id, label: told(say, name) }))}
              onChange={(id) => onChange({ ...chosen, [disorder.code]: id })}
            />
          );
        })}
    </>
  );
}
