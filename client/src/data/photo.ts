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

/** @returns a JPEG of at most 1,600 px a side, upright, without EXIF or place */
export async function shrunk(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new PhotoUnreadable();
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  const context = canvas.getContext('2d');
  if (!context) throw new PhotoUnreadable();
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new PhotoUnreadable())), 'image/jpeg', QUALITY),
  );
}
