// What the simulated camera saw, painted like a photo: sky, grass, bark lit from one side, a pole in white and red.
import type { Painted, Picture, PictureSize } from '@mortisect/core/survey';

/** Paints over the whole canvas, which has the size of the picture. */
export function paintPicture(
  context: CanvasRenderingContext2D,
  { parts, horizon: [left, right] }: Picture,
  { widthPx, heightPx }: PictureSize,
): void {
  const sky = context.createLinearGradient(0, 0, 0, heightPx);
  sky.addColorStop(0, '#9fb7cc');
  sky.addColorStop(1, '#e4e9ea');
  context.fillStyle = sky;
  context.fillRect(0, 0, widthPx, heightPx);
  const grass = context.createLinearGradient(0, Math.min(left.y, right.y), 0, heightPx);
  grass.addColorStop(0, '#8d9a76');
  grass.addColorStop(1, '#5f6d49');
  context.fillStyle = grass;
  context.beginPath();
  context.moveTo(left.x, left.y);
  context.lineTo(right.x, right.y);
  context.lineTo(widthPx, heightPx);
  context.lineTo(0, heightPx);
  context.fill();
  for (const part of parts) paintPart(context, part);
}

const BARK = { lit: '#8a7a68', shade: '#41362b' };
const POLE = { white: ['#ffffff', '#c9c9c9'], red: ['#c8402f', '#7f2015'] } as const;

function paintPart(context: CanvasRenderingContext2D, { outline, of }: Painted): void {
  const [a, b, c, d] = outline as [Corner, Corner, Corner, Corner];
  // Light falls across the wood
  const [from, to] = a.x < d.x ? [a, d] : [d, a];
  const across = context.createLinearGradient(from.x, from.y, to.x, to.y);
  const [lit, shade] = of === 'wood' ? [BARK.lit, BARK.shade] : POLE[of];
  across.addColorStop(0.1, lit);
  across.addColorStop(0.9, shade);
  context.fillStyle = across;
  context.beginPath();
  context.moveTo(a.x, a.y);
  for (const corner of [b, c, d]) context.lineTo(corner.x, corner.y);
  context.closePath();
  context.fill();
  if (of !== 'wood') return;
  // Pieces of one limb meet without a gap
  context.beginPath();
  context.arc((b.x + c.x) / 2, (b.y + c.y) / 2, Math.hypot(b.x - c.x, b.y - c.y) / 2, 0, 2 * Math.PI);
  context.fill();
}

interface Corner {
  x: number;
  y: number;
}
