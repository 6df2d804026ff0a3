// Where wood goes at this place, when cuts are looked at again, and what there is beside the blades.

import { type DebrisSettings, debrisRoutes, SCHOOLS_ON_BURNING } from '@mortisect/core/aftercare';
import { gear as allGear, type Site } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { CheckRow } from '../../ui/CheckRow';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';
import { DEBRIS_WORDS, upperFirst } from '../words';
import type { SiteControl } from './siteForm';

const ROUTES = debrisRoutes.map((value) => ({ value, label: upperFirst(DEBRIS_WORDS[value]) }));

export function AftercareSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={12}>
      <Controller
        control={control}
        name="debris"
        render={({ field }) => (
          <DebrisFields debris={field.value as DebrisSettings} onChange={field.onChange} />
        )}
      />
      <Controller
        control={control}
        name="rechecks"
        render={({ field }) => (
          <RecheckFields rechecks={field.value as Site['rechecks']} onChange={field.onChange} />
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

function DebrisFields({
  debris,
  onChange,
}: {
  debris: DebrisSettings;
  onChange(debris: DebrisSettings): void;
}) {
  const set = (change: Partial<DebrisSettings>) => onChange({ ...debris, ...change });
  return (
    <>
      <Select
        label="Burning here"
        value={debris.burning}
        options={[
          { value: 'allowed', label: 'Allowed' },
          { value: 'ask first', label: 'Ask first' },
          { value: 'banned', label: 'Banned' },
        ]}
        onChange={(burning) => set({ burning: burning as DebrisSettings['burning'] })}
        hint="The local rule; bans by season and on dry days come on top."
      />
      <CheckRow
        label="Fire blight wood is burned"
        detail={SCHOOLS_ON_BURNING[1]?.says ?? ''}
        on={debris.burnsBlight}
        onChange={(burnsBlight) => set({ burnsBlight })}
      />
      <Select
        label="Diseased and suspect wood"
        value={debris.infectedBy}
        options={ROUTES.filter(({ value }) => value !== 'leave')}
        onChange={(infectedBy) => set({ infectedBy: infectedBy as DebrisSettings['infectedBy'] })}
        hint="Where a disorder forbids it, the next safe way is taken and said."
      />
      <Select
        label="Sound wood"
        value={debris.healthyBy}
        options={ROUTES}
        onChange={(healthyBy) => set({ healthyBy: healthyBy as DebrisSettings['healthyBy'] })}
      />
    </>
  );
}

function RecheckFields({
  rechecks,
  onChange,
}: {
  rechecks: Site['rechecks'];
  onChange(rechecks: Site['rechecks']): void;
}) {
  const set = (change: Partial<Site['rechecks']>) => onChange({ ...rechecks, ...change });
  return (
    <>
      <NumberField
        label="Mean of a summer day"
        unit="°C"
        value={rechecks.meanC}
        least={0}
        most={40}
        hint="New strikes are looked for after 57 degree-days over 12.8 °C, 5 to 14 days. From memory."
        onChange={(meanC) => set({ meanC })}
      />
      <NumberField
        label="Looked at again after"
        unit="days"
        value={rechecks.monthDays}
        least={14}
        most={60}
        onChange={(monthDays) => set({ monthDays: Math.round(monthDays) })}
      />
      <NumberField
        label="Not asked for any more after"
        unit="days"
        value={rechecks.overdueDays}
        least={1}
        most={90}
        onChange={(overdueDays) => set({ overdueDays: Math.round(overdueDays) })}
      />
      <Small>Intervals: common practice, no source.</Small>
    </>
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
