// Cutting weather as lanes: a row for each kind of wood, a column for each day, its morning and its afternoon. Good is filled with a tick, possible a low outlined block, wait a line at the bottom.

import type { Lane, LaneCell } from '@mortisect/contracts';
import { rainReading, type Units } from '@mortisect/core/measure';
import type { Say } from '@mortisect/words';
import { joined, laneName, VERDICT_WORDS } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { G, Line, Path, Rect, Text } from 'react-native-svg';
import { weekday } from '../../data/moment';
import { useSay } from '../../data/useSay';
import { useTextScale, useWidthOf } from '../../ui/size';
import { usePalette } from '../../ui/theme';
import { UnseenTable } from '../../ui/Unseen';
import { Cursor } from '../Cursor';

interface LanesProps {
  lanes: Lane[];
  days: readonly { day: string; rainMm: number | null }[];
  units: Units;
  lane: number;
  day: number;
  onChoose(lane: number, day: number): void;
}

const HEAD = 42;
const RAIN = 30;
const LANE = 50;
const BLOCK = 30;
const MOST_RAIN_MM = 12;

export function Lanes({ lanes, days, units, lane, day, onChoose }: LanesProps) {
  const say = useSay();
  const palette = usePalette();
  const { ink, soft, rule, chalk } = palette;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 358;
  const scale = useTextScale();
  const fontSize = 14 * scale;
  const left = Math.min(112, Math.max(84, width * 0.2)) * Math.min(1.2, scale);
  const column = (width - left) / Math.max(1, days.length);
  const height = HEAD + RAIN + lanes.length * LANE + 4;
  const type = { fontFamily: 'Barlow Condensed', fontWeight: '600' as const };
  const placeAt = (x: number, y: number) => {
    const d = Math.floor((x - left) / column);
    const l = Math.floor((y - HEAD - RAIN) / LANE);
    return (
      (l < 0 ? lane : Math.min(lanes.length - 1, l)) * days.length +
      (d < 0 ? day : Math.min(days.length - 1, d))
    );
  };
  const chosen = lanes[lane];
  return (
    <View position="relative">
      <Cursor
        box={box}
        label={say('shared.cuttingWeatherUpAndDownByKind')}
        valueText={`${chosen ? laneName(say, chosen) : ''}, ${days[day]?.day ?? ''}: ${chosen ? said(say, cellsOf(chosen, days[day]?.day ?? '')) : ''}`}
        height={height}
        at={lane * days.length + day}
        count={lanes.length * days.length}
        across={days.length}
        tapsOnly
        placeAt={placeAt}
        onAt={(at) => onChoose(Math.floor(at / days.length), at % days.length)}
      >
        <Svg width={width} height={height} aria-hidden>
          <Rect x={left + day * column} y={0} width={column} height={height} fill={chalk} opacity={0.12} />
          <Rect x={0} y={HEAD + RAIN + lane * LANE} width={width} height={LANE} fill={chalk} opacity={0.12} />
          <Text {...type} x={0} y={HEAD + RAIN - 6} fontSize={fontSize} fill={soft}>
            {say('shared.rain2')}
          </Text>
          {days.map((day, d) => {
            const middle = left + (d + 0.5) * column;
            const { name, number } = weekday(day.day);
            const rain = Math.min(MOST_RAIN_MM, day.rainMm ?? 0);
            const tall = (rain / MOST_RAIN_MM) * (RAIN - 6);
            return (
              <G key={day.day}>
                <Text {...type} x={middle} y={fontSize} fontSize={fontSize} fill={soft} textAnchor="middle">
                  {column < 24 ? name.slice(0, 2) : name}
                </Text>
                <Text
                  {...type}
                  x={middle}
                  y={fontSize + 19 * scale}
                  fontSize={18 * scale}
                  fill={ink}
                  textAnchor="middle"
                >
                  {number}
                </Text>
                {rain > 0 ? (
                  <Rect
                    x={middle - column * 0.38}
                    y={HEAD + RAIN - 2 - Math.max(2, tall)}
                    width={column * 0.76}
                    height={Math.max(2, tall)}
                    fill={chalk}
                    opacity={0.65}
                  />
                ) : null}
              </G>
            );
          })}
          <Line
            x1={left}
            x2={width}
            y1={HEAD + RAIN - 1}
            y2={HEAD + RAIN - 1}
            stroke={rule}
            strokeWidth={1}
          />
          {lanes.map((lane, l) => {
            const foot = HEAD + RAIN + (l + 1) * LANE - 8;
            return (
              <G key={lane.id}>
                {namesOf(laneName(say, lane), left, fontSize).map((part, i, all) => (
                  <Text
                    key={part}
                    {...type}
                    x={0}
                    y={foot - 10 + (i - (all.length - 1) / 2) * (fontSize + 2)}
                    fontSize={16 * Math.min(1.1, scale)}
                    fill={ink}
                  >
                    {part}
                  </Text>
                ))}
                {days.map((at, d) => (
                  <Halves
                    key={at.day}
                    cells={cellsOf(lane, at.day)}
                    x={left + d * column + 1.5}
                    width={column - 3}
                    foot={foot}
                    palette={palette}
                  />
                ))}
              </G>
            );
          })}
        </Svg>
      </Cursor>
      <UnseenTable
        caption={say('shared.cuttingWeatherByKindOfWoodAnd')}
        head={[say('shared.day'), say('shared.rain3'), ...lanes.map((lane) => laneName(say, lane))]}
        rows={days.map(({ day: at, rainMm }) => [
          at,
          joined(say, rainReading(rainMm ?? 0, units)),
          ...lanes.map((lane) => said(say, cellsOf(lane, at))),
        ])}
      />
    </View>
  );
}

