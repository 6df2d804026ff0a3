// A plot from above: rows of trees, those of the run numbered in their order, each with the mark of its wood.

import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { elementRef } from '../ui/dom';
import { useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Section, Small } from '../ui/type';
import { UnseenTable } from '../ui/Unseen';

export interface MapTree {
  code: string;
  x: number;
  y: number;
  number?: number;
  wood?: 'sound' | 'suspect' | 'infected';
}

interface PlotMapProps {
  title: string;
  rows: { name: string; trees: MapTree[] }[];
  /** Code of the tree at hand. */
  here: string;
}

const ROW = 62;
const TOP = 30;
const DOT = 15;
const SIDE = 22;

export function PlotMap({ title, rows, here }: PlotMapProps) {
  const say = useSay();
  const { ink, soft, rule, chalk, plum, ochre, leaf, paper, onInk } = usePalette();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 340;
  const all = rows.flatMap((row) => row.trees);
  const least = Math.min(...all.map((tree) => tree.x));
  const most = Math.max(...all.map((tree) => tree.x), least + 1);
  const across = (x: number) => SIDE + ((x - least) / (most - least)) * (width - 2 * SIDE);
  const ring = { sound: leaf, suspect: ochre, infected: plum };
  const type = { fontFamily: 'Barlow Condensed', fontWeight: '600' as const };
  const inRun = all
    .filter((tree) => tree.number !== undefined)
    .sort((a, b) => (a.number ?? 0) - (b.number ?? 0));
  return (
    <View gap={4} position="relative">
      <Section>{title}</Section>
      <View ref={elementRef(box)} width="100%" height={rows.length * ROW}>
        <Svg width={width} height={rows.length * ROW} aria-hidden>
          {rows.map(({ name, trees }, r) => {
            const y = r * ROW + TOP + 6;
            return (
              <G key={name}>
                <Text {...type} x={4} y={r * ROW + 14} fontSize={14} fill={soft}>
                  {name}
                </Text>
                <Line x1={SIDE} x2={width - SIDE} y1={y} y2={y} stroke={rule} strokeWidth={1.5} />
                {trees.map((tree) => {
                  const x = across(tree.x);
                  if (tree.number === undefined || !tree.wood)
                    return <Circle key={tree.code} cx={x} cy={y} r={4} fill={soft} />;
                  const isHere = tree.code === here;
                  return (
                    <G key={tree.code}>
                      {isHere ? (
                        <Path
                          d={`M${x - 7} ${y + DOT + 9}L${x} ${y + DOT + 1}L${x + 7} ${y + DOT + 9}Z`}
                          fill={chalk}
                        />
                      ) : null}
                      <Circle
                        cx={x}
                        cy={y}
                        r={DOT}
                        fill={isHere ? chalk : paper}
                        stroke={ring[tree.wood]}
                        strokeWidth={3}
                        {...(tree.wood === 'suspect' && { strokeDasharray: '5 3' })}
                        {...(tree.wood === 'infected' && { strokeDasharray: '2 2.4' })}
                      />
                      <Text
                        {...type}
                        x={x}
                        y={y + 6}
                        fontSize={17}
                        fill={isHere ? onInk : ink}
                        textAnchor="middle"
                      >
                        {String(tree.number)}
                      </Text>
                    </G>
                  );
                })}
              </G>
            );
          })}
        </Svg>
      </View>
      <Small>{say('shared.ringWholeIsSoundDashedSuspectDotted')}</Small>
      <UnseenTable
        caption={say('shared.treesOfTheRunOn', { title })}
        head={[say('shared.tree'), say('shared.number'), say('shared.wood')]}
        rows={inRun.map((tree) => [tree.code, String(tree.number), tree.wood ?? ''])}
      />
    </View>
  );
}
