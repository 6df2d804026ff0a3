// How a phone under the tree comes in: the square that it scans, and where the steps stand.
import { View } from '@tamagui/core';
import { useField } from '../../data/queries';
import { QrCode } from '../../ui/QrCode';
import { Body, Section, Small } from '../../ui/type';

export function FieldPhones() {
  const field = useField().data?.field;
  if (field === undefined) return null;
  return (
    <View gap={12}>
      <Section>Phones in the field</Section>
      {field ? (
        <>
          <Body>
            Let the phone scan this and follow the steps. After that the app opens without signal too.
          </Body>
          <View backgroundColor="#FFFFFF" padding={12} alignSelf="flex-start">
            <QrCode text={field.trustUrl} label={`Steps for a phone: ${field.trustUrl}`} />
          </View>
          <Small>{`Or open ${field.trustUrl} on it. The app itself is at ${field.addresses.join(', ')}.`}</Small>
        </>
      ) : (
        <Body>
          Start the server with “npm start -- --lan”, and phones on the same network can work with it, also
          where there is no signal.
        </Body>
      )}
    </View>
  );
}
