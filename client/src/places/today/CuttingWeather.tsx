// The cutting weather of the next ten days: lanes by kind of wood, the day hour by hour, and what it comes to in words.

import { type Lane, lanesOf, type TimingNow } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import { hourOf } from '@mortisect/core/weather';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { ago, clockHour, dayWords } from '../../data/moment';
import { useClock } from '../../data/useClock';
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
}

export function CuttingWeather({ timingNow, today }: CuttingWeatherProps) {
  const lanes = useMemo(() => lanesOf(timingNow), [timingNow]);
  if (!timingNow.timing || lanes.length === 0) return <WithoutWeather timingNow={timingNow} />;
  return <Board timingNow={timingNow} timing={timingNow.timing} lanes={lanes} today={today} />;
}

/** What was told so long ago is said to be old. */
const STALE_MS = 2 * 3_600_000;

function Board({
  timingNow,
  timing,
  lanes,
  today,
}: {
  timingNow: TimingNow;
  timing: NonNullable<TimingNow['timing']>;
  lanes: Lane[];
  today: SiteToday;
}) {
  const wide = useWide();
  const [lane, setLane] = useState(0);
  const [day, setDay] = useState(0);
  const [why, setWhy] = useState(false);
  const [zoomed, setZoomed] = useState(false);
  const clock = useClock();
  const stale = Date.parse(clock()) - Date.parse(timingNow.now) > STALE_MS;
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
    ...hourSaid(timing, chosen, timing.fromHour + i, nowHour),
  }));
  const startAt = Math.max(0, day === 0 ? nowHour - at.fromHour : 12);
  return (
    <View gap={12}>
      <Small>
        {timingNow.station.simulated
          ? 'Simulated weather: no instrument measured it.'
          : `Weather on record to ${timingNow.station.observedTo ? clockHour(hourOf(timingNow.station.observedTo), timeZone) : 'nothing'}${timingNow.station.forecastTo ? '' : ', no forecast'}.`}
      </Small>
      {stale ? (
        <Small color="$ochreText">{`Told ${ago(timingNow.now, clock())}: the server has not answered since, and the forecast may have changed.`}</Small>
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
            <Label fontSize="$19" lineHeight="$19">{`${chosen.name}. `}</Label>
            {windowWords(chosen, timing, nowHour, timeZone, today.units)}
          </Body>
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button grow={!wide} onPress={() => setWhy(true)}>
              Why
            </Button>
            {wide ? null : (
              <Button grow aria-expanded={zoomed} onPress={() => setZoomed(!zoomed)}>
                {zoomed ? 'Hide the hours' : 'Hour by hour'}
              </Button>
            )}
          </View>
          {wide || zoomed ? <Label>{`${dayWords(at.day)}, hour by hour`}</Label> : null}
          {wide || zoomed ? (
            <HoursOfDay
              key={`${chosen.id} ${at.day}`}
              label={`${chosen.name} on ${dayWords(at.day)} by the hour`}
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
  return (
    <View gap={12}>
      <Notice kind="said" title="No weather is known">
        {timingNow.station.source === 'recorded'
          ? 'This orchard uses recorded weather, but there is none yet. So Mortisect only knows the stages from the calendar: not which days are dry, how a wound would heal or what frost has killed.'
          : 'Mortisect only knows the stages from the calendar: not which days are dry, how a wound would heal or what frost has killed. Choose where the weather comes from.'}
      </Notice>
      <StageLines stages={timingNow.stages} />
      <Rows>
        <Row
          href="/book/weather"
          title="Set up the weather"
          detail="A file, a station that pushes, or simulated"
        />
      </Rows>
    </View>
  );
}
