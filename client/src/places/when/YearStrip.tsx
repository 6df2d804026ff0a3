// The year as a strip of expected risk with its range, the schools' seasons under it, and what makes the months differ.

import type { SeasonAnswer } from '@mortisect/contracts';
import { DAY_MS } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { schoolWords } from '@mortisect/core/timing';
import type { PlainKey, Say } from '@mortisect/words';
import { riskWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { type CutAsked, useTreeSeason } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Chart, ChartKey } from '../../drawings/Chart';
import { usePalette } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';

interface YearStripProps {
  treeId: string;
  cut: CutAsked;
  today: SiteToday;
}

export function YearStrip({ treeId, cut, today }: YearStripProps) {
  const say = useSay();
  const { data, error } = useTreeSeason(treeId, cut);
  if (error) return <Body>{inWords(say, error)}</Body>;
  if (!data) return <Body role="status">{say('plan.workingThroughPastYears')}</Body>;
  return (
    <View gap={16}>
      <Strip season={data} today={today} />
      <Schools season={data} />
      <Months season={data} />
    </View>
  );
}

const MONTHS = [
  'plan.jan',
  'plan.feb',
  'plan.mar',
  'plan.apr',
  'plan.may',
  'plan.jun',
  'plan.jul',
  'plan.aug',
  'plan.sep',
  'plan.oct',
  'plan.nov',
  'plan.dec',
] as const satisfies PlainKey[];

/** Day of the year as “12 May”. */
export function dayOfYearWords(say: Say, ofYear: number): string {
  const date = new Date(Date.UTC(2001, 0, ofYear));
  return `${date.getUTCDate()} ${say(MONTHS[date.getUTCMonth()] as PlainKey)}`;
}

