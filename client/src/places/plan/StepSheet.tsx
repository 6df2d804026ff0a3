// Everything behind one step: why here, the margin on its curve, what else could be done, how it is handled, and the pins.

import { disorderOf } from '@mortisect/core/disorders';
import { regrowthOf, type Solved, type StepView } from '@mortisect/core/plan';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import {
  figure,
  keptForWords,
  limbIn,
  lowersWords,
  minutesForWords,
  regrowthWords,
  shootsAtWords,
  sideEffectWords,
  told,
  whySteps,
} from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { Cautions } from '../Cautions';
import { HandlingLines } from '../HandlingLines';
import { SchoolTable } from '../SchoolTable';
import { Alternatives } from './Alternatives';
import { Margin } from './Margin';
import { Pins } from './Pins';
import { percentOf } from './planView';
import { TwoLimbs } from './TwoLimbs';

interface StepSheetProps {
  view: TreeView;
  today: SiteToday;
  solved: Solved;
  stepView: StepView | null;
  onClose(): void;
}

export function StepSheet({ view, today, solved, stepView, onClose }: StepSheetProps) {
  const say = useSay();
  return (
    <Sheet
      title={stepView ? limbIn(say, view.names.get(stepView.limbId) ?? stepView.limbId) : ''}
      open={stepView !== null}
      onClose={onClose}
    >
      {stepView ? <Behind view={view} today={today} solved={solved} stepView={stepView} /> : null}
    </Sheet>
  );
}

function Behind({
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
  const { handling } = stepView.priced;
  const diseased = stepView.step.solves.find(({ findingId }) => {
    const finding = view.findings.find((each) => each.id === findingId);
    return finding && disorderOf(finding.disorder)?.kind === 'diseased';
  });
  const season = solved.plan.seasons.find((each) => each.season === stepView.step.season);
  const growth = regrowthOf(
    stepView.priced,
    stepView.step.pass,
    ((season?.crown ?? 0) + (season?.exempt ?? 0)) / 1000,
  );
  return (
    <View gap={20}>
      <Pins view={view} today={today} solved={solved} stepView={stepView} />
      <Why view={view} today={today} stepView={stepView} solved={solved} />
      {diseased ? (
        <Margin view={view} today={today} findingId={diseased.findingId} input={solved.prepared.input} />
      ) : null}
      <TwoLimbs view={view} solved={solved} stepView={stepView} />
      <Alternatives view={view} today={today} solved={solved} stepView={stepView} />
      {handling && stepView.cut ? (
        <View gap={4}>
          <Section>{say('plan.handling')}</Section>
          <HandlingLines
            view={view}
            today={today}
            handling={handling}
            cut={stepView.cut}
            infected={stepView.priced.infected}
          />
          <Small>
            {stepView.priced.minutes.because
              .map(
                ({ what, minutes }) =>
                  `${minutesForWords(say, what, handling.wielded?.tool.name)} ${minutes < 1 ? `${Math.round(minutes * 60)} s` : say('plan.min4', { minutes: figure(say, minutes, { least: 1 }) })}`,
              )
              .join(' · ')}
          </Small>
          <Cautions list={handling.cautions} />
        </View>
      ) : null}
      {growth ? (
        <View gap={4}>
          <Section>{say('plan.expectedRegrowth')}</Section>
          <Body>
            {say('plan.toShootsLookIn', {
              shoots: growth.shoots[0],
              shoots2: growth.shoots[1],
              shootsAt: shootsAtWords(say, growth.where),
              when: told(say, growth.when),
            })}
          </Body>
          <Small>{regrowthWords(say, growth.because)}</Small>
        </View>
      ) : null}
    </View>
  );
}

function Why({
  view,
  today,
  stepView,
  solved,
}: {
  view: TreeView;
  today: SiteToday;
  stepView: StepView;
  solved: Solved;
}) {
  const say = useSay();
  const { cut } = stepView;
  const { lowers } = stepView.priced.candidate;
  const light = solved.prepared.asked.find((each) => each.id === `light ${stepView.priced.id}`);
  const { chosenFrom, sides } = solved.prepared;
  const effect = sides.effects[chosenFrom.findIndex(({ id }) => id === stepView.priced.id)];
  const keep = solved.prepared.keep.find((each) => each.limbId === stepView.limbId);
  return (
    <View gap={12}>
      <Section>{say('shared.why')}</Section>
      <Body>
        {say('plan.ofTheLivingCrownHangsBeyondIt', {
          percent: percentOf(stepView.priced.crown),
          percent2: percentOf(stepView.priced.fruit),
        })}
      </Body>
      {light ? (
        <Body>{say('plan.itLetsAboutMoreOfTheLight', { more: Math.max(1, Math.round(light.value)) })}</Body>
      ) : null}
      {lowers && view.tree.targetHeightCm !== null ? (
        <Body>{lowersWords(say, lowers, view.tree.targetHeightCm, telling(view, today))}</Body>
      ) : null}
      {effect
        ? sideEffectWords(say, effect, telling(view, today)).map((line) => <Body key={line}>{line}</Body>)
        : null}
      {keep ? (
        <Body>{say('plan.theLimbIsWorthKeepingThatWas', { keptFor: keptForWords(say, keep.because) })}</Body>
      ) : null}
      {cut?.because.map((reason) => {
        const clearance = solved.prepared.cuts.clearances[reason.lesionId];
        return (
          <View key={reason.lesionId} gap={8}>
            <Label fontSize="$19">{told(say, disorderOf(reason.disorder)?.name) ?? reason.disorder}</Label>
            {whySteps(say, reason, clearance, telling(view, today)).map((step) => (
              <View key={step.title} gap={2}>
                <Label>{step.title}</Label>
                {step.lines.map((line) => (
                  <Small key={line}>{line}</Small>
                ))}
              </View>
            ))}
            <SchoolTable view={view} today={today} lesionId={reason.lesionId} />
          </View>
        );
      })}
    </View>
  );
}
