// The plan of one tree: the exact set of cuts over its seasons, each with its reason, round what the caretaker has pinned.

import { GENERAL_CAUTION } from '@mortisect/core/handling';
import { type Solved, type Visit, visitsOf } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import type { Say } from '@mortisect/words';
import { figure, told, visitTitle } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTree } from '../../data/queries';
import { usePlan } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { planInputFor, viewOf } from '../../data/views';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Aside, Screen } from '../../ui/Screen';
import { Swipe } from '../../ui/Swipe';
import { useWide } from '../../ui/theme';
import { Body, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { useKeys } from '../shell/Keys';
import { TreeBeside } from '../TreeBeside';
import { switchUnits } from '../units';
import { useOpenLimb } from '../useOpenLimb';
import { ArboristPart } from './ArboristPart';
import { BeforeAfter } from './BeforeAfter';
import { Decisions } from './Decisions';
import { HeightPart } from './HeightPart';
import { Clash, LeftAsIs, VerdictNotice } from './Honest';
import { OrderLine } from './OrderLine';
import { PinList } from './Pins';
import { PlanHead } from './PlanHead';
import { Print } from './Print';
import { SidesPart } from './SidesPart';
import { StepCard } from './StepCard';
import { StepRows } from './StepRows';
import { StepSheet } from './StepSheet';
import { Years } from './Years';

export function PlanTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const { data, error, refetch } = useTree(treeId);
  const today = useToday();
  const view = useMemo(() => (data && today ? viewOf(data, today) : null), [data, today]);
  if (!view || !today) return <Waiting title={say('shared.plan')} error={error} onRetry={refetch} />;
  return <Planned view={view} today={today} />;
}

function Planned({ view, today }: { view: TreeView; today: SiteToday }) {
  const input = planInputFor(view, today);
  const { data: solved, error, isFetching, refetch } = usePlan(view.tree.id, input);
  if (!solved) return <Waiting title={view.tree.code} error={error} onRetry={refetch} />;
  return <SolvedPlan view={view} today={today} solved={solved} searching={isFetching} />;
}

interface SolvedPlanProps {
  view: TreeView;
  today: SiteToday;
  solved: Solved;
  searching: boolean;
}

function SolvedPlan({ view, today, solved, searching }: SolvedPlanProps) {
  const say = useSay();
  const wide = useWide();
  const router = useRouter();
  const openLimb = useOpenLimb(view.tree.id);
  const visits = useMemo(() => visitsOf(solved), [solved]);
  const steps = visits.flatMap((visit) => visit.steps);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const chosen = steps.find((step) => step.priced.id === chosenId) ?? steps[0] ?? null;
  const [behind, setBehind] = useState<string | null>(null);
  const sheet = steps.find((step) => step.priced.id === behind) ?? null;
  useKeys({ w: () => chosen && setBehind(chosen.priced.id), u: () => switchUnits(today) });
  const { tree } = view;
  const first = visits[0];
  const { verdict } = solved.plan;
  const comesOut = verdict?.choice === 'remove tree';
  return (
    <Screen
      title={tree.code}
      subtitle={say('plan.plan2', {
        species: told(say, speciesName(tree.species)),
        form: told(say, tree.form),
      })}
      width="full"
      aside={
        <Aside
          figure={say('plan.steps2', { steps: first?.steps.length ?? 0 })}
          caption={
            first ? visitTitle(say, first) : comesOut ? say('plan.theTreeComesOut') : say('plan.nothingToDo')
          }
        />
      }
      pinned={comesOut ? undefined : <PlanHead solved={solved} visits={visits} />}
      actions={
        <>
          <Button grow maxWidth={wide ? 300 : undefined} onPress={() => router.navigate(`/round/${tree.id}`)}>
            {say('plan.lookAtTheTree')}
          </Button>
          <Button
            grow
            kind="main"
            maxWidth={wide ? 300 : undefined}
            onPress={() => router.navigate(`/plan/${tree.id}/when`)}
          >
            {say('plan.when')}
          </Button>
        </>
      }
    >
      <Columns
        beside={
          <TreeBeside
            view={view}
            today={today}
            chosenId={chosen?.limbId ?? null}
            kerfs={steps.flatMap((step) => (step.priced.kerf ? [step.priced.kerf] : []))}
            onChoose={openLimb}
          />
        }
      >
        <View gap={20}>
          <Clash view={view} solved={solved} />
          <VerdictNotice view={view} solved={solved} />
          <PinList view={view} today={today} />
          {steps.length === 0 ? <Body>{nothingWords(say, view, solved)}</Body> : null}
          {visits.map((visit) => (
            <VisitPart
              key={visit.key}
              visit={visit}
              view={view}
              today={today}
              chosenId={chosen?.priced.id ?? null}
              onChoose={setChosenId}
              onMore={setBehind}
            />
          ))}
          <Decisions view={view} today={today} except={verdict?.findingIds ?? []} />
          <HeightPart view={view} today={today} solved={solved} />
          <SidesPart view={view} today={today} solved={solved} />
          <ArboristPart view={view} today={today} solved={solved} />
          <LeftAsIs view={view} solved={solved} />
          <Proof solved={solved} searching={searching} />
          <Years view={view} today={today} solved={solved} />
          <BeforeAfter view={view} today={today} visits={visits} onChoose={openLimb} />
          <Print view={view} />
          <Small>{told(say, GENERAL_CAUTION)}</Small>
        </View>
      </Columns>
      <StepSheet view={view} today={today} solved={solved} stepView={sheet} onClose={() => setBehind(null)} />
    </Screen>
  );
}

