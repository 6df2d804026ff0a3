// The weather of the site: where it comes from, what was measured, how far each crop is, what frost has done, and what was put on.

import {
  DAY_MS,
  joined,
  rainReading,
  temperatureReading,
  type Units,
  upperFirst,
} from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { FROST_CONFIDENCE, FROST_SOURCE } from '@mortisect/core/stage';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords, shortMoment } from '../../../data/moment';
import { useSite, useTiming, useTrees, useWeather } from '../../../data/queries';
import { useToday } from '../../../data/useToday';
import { Chart, ChartKey } from '../../../drawings/Chart';
import { Button } from '../../../ui/Button';
import { Columns } from '../../../ui/Columns';
import { Notice } from '../../../ui/Notice';
import { Screen } from '../../../ui/Screen';
import { usePalette, useWide } from '../../../ui/theme';
import { Body, Label, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { StageLines } from '../../today/StageLines';
import { speciesList } from '../../when/daysView';
import { percent, plural } from '../../words';
import { BookTabs } from '../BookTabs';
import { Bloom } from './Bloom';
import { SayGround, SayStage } from './FieldNotes';
import { Protectants } from './Protectants';
import { Stations, SubscribeCalendar } from './Stations';

type Told = NonNullable<ReturnType<typeof useTiming>['data']>;

export function WeatherBook() {
  const { error, refetch } = useSite();
  const today = useToday();
  const timing = useTiming();
  const router = useRouter();
  const wide = useWide();
  if (!today || !timing.data) {
    return (
      <Waiting
        title="Book"
        error={error ?? timing.error}
        onRetry={() => void (error ? refetch() : timing.refetch())}
      />
    );
  }
  const beside = (
    <View gap={16}>
      <Stations />
      <SubscribeCalendar />
    </View>
  );
  return (
    <Screen
      title="Book"
      subtitle={today.site.name}
      width="full"
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/book/import-weather')}>
          Weather from a file
        </Button>
      }
    >
      <BookTabs />
      <Columns beside={beside}>
        <Source timingNow={timing.data} today={today} />
        <Record units={today.units} />
        <Section>How far each kind of tree is</Section>
        <StageLines stages={timing.data.stages} />
        <SayStage timingNow={timing.data} today={today} />
        <Section>Frost on record</Section>
        <Frosts timingNow={timing.data} units={today.units} />
        <Section>Fire blight in bloom</Section>
        <Bloom timingNow={timing.data} units={today.units} />
        <Section>The ground</Section>
        <SayGround timingNow={timing.data} today={today} />
        <Section>Protectants</Section>
        <Protectants timingNow={timing.data} today={today} />
        {wide ? null : beside}
      </Columns>
    </Screen>
  );
}

function Source({ timingNow, today }: { timingNow: Told; today: SiteToday }) {
  const { station } = timingNow;
  return (
    <View gap={8}>
      <Section>{station.name}</Section>
      {station.simulated ? (
        <Notice kind="caution" title="This weather is simulated">
          No instrument measured it. It is plausible for the latitude and always the same for the same seed.
          Settings switch to weather on record.
        </Notice>
      ) : null}
      <Body>{reachWords(station, today.site.timeZone)}</Body>
      {station.missingHours > 0 ? (
        <Small color="$ochreText">{`${station.missingHours} hours of the last thirty days are missing. Nobody knows whether those were dry.`}</Small>
      ) : null}
    </View>
  );
}

function reachWords(station: Told['station'], timeZone: string): string {
  if (station.source === 'none') {
    return 'No weather: Mortisect only uses the calendar. Choose where the weather comes from in Settings.';
  }
  const measured = station.observedTo
    ? `Measured to ${shortMoment(station.observedTo, timeZone)}.`
    : 'Nothing is on record.';
  const ahead = station.forecastTo
    ? `Forecast to ${shortMoment(station.forecastTo, timeZone)}.`
    : 'No forecast.';
  const from = station.pastYearsSimulated ? ', simulated for this latitude' : ' of the record';
  const years = `What is usual comes from ${station.pastYears} past years${from}.`;
  return [...(station.simulated ? [] : [measured, ahead]), ...(station.pastYears > 0 ? [years] : [])].join(
    ' ',
  );
}

