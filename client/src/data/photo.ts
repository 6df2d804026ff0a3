// A photo made small enough to send: drawn anew, so that nothing the camera wrote into it goes along.
const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** The file is no picture that this device can read. */
export class PhotoUnreadable extends Error {
  constructor() {
    super('This file is no photo that can be read here.');
    this.name = 'PhotoUnreadable';
  }
}

/** The picture has more pixels than this device should be asked to hold. */
export class PhotoTooLarge extends Error {
  readonly megapixels: number;
  constructor(pixels: number) {
    super('This photo has too many pixels.');
    this.name = 'PhotoTooLarge';
    this.megapixels = Math.round(pixels / 1e6);
  }
}

/** More than that no plain photo of a phone has, and a slow one runs out of memory over it. Common practice, no source. */
export const MOST_PIXELS = 50_000_000;

/** @returns a JPEG of at most 1,600 px a side, upright, without EXIF or place */
export async function shrunk(file: Blob): Promise<Blob> {
  return (await shrunkPicture(file)).blob;
}

/**
 * A photo with its size as it is kept, and the size that the camera gave it.
 *
 * @throws {PhotoUnreadable}
 * @throws {PhotoTooLarge}
 */
export async function shrunkPicture(
  file: Blob,
): Promise<{ blob: Blob; widthPx: number; heightPx: number; takenPx: [number, number] }> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new PhotoUnreadable();
  });
  const takenPx: [number, number] = [picture.width, picture.height];
  if (picture.width * picture.height > MOST_PIXELS) {
    picture.close();
    throw new PhotoTooLarge(takenPx[0] * takenPx[1]);
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  const context = canvas.getContext('2d');
  if (!context) throw new PhotoUnreadable();
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await asJpeg(canvas);
  return { blob, widthPx: canvas.width, heightPx: canvas.height, takenPx };
}

/** @throws {PhotoUnreadable} where the browser makes no picture of it */
export function asJpeg(canvas: HTMLCanvasElement): Promise<Blob> {
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new PhotoUnreadable())), 'image/jpeg', QUALITY),
  );
}
