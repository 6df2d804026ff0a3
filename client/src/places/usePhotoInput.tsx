// Takes one photo: from the camera or a file, made small here and without its place, kept until it is sent.
import { type ReactNode, useRef, useState } from 'react';
import { PhotoUnreadable, shrunk } from '../data/photo';
import { addPhoto } from '../data/writes';
import { Notice } from '../ui/Notice';

interface PhotoInput {
  /** Stands anywhere on the screen; it is not seen. */
  input: ReactNode;
  /** What went wrong, or nothing. */
  fault: ReactNode;
  /** Opens the camera or the files. */
  press(): void;
}

export function usePhotoInput(label: string, onTaken: (photoId: string) => void): PhotoInput {
  const input = useRef<HTMLInputElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      const photoId = await addPhoto(await shrunk(file));
      setFault(null);
      onTaken(photoId);
    } catch (error) {
      setFault(
        error instanceof PhotoUnreadable ? error.message : 'The photo could not be kept on this device.',
      );
    }
  };
  return {
    press: () => input.current?.click(),
    fault: fault ? (
      <Notice kind="caution" title="Not taken">
        {fault}
      </Notice>
    ) : null,
    input: (
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
    ),
  };
}
