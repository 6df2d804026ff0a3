// One photo: from the camera or a file, made small here and without its place, kept until it is sent.
import { View } from '@tamagui/core';
import { useRef, useState } from 'react';
import { PhotoUnreadable, shrunk } from '../data/photo';
import { addPhoto } from '../data/writes';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { PhotoImage } from './round/marking/PhotoSheet';

interface TakePhotoProps {
  label: string;
  photoId: string | null;
  onTaken(photoId: string): void;
}

export function TakePhoto({ label, photoId, onTaken }: TakePhotoProps) {
  const input = useRef<HTMLInputElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      onTaken(await addPhoto(await shrunk(file)));
      setFault(null);
    } catch (error) {
      setFault(
        error instanceof PhotoUnreadable ? error.message : 'The photo could not be kept on this device.',
      );
    }
  };
  return (
    <View gap={8}>
      {fault ? (
        <Notice kind="caution" title="Not taken">
          {fault}
        </Notice>
      ) : null}
      {photoId ? <PhotoImage id={photoId} alt={label} /> : null}
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={label}
        style={{ display: 'none' }}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <View flexDirection="row">
        <Button onPress={() => input.current?.click()}>{photoId ? 'Take it again' : 'Take a photo'}</Button>
      </View>
    </View>
  );
}
