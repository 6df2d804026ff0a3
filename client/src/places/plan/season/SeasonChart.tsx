// Weeks across, crews down: how long each can work by past years, and how much of it is taken.
import type { SeasonPlan } from '@mortisect/contracts';
import { SAFETY_SHARE } from '@mortisect/core/campaign';
import { daysBetween } from '@mortisect/core/weather';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { Line, Rect, Text } from 'react-native-svg';
import { useSay } from '../../../data/useSay';
import { elementRef } from '../../../ui/dom';
import { useTextScale, useWidthOf } from '../../../ui/size';
import { usePalette } from '../../../ui/theme';
import { Label, Small } from '../../../ui/type';
import { DropPlace } from './drag';
import type { Shared } from './season';

const HEIGHT = 76;
const FOOT = 18;

interface Column {
  from: string;
  to: string;
  /** Minutes of the whole crew: a wet tenth, the mean, a dry tenth; and what is taken. */
  wet: number;
  mean: number;
  dry: number;
  needed: number;
}

/** Half-days of the forecast as the week they lie in, then week by week. */
export function columnsOf(shared: Shared, crew: number, crewId: string, people: number): Column[] {
  const columns: Column[] = [];
  shared.slots.forEach((slot, t) => {
    const [wet, mean, dry] = shared.workable[crew]?.[t] ?? [0, 0, 0];
    const needed =
      shared.plan.slots.find(({ slotId, poolId }) => slotId === slot.id && poolId === crewId)?.needed ?? 0;
    const of = (minutes: number) => minutes * people * SAFETY_SHARE;
    const last = columns.at(-1);
    const isSameWeek = slot.half !== null && last && daysBetween(last.from, slot.from) < 7;
    if (isSameWeek) {
      last.wet += of(wet);
      last.mean += of(mean);
      last.dry += of(dry);
      last.needed += needed;
      last.to = slot.to;
    } else
      columns.push({
        ...{ from: slot.from, to: slot.to },
        ...{ wet: of(wet), mean: of(mean), dry: of(dry), needed },
      });
  });
  return columns;
}

/** “Jan”. */
function monthIn({ locale }: Say, day: string): string {
  return new Intl.DateTimeFormat(locale, { month: 'short', timeZone: 'UTC' }).format(
    new Date(`${day}T12:00:00Z`),
  );
}

export function SeasonChart({ crews, shared }: { crews: SeasonPlan['crews']; shared: Shared }) {
  const say = useSay();
  const ofCrews = crews.map((crew, c) => ({
    crew,
    columns: columnsOf(shared, c, crew.id, crew.people),
  }));
  return (
    <View gap={12}>
      {ofCrews.map(({ crew, columns }) => (
        <CrewBars key={crew.id} crewId={crew.id} name={crew.name} columns={columns} />
      ))}
      <Small>{say('plan.howToReadTheWeeks')}</Small>
    </View>
  );
}

interface CrewBarsProps {
  crewId: string;
  name: string;
  columns: readonly Column[];
}

function CrewBars({ crewId, name, columns }: CrewBarsProps) {
  const say = useSay();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) || 320;
  const { ink, rule, soft, chalk } = usePalette();
  const textScale = useTextScale();
  const most = Math.max(60, ...columns.flatMap(({ dry, needed }) => [dry, needed]));
  const wide = width / Math.max(1, columns.length);
  const y = (minutes: number) => (HEIGHT - FOOT) * (1 - minutes / most);
  const needed = columns.reduce((sum, column) => sum + column.needed, 0);
  const mean = columns.reduce((sum, column) => sum + column.mean, 0);
  const says = say('plan.crewNeedsOfWorkable', {
    crew: name,
    needed: Math.round(needed),
    workable: Math.round(mean),
    weeks: columns.length,
  });
  const months = columns.flatMap((column, i) =>
    i === 0 || column.from.slice(0, 7) !== columns[i - 1]?.from.slice(0, 7) ? [{ i, column }] : [],
  );
  return (
    <View ref={elementRef(box)} gap={4} width="100%">
      <Label>{says}</Label>
      <View position="relative">
        <Svg width={width} height={HEIGHT} role="img" aria-label={says}>
          {columns.map(({ from, wet, mean, dry, needed }, i) => {
            const x = i * wide + 1;
            const bar = Math.max(1.5, wide - 2);
            return [
              <Rect
                key={`${from} range`}
                x={x}
                y={y(dry)}
                width={bar}
                height={y(wet) - y(dry)}
                fill={rule}
              />,
              <Rect
                key={`${from} needed`}
                x={x}
                y={y(needed)}
                width={bar}
                height={y(0) - y(needed)}
                fill={chalk}
              />,
              <Line
                key={`${from} mean`}
                x1={x}
                x2={x + bar}
                y1={y(mean)}
                y2={y(mean)}
                stroke={ink}
                strokeWidth={1.6}
              />,
            ];
          })}
          <Line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke={ink} strokeWidth={1} />
          {months.map(({ i, column }, k) =>
            (months[k + 1]?.i ?? columns.length) - i < 3 ? null : (
              <Text
                key={column.from}
                x={i * wide + 1}
                y={HEIGHT - 4}
                fontSize={12 * textScale}
                fill={soft}
                fontFamily="Barlow Condensed"
              >
                {monthIn(say, column.from)}
              </Text>
            ),
          )}
        </Svg>
        {columns.map(({ from, to }, i) => (
          <DropPlace
            key={from}
            id={`week ${from} ${crewId}`}
            days={{ from, to, half: null, crewId }}
            at={{ left: i * wide, width: wide, height: HEIGHT - FOOT }}
          />
        ))}
      </View>
    </View>
  );
}
