// The tip of a limb on the crown clock, held by thumb or keys.

import { clockHour, turn, type Units } from '@mortisect/core/measure';
import { labelIn, type Spoke } from '@mortisect/core/tree';
import { tapeText } from '@mortisect/words/trade';
import { useRef } from 'react';
import { useSay } from '../data/useSay';
import { Knob } from './Knob';

interface TipHandleProps {
  spoke: Spoke | undefined;
  /** Pixels of the screen for a cm of the plan. */
  pxPerCm: number;
  middle: number;
  /** Names of the limbs by id. */
  names: ReadonlyMap<string, string>;
  twelveBearingDeg: number;
  units: Units;
  onTip?: ((limbId: string, bearingDeg: number, reachCm: number) => void) | undefined;
}

const TURN_DEG = 5;
const STEP_CM = 5;

export function TipHandle({ spoke, pxPerCm, middle, names, twelveBearingDeg, units, onTip }: TipHandleProps) {
  const say = useSay();
  const scale = useRef(pxPerCm);
  // The scale stands still while a drag goes on, else the plan would shrink under the thumb
  const held = useRef(false);
  if (!held.current) scale.current = pxPerCm;
  if (!spoke || !onTip) return null;
  const { limb, base, tip } = spoke;
  const reach = Math.hypot(tip.x - base.x, tip.y - base.y);
  const set = (x: number, y: number) => {
    const bearing = turn((Math.atan2(x - base.x, base.y - y) * 180) / Math.PI + twelveBearingDeg);
    onTip(limb.id, Math.round(bearing), Math.max(5, Math.hypot(x - base.x, y - base.y)));
  };
  return (
    <Knob
      label={say('shared.tipOfBearingAndLength', { id: labelIn(names.get(limb.id) ?? '') ?? limb.id })}
      value={Math.round(limb.bearingDeg)}
      most={360}
      says={say('shared.oclockLong', {
        clockHour: clockHour(limb.bearingDeg, twelveBearingDeg),
        tape: tapeText(say, limb.lengthCm, units),
      })}
      left={middle + tip.x * pxPerCm}
      top={middle + tip.y * pxPerCm}
      onHold={(on) => {
        held.current = on;
      }}
      onDrag={(from, byPx, downPx) => set(from.x + byPx / scale.current, from.y + downPx / scale.current)}
      from={tip}
      onKey={(right, up) =>
        onTip(limb.id, turn(limb.bearingDeg + right * TURN_DEG), Math.max(5, reach + up * STEP_CM))
      }
    />
  );
}