export function cellsOf(lane: Lane, day: string): LaneCell[] {
  return lane.cells.filter((cell) => cell.day === day);
}

function said(say: Say, cells: readonly LaneCell[]): string {
  const words = cells.map((cell) => say(VERDICT_WORDS[cell.verdict]).toLowerCase());
  const [morning = '', afternoon] = words;
  if (afternoon === undefined || morning === afternoon) return morning;
  return say('shared.morningAfternoon', { morning, afternoon });
}

/** Broken after the comma, or between two words, where it would run into the days. */
function namesOf(name: string, room: number, fontSize: number): string[] {
  const FITS = 0.42;
  if (name.length * fontSize * FITS < room - 8) return [name];
  const [, first, second] = /^(.*,|\S+) (.+)$/.exec(name) ?? [];
  return first && second ? [first, second] : [name];
}

interface HalvesProps {
  cells: LaneCell[];
  x: number;
  width: number;
  foot: number;
  palette: ReturnType<typeof usePalette>;
}

/** A day that is the same all through is one block; else each half stands for itself. */
function Halves({ cells, x, width, foot, palette }: HalvesProps) {
  const [first, second] = cells;
  if (!first) return null;
  if (!second || first.verdict === second.verdict) {
    return <Block cell={first} x={x} width={width} foot={foot} palette={palette} />;
  }
  const half = width / 2 - 0.75;
  return (
    <G>
      <Block cell={first} x={x} width={half} foot={foot} palette={palette} />
      <Block cell={second} x={x + half + 1.5} width={half} foot={foot} palette={palette} />
    </G>
  );
}

function Block({ cell, x, width, foot, palette }: Omit<HalvesProps, 'cells'> & { cell: LaneCell }) {
  const { leaf, ochre, soft, paper, onInk } = palette;
  if (cell.verdict === 'go') {
    const middle = x + width / 2;
    const wide = Math.min(14, width * 0.6);
    const high = foot - BLOCK / 2;
    return (
      <G>
        <Rect x={x} y={foot - BLOCK} width={width} height={BLOCK} fill={leaf} />
        <Path
          d={`M${middle - wide / 2} ${high}L${middle - wide / 8} ${high + wide / 2.6}L${middle + wide / 2} ${high - wide / 2.4}`}
          stroke={onInk}
          strokeWidth={2.6}
          fill="none"
        />
      </G>
    );
  }
  if (cell.verdict === 'possible') {
    return (
      <Rect
        x={x + 0.8}
        y={foot - BLOCK / 2}
        width={width - 1.6}
        height={BLOCK / 2 - 0.8}
        fill={paper}
        stroke={ochre}
        strokeWidth={1.8}
      />
    );
  }
  return <Line x1={x} x2={x + width} y1={foot - 1} y2={foot - 1} stroke={soft} strokeWidth={2} />;
}
