// Photos of a finding: from the camera or a file, made small here and without their place, kept until they are sent.

import { MOST_PHOTOS } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Body, Small } from '../../../ui/type';
import { PhotoImage } from '../../PhotoImage';
import { usePhotoInput } from '../../usePhotoInput';
import type { SeenSheetProps } from './seen';

export function PhotoSheet({ marking, onChange, open, onClose }: SeenSheetProps) {
  const say = useSay();
  const { input, fault, press, choose } = usePhotoInput(say('round.photo'), (photoId) =>
    onChange({ ...marking, photoIds: [...marking.photoIds, photoId] }),
  );
  return (
    <Sheet title={say('round.photos2')} open={open} onClose={onClose} closeLabel={say('shared.done')}>
      {fault}
      {input}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {marking.photoIds.map((id, i) => (
          <View key={id} gap={4}>
            <PhotoImage id={id} alt={say('round.photoOfThisFinding', { i: i + 1 })} />
            <Button
              kind="quiet"
              aria-label={say('round.removePhoto', { i: i + 1 })}
              onPress={() =>
                onChange({ ...marking, photoIds: marking.photoIds.filter((photoId) => photoId !== id) })
              }
            >
              {say('shared.remove')}
            </Button>
          </View>
        ))}
      </View>
      {marking.photoIds.length === 0 ? <Body>{say('round.holdSomethingForScaleBesideTheWood')}</Body> : null}
      <Button kind="main" disabled={marking.photoIds.length >= MOST_PHOTOS} onPress={press}>
        {say('shared.takeAPhoto')}
      </Button>
      <Button disabled={marking.photoIds.length >= MOST_PHOTOS} onPress={choose}>
        {say('shared.fromTheGallery')}
      </Button>
      {marking.baseRevision === null || marking.photoIds.length === 0 ? null : (
        <Small>{say('round.aPhotoThatYouRemoveCanBe')}</Small>
      )}
      <Small>{say('round.thePhotoIsMadeSmallerAndLoses')}</Small>
    </Sheet>
  );
}
