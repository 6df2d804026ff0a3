// How a tree is drawn from above: a ring for what it was seen as, and in it what there is to do.
import type { Palette } from '../ui/tamagui.config';

export interface TreeMark {
  /** What it was seen as, or what its wood is: whole for sound, broken in part or suspect, dotted for infected; thin where there is nothing to say. */
  ring: 'thin' | 'whole' | 'broken' | 'dotted';
  has: 'nothing' | 'finding' | 'cut' | 'must' | 'later';
  /** People are in danger there, or it is an arborist’s: a triangle, beside what else there is to do. */
  warns: boolean;
}

export interface TreeOnPlan {
  code: string;
  mark: TreeMark;
  /** The same in words, with what there is to say of it. */
  says: string;
  /** Stands in the ring instead of the mark: its place in a run. */
  number?: number;
}

export function paintTree(
  context: CanvasRenderingContext2D,
  { x, y }: { x: number; y: number },
  radius: number,
  { ring, has, warns }: TreeMark,
  { paper, soft, leaf, ochre, plum, kerf }: Palette,
): void {
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.fillStyle = paper;
  context.fill();
  context.strokeStyle = { thin: soft, whole: leaf, broken: ochre, dotted: plum }[ring];
  context.lineWidth = Math.max(1, radius * (ring === 'thin' ? 0.12 : 0.28));
  context.setLineDash(
    { thin: [], whole: [], broken: [0.55, 0.4], dotted: [0.2, 0.24] }[ring].map((long) => long * radius),
  );
  context.stroke();
  context.setLineDash([]);
  const reach = radius * 0.55;
  if (warns) {
    const isAlone = has === 'nothing';
    triangle(
      context,
      isAlone ? { x, y } : { x: x + radius * 0.85, y: y - radius * 0.85 },
      isAlone ? reach : reach * 0.8,
    );
    context.fillStyle = kerf;
    context.fill();
  }
  if (has === 'nothing') return;
  if (has === 'finding') {
    context.fillStyle = plum;
    context.fillRect(x - reach * 0.75, y - reach * 0.75, reach * 1.5, reach * 1.5);
    return;
  }
  // Two strokes, as a kerf is drawn everywhere: bold where it must be now, thin where it comes later
  context.strokeStyle = has === 'later' ? soft : kerf;
  context.lineWidth = Math.max(1, radius * { cut: 0.2, must: 0.36, later: 0.14 }[has]);
  for (const aside of [-0.32, 0.32]) {
    context.beginPath();
    context.moveTo(x + radius * aside - reach * 0.4, y + reach);
    context.lineTo(x + radius * aside + reach * 0.4, y - reach);
    context.stroke();
  }
}

function triangle(
  context: CanvasRenderingContext2D,
  { x, y }: { x: number; y: number },
  reach: number,
): void {
  context.beginPath();
  context.moveTo(x, y - reach * 1.1);
  context.lineTo(x + reach, y + reach * 0.8);
  context.lineTo(x - reach, y + reach * 0.8);
  context.closePath();
}
