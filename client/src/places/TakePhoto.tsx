// One photo, shown as it was taken.

import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { PhotoImage } from './PhotoImage';
import { usePhotoInput } from './usePhotoInput';

interface TakePhotoProps {
  label: string;
  photoId: string | null;
  onTaken(photoId: string): void;
}

export function TakePhoto({ label, photoId, onTaken }: TakePhotoProps) {
  const say = useSay();
  const { input, fault, press, choose } = usePhotoInput(label, onTaken);
  return (
    <View gap={8}>
      {fault}
      {photoId ? <PhotoImage id={photoId} alt={label} /> : null}
      {input}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={press}>{photoId ? say('shared.takeItAgain') : say('shared.takeAPhoto')}</Button>
        <Button onPress={choose}>{say('shared.fromTheGallery')}</Button>
      </View>
    </View>
  );
}
