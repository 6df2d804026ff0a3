// The season: who does which tree when, what does not fit and why, how it went in past years, and what one more hand is worth.
import type { SeasonPlan } from '@mortisect/contracts';
import type { PlainKey, Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { dayWords, weekday } from '../../../data/moment';
import { useTrees } from '../../../data/queries';
import { useSeasonPlan } from '../../../data/seasonPlan';
import { useSay } from '../../../data/useSay';
import { Columns } from '../../../ui/Columns';
import { FileLinks } from '../../../ui/FileLinks';
import { useInParts } from '../../../ui/inParts';
import { Row, Rows } from '../../../ui/Row';
import { Aside, Screen } from '../../../ui/Screen';
import { useWide } from '../../../ui/theme';
import { Body, Label, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { Crews } from './Crews';
import { SeasonChart } from './SeasonChart';

type Shared = NonNullable<SeasonPlan['shared']>;
type Visit = Shared['visits'][number];
type Left = Shared['plan']['left'][number];

export function SeasonPage() {
  const say = useSay();
  const wide = useWide();
  const { data, error, isFetching, refetch } = useSeasonPlan();
  if (!data)
    return (
      <Waiting
        title={say('plan.theSeason')}
        says={say('plan.theSeasonIsSharedOut')}
        error={error}
        onRetry={refetch}
      />
    );
  const { shared, state, unplanned } = data;
  // On a phone what stands beside on a wide screen comes after it
  const beside = (
    <View gap={24}>
      {shared ? <PastYears shared={shared} /> : null}
      <Crews oneMore={shared?.oneMore ?? []} />
    </View>
  );
  return (
    <Screen
      title={say('plan.theSeason')}
      subtitle={say('plan.whoDoesWhatWhen')}
      width="full"
      aside={
        shared ? (
          <Aside
            figure={say('plan.ofVisits', { done: shared.plan.done.length, visits: shared.visits.length })}
            caption={say('plan.visitsHaveADay')}
          />
        ) : null
      }
    >
      {isFetching ? <Body role="status">{say('plan.theSeasonIsSharedOutAnew')}</Body> : null}
      {state === 'planned' ? null : <Body>{say(STATE_WORDS[state])}</Body>}
      {unplanned > 0 ? <Body>{say('plan.treesWithoutAPlanYet', { trees: unplanned })}</Body> : null}
      <Columns beside={beside}>{shared ? <Planned plan={data} shared={shared} /> : null}</Columns>
      {wide ? null : beside}
    </Screen>
  );
}

const STATE_WORDS: Record<Exclude<SeasonPlan['state'], 'planned'>, PlainKey> = {
  'nobody works': 'plan.nobodyWorksHereYet',
  'nothing to do': 'plan.noTreeAsksForAVisit',
  'no weather': 'plan.noWeatherIsKnownForASeason',
};

function Planned({ plan: { crews }, shared }: { plan: SeasonPlan; shared: Shared }) {
  const say = useSay();
  const visitOf = new Map(shared.visits.map((visit) => [visit.id, visit]));
  const places = shared.slots.flatMap((slot) =>
    crews.flatMap((crew) => {
      const of = shared.plan.slots.find((each) => each.slotId === slot.id && each.poolId === crew.id);
      const visits = shared.plan.done.flatMap(({ visitId, slotId, poolId }) =>
        slotId === slot.id && poolId === crew.id ? (visitOf.get(visitId) ?? []) : [],
      );
      return of && visits.length > 0 ? [{ slot, crew, of, visits }] : [];
    }),
  );
  return (
    <View gap={24}>
      <SeasonChart crews={crews} shared={shared} />
      {places.map(({ slot, crew, of, visits }) => (
        <View key={`${slot.id} ${crew.id}`} gap={6}>
          <Section>{`${slotWords(say, slot)} · ${crew.name}`}</Section>
          <Small>
            {say('plan.minutesOfWorkable', {
              needed: Math.round(of.needed),
              workable: Math.round(of.workable),
              plots: of.plots,
            })}
          </Small>
          <VisitRows visits={visits} />
        </View>
      ))}
      <LeftRows left={shared.plan.left} visitOf={visitOf} />
      <FileLinks
        links={[
          ['/api/season-plan.csv', say('plan.seasonAsCsv')],
          ['/api/season-plan.ics', say('plan.seasonAsCalendar')],
          ...crews.map(({ id, name }): [string, string] => [
            `/api/season-plan.ics?crew=${encodeURIComponent(id)}`,
            say('plan.calendarOfCrew', { crew: name }),
          ]),
          ['/api/season-plan.lp', say('plan.seasonAsProgram')],
        ]}
      />
      <Small>
        {[
          say('plan.pointsOfSeason', { points: Math.round(shared.plan.points) }),
          shared.plan.gap > 0
            ? say('plan.noPlanBringsMoreThan', { percent: Math.ceil(shared.plan.gap * 1000) / 10 })
            : say('plan.provedBest'),
        ].join(' ')}
      </Small>
    </View>
  );
}

function VisitRows({ visits }: { visits: readonly Visit[] }) {
  const say = useSay();
  const { shown, more } = useInParts(visits);
  return (
    <View>
      <Rows>
        {shown.map(({ id, code, minutes, must, ladder }) => (
          <Row
            key={id}
            href={`/plan/${id}`}
            {...(must && { bar: 'danger' as const })}
            title={code}
            detail={[
              must ? say('plan.cannotWait') : '',
              ladder ? say('plan.onALadder') : say('plan.fromTheGround'),
            ]
              .filter(Boolean)
              .join(' · ')}
            aside={say('shared.min', { minutes: Math.round(minutes) })}
          />
        ))}
      </Rows>
      {more}
    </View>
  );
}

function LeftRows({ left, visitOf }: { left: readonly Left[]; visitOf: ReadonlyMap<string, Visit> }) {
  const say = useSay();
  const { shown, more } = useInParts(left);
  if (left.length === 0) return <Body>{say('plan.everyVisitHasADay')}</Body>;
  return (
    <View gap={6}>
      <Section>{say('plan.leftUndone')}</Section>
      <Rows>
        {shown.map(({ visitId, because, costs, must }) => (
          <Row
            key={visitId}
            href={`/plan/${visitId}`}
            {...(must && { bar: 'danger' as const })}
            title={visitOf.get(visitId)?.code ?? visitId}
            detail={`${must ? `${say('plan.cannotWait')} · ` : ''}${say(LEFT_WORDS[because])}`}
            aside={
              <Label textAlign="right">
                {costs > 0
                  ? say('plan.costsPoints', { points: Math.round(costs * 10) / 10 })
                  : say('plan.costsNothing')}
              </Label>
            }
          />
        ))}
      </Rows>
      {more}
    </View>
  );
}

const LEFT_WORDS: Record<Left['because'], PlainKey> = {
  'nobody has the skill': 'plan.nobodyHasTheSkill',
  'nobody has a ladder': 'plan.nobodyHasALadder',
  'no day of its own': 'plan.noDayOfItsOwn',
  'nobody works then': 'plan.nobodyWorksThen',
  'longer than a slot': 'plan.longerThanAnyDay',
  'better left': 'plan.betterLeftThisYear',
  'others are worth more': 'plan.othersAreWorthMore',
};

/** “Sat 5 Dec, morning” or “from 14 Jan to 20 Jan”. */
export function slotWords(say: Say, { from, to, half }: Shared['slots'][number]): string {
  if (half)
    return say(half === 'morning' ? 'plan.inTheMorning' : 'plan.inTheAfternoon', {
      day: `${weekday(from).name} ${dayWords(from)}`,
    });
  return say('plan.weekFromTo', { from: dayWords(from), to: dayWords(to) });
}

function PastYears({ shared: { played, yearsSimulated, visits, plan } }: { shared: Shared }) {
  const say = useSay();
  const codeOf = useTrees().data?.trees;
  if (played.length === 0 || plan.done.length === 0) return null;
  const done = played.filter(({ left }) => left.length === 0);
  const last = done
    .flatMap(({ doneBy }) => doneBy ?? [])
    .toSorted()
    .at(-1);
  const ofWet = played.reduce((most, year) => (year.left.length > most.left.length ? year : most));
  const named = (id: string) =>
    codeOf?.find((tree) => tree.id === id)?.code ?? visits.find((visit) => visit.id === id)?.code ?? id;
  return (
    <View gap={6}>
      <Section>{say('plan.inTheWeatherOfPastYears')}</Section>
      <Body>
        {last
          ? say('plan.allDoneInYears', { done: done.length, years: played.length, day: dayWords(last) })
          : say('plan.neverAllDone', { years: played.length })}
      </Body>
      {ofWet.left.length > 0 ? (
        <Body>
          {say('plan.inTheWettestYearLeft', {
            trees: ofWet.left.length,
            codes: ofWet.left.slice(0, 12).map(named).join(', '),
          })}
        </Body>
      ) : null}
      {yearsSimulated ? <Small>{say('plan.theseYearsAreSimulated')}</Small> : null}
    </View>
  );
}
