// Why a day is as it is for a kind of wood: each group of trees with its verdict, index and what weighs most.

import { countsAt, type Group, groupOf, type Lane, type TimingNow } from '@mortisect/contracts';
import { temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import {
  factorNames,
  LEAST_AFTER_H,
  LEAST_BEFORE_H,
  type PathogenCode,
  pathogenOf,
  schoolWords,
} from '@mortisect/core/timing';
import {
  dayReasonWords,
  FACTOR_WORDS,
  joined,
  laneName,
  riskWords,
  told,
  VERDICT_WORDS,
} from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo } from 'react';
import { dayWords } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Small } from '../../ui/type';
import { WithTerms } from '../Terms';
import { percent } from '../words';
import { stageWords } from './StageLines';

interface LaneWhyProps {
  timingNow: TimingNow;
  timing: NonNullable<TimingNow['timing']>;
  lane: Lane;
  day: string;
  today: SiteToday;
  open: boolean;
  onClose(): void;
}

export function LaneWhy({ open, onClose, ...of }: LaneWhyProps) {
  const say = useSay();
  return (
    <Sheet title={`${laneName(say, of.lane)}, ${dayWords(of.day)}`} open={open} onClose={onClose}>
      {open ? <Why {...of} /> : null}
    </Sheet>
  );
}

function Why({ timingNow, timing, lane, day, today }: Omit<LaneWhyProps, 'open' | 'onClose'>) {
  const say = useSay();
  const at = lane.cells.findIndex((cell) => cell.day === day);
  const cell = lane.cells[at];
  const trees = useTrees().data?.trees;
  const codes = useMemo(() => {
    const ofGroup = new Map<string, string[]>(lane.groups.map(({ group }) => [group.key, []]));
    for (const { id, code } of trees ?? []) ofGroup.get(groupOf(timingNow).get(id) ?? '')?.push(code);
    return ofGroup;
  }, [trees, timingNow, lane]);
  const { timing: rule } = today.site;
  const counts = countsAt(lane, at);
  return (
    <>
      {cell ? (
        <Body>
          <Label fontSize="$19" lineHeight="$19">{`${say(VERDICT_WORDS[cell.verdict])}. `}</Label>
          {cell.why
            ? say('today.inThe', {
                half: told(say, cell.half),
                dayReason: dayReasonWords(say, cell.why, cell.verdict),
              })
            : ''}
          {lane.groups.length > 1
            ? say('today.ofTheTreesGoodPossibleWait', {
                go: counts.go,
                possible: counts.possible,
                wait: counts.wait,
              })
            : ''}
        </Body>
      ) : null}
      <Small>{say('today.onTheBoardFilledWithATick')}</Small>
      <Small>
        {lane.id === 'dead'
          ? say('today.deadWoodLeavesNoLivingWoundH', {
              leastBeforeH: LEAST_BEFORE_H,
              climbWindMs: rule.climbWindMs,
              temperature: joined(say, temperatureReading(rule.leastC, today.units)),
            })
          : say('today.goodHDryBeforeAndHAfter', {
              dryBeforeH: rule.dryBeforeH,
              dryAfterH: rule.dryAfterH,
              goodBelow: rule.goodBelow,
              leastBeforeH: LEAST_BEFORE_H,
              leastAfterH: LEAST_AFTER_H,
              waitAbove: rule.waitAbove,
              climbWindMs: rule.climbWindMs,
              temperature: joined(say, temperatureReading(rule.leastC, today.units)),
            })}
      </Small>
      {lane.groups.map(({ group, trees: count }) => (
        <GroupWhy
          key={group.key}
          group={group}
          names={codes.get(group.key) ?? []}
          count={count}
          day={day}
          units={today.units}
        />
      ))}
      <Small>{say('today.theRiskIsAnEstimateFromUncertain', { groups: timing.groups.length })}</Small>
    </>
  );
}

function GroupWhy({
  group,
  names,
  count,
  day,
  units,
}: {
  group: Group;
  names: string[];
  count: number;
  day: string;
  units: Units;
}) {
  const say = useSay();
  const cell = group.cells.find((cell) => cell.day === day);
  if (!cell) return null;
  const chances = (Object.entries(cell.chances) as [PathogenCode, number][]).sort((a, b) => b[1] - a[1]);
  const weighing = factorNames.filter((name) => cell.factors[name] > 0.02);
  const shown = names.slice(0, 4).join(', ');
  return (
    <View gap={4} paddingTop={10} borderTopWidth={1} borderStyle="solid" borderColor="$rule">
      <Label
        fontSize="$19"
        lineHeight="$19"
      >{`${told(say, speciesName(group.species))}, ${say('today.trees', { count })}: ${say(VERDICT_WORDS[cell.verdict]).toLowerCase()}`}</Label>
      <Small>{names.length > 4 ? say('today.andMore2', { shown, names: names.length - 4 }) : shown}</Small>
      <Body fontSize="$16" lineHeight="$16">
        <WithTerms>
          {say('today.school', {
            risk: upperFirst(riskWords(say, cell.score)),
            more: cell.why ? ` ${upperFirst(dayReasonWords(say, cell.why, cell.verdict))}.` : '',
            more2: group.stage ? `${upperFirst(stageWords(say, group.stage))}.` : '',
            school: told(say, schoolWords[group.school].name).toLowerCase(),
            more3: cell.inSchool ? '' : say('today.notNow'),
          })}
        </WithTerms>
      </Body>
      {chances.length > 0 ? (
        <Body fontSize="$16" lineHeight="$16">
          {say('today.infection', {
            chances: chances
              .map(([code, chance]) => `${told(say, pathogenOf(code).name).toLowerCase()} ${percent(chance)}`)
              .join(', '),
          })}
        </Body>
      ) : (
        <Body fontSize="$16" lineHeight="$16">
          {say('today.weHaveNoFiguresForItsDiseases')}
        </Body>
      )}
      {weighing.length > 0 ? (
        <Body fontSize="$16" lineHeight="$16">
          {weighing
            .map((name) => `${say(FACTOR_WORDS[name].name)}: ${percent(cell.factors[name])}`)
            .join(' · ')}
        </Body>
      ) : null}
      {group.hardinessC !== null ? (
        <Small>
          {say('today.hardyToTodayColdestInTheNext', {
            temperature: joined(say, temperatureReading(group.hardinessC, units)),
            temperature2: joined(say, temperatureReading(group.lowestC, units)),
          })}
        </Small>
      ) : null}
    </View>
  );
}