const SHOWN_DAYS = 30;

/** The last month and what is forecast, by the day. */
function Record({ units }: { units: Units }) {
  const { data } = useWeather(SHOWN_DAYS);
  const { plum, chalk, slate } = usePalette();
  const [chosen, setAt] = useState<number | null>(null);
  if (!data || (data.observed.temperatureC.length === 0 && !data.forecast)) return null;
  const days = [...daily(data.observed), ...(data.forecast ? daily(data.forecast) : [])];
  const merged = mergeDays(days);
  if (merged.length < 2) return null;
  const now = data.observed.fromHour + data.observed.temperatureC.length;
  const today = merged.findLastIndex((day) => day.hour < now);
  const at = Math.min(chosen ?? Math.max(0, today), merged.length - 1);
  const values = merged.flatMap((day) => [day.minC ?? 0, day.maxC ?? 0]);
  const low = Math.floor(Math.min(0, ...values) / 5) * 5;
  const high = Math.ceil(Math.max(10, ...values) / 5) * 5;
  const say = (i: number) => {
    const day = merged[i];
    if (!day || day.minC === null || day.maxC === null) return 'not known';
    return `${joined(temperatureReading(day.minC, units))} to ${joined(temperatureReading(day.maxC, units))}, rain ${joined(rainReading(day.rainMm, units))}`;
  };
  const lines = [
    { name: 'Highest', values: merged.map((day) => day.maxC), colour: plum },
    { name: 'Lowest', values: merged.map((day) => day.minC), colour: chalk, dash: '7 4' },
  ];
  const ahead = merged.findIndex((day) => day.hour >= now);
  const mostRain = Math.max(10, ...merged.map((day) => day.rainMm));
  return (
    <View gap={6}>
      <ChartKey lines={[...lines, { name: 'Rain', colour: slate }]} />
      <Chart
        label="Weather by the day: lowest, highest, rain"
        count={merged.length}
        left={{
          name: units === 'metric' ? '°C' : '°F',
          domain: [low, high],
          ticks: [low, 0, high].filter((tick, i, all) => all.indexOf(tick) === i),
          text: (value) => temperatureReading(value, units).value,
        }}
        right={{
          name: units === 'metric' ? 'rain, mm' : 'rain, in',
          domain: [0, mostRain * 1.5],
          ticks: [0, mostRain],
          text: (value) => rainReading(value, units).value,
        }}
        lines={lines}
        bars={{ values: merged.map((day) => day.rainMm), colour: slate, axis: 'right' }}
        spans={ahead > 0 ? [{ from: ahead, to: merged.length, colour: chalk, opacity: 0.1 }] : []}
        foot={merged.flatMap((day, i) =>
          i % 10 === 0 ? [{ at: i, text: dayWords(day.day).replace(/ \d{4}$/, '') }] : [],
        )}
        at={at}
        onAt={setAt}
        valueText={`${merged[at] ? dayWords(merged[at].day) : ''}: ${say(at)}`}
        table={{ head: ['Day', 'Weather'], rows: merged.map((day, i) => [dayWords(day.day), say(i)]) }}
      />
      <Small color="$ink" role="status">{`${merged[at] ? dayWords(merged[at].day) : ''} · ${say(at)}`}</Small>
      <Small>
        Shaded days are forecast. Days are of the sun at Greenwich here; windows go by the local clock.
      </Small>
    </View>
  );
}

interface PlainDay {
  day: string;
  hour: number;
  minC: number | null;
  maxC: number | null;
  rainMm: number;
}

