// What this device keeps for days without signal, how much it is, and whether its browser has promised to keep it.

import { View } from '@tamagui/core';
import { useOutbox } from '../../data/outbox';
import { useAskToKeep, useKept } from '../../data/storage';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Body, Label, Small } from '../../ui/type';
import { bytesWords } from '../words';

export function KeptHere() {
  const say = useSay();
  const kept = useKept().data;
  const items = useOutbox((outbox) => outbox.items);
  const ask = useAskToKeep();
  if (!kept) return null;
  const { usedBytes, mostBytes, isPromised } = kept;
  const photos = items.filter(({ route }) => route === 'putPhoto').length;
  const most =
    mostBytes === null ? '' : say('book.ofThatItsBrowserAllows', { bytes: bytesWords(say, mostBytes) });
  return (
    <View gap={8}>
      <Label>{say('book.keptOnThisDevice')}</Label>
      {usedBytes === null ? null : (
        <Body>{say('book.theAppWhatWasReadAndWhat', { bytes: bytesWords(say, usedBytes), most })}</Body>
      )}
      <Body>
        {items.length === 0
          ? say('book.nothingWaitsToBeSent')
          : say('book.recordsToSendTheyStayHereUntil', {
              items: items.length,
              more: photos > 0 ? say('book.photosAmongThem', { photos }) : '',
            })}
      </Body>
      {isPromised ? (
        <Small>{say('book.theBrowserHasPromisedToKeepAll')}</Small>
      ) : (
        <View gap={8} alignItems="flex-start">
          <Small>{say('book.aBrowserThatRunsShortOfRoom')}</Small>
          <Button onPress={() => void ask()}>{say('book.askTheBrowserToKeepIt')}</Button>
        </View>
      )}
    </View>
  );
}
