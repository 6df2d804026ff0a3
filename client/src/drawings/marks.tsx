// Marks that do not rely on colour: the same in every drawing, in the legend, in both themes and in print.
import type { Disorder } from '@mortisect/core/disorders';
import { useId } from 'react';
import Svg, { Circle, Defs, G, Path, Pattern, Rect } from 'react-native-svg';
import { usePalette } from '../ui/theme';

export type MarkKind = Disorder['kind'];

/** Fills for the bands of a drawing; each drawing defines its own, under its own prefix. */
export function MarkPatterns({ prefix }: { prefix: string }) {
  const { plum, dead, ochre, slate, paper } = usePalette();
  return (
    <Defs>
      <Pattern id={`${prefix}diseased`} width={5} height={5} patternUnits="userSpaceOnUse">
        <Rect width={5} height={5} fill={paper} />
        <Circle cx={1.3} cy={1.3} r={1.15} fill={plum} />
        <Circle cx={3.8} cy={3.8} r={1.15} fill={plum} />
      </Pattern>
      <Pattern id={`${prefix}dead`} width={9} height={9} patternUnits="userSpaceOnUse">
        <Rect width={9} height={9} fill={paper} />
        <Path d="M2 2L7 7M7 2L2 7" stroke={dead} strokeWidth={1.3} />
      </Pattern>
      <Pattern id={`${prefix}damaged`} width={8} height={8} patternUnits="userSpaceOnUse">
        <Rect width={8} height={8} fill={paper} />
        <Path d="M0 6L2 2L4 6L6 2L8 6" stroke={ochre} strokeWidth={1.4} fill="none" />
      </Pattern>
      <Pattern id={`${prefix}misplaced`} width={6} height={6} patternUnits="userSpaceOnUse">
        <Rect width={6} height={6} fill={paper} />
        <Path d="M-1 7L7 -1M2 10L10 2M-4 4L4 -4" stroke={slate} strokeWidth={1.2} />
      </Pattern>
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

export function Kerf({ x, y, half, thin = false, square = false }: KerfProps) {
  const { kerf } = usePalette();
  const lean = square ? 0 : Math.min(7, half * 0.28);
  const apart = Math.min(8, Math.max(4.5, half * 0.34));
  const stroke = (at: number) => `M${at - lean} ${y + half}L${at + lean} ${y - half}`;
  return (
    <G>
      <Path
        d={stroke(x - apart / 2) + stroke(x + apart / 2)}
        stroke={kerf}
        strokeWidth={thin ? 1.6 : 3.2}
        strokeLinecap="square"
        {...(thin && { strokeDasharray: '3 3' })}
      />
    </G>
  );
}
