// Trees with something to do: what is planned, how long it takes, what it costs the crown and what must be carried away; totals for each plot.

import { massReading } from '@mortisect/core/measure';
import { grainOfAll, type ListedPlan } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Say } from '@mortisect/words';
import { countedWords, goalWords, joined, minutesWords, shareWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useTrees } from '../../data/queries';
import { useOpenViews } from '../../data/useOpenViews';
import { usePlans } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { FileLinks } from '../../ui/FileLinks';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { PaceNote } from '../PaceNote';
import { disorderWords } from '../words';
import { percentOf } from './planView';
import { goalsOf, headWords, isDanger, type Sum, sumOf } from './treeSum';

export interface PlanListProps {
  openId?: string;
}

export function PlanList({ openId }: PlanListProps) {
  const say = useSay();
  const { open, error, refetch } = useOpenViews();
  const { plans, failed } = usePlans(open?.views ?? NONE, open?.today ?? null);
  const plots = useTrees().data?.plots ?? [];
  if (!open) return <Waiting title={say('shared.plan')} beside error={error} onRetry={refetch} />;
  const { today } = open;
  const views = open.views.filter((view) => asks(view, plans.get(view.tree.id)));
  const sums = views.map((view) => sumOf(view, plans.get(view.tree.id)));
  const minutes = sums.reduce((total, sum) => total + (sum?.minutes ?? 0), 0);
  const counted = countedWords(say, { minutes, grain: grainOfAll(sums.flatMap((sum) => sum ?? [])) });
  const groups = plots
    .map((plot) => ({ plot, plotViews: views.filter((view) => view.tree.plotId === plot.id) }))
    .filter(({ plotViews }) => plotViews.length > 0);
  return (
    <Screen
      title={say('shared.plan')}
      subtitle={say('plan.treesWithOpenFindings')}
      beside
      aside={
        <Aside
          figure={say('shared.min', { minutes: Math.round(minutes) })}
          caption={say('plan.onTreesNow', { views: views.length })}
        />
      }
    >
      {counted ? <Small>{counted}</Small> : null}
      {views.length === 0 ? <Body>{say('plan.noOpenFindingWhatYouMarkIn')}</Body> : null}
      {groups.map(({ plot, plotViews }) => (
        <View key={plot.id} gap={6}>
          <Section>{plot.name}</Section>
          <Small>{totalWords(say, plotViews, plans, today)}</Small>
          <Rows>
            {plotViews.map((view) => (
              <TreeRow key={view.tree.id} view={view} listed={plans.get(view.tree.id)} openId={openId} />
            ))}
          </Rows>
          <FileLinks
            links={[
              [
                `/api/plots/${plot.id}/cut-sheet.pdf?units=${today.units}`,
                say('plan.cutSheetsOf', { plot: plot.name }),
              ],
            ]}
          />
        </View>
      ))}
      {failed.length > 0 ? (
        <Body>
          {say('plan.notPlannedOnThisDeviceOpenThe', {
            failed: failed.map((view) => view.tree.code).join(', '),
          })}
        </Body>
      ) : null}
      <SeasonLine today={today} />
      <PaceNote paces={today.paces} />
    </Screen>
  );
}

const NONE: TreeView[] = [];

/** Something was found on it, or sound wood of it is shaped: that, only its plan can say. */
const asks = (view: TreeView, listed: ListedPlan | undefined) =>
  view.findings.length > 0 || (listed ? listed.plan.steps.length + listed.plan.handOver.length : 0) > 0;

function totalWords(
  say: Say,
  views: TreeView[],
  plans: Map<string, ListedPlan>,
  { units }: SiteToday,
): string {
  const sums = views.flatMap((view) => sumOf(view, plans.get(view.tree.id)) ?? []);
  const add = (of: (sum: Sum) => number) => sums.reduce((total, sum) => total + of(sum), 0);
  const kg = add((sum) => sum.infectedKg);
  return [
    say('plan.steps', { add: add((sum) => sum.steps) }),
    minutesWords(
      say,
      add((sum) => sum.minutes),
      grainOfAll(sums).minutes,
    ),
    ...(kg > 0.05
      ? [say('plan.ofInfectedWoodToCarryAway', { mass: joined(say, massReading(kg, units)) })]
      : []),
    ...(sums.length < views.length ? [say('plan.someStillComputed')] : []),
  ].join(' · ');
}

function TreeRow({
  view,
  listed,
  openId,
}: {
  view: TreeView;
  listed: ListedPlan | undefined;
  openId: string | undefined;
}) {
  const say = useSay();
  const sum = sumOf(view, listed);
  const danger = isDanger(view, listed);
  return (
    <Row
      href={`/plan/${view.tree.id}`}
      {...(view.tree.id === openId ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={view.tree.code}
      detail={[disorderWords(say, view.findings), ...goalWords(say, goalsOf(listed))]
        .filter(Boolean)
        .join(' · ')}
      aside={
        <View alignItems="flex-end" maxWidth={150}>
          <Label textAlign="right">{listed ? headWords(say, view, listed, sum) : '…'}</Label>
          {sum && sum.steps > 0 ? (
            <Small>
              {[
                minutesWords(say, sum.minutes, sum.grain.minutes),
                shareWords(say, percentOf(sum.crown), sum.crown, sum.grain.crown),
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
