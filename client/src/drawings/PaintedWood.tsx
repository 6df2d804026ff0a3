// The wood of a tree as it is seen: ink on paper, painted as one bitmap.
import type { SeenWood, TreeSeen } from '@mortisect/core/sight';
import { createElement, useLayoutEffect, useMemo, useRef } from 'react';
import { usePalette } from '../ui/theme';
import { sized } from './canvas';

interface PaintedWoodProps {
  seen: TreeSeen;
  width: number;
  height: number;
  chosenId: string | null;
}

/** Ink on paper: the farther off, the paler. The wood is one bitmap, so that a large tree turns without waiting. */
export function PaintedWood({ seen, width, height, chosenId }: PaintedWoodProps) {
  const { ink, dead, paper, chalk } = usePalette();
  const canvas = useRef<HTMLCanvasElement>(null);
  const isQuiet = chosenId !== null && seen.wood.some(({ limbId }) => limbId === chosenId);
  const [fills, lines] = useMemo(() => {
    const strength = isQuiet ? 0.45 : 0.8;
    return [shades(paper, dead, 0.35 * strength, strength), shades(paper, ink, 0.45 * strength, strength)];
  }, [isQuiet, paper, dead, ink]);
  useLayoutEffect(() => {
    const context = sized(canvas.current, width, height);
    if (!context) return;
    const far = seen.wood[0]?.depthCm ?? 1;
    const near = seen.wood.at(-1)?.depthCm ?? 0;
    for (const piece of seen.wood) {
      const off = (piece.depthCm - near) / Math.max(1, far - near);
      const isChosen = piece.limbId === chosenId;
      const shade = Math.round(SHADES * (1 - off));
      // A twig is a line: two edges of it would be one
      if (piece.radii[0] < TWIG_PX) {
        context.beginPath();
        context.moveTo(piece.base.x, piece.base.y);
        context.lineTo(piece.tip.x, piece.tip.y);
        context.lineWidth = Math.max(0.8, piece.radii[0] + piece.radii[1]);
        context.strokeStyle = isChosen ? chalk : (lines[shade] as string);
        context.stroke();
        continue;
      }
      context.beginPath();
      trace(context, piece, true);
      context.closePath();
      context.fillStyle = isChosen ? chalk : (fills[shade] as string);
      context.fill();
      // Its two edges, and its end where it has one: pieces of one limb show no seam
      context.beginPath();
      trace(context, piece, piece.isTip);
      context.lineWidth = 0.8;
      context.strokeStyle = isChosen ? chalk : (lines[shade] as string);
      context.stroke();
    }
    context.strokeStyle = ink;
    context.lineWidth = 1;
    context.beginPath();
    context.moveTo(seen.foot.x - 40, seen.foot.y);
    context.lineTo(seen.foot.x + 40, seen.foot.y);
    context.stroke();
  }, [seen, width, height, chosenId, fills, lines, ink, chalk]);
  return createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: { width: '100%', height: height, display: 'block' },
  });
}

const SHADES = 8;
/** Half as thick as a line. */
const TWIG_PX = 1.1;

/** From far to near, each an opaque mixture: nearer wood hides what is behind it. */
function shades(paper: string, ink: string, least: number, most: number): string[] {
  const part = (colour: string, at: number) => Number.parseInt(colour.slice(at, at + 2), 16);
  return Array.from({ length: SHADES + 1 }, (_, i) => {
    const share = least + ((most - least) * i) / SHADES;
    const mixed = [1, 3, 5].map((at) =>
      Math.round(part(paper, at) + (part(ink, at) - part(paper, at)) * share),
    );
    return `rgb(${mixed.join(' ')})`;
  });
}

/** Along one edge of a piece to its tip and back along the other. @param round whether the end is drawn, so that bends show no gap */
function trace(
  context: CanvasRenderingContext2D,
  { outline: [a, b, c, d], tip, radii }: SeenWood,
  round: boolean,
): void {
  context.moveTo(a.x, a.y);
  context.lineTo(b.x, b.y);
  if (round) {
    const from = Math.atan2(b.y - tip.y, b.x - tip.x);
    context.arc(tip.x, tip.y, Math.max(0.2, radii[1]), from, from - Math.PI, true);
    context.lineTo(c.x, c.y);
  } else context.moveTo(c.x, c.y);
  context.lineTo(d.x, d.y);
}
