// Rows of a range on one line: low to high as a bar, the middle as a stroke, the figure beside it.

import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { Line, Rect } from 'react-native-svg';
import { elementRef } from '../ui/dom';
import { useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Label, Small } from '../ui/type';

interface RangeRow {
  name: string;
  range: readonly [number, number, number];
  /** The figure in words. */
  says: string;
  detail?: string;
  chosen?: boolean;
}

const HIGH = 22;

export function RangeBars({ rows, label }: { rows: RangeRow[]; label: string }) {
  const most = Math.max(1e-9, ...rows.map(({ range }) => range[2]));
  return (
    <View gap={12} role="list" aria-label={label}>
      {rows.map((row) => (
        <Bar key={row.name} row={row} most={most} />
      ))}
    </View>
  );
}

function Bar({ row, most }: { row: RangeRow; most: number }) {
  const { chalk, ink, rule, soft } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const at = (value: number) => (value / most) * (width - 4) + 2;
  const [low, middle, high] = row.range;
  return (
    <View role="listitem" gap={2}>
      <View flexDirection="row" justifyContent="space-between" gap={12}>
        <Label fontSize="$19" flex={1}>
          {row.chosen ? `✓ ${row.name}` : row.name}
        </Label>
        <Label fontSize="$19" textAlign="right">
          {row.says}
        </Label>
      </View>
      <View ref={elementRef(box)} width="100%" height={HIGH}>
        <Svg width={width} height={HIGH} aria-hidden>
          <Line x1={0} x2={width} y1={HIGH - 1} y2={HIGH - 1} stroke={rule} strokeWidth={1} />
          <Rect
            x={at(low)}
            y={5}
            width={Math.max(2, at(high) - at(low))}
            height={HIGH - 10}
            fill={row.chosen ? chalk : soft}
            opacity={0.45}
          />
          <Line x1={at(middle)} x2={at(middle)} y1={1} y2={HIGH - 2} stroke={ink} strokeWidth={3} />
        </Svg>
      </View>
      {row.detail ? <Small>{row.detail}</Small> : null}
    </View>
  );
}
