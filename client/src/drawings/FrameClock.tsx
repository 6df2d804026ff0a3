// The clock that main limbs are tapped on: an hour and a reach by one tap.

import type { Units } from '@mortisect/core/measure';
import type { ClockLimb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { Circle, G, Line, Text } from 'react-native-svg';
import { elementRef } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { CLOCK_FACE, CLOCK_TOUCH_PX, CLOCK_VIEW, ClockFace, RingLabel } from './CrownClock';
import { useHold } from './useHold';

interface FrameClockProps {
  label: string;
  limbs: readonly (ClockLimb & { id: string })[];
  twelveBearingDeg: number;
  /** Reach at the rim, cm. */
  rimCm: number;
  chosenId: string | null;
  units: Units;
  /** A tap where no limb ends. */
  onAdd(bearingDeg: number, reachCm: number): void;
  onChoose(id: string): void;
}

const LEAST_REACH = 0.06;

export function FrameClock({
  label,
  limbs,
  twelveBearingDeg,
  rimCm,
  chosenId,
  units,
  onAdd,
  onChoose,
}: FrameClockProps) {
  const { ink, chalk, paper } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? CLOCK_VIEW;
  const zoom = CLOCK_VIEW / width;
  const pxPerCm = CLOCK_FACE / rimCm;
  const fontSize = 16 * Math.max(0.8, zoom) * useTextScale();
  const tipOf = ({ bearingDeg, reachCm }: ClockLimb) => {
    const at = ((bearingDeg - twelveBearingDeg) * Math.PI) / 180;
    const far = Math.min(reachCm, rimCm * 1.1) * pxPerCm;
    return { x: Math.sin(at) * far, y: -Math.cos(at) * far };
  };
  useHold(box, {
    onTouch: ({ x, y }) => {
      const at = { x: (x - width / 2) * zoom, y: (y - width / 2) * zoom };
      const near = limbs.find((limb) => {
        const tip = tipOf(limb);
        return Math.hypot(tip.x - at.x, tip.y - at.y) < CLOCK_TOUCH_PX * zoom;
      });
      if (near) return onChoose(near.id);
      const share = Math.min(1, Math.max(LEAST_REACH, Math.hypot(at.x, at.y) / CLOCK_FACE));
      const bearing = (Math.atan2(at.x, -at.y) * 180) / Math.PI + twelveBearingDeg;
      onAdd((Math.round(bearing) + 720) % 360, Math.round((share * rimCm) / 5) * 5);
    },
    onDrag: () => {},
    onPinch: () => {},
    takesWheel: () => false,
  });
  return (
    <View ref={elementRef(box)} position="relative" width="100%" aspectRatio={1} cursor="crosshair">
      <Svg
        width={width}
        height={width}
        viewBox={`${-CLOCK_VIEW / 2} ${-CLOCK_VIEW / 2} ${CLOCK_VIEW} ${CLOCK_VIEW}`}
        role="img"
        aria-label={label}
      >
        <ClockFace pxPerCm={pxPerCm} units={units} zoom={zoom} />
        {limbs.map((limb, i) => {
          const { x, y } = tipOf(limb);
          const color = limb.id === chosenId ? chalk : ink;
          return (
            <G key={limb.id}>
              <Line
                x1={0}
                y1={0}
                x2={x}
                y2={y}
                stroke={color}
                strokeWidth={Math.max(2, (limb.baseMm / 10) * pxPerCm)}
                strokeLinecap="round"
              />
              <Circle cx={x} cy={y} r={11 * zoom} fill={paper} stroke={color} strokeWidth={2.2 * zoom} />
              <Text
                x={x}
                y={y + fontSize * 0.34}
                fontSize={fontSize}
                fontFamily="Barlow Condensed"
                fontWeight="600"
                textAnchor="middle"
                fill={color}
              >
                {String(i + 1)}
              </Text>
            </G>
          );
        })}
        <Circle r={7} fill={ink} />
        <RingLabel pxPerCm={pxPerCm} units={units} zoom={zoom} />
      </Svg>
    </View>
  );
}
