// One end of a finding, held by thumb or keys. A slider: its value is a place on the limb.

import { roundToTape, tapeStepCm, type Units } from '@mortisect/core/measure';
import { tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { type KeyboardEvent, useRef } from 'react';
import Svg, { Path } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { elementRef, keysOf } from '../../ui/dom';
import { usePalette } from '../../ui/theme';
import type { TapeScale } from './scale';
import { useDragAlong } from './useDragAlong';

interface HandleProps {
  label: string;
  /** Place on the limb, cm. */
  cm: number;
  leastCm: number;
  mostCm: number;
  units: Units;
  scale: TapeScale;
  /** The knob hangs beside its edge, so that two knobs never lie on each other. */
  side: -1 | 1;
  onChange(cm: number): void;
}

const KNOB = 48;
const LONG_STEP = { metric: 5, us: 5.08 } as const;

export function Handle({ label, cm, leastCm, mostCm, units, scale, side, onChange }: HandleProps) {
  const say = useSay();
  const { chalk, onInk } = usePalette();
  const knob = useRef<HTMLElement>(null);
  const set = (to: number) => onChange(Math.min(mostCm, Math.max(leastCm, roundToTape(to, units))));

  useDragAlong(knob, { onStart: () => cm, onMove: (from, byPx) => set(from + byPx / scale.pxPerCm) });

  const onKeyDown = (event: KeyboardEvent) => {
    const step = event.shiftKey ? LONG_STEP[units] : tapeStepCm(units);
    const to = {
      ArrowRight: cm + step,
      ArrowUp: cm + step,
      ArrowLeft: cm - step,
      ArrowDown: cm - step,
      Home: leastCm,
      End: mostCm,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    set(to);
  };

  const x = scale.x(cm);
  const left = Math.min(scale.width - KNOB, Math.max(0, x + side * (KNOB / 2 + 1) - KNOB / 2));
  return (
    <View
      ref={elementRef(knob)}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={Math.round(leastCm)}
      aria-valuemax={Math.round(mostCm)}
      aria-valuenow={Math.round(cm * 10) / 10}
      aria-valuetext={say('shared.fromTheCollar', { tape: tapeText(say, cm, units) })}
      onKeyDown={keysOf(onKeyDown)}
      position="absolute"
      left={left}
      top={scale.rows.handles + 4}
      width={KNOB}
      height={KNOB}
      alignItems="center"
      justifyContent="center"
      cursor="ew-resize"
      style={{ touchAction: 'none' }}
    >
      <Svg width={KNOB} height={KNOB} viewBox="0 0 48 48" aria-hidden>
        <Path d="M24 6a18 18 0 1 0 0.01 0Z" fill={chalk} />
        <Path d="M18 17L11 24L18 31M30 17L37 24L30 31" stroke={onInk} strokeWidth={3} fill="none" />
        <Path d="M24 16V32" stroke={onInk} strokeWidth={2} />
      </Svg>
    </View>
  );
}
