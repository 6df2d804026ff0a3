// What changed since the plan of before, what is left and why, and how it went in past years.
import type { SeasonPlan } from '@mortisect/contracts';
import type { Lapse, MovedBecause } from '@mortisect/core/rota';
import type { PlainKey, Say } from '@mortisect/words';
import { passWords, visitWords as visitName } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { dayWords, shortMoment } from '../../../data/moment';
import { useSite } from '../../../data/queries';
import { useSay } from '../../../data/useSay';
import { useInParts } from '../../../ui/inParts';
import { Notice } from '../../../ui/Notice';
import { Row, Rows } from '../../../ui/Row';
import { Body, Section, Small } from '../../../ui/type';
import { VisitRow } from './Places';
import { placeWords, type Shared, slotWords, wishWords } from './season';
import type { Opened } from './VisitSheet';

const MOVED_WORDS: Record<MovedBecause, PlainKey> = {
  'somebody said so': 'plan.movedAsSaid',
  'its day went by': 'plan.movedDayWentBy',
  'it cannot wait any more': 'plan.movedCannotWait',
  'it is new': 'plan.movedNew',
  'the crew works otherwise': 'plan.movedCrew',
  'the weather': 'plan.movedWeather',
  'its hours stand elsewhere': 'plan.movedHours',
  'others took its place': 'plan.movedOthers',
  'there is room now': 'plan.movedRoom',
  'it brings more': 'plan.movedBringsMore',
};

interface OfSeason {
  shared: Shared;
  crews: SeasonPlan['crews'];
}

export function Moved({ shared: { moved }, crews }: OfSeason) {
  const say = useSay();
  const timeZone = useSite().data?.site.timeZone ?? 'UTC';
  const { shown, more } = useInParts(moved?.moves ?? [], 0, { atOnce: 20 });
  if (!moved) return null;
  const points = Math.round(moved.points * 10) / 10;
  return (
    <View gap={6}>
      <Section>{say('plan.whatMoved')}</Section>
      <Small>
        {say(points < 0 ? 'plan.movedAtLess' : 'plan.movedAtMore', {
          at: shortMoment(moved.at, timeZone),
          points: Math.abs(points),
        })}
      </Small>
      <Rows>
        {shown.map(({ from, to, because, ...visit }) => (
          <Row
            key={visit.visitId}
            title={visitName(say, visit)}
            detail={`${say('plan.fromPlaceToPlace', {
              from: from ? placeWords(say, from, crews) : say('plan.noDay'),
              to: to ? placeWords(say, to, crews) : say('plan.noDay'),
            })} ${say(MOVED_WORDS[because])}`}
          />
        ))}
      </Rows>
      {more}
    </View>
  );
}

const LAPSE_WORDS = {
  'its day has gone': 'plan.lapsedDay',
  'beyond the season': 'plan.lapsedBeyond',
  'its crew has gone': 'plan.lapsedCrew',
} as const satisfies Record<Lapse, string>;

export function Lapsed({ shared: { lapsed, visits } }: Pick<OfSeason, 'shared'>) {
  const say = useSay();
  if (lapsed.length === 0) return null;
  const nameOf = new Map(visits.map((visit) => [visit.id, visitName(say, visit)]));
  return (
    <Notice kind="caution" title={say('plan.whatCannotBeKept')}>
      {lapsed
        .map(({ visitId, why }) => say(LAPSE_WORDS[why], { tree: nameOf.get(visitId) ?? visitId }))
        .join(' ')}
    </Notice>
  );
}

type Left = Shared['plan']['left'][number];

const LEFT_WORDS: Record<Left['because'], PlainKey> = {
  'nobody has the skill': 'plan.nobodyHasTheSkill',
  'nobody has a ladder': 'plan.nobodyHasALadder',
  'nobody has a pole': 'plan.nobodyHasAPole',
  'no day of its own': 'plan.noDayOfItsOwn',
  'nobody works then': 'plan.nobodyWorksThen',
  'longer than a slot': 'plan.longerThanAnyDay',
  'better left': 'plan.betterLeftThisYear',
  'others are worth more': 'plan.othersAreWorthMore',
};

interface LeftProps extends OfSeason {
  onOpen(opened: Opened): void;
}

export function LeftRows({ shared, crews, onOpen }: LeftProps) {
  const say = useSay();
  const { left } = shared.plan;
  const visitOf = new Map(shared.visits.map((visit) => [visit.id, visit]));
  const { shown, more } = useInParts(left);
  if (left.length === 0 && shared.leftByChoice.length === 0)
    return <Body>{say('plan.everyVisitHasADay')}</Body>;
  if (left.length === 0) return null;
  return (
    <View gap={6}>
      <Section>{say('plan.leftUndone')}</Section>
      <Rows>
        {shown.map(({ visitId, because, costs, must }) => {
          const visit = visitOf.get(visitId);
          const { treeId = visitId } = visit ?? {};
          const title = visit ? visitName(say, visit) : visitId;
          const words = say(LEFT_WORDS[because]);
          return (
            <VisitRow
              key={visitId}
              title={title}
              must={must}
              detail={[must ? say('plan.cannotWait') : '', wishWords(say, visit?.wish ?? null, crews), words]
                .filter(Boolean)
                .join(' · ')}
              aside={costsWords(say, costs)}
              onPress={() =>
                onOpen({ visitId, treeId, title, stands: words, must, wish: visit?.wish ?? null })
              }
            />
          );
        })}
      </Rows>
      {more}
    </View>
  );
}

