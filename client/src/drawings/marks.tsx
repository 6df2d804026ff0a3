// Marks that do not rely on colour: the same in every drawing, in the legend, in both themes and in print.
import type { Disorder } from '@mortisect/core/disorders';
import { useId } from 'react';
import Svg, { Circle, Defs, G, Path, Pattern, Rect } from 'react-native-svg';
import type { Palette } from '../ui/tamagui.config';
import { usePalette } from '../ui/theme';

export type MarkKind = Disorder['kind'];

/** What a mark is made of, repeated over the wood. */
export interface MarkPattern {
  /** A square tile so long and high, px. */
  sizePx: number;
  ink: string;
  /** Filled dots, or strokes so thick. */
  dots: readonly { x: number; y: number; radius: number }[];
  strokes: { d: string; width: number } | null;
}

/** The marks of the four kinds of finding: the one description for drawings of both kinds, vector and bitmap. */
export function markPatterns({ plum, dead, ochre, slate }: Palette): Record<MarkKind, MarkPattern> {
  const dots = [1.3, 3.8].map((at) => ({ x: at, y: at, radius: 1.15 }));
  const hatch = (ink: string, sizePx: number, width: number, d: string): MarkPattern => ({
    ...{ ink, sizePx, dots: [] },
    strokes: { d, width },
  });
  return {
    diseased: { sizePx: 5, ink: plum, dots, strokes: null },
    dead: hatch(dead, 9, 1.3, 'M2 2L7 7M7 2L2 7'),
    damaged: hatch(ochre, 8, 1.4, 'M0 6L2 2L4 6L6 2L8 6'),
    misplaced: hatch(slate, 6, 1.2, 'M-1 7L7 -1M2 10L10 2M-4 4L4 -4'),
  };
}

/** Fills for the bands of a drawing; each drawing defines its own, under its own prefix. */
export function MarkPatterns({ prefix }: { prefix: string }) {
  const palette = usePalette();
  return (
    <Defs>
      {Object.entries(markPatterns(palette)).map(([kind, { sizePx, ink, dots, strokes }]) => (
        <Pattern
          key={kind}
          id={`${prefix}${kind}`}
          width={sizePx}
          height={sizePx}
          patternUnits="userSpaceOnUse"
        >
          <Rect width={sizePx} height={sizePx} fill={palette.paper} />
          {dots.map(({ x, y, radius }) => (
            <Circle key={x} cx={x} cy={y} r={radius} fill={ink} />
          ))}
          {strokes && <Path d={strokes.d} stroke={ink} strokeWidth={strokes.width} fill="none" />}
        </Pattern>
      ))}
    </Defs>
  );
}

export function useMarkInk(): Record<MarkKind, string> {
  const { plum, dead, ochre, slate } = usePalette();
  return { diseased: plum, dead, damaged: ochre, misplaced: slate };
}

/** The mark as a small swatch beside a word. */
export function Mark({ kind }: { kind: MarkKind }) {
  const prefix = `m${useId().replace(/\W/g, '')}`;
  const ink = useMarkInk()[kind];
  return (
    <Svg width={20} height={16} viewBox="0 0 20 16" aria-hidden>
      <MarkPatterns prefix={prefix} />
      <Rect
        x={1}
        y={1}
        width={18}
        height={14}
        fill={`url(#${prefix}${kind})`}
        stroke={ink}
        strokeWidth={1.4}
      />
    </Svg>
  );
}

/** The kerf: two slanted strokes across the wood at (x, y), reaching `half` up and down. */
interface KerfProps {
  x: number;
  y: number;
  half: number;
  thin?: boolean;
  /** Square across the wood; sloped otherwise. */
  square?: boolean;
}

/** The two strokes of a kerf, each from its foot to its head. */
export function kerfStrokes({ x, y, half, square = false }: Omit<KerfProps, 'thin'>) {
  const lean = square ? 0 : Math.min(7, half * 0.28);
  const apart = Math.min(8, Math.max(4.5, half * 0.34));
  return [x - apart / 2, x + apart / 2].map((at) => ({
    from: { x: at - lean, y: y + half },
    to: { x: at + lean, y: y - half },
  }));
}

/** How thick its strokes are, px. */
export const KERF_PX = 3.2;

export function Kerf({ thin = false, ...where }: KerfProps) {
  const { kerf } = usePalette();
  return (
    <G>
      <Path
        d={kerfStrokes(where)
          .map(({ from, to }) => `M${from.x} ${from.y}L${to.x} ${to.y}`)
          .join('')}
        stroke={kerf}
        strokeWidth={thin ? 1.6 : KERF_PX}
        strokeLinecap="square"
        {...(thin && { strokeDasharray: '3 3' })}
      />
    </G>
  );
}
