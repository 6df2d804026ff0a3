// Clearance against what it costs in crown and what it leaves in disease, with the schools marked; a handle is dragged along it.

import { tapeReading, type Units } from '@mortisect/core/measure';
import type { MarginCurve as Curve, CurvePoint } from '@mortisect/core/plan';
import { readingIn, tapeText } from '@mortisect/words/trade';
import { useRef } from 'react';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Cursor } from './Cursor';

interface MarginCurveProps {
  curve: Curve;
  units: Units;
  /** Index of the point that the handle stands at. */
  at: number;
  onAt(at: number): void;
}

const HEIGHT = 190;
const LEFT = 40;
const RIGHT = 44;
const TOP = 26;
const BOTTOM = 40;

export function MarginCurve({ curve, units, at, onAt }: MarginCurveProps) {
  const say = useSay();
  const { ink, soft, rule, plum, leaf, chalk, ground } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const fontSize = 14 * useTextScale();
  const { points } = curve;
  const least = points[0]?.clearanceCm ?? 0;
  const most = points.at(-1)?.clearanceCm ?? 1;
  const x = (cm: number) => LEFT + ((cm - least) / Math.max(1, most - least)) * (width - LEFT - RIGHT);
  const y = (share: number) => TOP + (1 - Math.min(1, share)) * (HEIGHT - TOP - BOTTOM);
  const topCrown = Math.max(100, ...points.map((point) => point.crown));
  const crownShare = (point: CurvePoint) => point.crown / topCrown;
  const line = (value: (point: CurvePoint) => number) =>
    points.map((point, i) => `${i === 0 ? 'M' : 'L'}${x(point.clearanceCm)} ${y(value(point))}`).join('');
  const band = `${points.map((point, i) => `${i === 0 ? 'M' : 'L'}${x(point.clearanceCm)} ${y(point.range[1])}`).join('')}${points
    .toReversed()
    .map((point) => `L${x(point.clearanceCm)} ${y(point.range[0])}`)
    .join('')}Z`;
  const here = points[Math.min(at, points.length - 1)];
  const placeAt = (px: number) =>
    nearest(points, least + ((px - LEFT) / Math.max(1, width - LEFT - RIGHT)) * (most - least));
  if (!here) return null;
  const label = { fontFamily: 'Barlow Condensed', fontWeight: '600' as const, fontSize };
  const value = say('shared.in100ThatDiseaseStaysOfThe', {
    tape: tapeText(say, here.clearanceCm, units, 'up'),
    chance: Math.round(here.chance * 100),
    crown: Math.round(here.crown / 10),
  });
  return (
    <Cursor
      box={box}
      label={say('shared.clearance')}
      valueText={value}
      values={[least, most, here.clearanceCm]}
      height={HEIGHT}
      at={at}
      count={points.length}
      far={4}
      placeAt={placeAt}
      onAt={onAt}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        {[0, 0.5, 1].map((share) => (
          <G key={share}>
            <Line x1={LEFT} x2={width - RIGHT} y1={y(share)} y2={y(share)} stroke={rule} strokeWidth={1} />
            <Text
              {...label}
              x={LEFT - 6}
              y={y(share) + fontSize / 3}
              fill={plum}
              textAnchor="end"
            >{`${share * 100} %`}</Text>
            <Text
              {...label}
              x={width - RIGHT + 6}
              y={y(share) + fontSize / 3}
              fill={leaf}
            >{`${Math.round((share * topCrown) / 10)} %`}</Text>
          </G>
        ))}
        <Text {...label} x={4} y={fontSize} fill={plum}>
          {say('shared.diseaseLeft')}
        </Text>
        <Text {...label} x={width - 4} y={fontSize} fill={leaf} textAnchor="end">
          {say('shared.crownTaken')}
        </Text>
        <Path d={band} fill={plum} opacity={0.16} />
        <Path d={line((point) => point.chance)} stroke={plum} strokeWidth={3} fill="none" />
        <Path d={line(crownShare)} stroke={leaf} strokeWidth={3} fill="none" strokeDasharray="7 4" />
        {curve.schools.map((school, i) => (
          <G key={school.schoolId}>
            <Line
              x1={x(school.clearanceCm)}
              x2={x(school.clearanceCm)}
              y1={TOP}
              y2={HEIGHT - BOTTOM + 6 + (i % 2) * 6}
              stroke={school.isSites ? ink : soft}
              strokeWidth={school.isSites ? 2.4 : 1}
            />
          </G>
        ))}
        {ticks(least, most, units).map((cm) => (
          <Text
            key={cm}
            {...label}
            x={x(cm)}
            y={HEIGHT - BOTTOM + 14 + fontSize}
            fill={soft}
            textAnchor="middle"
          >
            {readingIn(say, tapeReading(cm, units)).value}
          </Text>
        ))}
        <Text {...label} x={width - 4} y={HEIGHT - BOTTOM + 14 + fontSize} fill={soft} textAnchor="end">
          {units === 'us' ? 'in' : 'cm'}
        </Text>
        <Line
          x1={x(here.clearanceCm)}
          x2={x(here.clearanceCm)}
          y1={TOP}
          y2={HEIGHT - BOTTOM}
          stroke={chalk}
          strokeWidth={2.4}
          strokeDasharray="6 4"
        />
        <Circle
          cx={x(here.clearanceCm)}
          cy={y(here.chance)}
          r={6}
          fill={ground}
          stroke={plum}
          strokeWidth={3}
        />
        <Circle
          cx={x(here.clearanceCm)}
          cy={y(crownShare(here))}
          r={6}
          fill={ground}
          stroke={leaf}
          strokeWidth={3}
        />
        <Circle
          cx={x(here.clearanceCm)}
          cy={HEIGHT - BOTTOM}
          r={11}
          fill={chalk}
          stroke={ground}
          strokeWidth={2}
        />
      </Svg>
    </Cursor>
  );
}

/** The point nearest to a clearance. */
function nearest(points: CurvePoint[], cm: number): number {
  let best = 0;
  points.forEach((point, i) => {
    if (Math.abs(point.clearanceCm - cm) < Math.abs((points[best] as CurvePoint).clearanceCm - cm)) best = i;
  });
  return best;
}

const TICK_CM = { metric: 10, us: 10.16 } as const;

function ticks(least: number, most: number, units: Units): number[] {
  const step = TICK_CM[units];
  const all: number[] = [];
  for (let cm = Math.ceil(least / step) * step; cm <= most; cm += step) all.push(cm);
  return all;
}
