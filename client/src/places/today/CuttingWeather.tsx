// The cutting weather of the next ten days: lanes by kind of wood, the day hour by hour, and what it comes to in words.

import { type Lane, lanesOf, type TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { hourOf } from '@mortisect/core/weather';
import { laneName } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { memo, useState } from 'react';
import { ago, clockHour, dayWords } from '../../data/moment';
import { useSay } from '../../data/useSay';
import { HoursOfDay } from '../../drawings/days/HoursOfDay';
import { Lanes } from '../../drawings/days/Lanes';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { useWide } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';
import { hourSaid, hoursOfDay, windowWords } from '../when/daysView';
import { LaneWhy } from './LaneWhy';
import { StageLines } from './StageLines';

interface CuttingWeatherProps {
  timingNow: TimingNow;
  today: SiteToday;
  /** How long ago it was told, where that is too long: “3 hours ago”. */
  old: string | null;
}

/** What was told so long ago is said to be old. */
const STALE_MS = 2 * 3_600_000;

/** As `old` wants it; asked by the page, which is drawn more often than the board. */
export const oldWeather = (timingNow: TimingNow, now: string): string | null =>
  Date.parse(now) - Date.parse(timingNow.now) > STALE_MS ? ago(timingNow.now, now) : null;

export const CuttingWeather = memo(function CuttingWeather({ timingNow, ...rest }: CuttingWeatherProps) {
  const lanes = lanesOf(timingNow);
  if (!timingNow.timing || lanes.length === 0) return <WithoutWeather timingNow={timingNow} />;
  return <Board {...{ timingNow, timing: timingNow.timing, lanes, ...rest }} />;
});

interface BoardProps extends CuttingWeatherProps {
  timing: NonNullable<TimingNow['timing']>;
  lanes: Lane[];
}

function Board({ timingNow, timing, lanes, today, old }: BoardProps) {
  const say = useSay();
  const wide = useWide();
  const [lane, setLane] = useState(0);
  const [day, setDay] = useState(0);
  const [why, setWhy] = useState(false);
  const [zoomed, setZoomed] = useState(false);
  const { timeZone } = today.site;
  const nowHour = hourOf(timingNow.now);
  const chosen = lanes[Math.min(lane, lanes.length - 1)] as Lane;
  const at = timing.days[Math.min(day, timing.days.length - 1)];
  if (!at) return null;
  const places = hoursOfDay(timing, at.day);
  const hours = places.map((i) => ({
    text: clockHour(timing.fromHour + i, timeZone).slice(0, 2),
    temperatureC: timing.temperatureC[i] ?? null,
    rainMm: timing.rainMm[i] ?? null,
    windMs: timing.windMs[i] ?? null,
    ...hourSaid(say, timing, chosen, timing.fromHour + i, nowHour),
  }));
  const startAt = Math.max(0, day === 0 ? nowHour - at.fromHour : 12);
  return (
    <View gap={12}>
      <Small>
        {timingNow.station.simulated
          ? say('shared.simulatedWeatherNoInstrumentMeasuredIt')
          : say('today.weatherOnRecordTo', {
              more: timingNow.station.observedTo
                ? clockHour(hourOf(timingNow.station.observedTo), timeZone)
                : say('today.nothing'),
              more2: timingNow.station.forecastTo ? '' : say('today.noForecast'),
            })}
      </Small>
      {old ? (
        <Small color="$ochreText">{say('today.toldTheServerHasNotAnsweredSince', { ago: old })}</Small>
      ) : null}
      <View flexDirection={wide ? 'row' : 'column'} gap={wide ? 32 : 12}>
        <View flex={wide ? 1.2 : undefined} minWidth={0}>
          <Lanes
            lanes={lanes}
            days={timing.days}
            units={today.units}
            lane={lane}
            day={day}
            onChoose={(l, d) => {
              setLane(l);
              setDay(d);
            }}
          />
        </View>
        <View flex={wide ? 1 : undefined} minWidth={0} gap={8}>
          <Body role="status" aria-live="polite">
            <Label fontSize="$19" lineHeight="$19">{`${laneName(say, chosen)}. `}</Label>
            {windowWords(say, chosen, timing, nowHour, timeZone, today.units)}
          </Body>
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button grow={!wide} onPress={() => setWhy(true)}>
              {say('shared.why')}
            </Button>
            {wide ? null : (
              <Button grow aria-expanded={zoomed} onPress={() => setZoomed(!zoomed)}>
                {zoomed ? say('today.hideTheHours') : say('today.hourByHour')}
              </Button>
            )}
          </View>
          {wide || zoomed ? <Label>{say('today.hourByHour2', { day: dayWords(at.day) })}</Label> : null}
          {wide || zoomed ? (
            <HoursOfDay
              key={`${chosen.id} ${at.day}`}
              label={say('today.onByTheHour', { chosen: laneName(say, chosen), day: dayWords(at.day) })}
              hours={hours}
              units={today.units}
              startAt={startAt}
            />
          ) : null}
        </View>
      </View>
      <LaneWhy
        timingNow={timingNow}
        timing={timing}
        lane={chosen}
        day={at.day}
        today={today}
        open={why}
        onClose={() => setWhy(false)}
      />
    </View>
  );
}

/** No weather at all: what the calendar and the stage still say, and what nobody can. */
function WithoutWeather({ timingNow }: { timingNow: TimingNow }) {
  const say = useSay();
  return (
    <View gap={12}>
      <Notice kind="said" title={say('shared.noWeatherIsKnown')}>
        {timingNow.station.source === 'recorded'
          ? say('today.thisOrchardUsesRecordedWeatherButThere')
          : say('today.mortisectOnlyKnowsTheStagesFromThe')}
      </Notice>
      <StageLines stages={timingNow.stages} />
      <Rows>
        <Row
          href="/book/weather"
          title={say('today.setUpTheWeather')}
          detail={say('today.aFileAStationThatPushesOr')}
        />
      </Rows>
    </View>
  );
}
