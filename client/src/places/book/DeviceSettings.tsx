// What this device keeps for itself: who works on it, its theme, its units, its keys.
import { View } from '@tamagui/core';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { usePreferences } from '../../data/preferences';
import { useSession } from '../../data/queries';
import { useClockOff } from '../../data/useClock';
import { useNameDevice } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { clockOffWords } from '../words';
import { KeptHere } from './KeptHere';
import { SignedIn } from './SignedIn';

export function DeviceSettings() {
  const { theme, units, keys } = usePreferences();
  const wide = useWide();
  const session = useSession().data;
  const offMs = useClockOff();
  return (
    <View gap={12}>
      <Section>This device</Section>
      <Person />
      {offMs === null ? null : (
        <Notice kind="caution" title={clockOffWords(offMs)}>
          Mortisect uses the server’s clock to keep the records of the crew in order. Please set the date and
          time of this device. Without the server it can only use its own clock.
        </Notice>
      )}
      <Label>Theme</Label>
      <Choice
        label="Theme"
        options={[
          { value: 'system', label: 'As the system' },
          { value: 'daylight', label: 'Daylight' },
          { value: 'dusk', label: 'Dusk' },
        ]}
        value={theme}
        onChange={(value) => usePreferences.setState({ theme: value })}
      />
      <Label>Units here</Label>
      <Choice
        label="Units here"
        options={[
          { value: 'site', label: 'As the site' },
          { value: 'metric', label: 'cm' },
          { value: 'us', label: 'in' },
        ]}
        value={units ?? 'site'}
        onChange={(value) => usePreferences.setState({ units: value === 'site' ? null : value })}
      />
      {wide ? (
        <>
          <Label>Single keys as shortcuts (? shows them)</Label>
          <Choice
            label="Single keys"
            options={[
              { value: true, label: 'On' },
              { value: false, label: 'Off' },
            ]}
            value={keys}
            onChange={(value) => usePreferences.setState({ keys: value })}
          />
        </>
      ) : null}
      <KeptHere />
      {session?.required ? <SignedIn /> : null}
    </View>
  );
}

function Person() {
  const { deviceId, person } = usePreferences();
  const [name, setName] = useState(person);
  const naming = useNameDevice();
  const changed = name.trim() !== '' && name.trim() !== person;
  return (
    <View gap={8}>
      <View flexDirection="row" gap={12} alignItems="flex-end">
        <Field
          grow
          label="Who works on this device?"
          value={name}
          onChangeText={setName}
          fault={naming.error ? inWords(naming.error) : undefined}
        />
        <Button
          disabled={!changed || naming.isPending}
          onPress={() =>
            naming.mutate(
              { deviceId, name },
              { onSuccess: (device) => usePreferences.setState({ person: device.name }) },
            )
          }
        >
          Set name
        </Button>
      </View>
      <Small>Records made from now on carry this name; earlier ones keep theirs.</Small>
    </View>
  );
}
