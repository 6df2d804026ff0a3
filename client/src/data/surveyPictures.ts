// Photos that a tree is measured by: on this device alone, until its limb map is saved.
import { createStore, del, get, set } from 'idb-keyval';
import { useEffect, useState } from 'react';
import { focalOf } from './focal';
import { shrunkPicture } from './photo';

export interface SurveyPicture {
  blob: Blob;
  widthPx: number;
  heightPx: number;
  focalMm35: number | null;
  /** The tree that a simulated camera has drawn it from; null for a photo. */
  simulatedOf: string | null;
}

const store = typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-survey', 'pictures');
const keyOf = (treeId: string, which: number) => `${treeId}/${which}`;

/**
 * @throws {PhotoUnreadable}
 * @throws {PhotoTooLarge}
 */
export async function pictureFrom(file: Blob): Promise<SurveyPicture> {
  const { takenPx, ...picture } = await shrunkPicture(file);
  return { ...picture, focalMm35: await focalOf(file, takenPx), simulatedOf: null };
}

export async function keepPicture(treeId: string, which: number, picture: SurveyPicture): Promise<void> {
  if (store) await set(keyOf(treeId, which), picture, store);
}

export async function dropPictures(treeId: string): Promise<void> {
  if (store) await Promise.all([0, 1].map((which) => del(keyOf(treeId, which), store)));
}

/** Address of a photo that is kept here; null while it is read, or where there is none. @param version another one was taken */
export function usePictureUrl(
  treeId: string,
  which: number,
  version: number,
): { url: string | null; isRead: boolean } {
  const [found, setFound] = useState<{ url: string | null; isRead: boolean }>({ url: null, isRead: false });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another version is another photo under the same key
  useEffect(() => {
    let url: string | null = null;
    let gone = false;
    const reading = store ? get<SurveyPicture>(keyOf(treeId, which), store) : Promise.resolve(undefined);
    void reading
      .catch(() => undefined)
      .then((picture) => {
        if (gone) return;
        url = picture ? URL.createObjectURL(picture.blob) : null;
        setFound({ url, isRead: true });
      });
    return () => {
      gone = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [treeId, which, version]);
  return found;
}
