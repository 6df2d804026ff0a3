// Photos of a finding: from the camera or a file, made small here and without their place, kept until they are sent.
import { View } from '@tamagui/core';
import { useEffect, useRef, useState } from 'react';
import { useOutbox } from '../../../data/outbox';
import { PhotoUnreadable, shrunk } from '../../../data/photo';
import { addPhoto } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Small } from '../../../ui/type';
import type { SeenSheetProps } from './seen';

const MOST = 8;

export function PhotoSheet({ marking, onChange, open, onClose }: SeenSheetProps) {
  const input = useRef<HTMLInputElement>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      const photoId = await addPhoto(await shrunk(file));
      setFault(null);
      onChange({ ...marking, photoIds: [...marking.photoIds, photoId] });
    } catch (error) {
      setFault(
        error instanceof PhotoUnreadable ? error.message : 'The photo could not be kept on this device.',
      );
    }
  };
  return (
    <Sheet title="Photos" open={open} onClose={onClose} closeLabel="Done">
      {fault ? (
        <Notice kind="caution" title="Not taken">
          {fault}
        </Notice>
      ) : null}
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="Photo"
        style={{ display: 'none' }}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {marking.photoIds.map((id, i) => (
          <View key={id} gap={4}>
            <PhotoImage id={id} alt={`Photo ${i + 1} of this finding`} />
            <Button
              kind="quiet"
              aria-label={`Remove photo ${i + 1}`}
              onPress={() => onChange({ ...marking, photoIds: marking.photoIds.filter((one) => one !== id) })}
            >
              Remove
            </Button>
          </View>
        ))}
      </View>
      {marking.photoIds.length === 0 ? <Body>Hold something for scale beside the wood.</Body> : null}
      <Button kind="main" disabled={marking.photoIds.length >= MOST} onPress={() => input.current?.click()}>
        Take a photo
      </Button>
      <Small>
        The photo is made smaller and loses its place and camera data before it leaves this device.
      </Small>
    </Sheet>
  );
}

/** From the outbox while it waits there, else from the server. */
export function PhotoImage({ id, alt }: { id: string; alt: string }) {
  const waiting = useOutbox((outbox) =>
    outbox.items.find((item) => item.route === 'putPhoto' && item.recordId === id),
  );
  const [local, setLocal] = useState<string | null>(null);
  const file = (waiting?.input as { file?: Blob } | undefined)?.file;
  useEffect(() => {
    if (!file) return;
    const url = URL.createObjectURL(file);
    setLocal(url);
    return () => URL.revokeObjectURL(url);
  }, [file]);
  const source = file ? local : `/api/photos/${id}`;
  if (!source) return null;
  return (
    <img
      src={source}
      alt={alt}
      style={{ width: 156, height: 117, objectFit: 'cover', borderRadius: 3, display: 'block' }}
    />
  );
}
