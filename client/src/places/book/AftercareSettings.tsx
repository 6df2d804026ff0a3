// Where wood goes at this place, when cuts are looked at again, and what there is beside the blades.

import { DebrisSettings, RecheckSettings, startingRechecks } from '@mortisect/core/aftercare';
import { upperFirst } from '@mortisect/core/measure';
import { gear as allGear, type Site } from '@mortisect/core/records';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { useSay } from '../../data/useSay';
import { CheckRow } from '../../ui/CheckRow';
import { Label } from '../../ui/type';
import { SettingGroup } from './SettingGroup';
import type { SiteControl } from './siteForm';

export function AftercareSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <SettingGroup control={control} name="debris" schema={DebrisSettings} />
      <SettingGroup
        control={control}
        name="rechecks"
        schema={RecheckSettings}
        starting={startingRechecks()}
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
  const say = useSay();
  return (
    <View>
      <Label>{say('book.besideTheBladesThereIs')}</Label>
      {allGear.map((item) => (
        <CheckRow
          key={item}
          label={upperFirst(told(say, item))}
          on={gear.includes(item)}
          onChange={(on) => onChange(on ? [...gear, item] : gear.filter((other) => other !== item))}
        />
      ))}
    </View>
  );
}
