// The steps of a visit, in the order they are made; the whole row chooses.

import { massReading, thicknessReading } from '@mortisect/core/measure';
import type { StepView } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { besideWords, goalWords, joined, labelWords, otherWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Mark } from '../../drawings/marks';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Figure, Label, Small } from '../../ui/type';
import { findingWords, kindWords, placeWords } from '../words';
import { percentOf } from './planView';

interface StepRowsProps {
  view: TreeView;
  today: SiteToday;
  steps: StepView[];
  chosenId: string | null;
  onChoose(id: string): void;
}

export function StepRows({ view, today, steps, chosenId, onChoose }: StepRowsProps) {
  const say = useSay();
  return (
    <Rows>
      {steps.map((step, i) => {
        const { handling } = step.priced;
        const solved = view.findings.filter((finding) =>
          step.step.solves.some(({ findingId }) => findingId === finding.id),
        );
        const name = view.names.get(step.limbId) ?? step.limbId;
        const what = step.cut
          ? kindWords(say, step.cut)
          : step.priced.candidate.what.is === 'other'
            ? otherWords(say, step.priced.candidate.what.kind)
            : '';
        return (
          <PressRow
            key={step.priced.id}
            chosen={step.priced.id === chosenId}
            onPress={() => onChoose(step.priced.id)}
            minHeight={64}
            paddingVertical={8}
            paddingRight={16}
            paddingLeft={11}
          >
            <Figure color="$soft" minWidth={20}>
              {i + 1}
            </Figure>
            <Mark kind={step.kind} />
            <View flex={1} minWidth={0}>
              <Label fontSize="$19" lineHeight="$19">
                {labelWords(say, name)}
                {step.cut ? say('plan.atPlace') : ''}
                {step.cut ? (
                  <Label fontSize="$19" lineHeight="$19" color="$kerfText">
                    {placeWords(say, step.cut, today.units)}
                  </Label>
                ) : null}
              </Label>
              <Small>
                {[
                  besideWords(say, name),
                  findingWords(say, solved),
                  ...goalWords(say, step.step.serves),
                  what,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Small>
            </View>
            <View alignItems="flex-end">
              <Label>{handling ? joined(say, thicknessReading(handling.kerfMm, today.units)) : ''}</Label>
              <Small>
                {handling && handling.massKg >= 0.5
                  ? `${joined(say, massReading(handling.massKg, today.units))}, ${percentOf(step.step.crown + step.step.exempt)}`
                  : percentOf(step.step.crown + step.step.exempt)}
              </Small>
            </View>
          </PressRow>
        );
      })}
    </Rows>
  );
}
