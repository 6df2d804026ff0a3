// What this device keeps for days without signal, how much it is, and whether its browser has promised to keep it.
import { View } from '@tamagui/core';
import { useOutbox } from '../../data/outbox';
import { useAskToKeep, useKept } from '../../data/storage';
import { Button } from '../../ui/Button';
import { Body, Label, Small } from '../../ui/type';
import { bytesWords, plural } from '../words';

export function KeptHere() {
  const kept = useKept().data;
  const items = useOutbox((outbox) => outbox.items);
  const ask = useAskToKeep();
  if (!kept) return null;
  const { usedBytes, mostBytes, isPromised } = kept;
  const photos = items.filter(({ route }) => route === 'putPhoto').length;
  const most = mostBytes === null ? '' : ` of ${bytesWords(mostBytes)} that its browser allows`;
  return (
    <View gap={8}>
      <Label>Kept on this device</Label>
      {usedBytes === null ? null : (
        <Body>{`${bytesWords(usedBytes)}${most}: the app, what was read, and what waits to be sent.`}</Body>
      )}
      <Body>
        {items.length === 0
          ? 'Nothing waits to be sent.'
          : `${plural(items.length, 'record')} to send${photos > 0 ? `, ${plural(photos, 'photo')} among them` : ''}. They stay here until the server has them; what was only read goes first.`}
      </Body>
      {isPromised ? (
        <Small>The browser has promised to keep all of it.</Small>
      ) : (
        <View gap={8} alignItems="flex-start">
          <Small>A browser that runs short of room may throw it away.</Small>
          <Button onPress={() => void ask()}>Ask the browser to keep it</Button>
        </View>
      )}
    </View>
  );
}
