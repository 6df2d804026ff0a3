// Takes one photo: from the camera or a file, made small here and without its place, kept until it is sent.

import { type ReactNode, type RefObject, useRef, useState } from 'react';
import { PhotoUnreadable, shrunk } from '../data/photo';
import { useSay } from '../data/useSay';
import { addPhoto } from '../data/writes';
import { Notice } from '../ui/Notice';

interface PhotoInput {
  /** Stands anywhere on the screen; it is not seen. */
  input: ReactNode;
  /** What went wrong, or nothing. */
  fault: ReactNode;
  /** Opens the camera where there is one. */
  press(): void;
  /** Opens the photos that are on the device. */
  choose(): void;
}

export function usePhotoInput(label: string, onTaken: (photoId: string) => void): PhotoInput {
  const say = useSay();
  const camera = useRef<HTMLInputElement>(null);
  const gallery = useRef<HTMLInputElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      const photoId = await addPhoto(await shrunk(file));
      setFault(null);
      onTaken(photoId);
    } catch (error) {
      setFault(
        say(
          error instanceof PhotoUnreadable
            ? 'shared.thisFileIsNoPhotoThatCan'
            : 'shared.thePhotoCouldNotBeKeptOn',
        ),
      );
    }
  };
  return {
    press: () => camera.current?.click(),
    choose: () => gallery.current?.click(),
    fault: fault ? (
      <Notice kind="caution" title={say('shared.notTaken')}>
        {fault}
      </Notice>
    ) : null,
    input: (
      <>
        <PhotoFile at={camera} label={label} capture onTaken={take} />
        <PhotoFile at={gallery} label={say('shared.fromTheGallery2', { label })} onTaken={take} />
      </>
    ),
  };
}

/** The device’s own camera, or its photos; it is not seen. */
export function PhotoFile({
  at,
  label,
  capture = false,
  onTaken,
}: {
  at: RefObject<HTMLInputElement | null>;
  label: string;
  capture?: boolean;
  onTaken(file: File | undefined): void;
}) {
  return (
    <input
      ref={at}
      type="file"
      accept="image/*"
      {...(capture && { capture: 'environment' as const })}
      aria-label={label}
      style={{ display: 'none' }}
      onChange={(event) => {
        onTaken(event.target.files?.[0]);
        event.target.value = '';
      }}
    />
  );
}
