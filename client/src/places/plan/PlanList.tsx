// Trees with something to do: what is planned, how long it takes, what it costs the crown and what must be carried away; totals for each plot.

import { massReading } from '@mortisect/core/measure';
import { grainOfAll } from '@mortisect/core/plan';
import type { SiteToday } from '@mortisect/core/present';
import type { Plot } from '@mortisect/core/records';
import type { Due, ListedTree } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { countedWords, goalWords, joined, minutesWords, shareWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { usePathname } from 'expo-router';
import { memo, useMemo } from 'react';
import { useTrees } from '../../data/queries';
import { type Listed, useListedTrees } from '../../data/useListedTrees';
import { useSay } from '../../data/useSay';
import { FileLinks } from '../../ui/FileLinks';
import { useAfterwards, useInParts } from '../../ui/inParts';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { PaceNote } from '../PaceNote';
import { disorderWords } from '../words';
import { percentOf } from './planView';
import { headWords, isDanger } from './treeSum';

export interface PlanListProps {
  openId?: string;
}

export function PlanList({ openId }: PlanListProps) {
  const say = useSay();
  const { listed, error, refetch } = useListedTrees();
  if (!listed) return <Waiting title={say('shared.plan')} beside error={error} onRetry={refetch} />;
  return <ListOfPlans listed={listed} openId={openId} />;
}

/** More than a screen shows: the plots that fill it are drawn first. */
const ON_SCREEN = 10;

interface ListOfPlansProps {
  listed: Listed;
  openId: string | undefined;
}

/** Drawn anew by what is listed alone: what the list is made from comes in many answers. */
const ListOfPlans = memo(function ListOfPlans({ listed, openId }: ListOfPlansProps) {
  const say = useSay();
  const isSeason = usePathname() === '/plan/season';
  const plots = useTrees().data?.plots;
  const isTime = useAfterwards();
  const { today, failed } = listed;
  const trees = useMemo(() => listed.trees.filter(asks), [listed]);
  const groups = useMemo(() => byPlot(plots ?? [], trees), [plots, trees]);
  const due = trees.flatMap(({ due }) => due ?? []);
  const minutes = sumOf(due, (each) => each.minutes);
  const counted = countedWords(say, { minutes, grain: grainOfAll(due) });
  return (
    <Screen
      title={say('shared.plan')}
      subtitle={say('plan.treesWithOpenFindings')}
      beside
      aside={
        <Aside
          figure={say('shared.min', { minutes: Math.round(minutes) })}
          caption={say('plan.onTreesNow', { views: trees.length })}
        />
      }
    >
      {counted ? <Small>{counted}</Small> : null}
      {trees.length === 0 ? <Body>{say('plan.noOpenFindingWhatYouMarkIn')}</Body> : null}
      {trees.length > 0 ? (
        <Rows>
          <Row
            href="/plan/season"
            {...(isSeason && { bar: 'open' as const })}
            title={say('plan.theSeason')}
            detail={say('plan.whoDoesWhatWhen')}
          />
        </Rows>
      ) : null}
      {(isTime ? groups : firstOf(groups)).map((group) => (
        <OfPlot key={group.plot.id} {...group} openId={openId} today={today} />
      ))}
      {failed.length > 0 ? (
        <Body>
          {say('plan.notPlannedOnThisDeviceOpenThe', {
            failed: failed.map(({ code }) => code).join(', '),
          })}
        </Body>
      ) : null}
      <SeasonLine today={today} />
      <PaceNote paces={today.paces} />
    </Screen>
  );
});

interface Group {
  plot: Plot;
  trees: readonly ListedTree[];
}

/** Plots without a tree that asks for something are left out. */
const byPlot = (plots: readonly Plot[], trees: readonly ListedTree[]): Group[] =>
  plots
    .map((plot) => ({ plot, trees: trees.filter(({ tree }) => tree.plotId === plot.id) }))
    .filter((group) => group.trees.length > 0);

function firstOf(groups: readonly Group[]): readonly Group[] {
  let trees = 0;
  const last = groups.findIndex((group) => {
    trees += group.trees.length;
    return trees >= ON_SCREEN;
  });
  return last < 0 ? groups : groups.slice(0, last + 1);
}

interface OfPlotProps extends Group {
  openId: string | undefined;
  today: SiteToday;
}

const OfPlot = memo(function OfPlot({ plot, trees, openId, today }: OfPlotProps) {
  const say = useSay();
  const { shown, more } = useInParts(trees, trees.findIndex(({ tree }) => tree.id === openId) + 1);
  return (
    <View gap={6}>
      <Section>{plot.name}</Section>
      <Small>{totalWords(say, trees, today)}</Small>
      <Rows>
        {shown.map((each) => (
          <TreeRow key={each.tree.id} listed={each} openId={openId} />
        ))}
      </Rows>
      {more}
      <FileLinks
        links={[
          [
            `/api/plots/${plot.id}/cut-sheet.pdf?units=${today.units}`,
            say('plan.cutSheetsOf', { plot: plot.name }),
          ],
        ]}
      />
    </View>
  );
});

/** Something was found on it, or sound wood of it is shaped: that, only its plan can say. */
const asks = ({ findings, due }: ListedTree) =>
  findings.length > 0 || (due ? due.steps + due.later + due.handOver : 0) > 0;

const sumOf = (all: readonly Due[], of: (due: Due) => number) =>
  all.reduce((total, each) => total + of(each), 0);

function totalWords(say: Say, trees: readonly ListedTree[], { units }: SiteToday): string {
  const all = trees.flatMap(({ due }) => due ?? []);
  const kg = sumOf(all, ({ infectedKg }) => infectedKg);
  return [
    say('plan.steps', { add: sumOf(all, ({ steps }) => steps) }),
    minutesWords(
      say,
      sumOf(all, ({ minutes }) => minutes),
      grainOfAll(all).minutes,
    ),
    ...(kg > 0.05
      ? [say('plan.ofInfectedWoodToCarryAway', { mass: joined(say, massReading(kg, units)) })]
      : []),
    ...(all.length < trees.length ? [say('plan.someStillComputed')] : []),
  ].join(' · ');
}

function TreeRow({ listed, openId }: { listed: ListedTree; openId: string | undefined }) {
  const say = useSay();
  const { tree, findings, due } = listed;
  const danger = isDanger(listed);
  return (
    <Row
      href={`/plan/${tree.id}`}
      {...(tree.id === openId ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={tree.code}
      detail={[disorderWords(say, findings), ...goalWords(say, due?.goals ?? [])].filter(Boolean).join(' · ')}
      aside={
        <View alignItems="flex-end" maxWidth={150}>
          <Label textAlign="right">{due ? headWords(say, listed) : '…'}</Label>
          {due && due.steps > 0 ? (
            <Small>
              {[
                minutesWords(say, due.minutes, due.grain.minutes),
                shareWords(say, percentOf(due.crown), due.crown, due.grain.crown),
              ].join(' · ')}
            </Small>
          ) : null}
        </View>
      }
    />
  );
}

function SeasonLine({ today }: { today: SiteToday }) {
  const say = useSay();
  const seasonWords = {
    dormant: say('shared.dormant'),
    bloom: say('shared.budToPetalFall'),
    summer: say('plan.summer'),
    autumn: say('shared.autumn'),
  }[today.season];
  return (
    <Small>
      {say('plan.clearancesForThe', {
        more:
          seasonWords === 'dormant'
            ? say('shared.dormantSeason')
            : say('plan.growingSeason', { seasonWords }),
      })}{' '}
      {today.site.season ? say('plan.setByHand') : say('plan.byTheCalendar')}.
    </Small>
  );
}
