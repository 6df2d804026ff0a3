// The margin: dragged along the curve of what it costs and what it leaves, and set for this finding alone.

import type { PlanInput } from '@mortisect/core/plan';
import { clearanceByHand, type SiteToday, type TreeView } from '@mortisect/core/present';
import { limbIn, tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useMarginCurve } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { MarginCurve } from '../../drawings/MarginCurve';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Body, Section, Small } from '../../ui/type';
import { placeWords } from '../words';
import { chanceWords, percentOf } from './planView';

interface MarginProps {
  view: TreeView;
  today: SiteToday;
  findingId: string;
  input: PlanInput;
}

export function Margin({ view, today, findingId, input }: MarginProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const { data: curve } = useMarginCurve(input, findingId);
  const [moved, setMoved] = useState<number | null>(null);
  if (!curve) return null;
  const nearest = curve.points.reduce(
    (best, point, i) =>
      Math.abs(point.clearanceCm - curve.nowCm) <
      Math.abs((curve.points[best]?.clearanceCm ?? 0) - curve.nowCm)
        ? i
        : best,
    0,
  );
  const at = moved ?? nearest;
  const here = curve.points[at];
  if (!here) return null;
  const byHand = clearanceByHand(view.actions, findingId) !== null;
  const set = (clearanceCm: number | null) =>
    recording.record(
      { kind: 'clearanceSet', at: clock(), treeId: view.tree.id, findingId, clearanceCm },
      () => setMoved(null),
    );
  return (
    <View gap={8}>
      <Section>{say('plan.theMargin')}</Section>
      <MarginCurve curve={curve} units={today.units} at={at} onAt={setMoved} />
      <Body>
        {here.cut
          ? say('plan.cutAtOnThatInfectedWoodStays', {
              tape: tapeText(say, here.clearanceCm, today.units, 'up'),
              place: placeWords(say, here.cut, today.units),
              get: limbIn(say, view.names.get(here.cut.limbId) ?? here.cut.limbId),
              chance: chanceWords(say, here.chance),
              range: Math.round(here.range[0] * 100),
              range2: Math.round(here.range[1] * 100),
              percent: percentOf(here.crown),
            })
          : say('plan.theTrunkLeavesNoCut', { tape: tapeText(say, here.clearanceCm, today.units, 'up') })}
      </Body>
      <Small>
        {say('plan.marksNoPublishedDistributionIsKnownThe', {
          schools: curve.schools
            .map((school) =>
              say('plan.at', {
                school: told(say, school.name),
                more: school.isSites ? say('plan.theSites') : '',
                tape: tapeText(say, school.clearanceCm, today.units, 'up'),
              }),
            )
            .join('; '),
        })}
      </Small>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button
          kind="main"
          disabled={moved === null || moved === nearest || recording.isPending}
          onPress={() => set(here.clearanceCm)}
        >
          {say('plan.setMargin')}
        </Button>
        {byHand ? (
          <Button onPress={() => set(null)} disabled={recording.isPending}>
            {say('plan.byTheSchoolAgain')}
          </Button>
        ) : null}
      </View>
      <Failed title={say('shared.notSavedYet')} error={recording.error} />
    </View>
  );
}
