// Photos of a finding: from the camera or a file, made small here and without their place, kept until they are sent.
import { MOST_PHOTOS } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Body, Small } from '../../../ui/type';
import { PhotoImage } from '../../PhotoImage';
import { usePhotoInput } from '../../usePhotoInput';
import type { SeenSheetProps } from './seen';

export function PhotoSheet({ marking, onChange, open, onClose }: SeenSheetProps) {
  const { input, fault, press, choose } = usePhotoInput('Photo', (photoId) =>
    onChange({ ...marking, photoIds: [...marking.photoIds, photoId] }),
  );
  return (
    <Sheet title="Photos" open={open} onClose={onClose} closeLabel="Done">
      {fault}
      {input}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {marking.photoIds.map((id, i) => (
          <View key={id} gap={4}>
            <PhotoImage id={id} alt={`Photo ${i + 1} of this finding`} />
            <Button
              kind="quiet"
              aria-label={`Remove photo ${i + 1}`}
              onPress={() =>
                onChange({ ...marking, photoIds: marking.photoIds.filter((photoId) => photoId !== id) })
              }
            >
              Remove
            </Button>
          </View>
        ))}
      </View>
      {marking.photoIds.length === 0 ? <Body>Hold something for scale beside the wood.</Body> : null}
      <Button kind="main" disabled={marking.photoIds.length >= MOST_PHOTOS} onPress={press}>
        Take a photo
      </Button>
      <Button disabled={marking.photoIds.length >= MOST_PHOTOS} onPress={choose}>
        From the gallery
      </Button>
      {marking.baseRevision === null || marking.photoIds.length === 0 ? null : (
        <Small>A photo that you remove can be put back for 30 days: Book, Settings.</Small>
      )}
      <Small>
        The photo is made smaller and loses its place and camera data before it leaves this device.
      </Small>
    </Sheet>
  );
}
