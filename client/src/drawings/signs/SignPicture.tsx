// A line drawing of a sign: one of the ways it can look. It says that it is a drawing, and what of.
import { drawnSign } from '@mortisect/core/diagnosis';
import { useId, useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { usePalette } from '../../ui/theme';
import { type MarkKind, MarkPatterns } from '../marks';
import { shapesOf } from './marks';
import { type Shape, VIEW } from './scenes';

const isMark = (fill: string): fill is MarkKind =>
  fill === 'diseased' || fill === 'dead' || fill === 'damaged' || fill === 'misplaced';

interface SignPictureProps {
  code: string;
  /** What it shows, in the reader’s language. */
  label: string;
  /** Width in px. */
  width?: number;
  /** The same draws the same: of one finding the drawing does not change. */
  seed?: number;
}

export function SignPicture({ code, label, width = 88, seed = 1 }: SignPictureProps) {
  const say = useSay();
  const palette = usePalette();
  const prefix = `s${useId().replace(/\W/g, '')}`;
  const shapes = useMemo(() => {
    const drawn = drawnSign(code, seed);
    return drawn ? shapesOf(drawn) : [];
  }, [code, seed]);
  if (shapes.length === 0) return null;
  const filled = ({ fill }: Shape) => {
    if (!fill) return 'none';
    return isMark(fill) ? `url(#${prefix}${fill})` : palette[fill];
  };
  return (
    <Svg
      width={width}
      height={(width * VIEW.height) / VIEW.width}
      viewBox={`0 0 ${VIEW.width} ${VIEW.height}`}
      role="img"
      aria-label={say('shared.drawingOf', { sign: label })}
    >
      <MarkPatterns prefix={prefix} />
      <Rect width={VIEW.width} height={VIEW.height} fill={palette.ground} />
      {shapes.map((shape, i) => (
        <Path
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no names, and their order is the drawing
          key={i}
          d={shape.d}
          fill={filled(shape)}
          fillRule="evenodd"
          stroke={shape.stroke ? palette[shape.stroke] : 'none'}
          strokeWidth={shape.width ?? 0}
          strokeLinecap="round"
          strokeLinejoin="round"
          opacity={shape.opacity ?? 1}
        />
      ))}
    </Svg>
  );
}