function daily(series: NonNullable<ReturnType<typeof useWeather>['data']>['observed']): PlainDay[] {
  const days = new Map<number, PlainDay>();
  series.temperatureC.forEach((t, i) => {
    const hour = series.fromHour + i;
    const number = Math.floor(hour / 24);
    const day = days.get(number) ?? {
      day: new Date(number * DAY_MS).toISOString().slice(0, 10),
      hour: number * 24,
      minC: null,
      maxC: null,
      rainMm: 0,
    };
    if (t !== null) {
      day.minC = Math.min(day.minC ?? t, t);
      day.maxC = Math.max(day.maxC ?? t, t);
    }
    day.rainMm += series.rainMm[i] ?? 0;
    days.set(number, day);
  });
  return [...days.values()];
}

/** The day that is measured in part and forecast for the rest is one. */
function mergeDays(days: PlainDay[]): PlainDay[] {
  const merged: PlainDay[] = [];
  for (const day of days) {
    const last = merged.at(-1);
    if (last?.day !== day.day) {
      merged.push(day);
      continue;
    }
    last.minC = last.minC === null ? day.minC : Math.min(last.minC, day.minC ?? last.minC);
    last.maxC = last.maxC === null ? day.maxC : Math.max(last.maxC, day.maxC ?? last.maxC);
    last.rainMm += day.rainMm;
  }
  return merged;
}

function Frosts({ timingNow, units }: { timingNow: Told; units: Units }) {
  const trees = useTrees().data?.trees ?? [];
  if (!timingNow.timing) return <Body>Without weather no frost can be told.</Body>;
  const rows = new Map<
    string,
    { title: string; says: string; look: string; species: string[]; keys: Set<string> }
  >();
  for (const group of timingNow.timing.groups) {
    for (const freeze of group.freezes) {
      const share = freeze.killed;
      const says = share
        ? `${freeze.stage}: ${percent(share[1])} of buds killed, ${percent(share[0])} to ${percent(share[2])}`
        : `${freeze.injury === 'severe' ? 'Severe' : 'Mild'} injury to wood likely: it stood ${joined(temperatureReading(freeze.hardinessC ?? 0, units))}`;
      const look = share
        ? `Cut buds across from ${dayWords(freeze.lookFrom)}.`
        : `Judge wood from ${dayWords(freeze.lookFrom)}${freeze.limbsFrom && freeze.limbsFrom !== freeze.lookFrom ? `, limbs from ${dayWords(freeze.limbsFrom)}` : ''}${freeze.treeFrom ? `, the whole tree from ${dayWords(freeze.treeFrom)}` : ''}. Wait until then.`;
      const key = `${freeze.day} ${says} ${look}`;
      const row = rows.get(key) ?? {
        title: `${dayWords(freeze.day)}, ${joined(temperatureReading(freeze.minC, units, 1))}`,
        says,
        look,
        species: [],
        keys: new Set<string>(),
      };
      row.species.push(group.species);
      row.keys.add(group.key);
      rows.set(key, row);
    }
  }
  if (rows.size === 0) return <Body>No damaging frost on record.</Body>;
  const sorted = [...rows.entries()].sort((a, b) => b[0].localeCompare(a[0]));
  return (
    <View gap={10}>
      {sorted.slice(0, 14).map(([key, row]) => (
        <View
          key={key}
          gap={2}
          paddingBottom={8}
          borderBottomWidth={1}
          borderStyle="solid"
          borderColor="$rule"
        >
          <Label>{`${row.title} · ${speciesList(row.species)}`}</Label>
          <Body fontSize="$16" lineHeight="$16">{`${upperFirst(row.says)}. ${row.look}`}</Body>
          <Small>
            {listed(
              trees.filter((tree) => row.keys.has(timingNow.groupOf[tree.id] ?? '')).map((tree) => tree.code),
            )}
          </Small>
        </View>
      ))}
      <Small>{`Kill temperatures: ${FROST_SOURCE}; confidence ${FROST_CONFIDENCE}. Stage, hardening and damp shift them by 1 to 2 °C: that is the range.`}</Small>
    </View>
  );
}

/** The trees to look at, by their tags. */
function listed(codes: string[]): string {
  const SHOWN = 12;
  const shown = codes.slice(0, SHOWN).join(', ');
  return `${plural(codes.length, 'tree')}: ${codes.length > SHOWN ? `${shown} and ${codes.length - SHOWN} more` : shown}`;
}
