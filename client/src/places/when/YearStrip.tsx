// The year as a strip of expected risk with its range, the schools' seasons under it, and what makes the months differ.

import type { SeasonAnswer } from '@mortisect/contracts';
import { DAY_MS } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { schoolWords } from '@mortisect/core/timing';
import { LESSON, riskWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { type CutAsked, useTreeSeason } from '../../data/queries';
import { Chart, ChartKey } from '../../drawings/Chart';
import { usePalette } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';

interface YearStripProps {
  treeId: string;
  cut: CutAsked;
  today: SiteToday;
}

export function YearStrip({ treeId, cut, today }: YearStripProps) {
  const { data, error } = useTreeSeason(treeId, cut);
  if (error) return <Body>{inWords(error)}</Body>;
  if (!data) return <Body role="status">Working through past years …</Body>;
  return (
    <View gap={16}>
      <Strip season={data} today={today} />
      <Schools season={data} />
      <Months season={data} />
    </View>
  );
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** Day of the year as “12 May”. */
export function dayOfYearWords(ofYear: number): string {
  const date = new Date(Date.UTC(2001, 0, ofYear));
  return `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`;
}

function Strip({ season, today }: { season: SeasonAnswer; today: SiteToday }) {
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
  const say = (i: number) => {
    const week = weeks[i];
    if (!week) return '';
    return `${riskWords(week.score)}, ${Math.round(week.dryShare * 7 * 10) / 10} of 7 days with a window, rain on ${Math.round(week.wetShare * 100)} % of days`;
  };
  const name = (i: number) => `Week of ${dayOfYearWords(weeks[i]?.from ?? 1)}`;
  return (
    <View gap={6}>
      <ChartKey
        lines={[
          { name: 'Risk of a cut, of 100', colour: plum },
          { name: 'Days with a dry window', colour: chalk },
        ]}
      />
      <Chart
        label="The year: risk of a cut and days with a dry window, by week"
        count={weeks.length}
        height={190}
        left={{
          name: 'risk of 100',
          domain: [0, top],
          ticks: [0, goodBelow, waitAbove, top].filter((tick, i, all) => all.indexOf(tick) === i),
          text: (value) => String(value),
        }}
        right={{ name: 'days a week', domain: [0, 7], ticks: [0, 7], text: (value) => String(value) }}
        lines={[{ name: 'Risk', values: weeks.map((week) => week.score[1]), colour: plum }]}
        band={{
          low: weeks.map((week) => week.score[0]),
          high: weeks.map((week) => week.score[2]),
          colour: plum,
        }}
        bars={{ values: weeks.map((week) => week.dryShare * 7), colour: chalk, axis: 'right' }}
        foot={[0, 2, 4, 6, 8, 10].map((month) => ({
          at: Math.round((month * 30.4) / 7),
          text: MONTHS[month] as string,
        }))}
        at={at}
        onAt={setAt}
        valueText={`${name(at)}: ${say(at)}`}
        table={{ head: ['Week', 'Values'], rows: weeks.map((_, i) => [name(i), say(i)]) }}
      />
      <Small color="$ink" role="status">{`${name(at)} · ${say(at)}`}</Small>
      <Small>
        {`From ${season.years} past years${season.yearsSimulated ? ', simulated: no instrument measured them' : ' on record'}. The band holds eight of ten days. Under ${goodBelow} is good, over ${waitAbove} waits.`}
      </Small>
    </View>
  );
}

function Schools({ season }: { season: SeasonAnswer }) {
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
                {words.name}
              </Label>
              <Label fontSize="$22" lineHeight="$22">
                {answer.score ? Math.round(answer.score[1]) : '–'}
              </Label>
              <Small>
                {answer.score
                  ? `${Math.round(answer.score[0])}–${Math.round(answer.score[2])}`
                  : 'no dry day'}
              </Small>
            </View>
            <Small color="$ink">
              {`${answer.from !== null && answer.to !== null ? (answer.from === 1 && answer.to === 365 ? 'All year' : `${dayOfYearWords(answer.from)} to ${dayOfYearWords(answer.to)}`) : 'No usual season here'} · ${Math.round(answer.dryDays)} of ${Math.round(answer.days)} days have a window`}
            </Small>
            <Small>{`For: ${words.for} Against: ${words.against}`}</Small>
          </View>
        );
      })}
      <Small>
        Index on the days that had a window: middle, and eight of ten. The lowest stands first; they disagree,
        and here is by how much.
      </Small>
    </View>
  );
}

function Months({ season }: { season: SeasonAnswer }) {
  const { plum, chalk, leaf } = usePalette();
  const [at, setAt] = useState(0);
  const most = Math.max(0.001, ...season.months.map((month) => month.temperatureTerm));
  const mostRain = Math.max(0.001, ...season.months.map((month) => month.rainShare));
  const lines = [
    {
      name: 'Temperature alone, equal rain',
      values: season.months.map((month) => month.temperatureTerm / most),
      colour: plum,
    },
    {
      name: 'How often it rains',
      values: season.months.map((month) => month.rainShare / mostRain),
      colour: chalk,
      dash: '7 4',
    },
    { name: 'Spores about', values: season.months.map((month) => month.inoculum), colour: leaf, dash: '2 4' },
  ];
  const say = (i: number) => {
    const month = season.months[i];
    if (!month) return '';
    return `temperature alone ${Math.round((month.temperatureTerm / most) * 100)} % of its most, rain in ${Math.round(month.rainShare * 100)} % of hours, spores ${Math.round(month.inoculum * 100)} %`;
  };
  return (
    <View gap={6}>
      <Label fontSize="$19" lineHeight="$19">
        What makes the months differ
      </Label>
      <Body>{LESSON}</Body>
      <ChartKey lines={lines} />
      <Chart
        label="Temperature, rain and spores by month"
        count={12}
        height={150}
        left={{
          name: '% of the most',
          domain: [0, 1],
          ticks: [0, 0.5, 1],
          text: (value) => String(Math.round(value * 100)),
        }}
        lines={lines}
        foot={MONTHS.flatMap((text, i) => (i % 2 === 0 ? [{ at: i, text }] : []))}
        at={at}
        onAt={setAt}
        valueText={`${MONTHS[at]}: ${say(at)}`}
        table={{ head: ['Month', 'Values'], rows: MONTHS.map((name, i) => [name, say(i)]) }}
      />
      <Small color="$ink" role="status">{`${MONTHS[at]} · ${say(at)}`}</Small>
    </View>
  );
}
