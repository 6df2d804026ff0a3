// A simulated sensor: what one would see over the phone, with a cross where it is aimed. Turned by a drag or by keys.

import { type Aim, type Lens, pictured, pictureOf } from '@mortisect/core/survey';
import type { Limb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { createElement, type KeyboardEvent, useLayoutEffect, useMemo, useRef } from 'react';
import Svg, { Path, Text } from 'react-native-svg';
import { elementRef, keysOf } from '../ui/dom';
import { useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { ARROWS } from './arrows';
import { sized } from './canvas';
import { HALO } from './Labels';
import { paintPicture } from './paintedPhoto';
import { useHold } from './useHold';

interface SimulatedSightProps {
  label: string;
  says: string;
  limbs: Limb[];
  twelveBearingDeg: number;
  /** Where one stands, seen from the stem. */
  bearingDeg: number;
  awayCm: number;
  eyeCm: number;
  aim: Aim;
  onAim(aim: Aim): void;
}

const HEIGHT = 260;
/** A picture as wide as a phone shows it. */
const FOCAL_SHARE = 0.9;
const KEY_DEG = 0.5;
const MOST_TILT = 80;
const FAR_CM = 1e6;

export function SimulatedSight(props: SimulatedSightProps) {
  const { label, says, limbs, twelveBearingDeg, bearingDeg, awayCm, eyeCm, aim, onAim } = props;
  const { onInk, chalk, ink } = usePalette();
  const box = useRef<HTMLElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = useWidthOf(box) || 320;
  const size = useMemo(() => ({ widthPx: width, heightPx: HEIGHT }), [width]);
  const lens = useMemo<Lens>(
    () => ({
      ...{ bearingDeg, distanceCm: awayCm, heightCm: eyeCm, rollDeg: 0, pitchDeg: aim.tiltDeg },
      yawDeg: aim.headingDeg - bearingDeg - 180,
      focalPx: FOCAL_SHARE * Math.max(width, HEIGHT),
    }),
    [bearingDeg, awayCm, eyeCm, aim, width],
  );
  const turnBy = (right: number, up: number) =>
    onAim({
      headingDeg: (aim.headingDeg + right + 360) % 360,
      tiltDeg: Math.max(-MOST_TILT, Math.min(MOST_TILT, aim.tiltDeg + up)),
    });
  const degAPx = 180 / Math.PI / lens.focalPx;
  useHold(box, {
    onTouch: () => {},
    onDrag: (byPx, downPx) => turnBy(-byPx * degAPx, downPx * degAPx),
    onPinch: () => {},
    takesWheel: () => false,
  });
  useLayoutEffect(() => {
    const context = sized(canvas.current, width, HEIGHT);
    if (context) paintPicture(context, pictureOf(limbs, lens, size, 0), size);
  }, [limbs, lens, size, width]);
  const onKeyDown = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (!step) return;
    event.preventDefault();
    const by = event.shiftKey ? 10 * KEY_DEG : KEY_DEG;
    turnBy(step[0] * by, step[1] * by);
  };
  const toTwelve = (twelveBearingDeg * Math.PI) / 180;
  const twelve = pictured(
    { x: FAR_CM * Math.sin(toTwelve), y: FAR_CM * Math.cos(toTwelve), z: eyeCm },
    lens,
    size,
  );
  const middle = { x: width / 2, y: HEIGHT / 2 };
  return (
    <View
      ref={elementRef(box)}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={360}
      aria-valuenow={Math.round(aim.headingDeg)}
      aria-valuetext={says}
      onKeyDown={keysOf(onKeyDown)}
      width="100%"
      height={HEIGHT}
      position="relative"
      overflow="hidden"
      cursor="grab"
      style={{ touchAction: 'none' }}
    >
      {createElement('canvas', {
        ref: canvas,
        'aria-hidden': true,
        style: { width: '100%', height: HEIGHT, display: 'block' },
      })}
      <Svg
        width={width}
        height={HEIGHT}
        style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}
        aria-hidden
      >
        {twelve ? (
          <Text
            x={twelve.x}
            y={twelve.y - 6}
            fontSize={22}
            fontFamily="Barlow Condensed"
            fontWeight="600"
            textAnchor="middle"
            fill={ink}
            stroke={onInk}
            strokeWidth={4}
            {...HALO}
          >
            {'12'}
          </Text>
        ) : null}
        {[
          { stroke: onInk, strokeWidth: 6 },
          { stroke: chalk, strokeWidth: 2.4 },
        ].map((line) => (
          <Path
            key={line.stroke}
            d={`M${middle.x - 26} ${middle.y}h18M${middle.x + 8} ${middle.y}h18M${middle.x} ${middle.y - 26}v18M${middle.x} ${middle.y + 8}v18`}
            {...line}
          />
        ))}
      </Svg>
    </View>
  );
}
