// The reach ladder: the tree from the side, with what is reached from the ground and what asks for a ladder.

import { groundReachCm, ladderKerfCm } from '@mortisect/core/handling';
import { heightReading, type Units } from '@mortisect/core/measure';
import { drawnSticks, type Limb, limbShape, pointAlong } from '@mortisect/core/tree';
import { joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useRef } from 'react';
import Svg, { G, Line, Rect, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { elementRef } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Labels } from './Labels';
import { Kerf } from './marks';

interface ReachLadderProps {
  limbs: Limb[];
  names: ReadonlyMap<string, string>;
  chosenId: string | null;
  kerfs: { limbId: string; atCm: number }[];
  units: Units;
  /** Of whoever cuts, cm. */
  shoulderCm: number;
}

const HEIGHT = 250;
const LEFT = 66;

export function ReachLadder({ limbs, names, chosenId, kerfs, units, shoulderCm }: ReachLadderProps) {
  const fromGround = groundReachCm(shoulderCm);
  const fromLadder = ladderKerfCm(shoulderCm);
  const say = useSay();
  const { ink, dead, soft, rule, paper, wood, chalk } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const fontSize = 15 * useTextScale();
  const shape = useMemo(() => limbShape(limbs), [limbs]);
  const points = [...shape.values()].flatMap(({ base, tip }) => [base, tip]);
  const topCm = Math.max(...points.map((point) => point.z), fromGround * 1.15);
  const sideCm = Math.max(...points.map((point) => Math.abs(point.x)), 100);
  const pxPerCm = Math.min((HEIGHT - 28) / topCm, (width - LEFT) / 2 / sideCm);
  const at = ({ x, z }: { x: number; z: number }) => ({
    x: LEFT + (width - LEFT) / 2 + x * pxPerCm,
    y: HEIGHT - 12 - z * pxPerCm,
  });
  const marked = new Set(kerfs.map(({ limbId }) => limbId));
  const bands = [
    { name: 'ground', fromCm: 0, toCm: fromGround },
    { name: 'ladder', fromCm: fromGround, toCm: fromLadder },
    { name: 'arborist', fromCm: fromLadder, toCm: Number.POSITIVE_INFINITY },
  ].filter((band) => band.fromCm < topCm);
  const says = say('shared.reachLadderTheTreeFromTheSide', {
    height: joined(say, heightReading(topCm, units)),
    bands: bands.map((band) => told(say, band.name)).join(', '),
  });
  return (
    <View ref={elementRef(box)} width="100%">
      <Svg width={width} height={HEIGHT} role="img" aria-label={says}>
        {bands.map((band, i) => {
          const top = at({ x: 0, z: Math.min(band.toCm, topCm) }).y;
          const bottom = at({ x: 0, z: band.fromCm }).y;
          return (
            <G key={band.name}>
              <Rect x={0} y={top} width={width} height={bottom - top} fill={i % 2 === 0 ? wood : paper} />
              <Line x1={0} x2={width} y1={bottom} y2={bottom} stroke={rule} strokeWidth={1} />
              {bottom - top > fontSize * 2.3 ? (
                <>
                  <Text
                    x={4}
                    y={bottom - 5}
                    fontSize={fontSize}
                    fill={soft}
                    fontFamily="Barlow Condensed"
                    fontWeight="600"
                  >
                    {told(say, band.name)}
                  </Text>
                  {Number.isFinite(band.toCm) && band.toCm <= topCm ? (
                    <Text
                      x={4}
                      y={top + fontSize}
                      fontSize={fontSize}
                      fill={ink}
                      fontFamily="Barlow Condensed"
                      fontWeight="600"
                    >
                      {joined(say, heightReading(band.toCm, units))}
                    </Text>
                  ) : null}
                </>
              ) : null}
            </G>
          );
        })}
        {limbs.flatMap((limb) =>
          drawnSticks(limb, shape).map((placed) => {
            const from = at(placed.base);
            const to = at(placed.tip);
            return (
              <Line
                key={`${limb.id} ${from.x} ${from.y}`}
                x1={from.x}
                y1={from.y}
                x2={to.x}
                y2={to.y}
                stroke={limb.id === chosenId ? chalk : limb.kind === 'trunk' ? ink : dead}
                strokeWidth={Math.max(1.4, Math.min(9, limb.baseMm / 11))}
                strokeLinecap="round"
              />
            );
          }),
        )}
        <Labels
          limbs={limbs.flatMap((limb) => {
            const tip = shape.get(limb.id)?.tip;
            const isNamed = limb.kind === 'scaffold' || marked.has(limb.id) || limb.id === chosenId;
            return tip && isNamed ? [{ limb, ...at(tip) }] : [];
          })}
          names={names}
          chosenId={chosenId}
          marked={marked}
          within={{ x: LEFT, y: 0, width: width - LEFT, height: HEIGHT }}
          fontSize={fontSize * 0.85}
        />
        {kerfs.map((kerf) => {
          const placed = shape.get(kerf.limbId);
          const limb = limbs.find((limb) => limb.id === kerf.limbId);
          if (!placed || !limb) return null;
          const { x, y } = at(pointAlong(placed, kerf.atCm / limb.lengthCm));
          return <Kerf key={`${kerf.limbId}-${kerf.atCm}`} x={x} y={y} half={10} />;
        })}
      </Svg>
    </View>
  );
}