function Strip({ season, today }: { season: SeasonAnswer; today: SiteToday }) {
  const say = useSay();
  const { plum, chalk } = usePalette();
  const { weeks } = season;
  const now = new Date(`${today.day}T00:00:00Z`);
  const ofYear = Math.floor((now.getTime() - Date.UTC(now.getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
  const [at, setAt] = useState(
    Math.max(
      0,
      weeks.findLastIndex((week) => week.from <= ofYear),
    ),
  );
  const { goodBelow, waitAbove } = today.site.timing;
  const top = Math.ceil((Math.max(waitAbove, ...weeks.map((week) => week.score[2])) + 5) / 20) * 20;
  const readOut = (i: number) => {
    const week = weeks[i];
    if (!week) return '';
    return say('plan.of7DaysWithAWindowRain', {
      risk: riskWords(say, week.score),
      dryShare: Math.round(week.dryShare * 7 * 10) / 10,
      wetShare: Math.round(week.wetShare * 100),
    });
  };
  const name = (i: number) => say('plan.weekOf', { dayOfYear: dayOfYearWords(say, weeks[i]?.from ?? 1) });
  return (
    <View gap={6}>
      <ChartKey
        lines={[
          { name: say('plan.riskOfACutOf100'), colour: plum },
          { name: say('plan.daysWithADryWindow'), colour: chalk },
        ]}
      />
      <Chart
        label={say('plan.theYearRiskOfACutAnd')}
        count={weeks.length}
        height={190}
        left={{
          name: say('plan.riskOf1002'),
          domain: [0, top],
          ticks: [0, goodBelow, waitAbove, top].filter((tick, i, all) => all.indexOf(tick) === i),
          text: (value) => String(value),
        }}
        right={{ name: say('plan.daysAWeek'), domain: [0, 7], ticks: [0, 7], text: (value) => String(value) }}
        lines={[{ name: say('plan.risk'), values: weeks.map((week) => week.score[1]), colour: plum }]}
        band={{
          low: weeks.map((week) => week.score[0]),
          high: weeks.map((week) => week.score[2]),
          colour: plum,
        }}
        bars={{ values: weeks.map((week) => week.dryShare * 7), colour: chalk, axis: 'right' }}
        foot={[0, 2, 4, 6, 8, 10].map((month) => ({
          at: Math.round((month * 30.4) / 7),
          text: say(MONTHS[month] as PlainKey),
        }))}
        at={at}
        onAt={setAt}
        valueText={`${name(at)}: ${readOut(at)}`}
        table={{
          head: [say('plan.week'), say('plan.values')],
          rows: weeks.map((_, i) => [name(i), readOut(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${name(at)} · ${readOut(at)}`}</Small>
      <Small>
        {say('plan.fromPastYearsTheBandHoldsEight', {
          years: season.years,
          more: season.yearsSimulated ? say('plan.simulatedNoInstrumentMeasuredThem') : say('plan.onRecord'),
          goodBelow,
          waitAbove,
        })}
      </Small>
    </View>
  );
}

function Schools({ season }: { season: SeasonAnswer }) {
  const say = useSay();
  const sorted = season.schools.toSorted((a, b) => (a.score?.[1] ?? 999) - (b.score?.[1] ?? 999));
  return (
    <View gap={8}>
      {sorted.map((answer) => {
        const words = schoolWords[answer.school];
        return (
          <View
            key={answer.school}
            gap={2}
            paddingTop={8}
            borderTopWidth={1}
            borderStyle="solid"
            borderColor="$rule"
          >
            <View flexDirection="row" gap={12} alignItems="baseline">
              <Label flex={1} minWidth={0} fontSize="$19" lineHeight="$19">
                {told(say, words.name)}
              </Label>
              <Label fontSize="$22" lineHeight="$22">
                {answer.score ? Math.round(answer.score[1]) : '–'}
              </Label>
              <Small>
                {answer.score
                  ? `${Math.round(answer.score[0])}–${Math.round(answer.score[2])}`
                  : say('plan.noDryDay')}
              </Small>
            </View>
            <Small color="$ink">
              {say('plan.ofDaysHaveAWindow', {
                more:
                  answer.from !== null && answer.to !== null
                    ? answer.from === 1 && answer.to === 365
                      ? say('plan.allYear')
                      : say('plan.to4', {
                          dayOfYear: dayOfYearWords(say, answer.from),
                          dayOfYear2: dayOfYearWords(say, answer.to),
                        })
                    : say('plan.noUsualSeasonHere'),
                dryDays: Math.round(answer.dryDays),
                days: Math.round(answer.days),
              })}
            </Small>
            <Small>
              {say('shared.forAgainst', { for: told(say, words.for), against: told(say, words.against) })}
            </Small>
          </View>
        );
      })}
      <Small>{say('plan.indexOnTheDaysThatHadA')}</Small>
    </View>
  );
}

function Months({ season }: { season: SeasonAnswer }) {
  const say = useSay();
  const { plum, chalk, leaf } = usePalette();
  const [at, setAt] = useState(0);
  const most = Math.max(0.001, ...season.months.map((month) => month.temperatureTerm));
  const mostRain = Math.max(0.001, ...season.months.map((month) => month.rainShare));
  const lines = [
    {
      name: say('plan.temperatureAloneEqualRain'),
      values: season.months.map((month) => month.temperatureTerm / most),
      colour: plum,
    },
    {
      name: say('plan.howOftenItRains'),
      values: season.months.map((month) => month.rainShare / mostRain),
      colour: chalk,
      dash: '7 4',
    },
    {
      name: say('plan.sporesAbout'),
      values: season.months.map((month) => month.inoculum),
      colour: leaf,
      dash: '2 4',
    },
  ];
  const readOut = (i: number) => {
    const month = season.months[i];
    if (!month) return '';
    return say('plan.temperatureAloneOfItsMostRainIn', {
      temperatureTerm: Math.round((month.temperatureTerm / most) * 100),
      rainShare: Math.round(month.rainShare * 100),
      inoculum: Math.round(month.inoculum * 100),
    });
  };
  return (
    <View gap={6}>
      <Label fontSize="$19" lineHeight="$19">
        {say('plan.whatMakesTheMonthsDiffer')}
      </Label>
      <Body>{say('trade.withEqualRainTheEffectsOfTemperature')}</Body>
      <ChartKey lines={lines} />
      <Chart
        label={say('plan.temperatureRainAndSporesByMonth')}
        count={12}
        height={150}
        left={{
          name: say('plan.ofTheMost'),
          domain: [0, 1],
          ticks: [0, 0.5, 1],
          text: (value) => String(Math.round(value * 100)),
        }}
        lines={lines}
        foot={MONTHS.flatMap((name, i) => (i % 2 === 0 ? [{ at: i, text: say(name) }] : []))}
        at={at}
        onAt={setAt}
        valueText={`${say(MONTHS[at] as PlainKey)}: ${readOut(at)}`}
        table={{
          head: [say('plan.month'), say('plan.values')],
          rows: MONTHS.map((name, i) => [say(name), readOut(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${say(MONTHS[at] as PlainKey)} · ${readOut(at)}`}</Small>
    </View>
  );
}
