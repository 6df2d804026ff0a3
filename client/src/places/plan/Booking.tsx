// The day on which an arborist comes: the plan puts on it what only they may cut.

import { bookings, type SiteToday, type TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, isDay } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Body, Small } from '../../ui/type';

export function Booking({
  view,
  today,
  isPlanned,
}: {
  view: TreeView;
  today: SiteToday;
  isPlanned(day: string): boolean;
}) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [day, setDay] = useState<string | null>(null);
  const booked = bookings(view.actions, today.day);
  const fromToday = day !== null && isDay(day) && day >= today.day;
  const fault =
    day === null || day === ''
      ? undefined
      : !fromToday
        ? say('plan.aDayFromTodayOnAs', { day: today.day })
        : isPlanned(day)
          ? undefined
          : say('plan.visitBeyond');
  const book = () =>
    recording.record({ kind: 'visitBooked', at: clock(), treeId: view.tree.id, on: day ?? '' }, () =>
      setDay(null),
    );
  return (
    <View gap={8}>
      {booked.map(({ actionId, on }) => (
        <View key={actionId} flexDirection="row" flexWrap="wrap" alignItems="center" gap={12}>
          <Body flexShrink={1}>{say('plan.visitBooked', { on: dayWords(on) })}</Body>
          <Button
            disabled={recording.isPending}
            onPress={() => recording.record({ kind: 'undone', at: clock(), actionId })}
          >
            {say('plan.visitOff')}
          </Button>
        </View>
      ))}
      {day === null ? (
        <View flexDirection="row">
          <Button onPress={() => setDay('')}>{say('plan.bookVisit')}</Button>
        </View>
      ) : (
        <>
          <View maxWidth={420} flexDirection="row">
            <Field label={say('plan.bookVisitDay')} value={day} onChangeText={setDay} fault={fault} />
          </View>
          <View flexDirection="row" gap={8}>
            <Button onPress={() => setDay(null)}>{say('shared.back')}</Button>
            <Button
              kind="main"
              disabled={!fromToday || fault !== undefined || recording.isPending}
              onPress={book}
            >
              {say('plan.bookVisit')}
            </Button>
          </View>
        </>
      )}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Small>{say('plan.bookVisitSays')}</Small>
    </View>
  );
}
