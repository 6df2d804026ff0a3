// What the caretaker saw outweighs what was reckoned: the stage of a crop, and the state of the ground.

import type { TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { cropOf, NEEDS_CONFIDENCE, NEEDS_SOURCE, stagesToSee } from '@mortisect/core/stage';
import { daysBetween, type Ground, localClock, momentOf } from '@mortisect/core/weather';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, isDay } from '../../../data/moment';
import { useTrees } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { Select } from '../../../ui/Select';
import { Body, Small } from '../../../ui/type';

interface NoteProps {
  timingNow: TimingNow;
  today: SiteToday;
}

const ALL = '';

export function SayStage({ timingNow, today }: NoteProps) {
  const clock = useClock();
  const trees = useTrees().data?.trees ?? [];
  const { record, error, isPending } = useRecordAction();
  const [open, setOpen] = useState(false);
  const kinds = timingNow.stages.map((stage) => stage.species).filter((species) => cropOf(species));
  const [chosen, setSpecies] = useState<string | null>(null);
  const species = chosen ?? kinds[0];
  const [cultivar, setCultivar] = useState(ALL);
  const [share, setShare] = useState<string>('');
  const [day, setDay] = useState(today.day);
  const dayFault = dayFaultOf(day, today.day);
  const crop = species ? cropOf(species) : undefined;
  if (!species || !crop) return null;
  const stages = stagesToSee(crop);
  const cultivars = [
    ...new Set(trees.filter((tree) => tree.species === species).flatMap((tree) => tree.cultivar ?? [])),
  ];
  const stage = stages.find((stage) => String(stage.share) === share);
  if (!open) {
    return (
      <View gap={8}>
        <View flexDirection="row">
          <Button onPress={() => setOpen(true)}>Say what stage I saw</Button>
        </View>
        <StagesSeen timingNow={timingNow} />
        <Small>{`What is seen wins and sets the pace from there on. Needs: ${NEEDS_SOURCE} (confidence ${NEEDS_CONFIDENCE}).`}</Small>
      </View>
    );
  }
  return (
    <View gap={12}>
      <Failed title="Not saved yet" error={error} />
      <Select
        label="Kind of tree"
        value={species}
        options={kinds.map((kind) => ({ value: kind, label: speciesName(kind) }))}
        onChange={(next) => {
          setSpecies(next);
          setCultivar(ALL);
          setShare('');
        }}
      />
      <Select
        label="Variety"
        value={cultivar}
        options={[
          { value: ALL, label: 'All of them' },
          ...cultivars.map((cultivar) => ({ value: cultivar, label: cultivar })),
        ]}
        onChange={setCultivar}
      />
      <Select
        label="Stage of most buds"
        value={share}
        options={[
          { value: '', label: 'Choose' },
          ...stages.map((stage) => ({ value: String(stage.share), label: stage.name })),
        ]}
        onChange={setShare}
      />
      <Field
        label="Seen on, year-month-day"
        value={day}
        fault={dayFault}
        hint="Today, or the day on which you saw it."
        onChangeText={setDay}
      />
      <View flexDirection="row" gap={12}>
        <Button onPress={() => setOpen(false)}>Cancel</Button>
        <Button
          grow
          kind="main"
          disabled={!stage || dayFault !== undefined || isPending}
          onPress={() =>
            stage &&
            record(
              {
                kind: 'stageSeen',
                at: day === today.day ? clock() : momentOf(noonOf(day, today.site.timeZone)),
                species,
                cultivar: cultivar === ALL ? null : cultivar,
                stage: stage.name,
                share: stage.share,
              },
              () => setOpen(false),
            )
          }
        >
          {day === today.day ? 'Seen today' : `Seen on ${day}`}
        </Button>
      </View>
    </View>
  );
}

/** A stage was seen today or before, this year or last; what is wrong with the day that is typed. */
function dayFaultOf(day: string, today: string): string | undefined {
  if (!isDay(day)) return 'Write the day like 2026-04-02.';
  if (day > today) return 'That day is still to come.';
  return daysBetween(day, today) > EARLIEST_DAYS ? 'That is more than a year ago.' : undefined;
}

const EARLIEST_DAYS = 366;
const NOON = 12;
const noonOf = (day: string, timeZone: string) => localClock(timeZone).startOf(day) + NOON;

/** What was said of stages, each with its way to take it back. */
function StagesSeen({ timingNow }: { timingNow: TimingNow }) {
  const clock = useClock();
  const { record, error, isPending } = useRecordAction();
  if (timingNow.seen.length === 0) return null;
  return (
    <View gap={4}>
      <Failed title="Not removed yet" error={error} />
      {timingNow.seen.map(({ actionId, species, cultivar, stage, day, by }) => {
        const what = `${cultivar ?? speciesName(species)}: ${stage}`;
        return (
          <View key={actionId} flexDirection="row" alignItems="center" gap={12}>
            <Small flex={1} color="$ink">{`${what}, seen ${dayWords(day)} by ${by}`}</Small>
            <Button
              kind="quiet"
              disabled={isPending}
              aria-label={`Remove: ${what}`}
              onPress={() => record({ kind: 'undone', at: clock(), actionId })}
            >
              Remove
            </Button>
          </View>
        );
      })}
    </View>
  );
}

const GROUNDS: { value: Ground; label: string }[] = [
  { value: 'reachable', label: 'Trees can be reached' },
  { value: 'mud', label: 'Too soft' },
  { value: 'snow', label: 'Snow lies' },
];
const HOLDS_MS = 36 * 3600_000;
const IN_WORDS: Record<Ground, string> = {
  reachable: 'is firm enough',
  mud: 'is too soft',
  snow: 'is under snow',
};

export function SayGround({ timingNow }: NoteProps) {
  const clock = useClock();
  const { record, error } = useRecordAction();
  const now = timingNow.timing?.ground[Math.max(0, 24)] ?? null;
  return (
    <View gap={8}>
      <Failed title="Not saved yet" error={error} />
      {now ? (
        <Body>{`The ground ${IN_WORDS[now]} now, from the weather or from what somebody saw.`}</Body>
      ) : null}
      <Choice
        label="The ground as I see it"
        layout="wrap"
        options={GROUNDS}
        value={null}
        onChange={(state) => {
          const at = clock();
          const until = new Date(Date.parse(at) + HOLDS_MS).toISOString();
          return record({ kind: 'groundSaid', at, state, until });
        }}
      />
      <Small>What you choose here counts for a day and a half, whatever the weather record says.</Small>
    </View>
  );
}
