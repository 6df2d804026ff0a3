// What else could be done about the same wood, each with its price; doing nothing is priced too.

import { joined, massReading } from '@mortisect/core/measure';
import { alternativesTo, type Priced, type Solved, type StepView } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { otherWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
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
  const others = alternativesTo(stepView, solved).slice(0, SHOWN);
  const value = solved.prepared.asked.reduce(
    (sum, asked) =>
      stepView.step.solves.some(({ findingId }) => findingId === asked.findingId) ? sum + asked.value : sum,
    0,
  );
  return (
    <View gap={8}>
      <Section>What else</Section>
      {others.map((other) => (
        <Other key={other.id} view={view} today={today} stepView={stepView} other={other} />
      ))}
      <View gap={2} paddingVertical={6}>
        <Label>Do nothing</Label>
        <Small>
          {stepView.step.solves.some(({ chance }) => chance > 0)
            ? 'All of the infected wood stays; no crown is lost and no time spent.'
            : 'It stays as it is; no crown is lost and no time spent.'}
          {value > 0 ? ` The plan counts ${Math.round(value)} against it.` : ''}
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
  const clock = useClock();
  const { record, isPending } = useRecordAction();
  const { what } = other.candidate;
  const name = view.names.get(what.is === 'cut' ? what.cut.limbId : what.limbId) ?? '';
  const title =
    what.is === 'cut'
      ? `${name} at ${placeWords(what.cut, today.units)}`
      : `${otherWords(what.kind)}: ${name}`;
  const left = other.left.filter(({ findingId }) =>
    stepView.step.solves.some((solved) => solved.findingId === findingId),
  );
  const worst = Math.max(0, ...left.map(({ chance }) => chance));
  return (
    <View gap={2} paddingVertical={6} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
      <Label>{title}</Label>
      <Small>
        {[
          ...(what.is === 'cut' ? [kindWords(what.cut)] : []),
          `${percentOf(other.crown)} of the crown`,
          ...(other.handling ? [joined(massReading(other.handling.massKg, today.units))] : []),
          `${Math.max(1, Math.round(other.minutes.minutes))} min`,
          ...(worst > 0 ? [`${chanceWords(worst)} that it stays`] : []),
          ...(other.handling?.handOver ? ['work for a licensed arborist'] : []),
        ].join(' · ')}
      </Small>
      {other.handling?.handOver ? null : (
        <View flexDirection="row">
          <Button
            kind="quiet"
            paddingHorizontal={0}
            disabled={isPending}
            aria-label={`Do this instead: ${title}`}
            onPress={() =>
              record({
                kind: 'planPinned',
                at: clock(),
                treeId: view.tree.id,
                pin: { kind: 'goes', candidateId: other.id, season: stepView.step.season },
              })
            }
          >
            Do this instead
          </Button>
        </View>
      )}
    </View>
  );
}
