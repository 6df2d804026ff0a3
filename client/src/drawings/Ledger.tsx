// The crown ledger: the whole living crown as a bar. Kept, coming off this season by reason, later; the limit as a notch; dead wood outside.

import { View } from '@tamagui/core';
import { useId, useRef } from 'react';
import Svg, { G, Line, Path, Rect, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { elementRef } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { type MarkKind, MarkPatterns, useMarkInk } from './marks';

export interface LedgerPart {
  key: string;
  kind: MarkKind;
  /** Thousandths of the living crown. */
  crown: number;
  /** This season, or a later one. */
  later: boolean;
}

/** Width of a letter of Barlow Condensed 600 beside its height, on the safe side. */
const LETTER = 0.47;

interface LedgerProps {
  parts: LedgerPart[];
  /** Thousandths, of the season at hand; null where the crown as a whole has none. */
  limit: number | null;
  /** Crown that does not count toward the limit is drawn before the notch is measured. */
  exempt: number;
  deadSteps: number;
  says: string;
}

const HEIGHT = 22;
const TOP = 16;

export function Ledger({ parts, limit, exempt, deadSteps, says }: LedgerProps) {
  const say = useSay();
  const { ink, soft, leaf, paper } = usePalette();
  const inks = useMarkInk();
  const prefix = `l${useId().replace(/\W/g, '')}`;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const fontSize = 14 * useTextScale();
  const deadWidth = deadSteps > 0 ? 34 : 0;
  const bar = width - deadWidth - (deadWidth > 0 ? 10 : 0);
  const px = (crown: number) => (Math.min(1000, crown) / 1000) * bar;
  let at = 0;
  const drawn = parts
    .filter((part) => part.crown > 0)
    .map((part) => {
      const x = at;
      at += px(part.crown);
      return { ...part, x, width: Math.max(2, px(part.crown)) };
    });
  const notch = limit === null ? null : px(limit + exempt);
  const limitWords =
    limit === null
      ? ''
      : say('shared.limit', {
          limit: Math.round(limit / 10),
          more: exempt > 0 ? say('shared.beyondDisease') : '',
        });
  const wide = (words: string) => words.length * fontSize * LETTER;
  // Beside its notch where there is room; words of one language are half as long again as those of another
  const room = width - (deadWidth > 0 ? wide(say('shared.dead')) + 8 : 0) - wide(limitWords);
  const limitX = Math.max(wide(say('shared.livingCrown')) + 10, Math.min((notch ?? 0) + 6, room));
  return (
    <View ref={elementRef(box)} width="100%">
      <Svg width={width} height={TOP + HEIGHT + 6 + fontSize} role="img" aria-label={says}>
        <MarkPatterns prefix={prefix} />
        <Rect x={0} y={TOP} width={bar} height={HEIGHT} fill={leaf} opacity={0.28} />
        {drawn.map((part) => (
          <G key={part.key} opacity={part.later ? 0.55 : 1}>
            <Rect x={part.x} y={TOP} width={part.width} height={HEIGHT} fill={paper} />
            <Rect
              x={part.x}
              y={TOP}
              width={part.width}
              height={HEIGHT}
              fill={`url(#${prefix}${part.kind})`}
              stroke={inks[part.kind]}
              strokeWidth={1.2}
              {...(part.later && { strokeDasharray: '3 2' })}
            />
          </G>
        ))}
        <Rect x={0.75} y={TOP} width={bar - 1.5} height={HEIGHT} fill="none" stroke={ink} strokeWidth={1.5} />
        {notch === null ? null : (
          <G>
            <Line x1={notch} x2={notch} y1={TOP - 8} y2={TOP + HEIGHT + 5} stroke={ink} strokeWidth={2.8} />
            <Path d={`M${notch - 5} ${TOP - 9}L${notch + 5} ${TOP - 9}L${notch} ${TOP - 2}Z`} fill={ink} />
          </G>
        )}
        <Text
          x={2}
          y={TOP + HEIGHT + 4 + fontSize}
          fontSize={fontSize}
          fill={soft}
          fontFamily="Barlow Condensed"
          fontWeight="600"
        >
          {say('shared.livingCrown')}
        </Text>
        <Text
          x={limitX}
          y={TOP + HEIGHT + 4 + fontSize}
          fontSize={fontSize}
          fill={ink}
          fontFamily="Barlow Condensed"
          fontWeight="600"
        >
          {limitWords}
        </Text>
        {deadWidth > 0 ? (
          <G>
            <Rect
              x={bar + 10}
              y={TOP}
              width={deadWidth - 1}
              height={HEIGHT}
              fill={`url(#${prefix}dead)`}
              stroke={inks.dead}
              strokeWidth={1.2}
              strokeDasharray="3 2"
            />
            <Text
              x={width - 1}
              textAnchor="end"
              y={TOP + HEIGHT + 4 + fontSize}
              fontSize={fontSize}
              fill={soft}
              fontFamily="Barlow Condensed"
              fontWeight="600"
            >
              {say('shared.dead')}
            </Text>
          </G>
        ) : null}
      </Svg>
    </View>
  );
}
