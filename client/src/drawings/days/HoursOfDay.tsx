// One day hour by hour: temperature, rain, daylight, and in which hours this kind of wood may be cut.

import { rainReading, temperatureReading, type Units, windReading } from '@mortisect/core/measure';
import type { Verdict } from '@mortisect/core/timing';
import { joined, readingIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import Svg, { Line, Rect } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { usePalette } from '../../ui/theme';
import { Small } from '../../ui/type';
import { Chart } from '../Chart';

interface HourOfDay {
  text: string;
  temperatureC: number | null;
  rainMm: number | null;
  windMs: number | null;
  verdict: Verdict;
  dark: boolean;
  says: string;
}

interface HoursOfDayProps {
  label: string;
  hours: HourOfDay[];
  units: Units;
  startAt: number;
}

export function HoursOfDay({ label, hours, units, startAt }: HoursOfDayProps) {
  const say = useSay();
  const { plum, chalk, slate, leaf, ochre, soft, paper } = usePalette();
  const [at, setAt] = useState(startAt);
  const here = hours[Math.min(at, hours.length - 1)];
  if (!here) return null;
  const temperatures = hours.flatMap((hour) => hour.temperatureC ?? []);
  const low = Math.floor(Math.min(0, ...temperatures) / 5) * 5;
  const high = Math.ceil(Math.max(10, ...temperatures) / 5) * 5;
  const ticks = Array.from({ length: (high - low) / 5 + 1 }, (_, i) => low + i * 5);
  const reading = (hour: HourOfDay) => {
    const parts = [
      ...(hour.temperatureC === null ? [] : [joined(say, temperatureReading(hour.temperatureC, units, 1))]),
      ...(hour.rainMm === null
        ? []
        : [say('shared.rain', { rain: joined(say, rainReading(hour.rainMm, units)) })]),
      ...(hour.windMs === null
        ? []
        : [say('shared.wind', { wind: joined(say, windReading(hour.windMs, units)) })]),
    ];
    return parts.join(', ') || say('shared.notKnown');
  };
  const dark = hours.map((hour) => hour.dark);
  return (
    <View gap={4}>
      <Chart
        label={label}
        count={hours.length}
        left={{
          name: units === 'metric' ? '°C' : '°F',
          domain: [low, high],
          ticks,
          text: (value) => temperatureReading(value, units).value,
        }}
        right={{
          name: units === 'metric' ? say('shared.rainMm') : say('shared.rainIn'),
          domain: [0, 6],
          ticks: [0, 3, 6],
          text: (value) => readingIn(say, rainReading(value, units)).value,
        }}
        lines={[
          { name: say('shared.temperature'), values: hours.map((hour) => hour.temperatureC), colour: plum },
        ]}
        bars={{ values: hours.map((hour) => hour.rainMm), colour: chalk, axis: 'right' }}
        spans={runsOf(dark).map(([from, to]) => ({ from, to, colour: slate, opacity: 0.16 }))}
        foot={hours.flatMap((hour, i) => (i % 6 === 0 ? [{ at: i, text: hour.text }] : []))}
        at={Math.min(at, hours.length - 1)}
        onAt={setAt}
        valueText={`${here.text}: ${reading(here)}. ${here.says}`}
        table={{
          head: [say('shared.hour'), say('shared.weather'), say('shared.mayBeCut')],
          rows: hours.map((hour) => [hour.text, reading(hour), hour.says]),
        }}
      />
      <HourCells cells={hours.map((hour) => hour.verdict)} colours={{ leaf, ochre, soft, paper }} />
      <Small
        color="$ink"
        role="status"
        aria-live="polite"
      >{`${here.text} · ${reading(here)} · ${here.says}`}</Small>
    </View>
  );
}

function HourCells({
  cells,
  colours,
}: {
  cells: ('go' | 'possible' | 'wait')[];
  colours: Record<'leaf' | 'ochre' | 'soft' | 'paper', string>;
}) {
  const count = Math.max(1, cells.length);
  return (
    <View paddingLeft={36} paddingRight={34} aria-hidden>
      <Svg width="100%" height={16} viewBox={`0 0 ${count * 10} 16`} preserveAspectRatio="none">
        {cells.map((cell, i) => {
          const key = `hour-${i}`;
          if (cell === 'go')
            return <Rect key={key} x={i * 10} y={0} width={9} height={16} fill={colours.leaf} />;
          if (cell === 'possible') {
            return (
              <Rect
                key={key}
                x={i * 10 + 0.5}
                y={7}
                width={8}
                height={8}
                fill={colours.paper}
                stroke={colours.ochre}
                strokeWidth={1.6}
              />
            );
          }
          return (
            <Line
              key={key}
              x1={i * 10}
              x2={i * 10 + 9}
              y1={15}
              y2={15}
              stroke={colours.soft}
              strokeWidth={1.6}
            />
          );
        })}
      </Svg>
    </View>
  );
}

/** Runs of true, from and to. */
function runsOf(flags: readonly boolean[]): [number, number][] {
  const runs: [number, number][] = [];
  flags.forEach((flag, i) => {
    const last = runs.at(-1);
    if (!flag) return;
    if (last && last[1] === i) last[1] = i + 1;
    else runs.push([i, i + 1]);
  });
  return runs;
}
