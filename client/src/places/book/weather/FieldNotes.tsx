// What the caretaker saw outweighs what was reckoned: the stage of a crop, and the state of the ground.

import type { TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { cropOf, NEEDS_CONFIDENCE, NEEDS_SOURCE, stagesToSee } from '@mortisect/core/stage';
import { daysBetween, type Ground, localClock, momentOf } from '@mortisect/core/weather';
import type { PlainKey, Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, isDay } from '../../../data/moment';
import { useTrees } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
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
  const say = useSay();
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
  const dayFault = dayFaultOf(say, day, today.day);
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
          <Button onPress={() => setOpen(true)}>{say('book.sayWhatStageISaw')}</Button>
        </View>
        <StagesSeen timingNow={timingNow} />
        <Small>
          {say('book.whatIsSeenWinsAndSetsThe', {
            needsSource: NEEDS_SOURCE,
            needsConfidence: told(say, NEEDS_CONFIDENCE),
          })}
        </Small>
      </View>
    );
  }
  return (
    <View gap={12}>
      <Failed title={say('shared.notSavedYet')} error={error} />
      <Select
        label={say('book.kindOfTree')}
        value={species}
        options={kinds.map((kind) => ({ value: kind, label: told(say, speciesName(kind)) }))}
        onChange={(next) => {
          setSpecies(next);
          setCultivar(ALL);
          setShare('');
        }}
      />
      <Select
        label={say('book.variety')}
        value={cultivar}
        options={[
          { value: ALL, label: say('book.allOfThem') },
          ...cultivars.map((cultivar) => ({ value: cultivar, label: cultivar })),
        ]}
        onChange={setCultivar}
      />
      <Select
        label={say('book.stageOfMostBuds')}
        value={share}
        options={[
          { value: '', label: say('book.choose') },
          ...stages.map((stage) => ({ value: String(stage.share), label: told(say, stage.name) })),
        ]}
        onChange={setShare}
      />
      <Field
        label={say('book.seenOnYearMonthDay')}
        value={day}
        fault={dayFault}
        hint={say('book.todayOrTheDayOnWhichYou')}
        onChangeText={setDay}
      />
      <View flexDirection="row" gap={12}>
        <Button onPress={() => setOpen(false)}>{say('shared.cancel')}</Button>
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
          {day === today.day ? say('book.seenToday') : say('book.seenOn', { day })}
        </Button>
      </View>
    </View>
  );
}

/** A stage was seen today or before, this year or last; what is wrong with the day that is typed. */
function dayFaultOf(say: Say, day: string, today: string): string | undefined {
  if (!isDay(day)) return say('book.writeTheDayLike20260402');
  if (day > today) return say('book.thatDayIsStillToCome');
  return daysBetween(day, today) > EARLIEST_DAYS ? say('book.thatIsMoreThanAYearAgo') : undefined;
}

const EARLIEST_DAYS = 366;
const NOON = 12;
const noonOf = (day: string, timeZone: string) => localClock(timeZone).startOf(day) + NOON;

/** What was said of stages, each with its way to take it back. */
function StagesSeen({ timingNow }: { timingNow: TimingNow }) {
  const say = useSay();
  const clock = useClock();
  const { record, error, isPending } = useRecordAction();
  if (timingNow.seen.length === 0) return null;
  return (
    <View gap={4}>
      <Failed title={say('book.notRemovedYet')} error={error} />
      {timingNow.seen.map(({ actionId, species, cultivar, stage, day, by }) => {
        const what = `${cultivar ?? told(say, speciesName(species))}: ${told(say, stage)}`;
        return (
          <View key={actionId} flexDirection="row" alignItems="center" gap={12}>
            <Small flex={1} color="$ink">
              {say('book.seenBy', { what, day: dayWords(day), by })}
            </Small>
            <Button
              kind="quiet"
              disabled={isPending}
              aria-label={say('book.remove3', { what })}
              onPress={() => record({ kind: 'undone', at: clock(), actionId })}
            >
              {say('shared.remove')}
            </Button>
          </View>
        );
      })}
    </View>
  );
}

const groundsIn = (say: Say): { value: Ground; label: string }[] => [
  { value: 'reachable', label: say('book.treesCanBeReached') },
  { value: 'mud', label: say('book.tooSoft') },
  { value: 'snow', label: say('book.snowLies') },
];
const HOLDS_MS = 36 * 3600_000;
const IN_WORDS: Record<Ground, PlainKey> = {
  reachable: 'book.isFirmEnough',
  mud: 'book.isTooSoft',
  snow: 'book.isUnderSnow',
};

export function SayGround({ timingNow }: NoteProps) {
  const say = useSay();
  const clock = useClock();
  const { record, error } = useRecordAction();
  const now = timingNow.timing?.ground[Math.max(0, 24)] ?? null;
  return (
    <View gap={8}>
      <Failed title={say('shared.notSavedYet')} error={error} />
      {now ? <Body>{say('book.theGroundNowFromTheWeatherOr', { inWords: say(IN_WORDS[now]) })}</Body> : null}
      <Choice
        label={say('book.theGroundAsISeeIt')}
        layout="wrap"
        options={groundsIn(say)}
        value={null}
        onChange={(state) => {
          const at = clock();
          const until = new Date(Date.parse(at) + HOLDS_MS).toISOString();
          return record({ kind: 'groundSaid', at, state, until });
        }}
      />
      <Small>{say('book.whatYouChooseHereCountsForA')}</Small>
    </View>
  );
}
