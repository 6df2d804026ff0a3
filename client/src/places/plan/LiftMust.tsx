// A must that the caretaker lifts: which way, why, and until when. The reason is kept with it.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { isDay } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Small } from '../../ui/type';

const waysIn = (say: Say) =>
  [
    { why: 'watched', words: say('plan.itMayWaitWatchIt') },
    { why: 'kept as feeder', words: say('plan.keepItAsAFeeder') },
  ] as const;

interface LiftMustProps {
  treeId: string;
  findingIds: readonly string[];
  /** Local date. */
  day: string;
}

export function LiftMust({ treeId, findingIds, day }: LiftMustProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [why, setWhy] = useState<ReturnType<typeof waysIn>[number]['why'] | null>(null);
  const [note, setNote] = useState('');
  const [until, setUntil] = useState('');
  const fromToday = isDay(until) && until >= day;
  const fault = until === '' || fromToday ? undefined : say('plan.aDayFromTodayOnAs', { day });
  if (why === null)
    return (
      <>
        {waysIn(say).map((way) => (
          <Button key={way.why} onPress={() => setWhy(way.why)}>
            {way.words}
          </Button>
        ))}
      </>
    );
  const lift = () => {
    for (const findingId of findingIds)
      recording.record({
        kind: 'mustLifted',
        at: clock(),
        treeId,
        findingId,
        why,
        note: note.trim(),
        ...(until !== '' && { until }),
      });
    setWhy(null);
  };
  return (
    <View gap={8} width="100%">
      <Field label={say('shared.why')} value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
      <Field
        label={say('plan.untilYearMonthDayEmptyForNo')}
        value={until}
        onChangeText={setUntil}
        fault={fault}
      />
      <Small>{say('plan.afterThatDayItMustComeOut')}</Small>
      <Failed title={say('shared.notSavedYet')} error={recording.error} />
      <View flexDirection="row" gap={8}>
        <Button onPress={() => setWhy(null)}>{say('shared.back')}</Button>
        <Button kind="main" disabled={note.trim() === '' || fault !== undefined} onPress={lift}>
          {waysIn(say).find((way) => way.why === why)?.words ?? say('plan.liftIt')}
        </Button>
      </View>
    </View>
  );
}
