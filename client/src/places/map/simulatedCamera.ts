// A simulated camera: photographs a tree that is mapped already, for trial and for tests. It says that it is simulated.
import { pictureOf, simulatedLens } from '@mortisect/core/survey';
import type { Limb } from '@mortisect/core/tree';
import { asJpeg, PhotoUnreadable } from '../../data/photo';
import type { SurveyPicture } from '../../data/surveyPictures';
import { paintPicture } from '../../drawings/paintedPhoto';

const SIZE = { widthPx: 1200, heightPx: 1600 };

/** A photo as somebody would take it who says that they stand there; how far they really stand is not told. */
export async function simulatedPhoto(
  { id, limbs }: { id: string; limbs: Limb[] },
  said: { bearingDeg: number; awayCm: number; eyeCm: number },
  poleCm: number,
): Promise<SurveyPicture> {
  const lens = simulatedLens(limbs, said, SIZE);
  const picture = pictureOf(limbs, lens, SIZE, poleCm);
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width: SIZE.widthPx, height: SIZE.heightPx });
  const context = canvas.getContext('2d');
  if (!context) throw new PhotoUnreadable();
  paintPicture(context, picture, SIZE);
  return { ...SIZE, blob: await asJpeg(canvas), focalMm35: picture.focalMm35, simulatedOf: id };
}
