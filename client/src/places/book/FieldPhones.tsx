// How a phone under the tree comes in: the square that it scans, and where the steps stand.

import { View } from '@tamagui/core';
import { useField } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { QrCode } from '../../ui/QrCode';
import { Body, Section, Small } from '../../ui/type';

export function FieldPhones() {
  const say = useSay();
  const field = useField().data?.field;
  if (field === undefined) return null;
  return (
    <View gap={12}>
      <Section>{say('book.phonesInTheField')}</Section>
      {field ? (
        <>
          <Body>{say('book.letThePhoneScanThisAndFollow')}</Body>
          <View backgroundColor="#FFFFFF" padding={12} alignSelf="flex-start">
            <QrCode text={field.trustUrl} label={say('book.stepsForAPhone', { trustUrl: field.trustUrl })} />
          </View>
          <Small>
            {say('book.orOpenOnItTheAppItself', {
              trustUrl: field.trustUrl,
              addresses: field.addresses.join(', '),
            })}
          </Small>
        </>
      ) : (
        <Body>{say('book.startTheServerWithNpmStartLan')}</Body>
      )}
    </View>
  );
}
