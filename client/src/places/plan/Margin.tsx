// The margin: dragged along the curve of what it costs and what it leaves, and set for this finding alone.

import { tapeText } from '@mortisect/core/measure';
import type { PlanInput } from '@mortisect/core/plan';
import { clearanceByHand, type SiteToday, type TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useMarginCurve } from '../../data/usePlan';
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
      <Section>The margin</Section>
      <MarginCurve curve={curve} units={today.units} at={at} onAt={setMoved} />
      <Body>
        {here.cut
          ? `${tapeText(here.clearanceCm, today.units, 'up')}: cut at ${placeWords(here.cut, today.units)} on ${view.names.get(here.cut.limbId) ?? here.cut.limbId}; ${chanceWords(here.chance)} that infected wood stays (${Math.round(here.range[0] * 100)} to ${Math.round(here.range[1] * 100)}), ${percentOf(here.crown)} of the crown.`
          : `${tapeText(here.clearanceCm, today.units, 'up')}: the trunk leaves no cut.`}
      </Body>
      <Small>
        {`Marks: ${curve.schools
          .map(
            (school) =>
              `${school.name}${school.isSites ? ' (the site’s)' : ''} at ${tapeText(school.clearanceCm, today.units, 'up')}`,
          )
          .join(
            '; ',
          )}. No published distribution is known: the extent beyond the edge is taken as log-normal, its median uncertain by half and double.`}
      </Small>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button
          kind="main"
          disabled={moved === null || moved === nearest || recording.isPending}
          onPress={() => set(here.clearanceCm)}
        >
          Set margin
        </Button>
        {byHand ? (
          <Button onPress={() => set(null)} disabled={recording.isPending}>
            By the school again
          </Button>
        ) : null}
      </View>
      <Failed title="Not saved yet" error={recording.error} />
    </View>
  );
}
