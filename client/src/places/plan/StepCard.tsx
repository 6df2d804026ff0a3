// One step: the limb as a tape with its kerf, the sentence, what it costs, and the way to everything behind it.

import { type Cut, leadingReason } from '@mortisect/core/cuts';
import { massReading, thicknessReading } from '@mortisect/core/measure';
import type { StepView } from '@mortisect/core/plan';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { arboristMade } from '@mortisect/core/run';
import { nextStopDay } from '@mortisect/core/timing';
import { lowerFirst } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import {
  asText,
  cutSentence,
  joined,
  limbIn,
  lowersWords,
  minutesWords,
  otherWords,
  shareWords,
  stepSentence,
  told,
} from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { dayWords } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Body, Section, Small } from '../../ui/type';
import { WithTerms } from '../Terms';
import { TreeTape } from '../TreeTape';
import { chanceWords, percentOf } from './planView';

interface StepCardProps {
  view: TreeView;
  today: SiteToday;
  stepView: StepView;
  isNow: boolean;
  onMore(): void;
}

export function StepCard({ view, today, stepView, isNow, onMore }: StepCardProps) {
  const say = useSay();
  const { cut, priced } = stepView;
  const { lowers } = priced.candidate;
  const name = limbIn(say, view.names.get(stepView.limbId) ?? stepView.limbId);
  return (
    <View gap={8}>
      {cut ? (
        <TreeTape
          view={view}
          today={today}
          // The limb of the lesion, so that the whole measure is seen, through the joint where it runs on
          limbId={leadingReason(cut).edgeLimbId}
          cut={cut}
          heading={<Section>{limbIn(say, view.names.get(leadingReason(cut).edgeLimbId) ?? name)}</Section>}
          onWhy={onMore}
        />
      ) : (
        <Section>{name}</Section>
      )}
      <Body>
        <WithTerms>{stepSentence(say, priced, telling(view, today))}</WithTerms>
      </Body>
      {lowers && view.tree.targetHeightCm !== null ? (
        <Body>{lowersWords(say, lowers, view.tree.targetHeightCm, telling(view, today))}</Body>
      ) : null}
      <Small>{costWords(say, stepView, today)}</Small>
      {stepView.step.pass === 'summer' && stepView.step.serves.includes('regrowth') ? (
        <Small>
          {say('plan.beforeTheStopDate', {
            stop: dayWords(nextStopDay(today.day, today.site.timing.stopDay, today.site.latitude)),
          })}
        </Small>
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={onMore} aria-label={say('plan.whyAndWhatElse', { name })}>
          {say('plan.whyAndWhatElse2')}
        </Button>
        {cut === null && isNow ? <DoneButton view={view} stepView={stepView} name={name} /> : null}
        {cut && stepView.step.pass === 'hired' ? (
          <ArboristDid view={view} today={today} stepView={stepView} cut={cut} />
        ) : null}
      </View>
    </View>
  );
}

/** Mass, crown, time, tool and what stays behind, in one line. */
function costWords(say: Say, { priced, step }: StepView, { units }: SiteToday): string {
  const { handling, minutes } = priced;
  const crown = step.crown + step.exempt;
  const worst = Math.max(0, ...step.solves.map((solved) => solved.chance));
  return [
    ...(handling
      ? [
          ...(handling.alike > 1 ? [say('plan.aboutMany', { alike: handling.alike })] : []),
          joined(say, thicknessReading(handling.kerfMm, units)),
          joined(say, massReading(handling.massKg, units)),
          handling.pieces.length > 1
            ? say('shared.pieces', { pieces: handling.pieces.length })
            : say('shared.onePiece'),
          handling.wielded
            ? say('plan.fromThe', {
                tool: lowerFirst(told(say, handling.wielded.tool.name)),
                station: handling.wielded.station,
              })
            : say('plan.noToolOfTheKitDoesIt'),
        ]
      : []),
    say('plan.ofTheCrown', {
      percent: shareWords(say, percentOf(crown), crown, step.grain.crown),
    }),
    minutesWords(say, minutes.minutes, step.grain.minutes),
    ...(worst > 0 ? [say('plan.thatDiseaseStays', { chance: chanceWords(say, worst) })] : []),
  ].join(' · ');
}

function DoneButton({ view, stepView, name }: { view: TreeView; stepView: StepView; name: string }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const { what } = stepView.priced.candidate;
  const findingIds = stepView.step.solves.map(({ findingId }) => findingId);
  if (what.is !== 'other') return null;
  const done = () =>
    recording.record({
      kind: 'stepDone',
      at: clock(),
      treeId: view.tree.id,
      findingIds,
      what: what.kind,
      limbId: what.limbId,
      limbName: name,
    });
  return (
    <Button
      onPress={done}
      disabled={recording.isPending}
      aria-label={say('plan.done', { other: otherWords(say, what.kind) })}
    >
      {say('shared.done')}
    </Button>
  );
}

/** A cut of a booked visit: it is recorded here, since it never comes into one’s own run. */
function ArboristDid({
  view,
  today,
  stepView,
  cut,
}: Pick<StepCardProps, 'view' | 'today' | 'stepView'> & { cut: Cut }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const did = () => {
    const made = arboristMade(view, { step: stepView.step, cut }, clock(), today);
    recording.record({
      ...made,
      cut: { ...made.cut, sentence: asText(cutSentence(say, cut, telling(view, today))) },
    });
  };
  return (
    <Button onPress={did} disabled={recording.isPending}>
      {say('plan.arboristDid')}
    </Button>
  );
}
