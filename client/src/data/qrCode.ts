// QR codes, read and drawn. Only who reads a tag or wants a label needs this: it is loaded then.
import encodeQR from 'qr';
import decodeQR from 'qr/decode.js';

const LONGEST_PX = 1000;

/** Rows of the code of a text, true where it is dark, with its quiet zone. */
export function qrRows(text: string): boolean[][] {
  return encodeQR(text, 'raw');
}

/** The text of a QR code on a photo, or null where there is none. */
export async function tagInPhoto(file: Blob): Promise<string | null> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!picture) return null;
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
  try {
    return decodeQR({ data, width, height }).trim() || null;
  } catch {
    return null;
  }
}