export function LeftByChoice({ shared: { leftByChoice }, onOpen }: Omit<LeftProps, 'crews'>) {
  const say = useSay();
  const { shown, more } = useInParts(leftByChoice);
  if (leftByChoice.length === 0) return null;
  return (
    <View gap={6}>
      <Section>{say('plan.leftOnPurpose')}</Section>
      <Rows>
        {shown.map((visit) => {
          const { visitId, treeId, until, reason, costs, must } = visit;
          const title = visitName(say, visit);
          const words = say('plan.leftUntilBecause', { day: dayWords(until), reason });
          return (
            <VisitRow
              key={visitId}
              title={title}
              must={must}
              detail={`${must ? `${say('plan.cannotWait')} · ` : ''}${words}`}
              aside={costsWords(say, costs)}
              onPress={() =>
                onOpen({ visitId, treeId, title, stands: words, must, wish: { is: 'left', until, reason } })
              }
            />
          );
        })}
      </Rows>
      {more}
    </View>
  );
}

function costsWords(say: ReturnType<typeof useSay>, costs: number): string {
  return costs > 0
    ? say('plan.costsPoints', { points: Math.round(costs * 10) / 10 })
    : say('plan.costsNothing');
}

export function PastYears({
  shared: { played, known, yearsSimulated, visits, plan },
}: Pick<OfSeason, 'shared'>) {
  const say = useSay();
  if (played.length === 0 || plan.done.length === 0) return null;
  const done = played.filter(({ left }) => left.length === 0);
  const last = done
    .flatMap(({ doneBy }) => doneBy ?? [])
    .toSorted()
    .at(-1);
  const ofWet = played.reduce((most, year) => (year.left.length > most.left.length ? year : most));
  const codeOf = new Map(visits.map(({ id, code }) => [id, code]));
  const gains = known.map(({ points, knowing }) => knowing - points);
  const mean = gains.reduce((sum, each) => sum + each, 0) / Math.max(1, gains.length);
  const codes = [...new Set(ofWet.left.map((id) => codeOf.get(id) ?? id))];
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
            visits: ofWet.left.length,
            codes: codesOf(say, codes),
          })}
        </Body>
      ) : null}
      {gains.length > 0 ? (
        <Small>
          {say('plan.whoKnewTheWeather', { years: gains.length, points: Math.round(mean * 10) / 10 })}
        </Small>
      ) : null}
      {yearsSimulated ? <Small>{say('plan.theseYearsAreSimulated')}</Small> : null}
    </View>
  );
}

const CODES_SHOWN = 12;

const codesOf = (say: Say, codes: readonly string[]) => {
  const more = codes.length - CODES_SHOWN;
  const shown = codes.slice(0, CODES_SHOWN).join(', ');
  return more > 0 ? say('plan.andMore', { codes: shown, more }) : shown;
};

/** What only an arborist may cut: bundled, and on which day one visit does the most. */
export function Arborist({ shared: { arborist } }: Pick<OfSeason, 'shared'>) {
  const say = useSay();
  const { asks, booked } = arborist;
  if (!asks && booked.length === 0) return null;
  const days = [...new Set(booked.map(({ on }) => on))].sort();
  return (
    <View gap={6}>
      <Section>{say('plan.forAnArborist')}</Section>
      {days.map((day) => (
        <Body key={day}>
          {say('plan.arboristIsBooked', {
            day: dayWords(day),
            codes: codesOf(
              say,
              booked.flatMap(({ on, code }) => (on === day ? code : [])),
            ),
          })}
        </Body>
      ))}
      {asks ? (
        <>
          <Body>
            {say('plan.arboristOneVisit', { trees: asks.codes.length, codes: codesOf(say, asks.codes) })}
          </Body>
          <Body>
            {asks.day
              ? say('plan.arboristBestDay', { suits: asks.suits, day: slotWords(say, asks.day) })
              : say('plan.arboristNoDay')}
          </Body>
        </>
      ) : null}
    </View>
  );
}

/** Passes beyond the season: a renovation holds its years. */
export function LaterYears({ shared: { later } }: Pick<OfSeason, 'shared'>) {
  const say = useSay();
  if (later.length === 0) return null;
  return (
    <View gap={6}>
      <Section>{say('plan.laterYears')}</Section>
      {later.map(({ pass, season, firstYear, trees, minutes }) => (
        <Small key={`${firstYear + season} ${pass}`} color="$ink">
          {say('plan.laterPass', {
            pass: passWords(say, season, pass, firstYear),
            trees,
            minutes: Math.round(minutes),
          })}
        </Small>
      ))}
    </View>
  );
}
