// What does a photo say of the lens that took it? Read before all that the camera wrote is taken off.
import exifr from 'exifr/dist/mini.umd.js';

/** Tags by number. Source: CIPA DC-008 (Exif), from memory. */
const FOCAL_35 = 41_989;
const DIGITAL_ZOOM = 41_988;
const WIDTH = 40_962;
const HEIGHT = 40_963;

/** Saying twice as near by less than this is not a zoom. */
const NO_ZOOM = 1.01;

/**
 * The focal length as on 35-mm film; null where the photo does not say, was zoomed in the camera, or was cropped since.
 *
 * @param takenPx width and height as the picture is now
 */
export async function focalOf(file: Blob, takenPx: readonly [number, number]): Promise<number | null> {
  const said = await exifr
    .parse(file, { tiff: true, exif: true, gps: false, translateKeys: false })
    .catch(() => undefined);
  return plainFocal((said ?? {}) as Record<number, unknown>, takenPx);
}

export function plainFocal(said: Record<number, unknown>, takenPx: readonly [number, number]): number | null {
  const [focal, zoom, width, height] = [FOCAL_35, DIGITAL_ZOOM, WIDTH, HEIGHT].map((tag) =>
    Number(said[tag]),
  );
  if (!focal || !(focal >= 8 && focal <= 400)) return null;
  if (zoom && zoom > NO_ZOOM) return null;
  // It may have been turned since, but not cut
  const shape = (a: number, b: number) => Math.max(a, b) / Math.min(a, b);
  const isCropped = width && height && Math.abs(shape(width, height) / shape(...takenPx) - 1) > 0.01;
  return isCropped ? null : focal;
}
