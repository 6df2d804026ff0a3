// Every tree of an orchard from above, with its rows and plots, painted as one bitmap.
import type { OrchardPlan as Plan } from '@mortisect/core/register';
import { createElement, useLayoutEffect, useMemo, useRef } from 'react';
import { useTextScale } from '../ui/size';
import type { Palette } from '../ui/tamagui.config';
import { usePalette } from '../ui/theme';
import { sized, useLetters } from './canvas';
import type { Look } from './look';
import { paintTree, type TreeMark, type TreeOnPlan } from './treeMarks';

/** A tree is drawn as its crown is wide, within what an eye tells apart. */
const CROWN_M = 1.5;
const RADIUS_PX = [2.2, 13] as const;
/** From so many px between trees on, each shows its number. */
const NUMBERED_PX = 30;

interface PaintedProps {
  plan: Plan;
  trees: ReadonlyMap<string, TreeOnPlan>;
  look: Look;
  atId: string | null;
  width: number;
  height: number;
}

/** One bitmap, so that thousands of trees move without waiting. */
export function PaintedOrchard({ plan, trees, look, atId, width, height }: PaintedProps) {
  const palette = usePalette();
  const textScale = useTextScale();
  const canvas = useRef<HTMLCanvasElement>(null);
  const stampOf = useStamps(palette);
  const letters = useLetters();
  // biome-ignore lint/correctness/useExhaustiveDependencies: other letters are painted again
  useLayoutEffect(() => {
    const context = sized(canvas.current, width, height);
    if (!context) return;
    const x = (metres: number) => look.x + metres * look.scale;
    const y = (metres: number) => look.y + metres * look.scale;
    const radius = Math.min(RADIUS_PX[1], Math.max(RADIUS_PX[0], CROWN_M * look.scale));
    context.textBaseline = 'alphabetic';
    for (const plot of plan.plots) {
      context.textAlign = 'left';
      context.font = `600 ${16 * textScale}px 'Barlow Condensed'`;
      context.fillStyle = palette.ink;
      context.fillText(plot.name, x(plot.x), y(plot.y) - 3);
      context.strokeStyle = palette.rule;
      context.lineWidth = 1.5;
      for (const { from, to } of plot.rows) {
        context.beginPath();
        context.moveTo(x(from.x), y(from.y));
        context.lineTo(x(to.x), y(to.y));
        context.stroke();
      }
      const [a, b] = plot.trees;
      const apart = a && b ? Math.hypot(b.x - a.x, b.y - a.y) * look.scale : 0;
      // The number stands below the ring, and over no tree of the next row
      const next = plot.rows.flatMap(({ from }) => (from.y > (a?.y ?? 0) ? [from.y - (a?.y ?? 0)] : []));
      const hasRoom = Math.min(...next) * look.scale >= 2 * radius + 14 * textScale;
      context.textAlign = 'center';
      context.font = `600 ${13 * textScale}px 'Barlow Condensed'`;
      for (const tree of plot.trees) {
        const at = { x: x(tree.x), y: y(tree.y) };
        const drawn = trees.get(tree.id);
        const isSeen = at.x > -radius && at.y > -radius && at.x < width + radius && at.y < height + radius;
        if (!drawn || !isSeen) continue;
        if (tree.id === atId) {
          context.fillStyle = palette.chalk;
          context.beginPath();
          context.arc(at.x, at.y, radius + 5, 0, 2 * Math.PI);
          context.fill();
        }
        const { number } = drawn;
        const mark: TreeMark = number === undefined ? drawn.mark : { ...drawn.mark, has: 'nothing' };
        const { stamp, half } = stampOf(mark, radius);
        context.drawImage(stamp, at.x - half, at.y - half, 2 * half, 2 * half);
        if (number !== undefined) {
          context.fillStyle = palette.ink;
          context.fillText(String(number), at.x, at.y + 5 * textScale);
        }
        if (apart < NUMBERED_PX || !hasRoom) continue;
        context.fillStyle = palette.soft;
        context.fillText(drawn.code.split(' ').at(-1) ?? '', at.x, at.y + radius + 13 * textScale);
      }
    }
  }, [plan, trees, look, atId, width, height, palette, textScale, stampOf, letters]);
  return createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: { width: '100%', height, display: 'block' },
  });
}

interface Stamp {
  stamp: HTMLCanvasElement;
  /** From its middle to its edge, px. */
  half: number;
}

/** Each mark is painted once for a size and then stamped: thousands of trees have a handful of marks. */
function useStamps(palette: Palette): (mark: TreeMark, radius: number) => Stamp {
  return useMemo(() => {
    const made = new Map<string, Stamp>();
    let size = 0;
    return (mark, radius) => {
      if (radius !== size) made.clear();
      size = radius;
      const key = `${mark.ring} ${mark.has} ${mark.warns}`;
      const known = made.get(key);
      if (known) return known;
      // Room for the ring's line and the triangle beside it
      const half = Math.ceil(radius * 1.5) + 1;
      const stamp = document.createElement('canvas');
      const context = sized(stamp, 2 * half, 2 * half);
      if (context) paintTree(context, { x: half, y: half }, radius, mark, palette);
      made.set(key, { stamp, half });
      return { stamp, half };
    };
  }, [palette]);
}

/** A mark beside a word. */
export function TreeSwatch({ mark }: { mark: TreeMark }) {
  const palette = usePalette();
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const context = sized(canvas.current, 24, 24);
    if (context) paintTree(context, { x: 12, y: 12 }, 8, mark, palette);
  }, [mark, palette]);
  return createElement('canvas', { ref: canvas, 'aria-hidden': true, style: { width: 24, height: 24 } });
}
