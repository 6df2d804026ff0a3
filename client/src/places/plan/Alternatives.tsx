// What else could be done about the same wood, each with its price; doing nothing is priced too.

import { massReading } from '@mortisect/core/measure';
import {
  alternativesTo,
  isOfSameBundle,
  type Priced,
  type Solved,
  type StepView,
} from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { joined, limbIn, otherWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Label, Section, Small } from '../../ui/type';
import { kindWords, placeWords } from '../words';
import { chanceWords, percentOf } from './planView';

interface AlternativesProps {
  view: TreeView;
  today: SiteToday;
  solved: Solved;
  stepView: StepView;
}

const SHOWN = 6;

export function Alternatives({ view, today, solved, stepView }: AlternativesProps) {
  const say = useSay();
  const others = alternativesTo(stepView, solved).slice(0, SHOWN);
  const value = solved.prepared.asked.reduce(
    (sum, asked) =>
      stepView.step.solves.some(({ findingId }) => findingId === asked.findingId) ? sum + asked.value : sum,
    0,
  );
  return (
    <View gap={8}>
      <Section>{say('plan.whatElse')}</Section>
      {others.map((other) => (
        <Other key={other.id} view={view} today={today} stepView={stepView} other={other} />
      ))}
      <View gap={2} paddingVertical={6}>
        <Label>{say('plan.doNothing')}</Label>
        <Small>
          {stepView.step.solves.some(({ chance }) => chance > 0)
            ? say('plan.allOfTheInfectedWoodStaysNo')
            : say('plan.itStaysAsItIsNoCrown')}
          {value > 0 ? say('plan.thePlanCountsAgainstIt', { value: Math.round(value) }) : ''}
        </Small>
      </View>
    </View>
  );
}

function Other({
  view,
  today,
  stepView,
  other,
}: {
  view: TreeView;
  today: SiteToday;
  stepView: StepView;
  other: Priced;
}) {
  const say = useSay();
  const clock = useClock();
  const { record, isPending } = useRecordAction();
  const { what } = other.candidate;
  const beside = isOfSameBundle(other, stepView.priced);
  const name = limbIn(say, view.names.get(what.is === 'cut' ? what.cut.limbId : what.limbId) ?? '');
  const title =
    what.is === 'cut'
      ? say('shared.at', { name, place: placeWords(say, what.cut, today.units) })
      : `${otherWords(say, what.kind)}: ${name}`;
  const left = other.left.filter(({ findingId }) =>
    stepView.step.solves.some((solved) => solved.findingId === findingId),
  );
  const worst = Math.max(0, ...left.map(({ chance }) => chance));
  return (
    <View gap={2} paddingVertical={6} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
      <Label>{title}</Label>
      <Small>
        {[
          ...(what.is === 'cut' ? [kindWords(say, what.cut)] : []),
          say('plan.ofTheCrown', { percent: percentOf(other.crown) }),
          ...(other.handling ? [joined(say, massReading(other.handling.massKg, today.units))] : []),
          say('plan.min', { more: Math.max(1, Math.round(other.minutes.minutes)) }),
          ...(worst > 0 ? [say('plan.thatItStays', { chance: chanceWords(say, worst) })] : []),
          ...(other.handling?.handOver ? [say('plan.workForALicensedArborist')] : []),
        ].join(' · ')}
      </Small>
      {other.handling?.handOver ? null : (
        <View flexDirection="row">
          <Button
            kind="quiet"
            paddingHorizontal={0}
            disabled={isPending}
            aria-label={say(beside ? 'plan.doThisToo' : 'plan.doThisInstead', { title })}
            onPress={() =>
              record({
                kind: 'planPinned',
                at: clock(),
                treeId: view.tree.id,
                pin: { kind: 'goes', candidateId: other.id, season: stepView.step.season },
              })
            }
          >
            {say(beside ? 'plan.doThisToo2' : 'plan.doThisInstead2')}
          </Button>
        </View>
      )}
    </View>
  );
}
