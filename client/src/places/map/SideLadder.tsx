// The tree from the side, seen square to the chosen limb: its joint is dragged up and down, its tip to an inclination.

import { heightReading, type Units } from '@mortisect/core/measure';
import { drawnSticks, type Limb, labelIn, limbShape, type Point } from '@mortisect/core/tree';
import { joined, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useRef } from 'react';
import Svg, { Line, Text } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { Knob } from '../../drawings/Knob';
import { elementRef } from '../../ui/dom';
import { useTextScale, useWidthOf } from '../../ui/size';
import { usePalette } from '../../ui/theme';

interface SideLadderProps {
  limbs: Limb[];
  chosen: Limb;
  name: string;
  units: Units;
  onJoint(jointCm: number): void;
  onInclination(inclinationDeg: number): void;
}

const HEIGHT = 250;
const LEFT = 44;

export function SideLadder({ limbs, chosen, name, units, onJoint, onInclination }: SideLadderProps) {
  const say = useSay();
  const { ink, dead, soft, rule, chalk } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const fontSize = 14 * useTextScale();
  const shape = useMemo(() => limbShape(limbs), [limbs]);
  const turned = (chosen.bearingDeg * Math.PI) / 180;
  const across = ({ x, y }: Point) => x * Math.sin(turned) + y * Math.cos(turned);
  const points = [...shape.values()].flatMap(({ base, tip }) => [base, tip]);
  const topCm = Math.max(150, ...points.map((point) => point.z)) * 1.06;
  const sideCm = Math.max(80, ...points.map((point) => Math.abs(across(point))));
  const pxPerCm = Math.min((HEIGHT - 24) / topCm, (width - LEFT) / 2 / sideCm);
  const at = (point: Point) => ({
    x: LEFT + (width - LEFT) / 2 + across(point) * pxPerCm,
    y: HEIGHT - 12 - point.z * pxPerCm,
  });
  const stick = shape.get(chosen.id);
  const parent = limbs.find((limb) => limb.id === chosen.parentId);
  if (!stick) return null;
  const [base, tip] = [at(stick.base), at(stick.tip)];
  // A joint slides along its parent: a cm up the screen is more wood on a parent that leans
  const rise = parent ? Math.max(0.15, Math.abs(Math.sin((parent.inclinationDeg * Math.PI) / 180))) : 1;
  const step = units === 'us' ? 30.48 : 50;
  const marks = Array.from({ length: Math.floor(topCm / step) + 1 }, (_, i) => i * step);
  return (
    <View ref={elementRef(box)} width="100%" height={HEIGHT} position="relative">
      <Svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={say('round.theTreeFromTheSideOfHigh', {
          id: labelIn(name) ?? name,
          height: joined(say, heightReading(topCm / 1.06, units)),
        })}
      >
        {marks.map((cm, i) => (
          <Line
            key={cm}
            x1={LEFT - 8}
            x2={width}
            y1={HEIGHT - 12 - cm * pxPerCm}
            y2={HEIGHT - 12 - cm * pxPerCm}
            stroke={rule}
            strokeWidth={i === 0 ? 2 : 1}
          />
        ))}
        {marks
          .filter((_, i) => i % 2 === 0)
          .map((cm) => (
            <Text
              key={cm}
              x={0}
              y={HEIGHT - 8 - cm * pxPerCm}
              fontSize={fontSize}
              fill={soft}
              fontFamily="Barlow Condensed"
              fontWeight="600"
            >
              {joined(say, heightReading(cm, units))}
            </Text>
          ))}
        {limbs.flatMap((limb) =>
          drawnSticks(limb, shape).map((placed) => {
            const [from, to] = [at(placed.base), at(placed.tip)];
            return (
              <Line
                key={`${limb.id} ${from.x} ${from.y}`}
                x1={from.x}
                y1={from.y}
                x2={to.x}
                y2={to.y}
                stroke={limb.id === chosen.id ? chalk : limb.kind === 'trunk' ? ink : dead}
                strokeWidth={Math.max(1.4, Math.min(9, limb.baseMm / 11))}
                strokeLinecap="round"
              />
            );
          }),
        )}
      </Svg>
      {parent ? (
        <Knob
          label={say('round.heightOnTheParentLimb')}
          value={Math.round(chosen.jointCm)}
          most={Math.round(parent.lengthCm)}
          says={say('round.joinsAt', { tape: tapeText(say, chosen.jointCm, units) })}
          left={base.x}
          top={base.y}
          from={chosen.jointCm}
          onDrag={(from, _by, downPx) => onJoint(from - downPx / pxPerCm / rise)}
          onKey={(_right, up) => onJoint(chosen.jointCm + up * 5)}
        />
      ) : null}
      <Knob
        label={say('round.tipInclination')}
        value={Math.round(chosen.inclinationDeg) + 90}
        most={180}
        says={say('round.degreesAboveLevel', { inclinationDeg: Math.round(chosen.inclinationDeg) })}
        left={tip.x}
        top={tip.y}
        from={tip}
        onDrag={(from, byPx, downPx) => {
          const [dx, dy] = [from.x + byPx - base.x, base.y - (from.y + downPx)];
          if (Math.hypot(dx, dy) < 4) return;
          onInclination(
            Math.round(Math.max(-89, Math.min(90, (Math.atan2(dy, Math.max(0, dx)) * 180) / Math.PI))),
          );
        }}
        onKey={(_right, up) => onInclination(Math.max(-89, Math.min(90, chosen.inclinationDeg + up * 2)))}
      />
    </View>
  );
}
