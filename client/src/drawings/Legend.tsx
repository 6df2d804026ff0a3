// What the marks mean, reachable from any drawing.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import Svg, { Line } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { usePalette } from '../ui/theme';
import { Body } from '../ui/type';
import { Kerf, Mark } from './marks';
import { BudMark } from './tape/Wood';

export function LegendButton() {
  const say = useSay();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button kind="quiet" onPress={() => setOpen(true)}>
        {say('shared.legend')}
      </Button>
      <Sheet title={say('shared.whatTheMarksMean')} open={open} onClose={() => setOpen(false)}>
        <Entries />
      </Sheet>
    </>
  );
}

const budsIn = (say: Say) =>
  [
    ['up', 'leaf', true, say('shared.budThatPointsUp')],
    ['under', 'leaf', true, say('shared.budOnTheUnderSide')],
    ['out', 'leaf', true, say('shared.budThatPointsOutTowardTheTip')],
    ['in', 'leaf', true, say('shared.budThatPointsInTowardTheTrunk')],
    ['left', 'leaf', true, say('shared.budToTheLeftSeenFromThe')],
    ['up', 'flower', true, say('shared.flowerBudRound')],
    ['up', 'leaf', false, say('shared.deadBudHollow')],
  ] as const;

function Entries() {
  const say = useSay();
  const { chalk, dead, paper } = usePalette();
  return (
    <View gap={10}>
      <Entry words={say('shared.diseasedWood')}>
        <Mark kind="diseased" />
      </Entry>
      <Entry words={say('shared.deadWood')}>
        <Mark kind="dead" />
      </Entry>
      <Entry words={say('shared.damagedWood')}>
        <Mark kind="damaged" />
      </Entry>
      <Entry words={say('shared.kerfWhereTheSawGoesBrokenStrokes')}>
        <Svg width={28} height={28}>
          <Kerf x={14} y={14} half={12} />
        </Svg>
      </Entry>
      <Entry words={say('shared.chalkLineTheClearanceMeasuredFromThe')}>
        <Svg width={28} height={28}>
          <Line x1={2} x2={26} y1={14} y2={14} stroke={chalk} strokeWidth={3} strokeDasharray="8 5" />
        </Svg>
      </Entry>
      <Entry words={say('shared.ringsAtTheFootOfALimb')}>
        <Svg width={28} height={28}>
          <Line x1={2} x2={26} y1={14} y2={14} stroke={dead} strokeWidth={9} />
          <Line x1={8} x2={8} y1={9} y2={19} stroke={paper} strokeWidth={2} />
          <Line x1={13} x2={13} y1={9} y2={19} stroke={paper} strokeWidth={2} />
        </Svg>
      </Entry>
      {budsIn(say).map(([points, kind, live, words]) => (
        <Entry key={words} words={words}>
          <Svg width={28} height={28}>
            <Line x1={2} x2={26} y1={14} y2={14} stroke={dead} strokeWidth={2} />
            <BudMark bud={{ atCm: 0, points, kind, live }} x={14} y={14} half={1} fontSize={15} />
          </Svg>
        </Entry>
      ))}
      <Body>{say('shared.stubsAreSideBranchesLeftOfThe')}</Body>
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
