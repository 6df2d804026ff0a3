// What this device keeps for itself: who works on it, its theme, its units, its keys.

import { View } from '@tamagui/core';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { usePreferences } from '../../data/preferences';
import { useSession } from '../../data/queries';
import { useClockOff } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useNameDevice } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { LanguageChoice } from '../LanguageChoice';
import { clockOffWords } from '../words';
import { KeptHere } from './KeptHere';
import { SignedIn } from './SignedIn';

export function DeviceSettings() {
  const say = useSay();
  const { theme, units, keys } = usePreferences();
  const wide = useWide();
  const session = useSession().data;
  const offMs = useClockOff();
  return (
    <View gap={12}>
      <Section>{say('book.thisDevice')}</Section>
      <Person />
      {offMs === null ? null : (
        <Notice kind="caution" title={clockOffWords(say, offMs)}>
          {say('book.mortisectUsesTheServersClockToKeep')}
        </Notice>
      )}
      <Label>{say('book.theme')}</Label>
      <Choice
        label={say('book.theme')}
        options={[
          { value: 'system', label: say('book.asTheSystem') },
          { value: 'daylight', label: say('book.daylight') },
          { value: 'dusk', label: say('book.dusk') },
        ]}
        value={theme}
        onChange={(value) => usePreferences.setState({ theme: value })}
      />
      <LanguageChoice />
      <Label>{say('book.unitsHere')}</Label>
      <Choice
        label={say('book.unitsHere')}
        options={[
          { value: 'site', label: say('book.asTheSite') },
          { value: 'metric', label: 'cm' },
          { value: 'us', label: 'in' },
        ]}
        value={units ?? 'site'}
        onChange={(value) => usePreferences.setState({ units: value === 'site' ? null : value })}
      />
      {wide ? (
        <>
          <Label>{say('book.singleKeysAsShortcutsShowsThem')}</Label>
          <Choice
            label={say('book.singleKeys')}
            options={[
              { value: true, label: say('book.on') },
              { value: false, label: say('book.off') },
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
  const say = useSay();
  const { deviceId, person } = usePreferences();
  const [name, setName] = useState(person);
  const naming = useNameDevice();
  const changed = name.trim() !== '' && name.trim() !== person;
  return (
    <View gap={8}>
      <View flexDirection="row" gap={12} alignItems="flex-end">
        <Field
          grow
          label={say('shared.whoWorksOnThisDevice')}
          value={name}
          onChangeText={setName}
          fault={naming.error ? inWords(say, naming.error) : undefined}
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
          {say('book.setName')}
        </Button>
      </View>
      <Small>{say('book.recordsMadeFromNowOnCarryThis')}</Small>
    </View>
  );
}
