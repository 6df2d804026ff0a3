// The weather of the site: where it comes from, what was measured, how far each crop is, what frost has done, and what was put on.

import { groupOf } from '@mortisect/contracts';
import { DAY_MS, rainReading, temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { FROST_CONFIDENCE, FROST_SOURCE } from '@mortisect/core/stage';
import type { Say } from '@mortisect/words';
import { joined, readingIn, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords, shortMoment } from '../../../data/moment';
import { useSite, useTiming, useTrees, useWeather } from '../../../data/queries';
import { useSay } from '../../../data/useSay';
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
import { percent } from '../../words';
import { BookTabs } from '../BookTabs';
import { Bloom } from './Bloom';
import { SayGround, SayStage } from './FieldNotes';
import { Protectants } from './Protectants';
import { Stations, SubscribeCalendar } from './Stations';

type Told = NonNullable<ReturnType<typeof useTiming>['data']>;

export function WeatherBook() {
  const say = useSay();
  const { error, refetch } = useSite();
  const today = useToday();
  const timing = useTiming();
  const router = useRouter();
  const wide = useWide();
  if (!today || !timing.data) {
    return (
      <Waiting
        title={say('shared.book')}
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
      title={say('shared.book')}
      subtitle={today.site.name}
      width="full"
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/book/import-weather')}>
          {say('book.weatherFromAFile')}
        </Button>
      }
    >
      <BookTabs />
      <Columns beside={beside}>
        <Source timingNow={timing.data} today={today} />
        <Record units={today.units} />
        <Section>{say('book.howFarEachKindOfTreeIs')}</Section>
        <StageLines stages={timing.data.stages} />
        <SayStage timingNow={timing.data} today={today} />
        <Section>{say('book.frostOnRecord')}</Section>
        <Frosts timingNow={timing.data} units={today.units} />
        <Section>{say('book.fireBlightInBloom')}</Section>
        <Bloom timingNow={timing.data} units={today.units} />
        <Section>{say('book.theGround')}</Section>
        <SayGround timingNow={timing.data} today={today} />
        <Section>{say('book.protectants')}</Section>
        <Protectants timingNow={timing.data} today={today} />
        {wide ? null : beside}
      </Columns>
    </Screen>
  );
}

function Source({ timingNow, today }: { timingNow: Told; today: SiteToday }) {
  const say = useSay();
  const { station } = timingNow;
  return (
    <View gap={8}>
      <Section>{told(say, station.name)}</Section>
      {station.simulated ? (
        <Notice kind="caution" title={say('book.thisWeatherIsSimulated')}>
          {say('book.noInstrumentMeasuredItItIsPlausible')}
        </Notice>
      ) : null}
      <Body>{reachWords(say, station, today.site.timeZone)}</Body>
      {station.missingHours > 0 ? (
        <Small color="$ochreText">
          {say('book.hoursOfTheLastThirtyDaysAre', { missingHours: station.missingHours })}
        </Small>
      ) : null}
    </View>
  );
}

function reachWords(say: Say, station: Told['station'], timeZone: string): string {
  if (station.source === 'none') {
    return say('book.noWeatherMortisectOnlyUsesTheCalendar');
  }
  const measured = station.observedTo
    ? say('book.measuredTo', { shortMoment: shortMoment(station.observedTo, timeZone) })
    : say('book.nothingIsOnRecord');
  const ahead = station.forecastTo
    ? say('book.forecastTo', { shortMoment: shortMoment(station.forecastTo, timeZone) })
    : say('book.noForecast');
  const from = station.pastYearsSimulated ? say('book.simulatedForThisLatitude') : say('book.ofTheRecord');
  const years = say('book.whatIsUsualComesFromPastYears', { pastYears: station.pastYears, from });
  return [...(station.simulated ? [] : [measured, ahead]), ...(station.pastYears > 0 ? [years] : [])].join(
    ' ',
  );
}

const SHOWN_DAYS = 30;

/** The last month and what is forecast, by the day. */
function Record({ units }: { units: Units }) {
  const say = useSay();
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
  const readOut = (i: number) => {
    const day = merged[i];
    if (!day || day.minC === null || day.maxC === null) return say('shared.notKnown');
    return say('book.toRain', {
      temperature: joined(say, temperatureReading(day.minC, units)),
      temperature2: joined(say, temperatureReading(day.maxC, units)),
      rain: joined(say, rainReading(day.rainMm, units)),
    });
  };
  const lines = [
    { name: say('shared.highest'), values: merged.map((day) => day.maxC), colour: plum },
    { name: say('shared.lowest'), values: merged.map((day) => day.minC), colour: chalk, dash: '7 4' },
  ];
  const ahead = merged.findIndex((day) => day.hour >= now);
  const mostRain = Math.max(10, ...merged.map((day) => day.rainMm));
  return (
    <View gap={6}>
      <ChartKey lines={[...lines, { name: say('shared.rain3'), colour: slate }]} />
      <Chart
        label={say('book.weatherByTheDayLowestHighestRain')}
        count={merged.length}
        left={{
          name: units === 'metric' ? '°C' : '°F',
          domain: [low, high],
          ticks: [low, 0, high].filter((tick, i, all) => all.indexOf(tick) === i),
          text: (value) => readingIn(say, temperatureReading(value, units)).value,
        }}
        right={{
          name: units === 'metric' ? say('shared.rainMm') : say('shared.rainIn'),
          domain: [0, mostRain * 1.5],
          ticks: [0, mostRain],
          text: (value) => readingIn(say, rainReading(value, units)).value,
        }}
        lines={lines}
        bars={{ values: merged.map((day) => day.rainMm), colour: slate, axis: 'right' }}
        spans={ahead > 0 ? [{ from: ahead, to: merged.length, colour: chalk, opacity: 0.1 }] : []}
        foot={merged.flatMap((day, i) =>
          i % 10 === 0 ? [{ at: i, text: dayWords(day.day).replace(/ \d{4}$/, '') }] : [],
        )}
        at={at}
        onAt={setAt}
        valueText={`${merged[at] ? dayWords(merged[at].day) : ''}: ${readOut(at)}`}
        table={{
          head: [say('shared.day'), say('shared.weather')],
          rows: merged.map((day, i) => [dayWords(day.day), readOut(i)]),
        }}
      />
      <Small
        color="$ink"
        role="status"
      >{`${merged[at] ? dayWords(merged[at].day) : ''} · ${readOut(at)}`}</Small>
      <Small>{say('book.shadedDaysAreForecastDaysAreOf')}</Small>
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
  const say = useSay();
  const trees = useTrees().data?.trees ?? [];
  if (!timingNow.timing) return <Body>{say('book.withoutWeatherNoFrostCanBeTold')}</Body>;
  const rows = new Map<
    string,
    { title: string; says: string; look: string; species: string[]; keys: Set<string> }
  >();
  for (const group of timingNow.timing.groups) {
    for (const freeze of group.freezes) {
      const share = freeze.killed;
      const says = share
        ? say('book.ofBudsKilledTo', {
            stage: told(say, freeze.stage),
            percent: percent(share[1]),
            percent2: percent(share[0]),
            percent3: percent(share[2]),
          })
        : say('book.injuryToWoodLikelyItStood', {
            more: freeze.injury === 'severe' ? say('book.severe') : say('book.mild'),
            temperature: joined(say, temperatureReading(freeze.hardinessC ?? 0, units)),
          });
      const look = share
        ? say('book.cutBudsAcrossFrom', { day: dayWords(freeze.lookFrom) })
        : say('book.judgeWoodFromWaitUntilThen', {
            day: dayWords(freeze.lookFrom),
            more:
              freeze.limbsFrom && freeze.limbsFrom !== freeze.lookFrom
                ? say('book.limbsFrom', { day: dayWords(freeze.limbsFrom) })
                : '',
            more2: freeze.treeFrom ? say('book.theWholeTreeFrom', { day: dayWords(freeze.treeFrom) }) : '',
          });
      const key = `${freeze.day} ${says} ${look}`;
      const row = rows.get(key) ?? {
        title: `${dayWords(freeze.day)}, ${joined(say, temperatureReading(freeze.minC, units, 1))}`,
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
  if (rows.size === 0) return <Body>{say('book.noDamagingFrostOnRecord')}</Body>;
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
          <Label>{`${row.title} · ${speciesList(say, row.species)}`}</Label>
          <Body fontSize="$16" lineHeight="$16">{`${upperFirst(row.says)}. ${row.look}`}</Body>
          <Small>
            {listed(
              say,
              trees
                .filter((tree) => row.keys.has(groupOf(timingNow).get(tree.id) ?? ''))
                .map((tree) => tree.code),
            )}
          </Small>
        </View>
      ))}
      <Small>
        {say('book.killTemperaturesConfidenceStage', {
          frostSource: FROST_SOURCE,
          frostConfidence: told(say, FROST_CONFIDENCE),
        })}
      </Small>
    </View>
  );
}

/** The trees to look at, by their tags. */
function listed(say: Say, codes: string[]): string {
  const SHOWN = 12;
  const shown = codes.slice(0, SHOWN).join(', ');
  return `${say('book.trees', { codes: codes.length })}: ${codes.length > SHOWN ? say('book.andMore3', { shown, codes: codes.length - SHOWN }) : shown}`;
}
