// Trees with open findings: what is planned, how long it takes, what it costs the crown and what must be carried away; totals for each plot.

import { dangersOf } from '@mortisect/core/handling';
import { joined, massReading } from '@mortisect/core/measure';
import { type Solved, visitsOf, wholeMinutes } from '@mortisect/core/plan';
import { openDecisions, type SiteToday, type TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useTrees } from '../../data/queries';
import { useOpenViews } from '../../data/useOpenViews';
import { usePlans } from '../../data/usePlan';
import { FileLinks } from '../../ui/FileLinks';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { disorderWords, plural } from '../words';
import { percentOf } from './planView';

export function PlanList({ openId }: { openId?: string }) {
  const { open, error, refetch } = useOpenViews();
  const { plans, failed } = usePlans(open?.views ?? NONE, open?.today ?? null);
  const plots = useTrees().data?.plots ?? [];
  if (!open) return <Waiting title="Plan" beside error={error} onRetry={refetch} />;
  const { today, views } = open;
  const sums = views.map((view) => sumOf(plans.get(view.tree.id)));
  const minutes = sums.reduce((total, sum) => total + (sum?.minutes ?? 0), 0);
  const groups = plots
    .map((plot) => ({ plot, plotViews: views.filter((view) => view.tree.plotId === plot.id) }))
    .filter(({ plotViews }) => plotViews.length > 0);
  return (
    <Screen
      title="Plan"
      subtitle="Trees with open findings"
      beside
      aside={
        <Aside figure={`${Math.round(minutes)} min`} caption={`on ${plural(views.length, 'tree')} now`} />
      }
    >
      {views.length === 0 ? (
        <Body>No open finding. What you mark in Round appears here with its cut and the reason.</Body>
      ) : null}
      {groups.map(({ plot, plotViews }) => (
        <View key={plot.id} gap={6}>
          <Section>{plot.name}</Section>
          <Small>{totalWords(plotViews, plans, today)}</Small>
          <Rows>
            {plotViews.map((view) => (
              <TreeRow key={view.tree.id} view={view} solved={plans.get(view.tree.id)} openId={openId} />
            ))}
          </Rows>
          <FileLinks links={[[`/api/plots/${plot.id}/cut-sheet.pdf`, `Cut sheets of ${plot.name}`]]} />
        </View>
      ))}
      {failed.length > 0 ? (
        <Body>{`Not planned on this device: ${failed.map((view) => view.tree.code).join(', ')}. Open the tree to try again.`}</Body>
      ) : null}
      <SeasonLine today={today} />
    </Screen>
  );
}

const NONE: TreeView[] = [];

interface Sum {
  steps: number;
  minutes: number;
  crown: number;
  infectedKg: number;
}

/** What is due now on a tree. */
function sumOf(solved: Solved | undefined): Sum | null {
  if (!solved) return null;
  const visit = visitsOf(solved).find((visit) => visit.isNow);
  const steps = visit?.steps ?? [];
  return {
    steps: steps.length,
    minutes: wholeMinutes(visit?.order.tally.minutes ?? 0),
    crown: steps.reduce((sum, stepView) => sum + stepView.step.crown + stepView.step.exempt, 0),
    infectedKg: steps.reduce(
      (sum, stepView) => (stepView.kind === 'diseased' ? sum + (stepView.priced.handling?.massKg ?? 0) : sum),
      0,
    ),
  };
}

function totalWords(views: TreeView[], plans: Map<string, Solved>, { units }: SiteToday): string {
  const sums = views.flatMap((view) => sumOf(plans.get(view.tree.id)) ?? []);
  const add = (of: (sum: Sum) => number) => sums.reduce((total, sum) => total + of(sum), 0);
  const kg = add((sum) => sum.infectedKg);
  return [
    plural(
      add((sum) => sum.steps),
      'step',
    ),
    `${Math.round(add((sum) => sum.minutes))} min`,
    ...(kg > 0.05 ? [`${joined(massReading(kg, units))} of infected wood to carry away`] : []),
    ...(sums.length < views.length ? ['some still computed'] : []),
  ].join(' · ');
}

function TreeRow({
  view,
  solved,
  openId,
}: {
  view: TreeView;
  solved: Solved | undefined;
  openId: string | undefined;
}) {
  const sum = sumOf(solved);
  const danger =
    dangersOf(view.tree.hazards).length > 0 ||
    (solved?.plan.handOver.length ?? 0) > 0 ||
    solved?.plan.verdict?.choice === 'remove tree';
  return (
    <Row
      href={`/plan/${view.tree.id}`}
      {...(view.tree.id === openId ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={view.tree.code}
      detail={disorderWords(view.findings)}
      aside={
        <View alignItems="flex-end" maxWidth={150}>
          <Label textAlign="right">{solved ? headWords(view, solved, sum) : '…'}</Label>
          {sum && sum.steps > 0 ? (
            <Small>{`${Math.round(sum.minutes)} min · ${percentOf(sum.crown)}`}</Small>
          ) : null}
        </View>
      }
    />
  );
}

function headWords(view: TreeView, { plan }: Solved, sum: Sum | null): string {
  if (plan.clash) return 'pins clash';
  if (plan.verdict) return plan.verdict.choice;
  const later = plan.steps.length - (sum?.steps ?? 0);
  return [
    ...(sum && sum.steps > 0 ? [plural(sum.steps, 'step')] : []),
    ...(later > 0 ? [`${later} later`] : []),
    ...(plan.handOver.length > 0 ? ['hand over'] : []),
    ...(openDecisions(view).length > 0 ? ['decide'] : []),
  ].join(', ');
}

function SeasonLine({ today }: { today: SiteToday }) {
  const seasonWords = { dormant: 'dormant', bloom: 'bud to petal fall', summer: 'summer', autumn: 'autumn' }[
    today.season
  ];
  return (
    <Small>
      Clearances for the {seasonWords === 'dormant' ? 'dormant season' : `growing season (${seasonWords})`},{' '}
      {today.site.season ? 'set by hand' : 'by the calendar'}.
    </Small>
  );
}
