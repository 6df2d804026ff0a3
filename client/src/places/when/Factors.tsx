// Every factor of the index on its own: its value, what it says, and its curve from the day of the cut.

import type { TreeTiming } from '@mortisect/contracts';
import { temperatureReading, upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { factorNames, pathogenOf } from '@mortisect/core/timing';
import type { Say } from '@mortisect/words';
import { FACTOR_WORDS, figure, joined, riskWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, longDayHour, shortDay, weekday } from '../../data/moment';
import { useSay } from '../../data/useSay';
import { Chart, ChartKey } from '../../drawings/Chart';
import { Choice } from '../../ui/Choice';
import { usePalette } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';
import { WithTerms } from '../Terms';
import { percent } from '../words';

interface FactorsProps {
  data: TreeTiming;
  today: SiteToday;
}

export function Factors({ data, today }: FactorsProps) {
  const say = useSay();
  const { curves, group } = data;
  const cell = group.cells.find((cell) => cell.cutHour === curves.cutHour) ?? group.cells[0];
  const { weights } = today.site.timing;
  const worst = curves.pathogens.toSorted((a, b) => b.chance * b.consequence - a.chance * a.consequence);
  const [chosen, setChosen] = useState<string | null>(null);
  const pathogen = worst.find((pathogen) => pathogen.code === chosen) ?? worst[0];
  if (!cell) return null;
  return (
    <View gap={12}>
      <Body>
        <WithTerms>
          {say('plan.cutOnTheRangeComesFrom200', {
            longDayHour: longDayHour(curves.cutHour, today.site.timeZone),
            risk: riskWords(say, cell.score),
          })}
        </WithTerms>
      </Body>
      <View gap={4}>
        <Line
          name={say(FACTOR_WORDS.infection.name)}
          value={cell.infection}
          weight={1}
          says={say(FACTOR_WORDS.infection.says)}
        />
        {factorNames.map((name) => (
          <Line
            key={name}
            name={say(FACTOR_WORDS[name].name)}
            value={cell.factors[name]}
            weight={weights[name]}
            says={say(FACTOR_WORDS[name].says)}
          />
        ))}
      </View>
      <Label>{say('plan.eachOverTheTenDays')}</Label>
      <TenDays data={data} />
      {pathogen ? (
        <>
          <Choice
            label={say('plan.pathogen')}
            layout="wrap"
            options={worst.map((pathogen) => ({
              value: pathogen.code,
              label: `${told(say, pathogenOf(pathogen.code).name)} ${percent(pathogen.chance)}`,
            }))}
            value={pathogen.code}
            onChange={setChosen}
          />
          <PathogenChart key={pathogen.code} data={data} pathogen={pathogen} />
        </>
      ) : (
        <Body>{say('plan.weHaveNoFiguresForItsDiseases')}</Body>
      )}
      <Label>{say('plan.nightsAgainstTheFrostItsWoodCan')}</Label>
      <FrostChart data={data} today={today} />
    </View>
  );
}

function Line({ name, value, weight, says }: { name: string; value: number; weight: number; says: string }) {
  const say = useSay();
  return (
    <View flexDirection="row" gap={12} alignItems="baseline">
      <Label width={64} textAlign="right">
        {percent(value)}
      </Label>
      <View flex={1} minWidth={0}>
        <Label>{`${name}${weight === 1 ? '' : say('plan.weight', { weight })}`}</Label>
        <Small>{upperFirst(says)}</Small>
      </View>
    </View>
  );
}

type PathogenOf = TreeTiming['curves']['pathogens'][number];

const shareAxis = (say: Say) => ({
  name: say('plan.sharePct'),
  domain: [0, 1] as const,
  ticks: [0, 0.5, 1],
  text: (value: number) => String(Math.round(value * 100)),
});

function PathogenChart({ data, pathogen }: { data: TreeTiming; pathogen: PathogenOf }) {
  const say = useSay();
  const { plum, leaf, ochre, chalk, slate } = usePalette();
  const [at, setAt] = useState(0);
  const { days } = data.curves;
  const here = days[at];
  const described = pathogenOf(pathogen.code);
  const lines = [
    { name: say('plan.woundStillOpen'), values: pathogen.susceptible, colour: plum },
    { name: say('plan.warmthInWetHoursSuitsIt'), values: pathogen.suitable, colour: ochre, dash: '7 4' },
    { name: say('plan.sporesAbout'), values: pathogen.inoculum, colour: leaf, dash: '2 4' },
  ];
  const most = Math.max(0.002, ...pathogen.adds);
  const readOut = (i: number) =>
    say('plan.openWarmthSporesHOfRainAdds', {
      percent: percent(pathogen.susceptible[i] ?? 0),
      percent2: percent(pathogen.suitable[i] ?? 0),
      percent3: percent(pathogen.inoculum[i] ?? 0),
      rainHours: Math.round(days[i]?.rainHours ?? 0),
      adds: figure(say, (pathogen.adds[i] ?? 0) * 100, { least: 2 }),
    });
  const beyond = days.findIndex((day) => !day.known);
  return (
    <View gap={6}>
      <ChartKey lines={[...lines, { name: say('plan.addsToTheRisk'), colour: chalk }]} />
      <Chart
        label={say('plan.aWoundDayByDay', { described: told(say, described.name) })}
        count={days.length}
        left={shareAxis(say)}
        right={{
          name: say('plan.addsIn100'),
          domain: [0, most],
          ticks: [0, most],
          text: (value) => figure(say, value * 100, { least: 1 }),
        }}
        lines={lines}
        bars={{ values: pathogen.adds, colour: chalk, axis: 'right' }}
        spans={beyond >= 0 ? [{ from: beyond, to: days.length, colour: slate, opacity: 0.12 }] : []}
        foot={footOf(days)}
        at={at}
        onAt={setAt}
        valueText={`${here ? dayWords(here.day) : ''}: ${readOut(at)}`}
        table={{
          head: [say('shared.day'), say('plan.values')],
          rows: days.map((day, i) => [dayWords(day.day), readOut(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${here ? dayWords(here.day) : ''} · ${readOut(at)}`}</Small>
      <Small>
        {say('plan.chanceToNearbyItCountsConsequence', {
          percent: percent(pathogen.chance),
          percent2: percent(pathogen.chanceBand[0]),
          percent3: percent(pathogen.chanceBand[2]),
          load: pathogen.load,
          consequence: pathogen.consequence,
          carriedBy: told(say, described.carriedBy),
          anchor: told(say, described.anchor),
          more: beyond >= 0 ? say('plan.shadedDaysLieBeyondTheForecastPast') : '',
        })}
      </Small>
    </View>
  );
}

/** Infection and every other factor, half-day by half-day. */
function TenDays({ data }: { data: TreeTiming }) {
  const say = useSay();
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
    { name: say(FACTOR_WORDS.infection.name), values: cells.map((cell) => cell.infection), colour: plum },
    ...factorNames.map((name, i) => ({
      name: say(FACTOR_WORDS[name].name),
      values: cells.map((cell) => cell.factors[name]),
      colour: colours[i] as string,
      dash: dashes[i] as string,
    })),
  ];
  const day = (i: number) => {
    const cell = cells[i];
    return cell ? `${weekday(cell.day).name} ${weekday(cell.day).number}, ${told(say, cell.half)}` : '';
  };
  const readOut = (i: number) =>
    say('plan.riskOf100', {
      score: Math.round(cells[i]?.score[1] ?? 0),
      all: all.map((line) => `${line.name.toLowerCase()} ${percent(line.values[i] ?? 0)}`).join(', '),
    });
  return (
    <View gap={6}>
      <ChartKey lines={all} />
      <Chart
        label={say('plan.eachFactorOverTheTenDays')}
        count={cells.length}
        height={150}
        left={shareAxis(say)}
        lines={all}
        foot={cells.flatMap((cell, i) =>
          i % 4 === 0 ? [{ at: i, text: `${weekday(cell.day).name} ${weekday(cell.day).number}` }] : [],
        )}
        at={at}
        onAt={setAt}
        valueText={`${day(at)}: ${readOut(at)}`}
        table={{
          head: [say('plan.halfDay'), say('plan.values')],
          rows: cells.map((_, i) => [day(i), readOut(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${day(at)} · ${readOut(at)}`}</Small>
    </View>
  );
}

function footOf(days: readonly { day: string }[]) {
  const every = Math.ceil(days.length / 6);
  return days.flatMap(({ day }, i) => (i % every === 0 ? [{ at: i, text: shortDay(day) }] : []));
}

function FrostChart({ data, today }: FactorsProps) {
  const say = useSay();
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
  const degrees = (value: number) => joined(say, temperatureReading(value, units));
  const readOut = (i: number) => {
    const day = days[i];
    if (!day) return '';
    return say('plan.to3', {
      degrees: degrees(day.minC),
      degrees2: degrees(day.maxC),
      more: day.hardinessC === null ? '' : say('plan.woodStands', { degrees: degrees(day.hardinessC) }),
    });
  };
  const lines = [
    { name: say('shared.highest'), values: days.map((day) => day.maxC), colour: plum },
    { name: say('shared.lowest'), values: days.map((day) => day.minC), colour: chalk },
    {
      name: say('plan.whatTheWoodStands'),
      values: days.map((day) => day.hardinessC),
      colour: slate,
      dash: '7 4',
    },
  ];
  return (
    <View gap={6}>
      <ChartKey lines={lines} />
      <Chart
        label={say('plan.temperaturesAndHardinessDayByDay')}
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
        valueText={`${days[at] ? dayWords(days[at].day) : ''}: ${readOut(at)}`}
        table={{
          head: [say('shared.day'), say('plan.values')],
          rows: days.map((day, i) => [dayWords(day.day), readOut(i)]),
        }}
      />
      <Small color="$ink" role="status">{`${days[at] ? dayWords(days[at].day) : ''} · ${readOut(at)}`}</Small>
    </View>
  );
}
