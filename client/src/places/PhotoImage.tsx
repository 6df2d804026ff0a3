// A photo on record, or one that waits to be sent.
import { useEffect, useState } from 'react';
import { useOutbox } from '../data/outbox';

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
