// Why a day is as it is for a kind of wood: each group of trees with its verdict, index and what weighs most.

import { countsAt, type Group, type Lane, type TimingNow } from '@mortisect/contracts';
import { joined, temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
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
import { dayReasonWords, FACTOR_WORDS, riskWords, VERDICT_WORDS } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { dayWords } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Small } from '../../ui/type';
import { percent, plural } from '../words';
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

export function LaneWhy({ timingNow, timing, lane, day, today, open, onClose }: LaneWhyProps) {
  const at = lane.cells.findIndex((cell) => cell.day === day);
  const cell = lane.cells[at];
  const trees = useTrees().data?.trees ?? [];
  const { timing: rule } = today.site;
  const counts = countsAt(lane, at);
  return (
    <Sheet title={`${lane.name}, ${dayWords(day)}`} open={open} onClose={onClose}>
      {cell ? (
        <Body>
          <Label fontSize="$19" lineHeight="$19">{`${VERDICT_WORDS[cell.verdict]}. `}</Label>
          {cell.why ? `In the ${cell.half} ${dayReasonWords(cell.why, cell.verdict)}. ` : ''}
          {lane.groups.length > 1
            ? `Of the trees: ${counts.go} good, ${counts.possible} possible, ${counts.wait} wait.`
            : ''}
        </Body>
      ) : null}
      <Small>
        On the board: filled with a tick is good, an outlined block possible, a line wait; where a day is
        parted, its left half is the morning.
      </Small>
      <Small>
        {lane.id === 'dead'
          ? `Dead wood leaves no living wound: ${LEAST_BEFORE_H} h dry so that bark and rungs hold, daylight, wind under ${rule.climbWindMs} m/s, not below ${joined(temperatureReading(rule.leastC, today.units))}, ground that bears.`
          : `Good: ${rule.dryBeforeH} h dry before and ${rule.dryAfterH} h after the cut, risk under ${rule.goodBelow} of 100. Possible: ${LEAST_BEFORE_H} h before and ${LEAST_AFTER_H} h after, risk up to ${rule.waitAbove} of 100. Always daylight, wind under ${rule.climbWindMs} m/s, not below ${joined(temperatureReading(rule.leastC, today.units))}, ground that bears.`}
      </Small>
      {lane.groups.map(({ group, trees: count }) => (
        <GroupWhy
          key={group.key}
          group={group}
          names={trees.filter((tree) => timingNow.groupOf[tree.id] === group.key).map((tree) => tree.code)}
          count={count}
          day={day}
          units={today.units}
        />
      ))}
      <Small>
        The risk is an estimate from uncertain figures, so it has a range. Book, Reference shows how it is
        made. The trees fall into {timing.groups.length} groups, each with its own risk.
      </Small>
    </Sheet>
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
  const cell = group.cells.find((cell) => cell.day === day);
  if (!cell) return null;
  const chances = (Object.entries(cell.chances) as [PathogenCode, number][]).sort((a, b) => b[1] - a[1]);
  const weighing = factorNames.filter((name) => cell.factors[name] > 0.02);
  const shown = names.slice(0, 4).join(', ');
  return (
    <View gap={4} paddingTop={10} borderTopWidth={1} borderStyle="solid" borderColor="$rule">
      <Label fontSize="$19" lineHeight="$19">
        {`${speciesName(group.species)}, ${plural(count, 'tree')}: ${VERDICT_WORDS[cell.verdict].toLowerCase()}`}
      </Label>
      <Small>{names.length > 4 ? `${shown} and ${names.length - 4} more` : shown}</Small>
      <Body fontSize="$16" lineHeight="$16">
        {`${upperFirst(riskWords(cell.score))}.${cell.why ? ` ${upperFirst(dayReasonWords(cell.why, cell.verdict))}.` : ''} ${group.stage ? `${upperFirst(stageWords(group.stage))}.` : ''} School: ${schoolWords[group.school].name.toLowerCase()}${cell.inSchool ? '' : ', not now'}.`}
      </Body>
      {chances.length > 0 ? (
        <Body fontSize="$16" lineHeight="$16">
          {`Infection: ${chances.map(([code, chance]) => `${pathogenOf(code).name.toLowerCase()} ${percent(chance)}`).join(', ')}.`}
        </Body>
      ) : (
        <Body fontSize="$16" lineHeight="$16">
          We have no figures for its diseases: the general rules hold.
        </Body>
      )}
      {weighing.length > 0 ? (
        <Body fontSize="$16" lineHeight="$16">
          {weighing.map((name) => `${FACTOR_WORDS[name].name}: ${percent(cell.factors[name])}`).join(' · ')}
        </Body>
      ) : null}
      {group.hardinessC !== null ? (
        <Small>{`Hardy to ${joined(temperatureReading(group.hardinessC, units))} today. Coldest in the next 14 days: ${joined(temperatureReading(group.lowestC, units))}.`}</Small>
      ) : null}
    </View>
  );
}
