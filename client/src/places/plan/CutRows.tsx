// The cuts of a tree, in order; the whole row chooses.

import type { Cut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { joined, thicknessReading } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { cutAtHand, type SiteToday, type TreeView } from '../../data/orchardView';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Figure, Label, Small } from '../../ui/type';
import { KIND_WORDS, placeWords } from '../words';

interface CutRowsProps {
  view: TreeView;
  today: SiteToday;
  cuts: Cut[];
  chosen: Cut | null;
  onChoose(cut: Cut): void;
}

export function CutRows({ view, today, cuts, chosen, onChoose }: CutRowsProps) {
  return (
    <Rows>
      {cuts.map((cut, i) => {
        const { kerfMm, handOver } = cutAtHand(view, cut);
        const on = cut === chosen;
        const reasons = cut.because
          .map((reason) => disorderOf(reason.disorder)?.name ?? reason.disorder)
          .join(' · ');
        return (
          <PressRow
            key={`${cut.limbId}-${cut.atCm}-${cut.kind}`}
            chosen={on}
            onPress={() => onChoose(cut)}
            minHeight={64}
            paddingVertical={8}
            paddingRight={16}
            paddingLeft={11}
          >
            <Figure color="$soft" minWidth={20}>
              {i + 1}
            </Figure>
            <View flex={1} minWidth={0}>
              <Label fontSize="$19" lineHeight="$19">
                {view.names.get(cut.limbId) ?? cut.limbId} at{' '}
                <Label fontSize="$19" lineHeight="$19" color="$kerfText">
                  {placeWords(cut, today.units)}
                </Label>
              </Label>
              <Small>
                {reasons} · {KIND_WORDS[cut.kind]}
              </Small>
            </View>
            <View alignItems="flex-end">
              <Label>{joined(thicknessReading(kerfMm, today.units))}</Label>
              {handOver ? <Small color="$kerfText">hand over</Small> : <Small>at the kerf</Small>}
            </View>
          </PressRow>
        );
      })}
    </Rows>
  );
}