interface VisitPartProps {
  visit: Visit;
  view: TreeView;
  today: SiteToday;
  chosenId: string | null;
  onChoose(id: string): void;
  onMore(id: string): void;
}

/** The list in order, and the chosen step; on a phone one swipes from step to step. */
function VisitPart({ visit, view, today, chosenId, onChoose, onMore }: VisitPartProps) {
  const say = useSay();
  const at = visit.steps.findIndex((step) => step.priced.id === chosenId);
  const title = visitTitle(say, visit);
  return (
    <View gap={12}>
      <Section>{visit.isNow ? say('plan.titleNow', { title }) : title}</Section>
      {visit.pass === 'hired' ? null : <OrderLine order={visit.order} steps={visit.steps} />}
      {at < 0 ? null : (
        <Swipe
          label={say('plan.stepsOf', { title })}
          at={at}
          count={visit.steps.length}
          onAt={(i) => onChoose(visit.steps[i]?.priced.id ?? '')}
        >
          {visit.steps.map((step) => (
            <StepCard
              key={step.priced.id}
              view={view}
              today={today}
              stepView={step}
              isNow={visit.isNow}
              onMore={() => onMore(step.priced.id)}
            />
          ))}
        </Swipe>
      )}
      <StepRows view={view} today={today} steps={visit.steps} chosenId={chosenId} onChoose={onChoose} />
    </View>
  );
}

function nothingWords(say: Say, view: TreeView, { plan }: Solved): string {
  if (view.findings.length === 0 && plan.handOver.length === 0)
    return say('plan.thisTreeHasNoOpenFindingWhat');
  if (plan.clash) return say('plan.noCutIsPlannedUntilThePins');
  return say('plan.nothingHereForYouToCut');
}

/** How sure it is that no better plan exists. */
function Proof({ solved, searching }: { solved: Solved; searching: boolean }) {
  const say = useSay();
  const { proof, clash } = solved.plan;
  if (clash) return null;
  const words = proof.done
    ? say('plan.thisIsTheBestPlanForYour')
    : proof.gap === null
      ? say('plan.aFirstPlanTheSearchForA')
      : say('plan.aGoodPlanNoOtherCanBe', {
          more: figure(say, Math.max(0.1, proof.gap * 100), { least: 1 }),
          more2: searching ? say('plan.theSearchGoesOn') : '',
        });
  return (
    <Small role="status" aria-live="polite">
      {words}
    </Small>
  );
}
