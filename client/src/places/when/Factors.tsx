// Every factor of the index on its own: its value, what it says, and its curve from the day of the cut.

import type { TreeTiming } from '@mortisect/contracts';
import { joined, temperatureReading, upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { factorNames, pathogenOf } from '@mortisect/core/timing';
import { FACTOR_WORDS, riskWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, longDayHour, weekday } from '../../data/moment';
import { Chart, ChartKey } from '../../drawings/Chart';
import { Choice } from '../../ui/Choice';
import { usePalette } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';
import { percent } from '../words';

interface FactorsProps {
  data: TreeTiming;
  today: SiteToday;
}

export function Factors({ data, today }: FactorsProps) {
  const { curves, group } = data;
  const cell = group.cells.find((cell) => cell.cutHour === curves.cutHour) ?? group.cells[0];
  const { weights } = today.site.timing;
  const worst = curves.pathogens.toSorted((a, b) => b.chance * b.consequence - a.chance * a.consequence);
  const [chosen, setChosen] = useState<string | null>(null);
  const pathogen = worst.find((pathogen) => pathogen.code === chosen) ?? worst[0];
  if (!cell) return null;
  return (
    <View gap={12}>
      <Body>{`Cut on ${longDayHour(curves.cutHour, today.site.timeZone)}: ${riskWords(cell.score)}. The range comes from 200 tries with the uncertain figures drawn at random.`}</Body>
      <View gap={4}>
        <Line
          name={FACTOR_WORDS.infection.name}
          value={cell.infection}
          weight={1}
          says={FACTOR_WORDS.infection.says}
        />
        {factorNames.map((name) => (
          <Line
            key={name}
            name={FACTOR_WORDS[name].name}
            value={cell.factors[name]}
            weight={weights[name]}
            says={FACTOR_WORDS[name].says}
          />
        ))}
      </View>
      <Label>Each over the ten days</Label>
      <TenDays data={data} />
      {pathogen ? (
        <>
          <Choice
            label="Pathogen"
            layout="wrap"
            options={worst.map((pathogen) => ({
              value: pathogen.code,
              label: `${pathogenOf(pathogen.code).name} ${percent(pathogen.chance)}`,
            }))}
            value={pathogen.code}
            onChange={setChosen}
          />
          <PathogenChart key={pathogen.code} data={data} pathogen={pathogen} />
        </>
      ) : (
        <Body>We have no figures for its diseases: the risk holds only frost, sun and bark.</Body>
      )}
      <Label>Nights against the frost its wood can take</Label>
      <FrostChart data={data} today={today} />
    </View>
  );
}

function Line({ name, value, weight, says }: { name: string; value: number; weight: number; says: string }) {
  return (
    <View flexDirection="row" gap={12} alignItems="baseline">
      <Label width={64} textAlign="right">
        {percent(value)}
      </Label>
      <View flex={1} minWidth={0}>
        <Label>{`${name}${weight === 1 ? '' : `, weight ${weight}`}`}</Label>
        <Small>{upperFirst(says)}</Small>
      </View>
    </View>
  );
}

type PathogenOf = TreeTiming['curves']['pathogens'][number];

const SHARE_AXIS = {
  name: 'share, %',
  domain: [0, 1] as const,
  ticks: [0, 0.5, 1],
  text: (value: number) => String(Math.round(value * 100)),
};

function PathogenChart({ data, pathogen }: { data: TreeTiming; pathogen: PathogenOf }) {
  const { plum, leaf, ochre, chalk, slate } = usePalette();
  const [at, setAt] = useState(0);
  const { days } = data.curves;
  const here = days[at];
  const described = pathogenOf(pathogen.code);
  const lines = [
    { name: 'Wound still open', values: pathogen.susceptible, colour: plum },
    { name: 'Warmth in wet hours suits it', values: pathogen.suitable, colour: ochre, dash: '7 4' },
    { name: 'Spores about', values: pathogen.inoculum, colour: leaf, dash: '2 4' },
  ];
  const most = Math.max(0.002, ...pathogen.adds);
  const say = (i: number) =>
    `open ${percent(pathogen.susceptible[i] ?? 0)}, warmth ${percent(pathogen.suitable[i] ?? 0)}, spores ${percent(pathogen.inoculum[i] ?? 0)}, ${Math.round(days[i]?.rainHours ?? 0)} h of rain, adds ${((pathogen.adds[i] ?? 0) * 100).toFixed(2)} infections in 100 wounds`;
  const beyond = days.findIndex((day) => !day.known);
  return (
    <View gap={6}>
      <ChartKey lines={[...lines, { name: 'Adds to the risk', colour: chalk }]} />
      <Chart
        label={`${described.name}: a wound day by day`}
        count={days.length}
        left={SHARE_AXIS}
        right={{
          name: 'adds, in 100',
          domain: [0, most],
          ticks: [0, most],
          text: (value) => (value * 100).toFixed(1),
        }}
        lines={lines}
        bars={{ values: pathogen.adds, colour: chalk, axis: 'right' }}
        spans={beyond >= 0 ? [{ from: beyond, to: days.length, colour: slate, opacity: 0.12 }] : []}
        foot={footOf(days)}
        at={at}
        onAt={setAt}
        valueText={`${here ? dayWords(here.day) : ''}: ${say(at)}`}
        table={{
          head: ['Day', 'Values'],
          rows: days.map((day, i) => [dayWords(day.day), say(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${here ? dayWords(here.day) : ''} · ${say(at)}`}</Small>
      <Small>
        {`Chance ${percent(pathogen.chance)} (${percent(pathogen.chanceBand[0])} to ${percent(pathogen.chanceBand[2])}); nearby it counts ${pathogen.load}, consequence ${pathogen.consequence}. Carried by ${described.carriedBy}. ${described.anchor}${beyond >= 0 ? ' Shaded days lie beyond the forecast: past years stand in.' : ''}`}
      </Small>
    </View>
  );
}

/** Infection and every other factor, half-day by half-day. */
function TenDays({ data }: { data: TreeTiming }) {
  const { plum, chalk, ochre, leaf, slate, dead, ink } = usePalette();
  const { cells } = data.group;
  const [at, setAt] = useState(
    Math.max(
      0,
      cells.findIndex((cell) => cell.cutHour === data.curves.cutHour),
    ),
  );
  const colours = [chalk, ochre, slate, dead, ink, leaf];
  const dashes = ['7 4', '2 4', '10 3 2 3', '4 3', '1 3', '12 4'];
  const all = [
    { name: FACTOR_WORDS.infection.name, values: cells.map((cell) => cell.infection), colour: plum },
    ...factorNames.map((name, i) => ({
      name: FACTOR_WORDS[name].name,
      values: cells.map((cell) => cell.factors[name]),
      colour: colours[i] as string,
      dash: dashes[i] as string,
    })),
  ];
  const day = (i: number) => {
    const cell = cells[i];
    return cell ? `${weekday(cell.day).name} ${weekday(cell.day).number}, ${cell.half}` : '';
  };
  const say = (i: number) =>
    `risk ${Math.round(cells[i]?.score[1] ?? 0)} of 100; ${all.map((line) => `${line.name.toLowerCase()} ${percent(line.values[i] ?? 0)}`).join(', ')}`;
  return (
    <View gap={6}>
      <ChartKey lines={all} />
      <Chart
        label="Each factor over the ten days"
        count={cells.length}
        height={150}
        left={SHARE_AXIS}
        lines={all}
        foot={cells.flatMap((cell, i) =>
          i % 4 === 0 ? [{ at: i, text: `${weekday(cell.day).name} ${weekday(cell.day).number}` }] : [],
        )}
        at={at}
        onAt={setAt}
        valueText={`${day(at)}: ${say(at)}`}
        table={{ head: ['Half-day', 'Values'], rows: cells.map((_, i) => [day(i), say(i)]) }}
      />
      <Small color="$ink" role="status">{`${day(at)} · ${say(at)}`}</Small>
    </View>
  );
}

function footOf(days: readonly { day: string }[]) {
  const every = Math.ceil(days.length / 6);
  return days.flatMap(({ day }, i) =>
    i % every === 0 ? [{ at: i, text: dayWords(day).replace(/ \d{4}$/, '') }] : [],
  );
}

function FrostChart({ data, today }: FactorsProps) {
  const { plum, chalk, slate } = usePalette();
  const [at, setAt] = useState(0);
  const days = data.curves.days.slice(0, 15);
  const { units } = today;
  const values = days.flatMap((day) => [
    day.minC,
    day.maxC,
    ...(day.hardinessC === null ? [] : [day.hardinessC]),
  ]);
  const low = Math.floor(Math.min(...values) / 5) * 5;
  const high = Math.ceil(Math.max(...values) / 5) * 5;
  const degrees = (value: number) => joined(temperatureReading(value, units));
  const say = (i: number) => {
    const day = days[i];
    if (!day) return '';
    return `${degrees(day.minC)} to ${degrees(day.maxC)}${day.hardinessC === null ? '' : `, wood stands ${degrees(day.hardinessC)}`}`;
  };
  const lines = [
    { name: 'Highest', values: days.map((day) => day.maxC), colour: plum },
    { name: 'Lowest', values: days.map((day) => day.minC), colour: chalk },
    { name: 'What the wood stands', values: days.map((day) => day.hardinessC), colour: slate, dash: '7 4' },
  ];
  return (
    <View gap={6}>
      <ChartKey lines={lines} />
      <Chart
        label="Temperatures and hardiness, day by day"
        count={days.length}
        left={{
          name: units === 'metric' ? '°C' : '°F',
          domain: [low, high],
          ticks: [low, (low + high) / 2, high],
          text: (value) => temperatureReading(value, units).value,
        }}
        lines={lines}
        foot={days.flatMap(({ day }, i) =>
          i % 3 === 0 ? [{ at: i, text: `${weekday(day).name} ${weekday(day).number}` }] : [],
        )}
        at={Math.min(at, days.length - 1)}
        onAt={setAt}
        valueText={`${days[at] ? dayWords(days[at].day) : ''}: ${say(at)}`}
        table={{ head: ['Day', 'Values'], rows: days.map((day, i) => [dayWords(day.day), say(i)]) }}
      />
      <Small color="$ink" role="status">{`${days[at] ? dayWords(days[at].day) : ''} · ${say(at)}`}</Small>
    </View>
  );
}
