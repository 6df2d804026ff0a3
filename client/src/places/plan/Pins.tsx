// Pins: what the caretaker has decided, and the plan is solved round.

import { upperFirst } from '@mortisect/core/measure';
import type { Pin, Solved, StepView } from '@mortisect/core/plan';
import { liftedMusts, pinsOf, type SiteToday, type TreeView } from '@mortisect/core/present';
import { limbIn, pinSentence } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { dayWords } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Body, Label, Section, Small } from '../../ui/type';
import { Follower } from './Follower';
import { LiftMust } from './LiftMust';

/** What may be pinned about a step. */
export function Pins({
  view,
  today,
  solved,
  stepView,
}: {
  view: TreeView;
  today: SiteToday;
  solved: Solved;
  stepView: StepView;
}) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const { prepared } = solved;
  const set = (pin: Pin) => recording.record({ kind: 'planPinned', at: clock(), treeId: view.tree.id, pin });
  const musts = stepView.step.solves.filter(({ findingId }) =>
    prepared.asked.some((asked) => asked.findingId === findingId && asked.must),
  );
  const limb = view.limbs.find((each) => each.id === stepView.limbId);
  const next = stepView.step.season + 1;
  return (
    <View gap={8}>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {limb && limb.kind !== 'trunk' ? (
          <Button
            disabled={recording.isPending}
            onPress={() => set({ kind: 'stays', limbId: stepView.limbId })}
          >
            {say('plan.itStays')}
          </Button>
        ) : null}
        {next <= prepared.input.seasons ? (
          <Button
            disabled={recording.isPending}
            onPress={() => set({ kind: 'not before', candidateId: stepView.priced.id, season: next })}
          >
            {say('plan.notBeforeSeason', { next })}
          </Button>
        ) : null}
        {stepView.step.season > 1 ? (
          <Button
            disabled={recording.isPending}
            onPress={() => set({ kind: 'goes', candidateId: stepView.priced.id, season: 1 })}
          >
            {say('plan.thisSeason')}
          </Button>
        ) : null}
        {musts.length > 0 ? (
          <LiftMust
            treeId={view.tree.id}
            findingIds={musts.map(({ findingId }) => findingId)}
            day={today.day}
          />
        ) : null}
      </View>
      {limb && limb.kind !== 'trunk' && musts.length === 0 ? (
        <Follower view={view} limbId={stepView.limbId} />
      ) : null}
      {musts.length > 0 ? <Small>{say('plan.activeDiseaseDiseaseNearTheTrunkOr')}</Small> : null}
      <Failed title={say('shared.notSavedYet')} error={recording.error} />
    </View>
  );
}

/** The pins that hold on this tree, each to be taken off again. */
export function PinList({ view, today }: { view: TreeView; today: SiteToday }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const pins = pinsOf(view.actions);
  const lifted = [...liftedMusts(view.actions, today.day)].filter(([findingId]) =>
    view.findings.some((finding) => finding.id === findingId),
  );
  if (pins.length + lifted.length === 0) return null;
  const takeOff = (actionId: string) => recording.record({ kind: 'undone', at: clock(), actionId });
  return (
    <View gap={4}>
      <Section>{say('plan.pinned')}</Section>
      {pins.map(({ actionId, pin }) => (
        <View key={actionId} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{upperFirst(pinSentence(say, pin, view))}</Label>
          <Button
            kind="quiet"
            onPress={() => takeOff(actionId)}
            disabled={recording.isPending}
            aria-label={say('plan.removeThisPin', { pinSentence: pinSentence(say, pin, view) })}
          >
            {say('plan.removeThisPin2')}
          </Button>
        </View>
      ))}
      {lifted.map(([findingId, { actionId, why, note, until }]) => (
        <View key={actionId} flexDirection="row" alignItems="center" gap={12}>
          <Body flex={1}>
            {say('plan.needNotComeOut', {
              limbName: limbIn(
                say,
                view.findings.find((finding) => finding.id === findingId)?.limbName ?? '',
              ),
              why,
              more: until ? say('plan.until', { day: dayWords(until) }) : '',
              more2: note ? `: ${note}` : '',
            })}
          </Body>
          <Button kind="quiet" onPress={() => takeOff(actionId)} disabled={recording.isPending}>
            {say('plan.removeThisPin2')}
          </Button>
        </View>
      ))}
      <Failed title={say('shared.notSavedYet')} error={recording.error} />
    </View>
  );
}
