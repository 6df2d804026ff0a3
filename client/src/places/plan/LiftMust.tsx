// A must that the caretaker lifts: which way, why, and until when. The reason is kept with it.
import { View } from '@tamagui/core';
import { useState } from 'react';
import { isDay } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Small } from '../../ui/type';

const WAYS = [
  { why: 'watched', words: 'It may wait: watch it' },
  { why: 'kept as feeder', words: 'Keep it as a feeder' },
] as const;

interface LiftMustProps {
  treeId: string;
  findingIds: readonly string[];
  /** Local date. */
  day: string;
}

export function LiftMust({ treeId, findingIds, day }: LiftMustProps) {
  const clock = useClock();
  const recording = useRecordAction();
  const [why, setWhy] = useState<(typeof WAYS)[number]['why'] | null>(null);
  const [note, setNote] = useState('');
  const [until, setUntil] = useState('');
  const fromToday = isDay(until) && until >= day;
  const fault = until === '' || fromToday ? undefined : `A day from today on, as ${day}.`;
  if (why === null)
    return (
      <>
        {WAYS.map((way) => (
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
      <Field label="Why" value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
      <Field
        label="Until (year-month-day), empty for no end"
        value={until}
        onChangeText={setUntil}
        fault={fault}
      />
      <Small>After that day it must come out again.</Small>
      <Failed title="Not saved yet" error={recording.error} />
      <View flexDirection="row" gap={8}>
        <Button onPress={() => setWhy(null)}>Back</Button>
        <Button kind="main" disabled={note.trim() === '' || fault !== undefined} onPress={lift}>
          {WAYS.find((way) => way.why === why)?.words ?? 'Lift it'}
        </Button>
      </View>
    </View>
  );
}
