// Curves over days or hours with a cursor: values are read by touch, by arrow keys, and as a table by a screen reader.
import { View } from '@tamagui/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useRef } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { UnseenTable } from '../ui/Unseen';
import { Cursor } from './Cursor';

interface ChartAxis {
  name: string;
  domain: readonly [number, number];
  ticks: readonly number[];
  text(value: number): string;
}

interface ChartLine {
  name: string;
  values: readonly (number | null)[];
  colour: string;
  dash?: string;
  axis?: 'left' | 'right';
}

interface ChartProps {
  label: string;
  /** Places along the foot. */
  count: number;
  left: ChartAxis;
  right?: ChartAxis;
  lines: readonly ChartLine[];
  band?: { low: readonly number[]; high: readonly number[]; colour: string };
  bars?: { values: readonly (number | null)[]; colour: string; axis?: 'left' | 'right' };
  /** Spans along the foot, such as night or what is not forecast. */
  spans?: readonly { from: number; to: number; colour: string; opacity: number }[];
  foot: readonly { at: number; text: string }[];
  at: number;
  onAt(at: number): void;
  /** What the cursor stands at, in words. */
  valueText: string;
  table: { head: readonly string[]; rows: readonly (readonly string[])[] };
  height?: number;
}

const LEFT = 36;
const RIGHT = 34;
const FOOT = 22;

export function Chart(props: ChartProps) {
  const {
    label,
    count,
    left,
    right,
    lines,
    band,
    bars,
    spans = [],
    foot,
    at,
    onAt,
    valueText,
    table,
  } = props;
  const { soft, rule, chalk, ground } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const fontSize = 14 * useTextScale();
  const height = props.height ?? 170;
  const top = fontSize + 8;
  const end = width - (right ? RIGHT : 8);
  const x = scaleLinear([0, Math.max(1, count - 1)], [LEFT + 4, end - 4]);
  const scaleOf = (axis: ChartAxis) => scaleLinear(axis.domain, [height - FOOT, top]).clamp(true);
  const yLeft = scaleOf(left);
  const yRight = right ? scaleOf(right) : yLeft;
  const yOf = (axis?: 'left' | 'right') => (axis === 'right' ? yRight : yLeft);
  const placeAt = (px: number) => Math.max(0, Math.min(count - 1, Math.round(x.invert(px))));
  const label14 = { fontFamily: 'Barlow Condensed', fontWeight: '600' as const, fontSize };
  const step = count > 1 ? x(1) - x(0) : 12;
  return (
    <View position="relative">
      <Cursor
        box={box}
        label={label}
        valueText={valueText}
        height={height}
        at={at}
        count={count}
        far={7}
        placeAt={placeAt}
        onAt={onAt}
      >
        <Svg width={width} height={height} aria-hidden>
          {spans.map((span) => (
            <Rect
              key={`${span.from}-${span.colour}`}
              x={x(span.from) - step / 2}
              y={top}
              width={Math.max(1, (span.to - span.from) * step)}
              height={height - FOOT - top}
              fill={span.colour}
              opacity={span.opacity}
            />
          ))}
          {left.ticks.map((tick) => (
            <G key={tick}>
              <Line x1={LEFT} x2={end} y1={yLeft(tick)} y2={yLeft(tick)} stroke={rule} strokeWidth={1} />
              <Text {...label14} x={LEFT - 4} y={yLeft(tick) + fontSize / 3} fill={soft} textAnchor="end">
                {left.text(tick)}
              </Text>
            </G>
          ))}
          {right?.ticks.map((tick) => (
            <Text key={tick} {...label14} x={end + 4} y={yRight(tick) + fontSize / 3} fill={soft}>
              {right.text(tick)}
            </Text>
          ))}
          <Text {...label14} x={2} y={fontSize} fill={soft}>
            {left.name}
          </Text>
          {right ? (
            <Text {...label14} x={width - 2} y={fontSize} fill={soft} textAnchor="end">
              {right.name}
            </Text>
          ) : null}
          {bars?.values.map((value, i) =>
            value === null || value <= 0 ? null : (
              <Rect
                key={`${x(i)}`}
                x={x(i) - Math.max(1, step * 0.35)}
                y={yOf(bars.axis)(value)}
                width={Math.max(2, step * 0.7)}
                height={height - FOOT - yOf(bars.axis)(value)}
                fill={bars.colour}
                opacity={0.65}
              />
            ),
          )}
          {band ? (
            <Path
              d={
                area<number>()
                  .x((_, i) => x(i))
                  .y0((_, i) => yLeft(band.low[i] as number))
                  .y1((high) => yLeft(high))([...band.high]) ?? ''
              }
              fill={band.colour}
              opacity={0.2}
            />
          ) : null}
          {lines.map((chartLine) => (
            <Path
              key={chartLine.name}
              d={
                line<number | null>()
                  .defined((value) => value !== null)
                  .x((_, i) => x(i))
                  .y((value) => yOf(chartLine.axis)(value as number))([...chartLine.values]) ?? ''
              }
              stroke={chartLine.colour}
              strokeWidth={2.6}
              strokeDasharray={chartLine.dash}
              fill="none"
            />
          ))}
          {foot.map((tick) => (
            <Text
              key={`${tick.at}-${tick.text}`}
              {...label14}
              x={x(tick.at)}
              y={height - 4}
              fill={soft}
              textAnchor="middle"
            >
              {tick.text}
            </Text>
          ))}
          <Line
            x1={x(at)}
            x2={x(at)}
            y1={top - 2}
            y2={height - FOOT}
            stroke={chalk}
            strokeWidth={2.4}
            strokeDasharray="6 4"
          />
          {lines.map((line) => {
            const value = line.values[at] ?? null;
            return value === null ? null : (
              <Circle
                key={line.name}
                cx={x(at)}
                cy={yOf(line.axis)(value)}
                r={5}
                fill={ground}
                stroke={line.colour}
                strokeWidth={2.6}
              />
            );
          })}
          <Circle cx={x(at)} cy={height - FOOT} r={8} fill={chalk} stroke={ground} strokeWidth={2} />
        </Svg>
      </Cursor>
      <UnseenTable caption={label} {...table} />
    </View>
  );
}

/** What the lines of a chart are, beside it. */
export function ChartKey({ lines }: { lines: readonly Pick<ChartLine, 'name' | 'colour' | 'dash'>[] }) {
  const { ink } = usePalette();
  return (
    <View flexDirection="row" flexWrap="wrap" columnGap={16} rowGap={4} aria-hidden>
      {lines.map(({ name, colour, dash }) => (
        <View key={name} flexDirection="row" alignItems="center" gap={6} maxWidth="100%">
          <Svg width={26} height={12} style={{ flexShrink: 0 }}>
            <Line x1={1} x2={25} y1={6} y2={6} stroke={colour} strokeWidth={3} strokeDasharray={dash} />
          </Svg>
          <span style={{ fontFamily: 'Barlow Condensed', fontWeight: 600, fontSize: '1rem', color: ink }}>
            {name}
          </span>
        </View>
      ))}
    </View>
  );
}
