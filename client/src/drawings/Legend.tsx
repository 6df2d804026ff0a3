// What the marks mean, reachable from any drawing.
import { View } from '@tamagui/core';
import { useState } from 'react';
import Svg, { Line } from 'react-native-svg';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { usePalette } from '../ui/theme';
import { Body } from '../ui/type';
import { Kerf, Mark } from './marks';
import { BudMark } from './tape/Wood';

export function LegendButton() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button kind="quiet" onPress={() => setOpen(true)}>
        Legend
      </Button>
      <Sheet title="What the marks mean" open={open} onClose={() => setOpen(false)}>
        <Entries />
      </Sheet>
    </>
  );
}

const BUDS = [
  ['up', 'leaf', true, 'Bud that points up'],
  ['under', 'leaf', true, 'Bud on the under side'],
  ['out', 'leaf', true, 'Bud that points out, toward the tip'],
  ['in', 'leaf', true, 'Bud that points in, toward the trunk'],
  ['left', 'leaf', true, 'Bud to the left, seen from the trunk; R to the right'],
  ['up', 'flower', true, 'Flower bud, round'],
  ['up', 'leaf', false, 'Dead bud, hollow'],
] as const;

function Entries() {
  const { chalk, dead, paper } = usePalette();
  return (
    <View gap={10}>
      <Entry words="Diseased wood">
        <Mark kind="diseased" />
      </Entry>
      <Entry words="Dead wood">
        <Mark kind="dead" />
      </Entry>
      <Entry words="Damaged wood">
        <Mark kind="damaged" />
      </Entry>
      <Entry words="Kerf: where the saw goes. Broken strokes with a bracket: at the first usable bud within the bracket.">
        <Svg width={28} height={28}>
          <Kerf x={14} y={14} half={12} />
        </Svg>
      </Entry>
      <Entry words="Chalk line: the clearance, measured from the edge toward the trunk.">
        <Svg width={28} height={28}>
          <Line x1={2} x2={26} y1={14} y2={14} stroke={chalk} strokeWidth={3} strokeDasharray="8 5" />
        </Svg>
      </Entry>
      <Entry words="Rings at the foot of a limb on the clock: one joins low, two in the middle, three high.">
        <Svg width={28} height={28}>
          <Line x1={2} x2={26} y1={14} y2={14} stroke={dead} strokeWidth={9} />
          <Line x1={8} x2={8} y1={9} y2={19} stroke={paper} strokeWidth={2} />
          <Line x1={13} x2={13} y1={9} y2={19} stroke={paper} strokeWidth={2} />
        </Svg>
      </Entry>
      {BUDS.map(([points, kind, live, words]) => (
        <Entry key={words} words={words}>
          <Svg width={28} height={28}>
            <Line x1={2} x2={26} y1={14} y2={14} stroke={dead} strokeWidth={2} />
            <BudMark bud={{ atCm: 0, points, kind, live }} x={14} y={14} half={1} fontSize={15} />
          </Svg>
        </Entry>
      ))}
      <Body>
        Stubs are side branches, left of the limb above it, right of it below; the figure at a stub is its
        place on the clock.
      </Body>
    </View>
  );
}

function Entry({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <View flexDirection="row" gap={12} alignItems="center">
      <View width={28} alignItems="center" aria-hidden>
        {children}
      </View>
      <Body flex={1}>{words}</Body>
    </View>
  );
}
