// Where wood goes at this place, when cuts are looked at again, and what there is beside the blades.

import { DebrisSettings, RecheckSettings, startingRechecks } from '@mortisect/core/aftercare';
import { upperFirst } from '@mortisect/core/measure';
import { gear as allGear, type Site } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { CheckRow } from '../../ui/CheckRow';
import { SettingFields } from '../../ui/SettingFields';
import { Label } from '../../ui/type';
import type { SiteControl } from './siteForm';

export function AftercareSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="debris"
        render={({ field }) => (
          <SettingFields
            schema={DebrisSettings}
            value={field.value as DebrisSettings}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="rechecks"
        render={({ field }) => (
          <SettingFields
            schema={RecheckSettings}
            value={field.value as RecheckSettings}
            starting={startingRechecks()}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="gear"
        render={({ field }) => <GearFields gear={field.value as Site['gear']} onChange={field.onChange} />}
      />
    </View>
  );
}

function GearFields({ gear, onChange }: { gear: Site['gear']; onChange(gear: Site['gear']): void }) {
  return (
    <View>
      <Label>Beside the blades there is</Label>
      {allGear.map((one) => (
        <CheckRow
          key={one}
          label={upperFirst(one)}
          on={gear.includes(one)}
          onChange={(on) => onChange(on ? [...gear, one] : gear.filter((other) => other !== one))}
        />
      ))}
    </View>
  );
}
