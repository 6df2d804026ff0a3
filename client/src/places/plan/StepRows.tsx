// The steps of a visit, in the order they are made; the whole row chooses.

import { joined, massReading, thicknessReading } from '@mortisect/core/measure';
import type { StepView } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { otherWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
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
  return (
    <Rows>
      {steps.map((one, i) => {
        const { handling } = one.priced;
        const solved = view.findings.filter((finding) =>
          one.step.solves.some(({ findingId }) => findingId === finding.id),
        );
        const what = one.cut
          ? kindWords(one.cut)
          : one.priced.candidate.what.is === 'other'
            ? otherWords(one.priced.candidate.what.kind)
            : '';
        return (
          <PressRow
            key={one.priced.id}
            chosen={one.priced.id === chosenId}
            onPress={() => onChoose(one.priced.id)}
            minHeight={64}
            paddingVertical={8}
            paddingRight={16}
            paddingLeft={11}
          >
            <Figure color="$soft" minWidth={20}>
              {i + 1}
            </Figure>
            <Mark kind={one.kind} />
            <View flex={1} minWidth={0}>
              <Label fontSize="$19" lineHeight="$19">
                {view.names.get(one.limbId) ?? one.limbId}
                {one.cut ? ' at ' : ''}
                {one.cut ? (
                  <Label fontSize="$19" lineHeight="$19" color="$kerfText">
                    {placeWords(one.cut, today.units)}
                  </Label>
                ) : null}
              </Label>
              <Small>{[findingWords(solved) || 'Training', what].join(' · ')}</Small>
            </View>
            <View alignItems="flex-end">
              <Label>{handling ? joined(thicknessReading(handling.kerfMm, today.units)) : ''}</Label>
              <Small>
                {handling && handling.massKg >= 0.5
                  ? `${joined(massReading(handling.massKg, today.units))}, ${percentOf(one.step.crown + one.step.exempt)}`
                  : percentOf(one.step.crown + one.step.exempt)}
              </Small>
            </View>
          </PressRow>
        );
      })}
    </Rows>
  );
}
