// How much of the bark round the limb is gone, from widths measured round it.

import { girdled } from '@mortisect/core/diagnosis';

import { diameterMmAt } from '@mortisect/core/tree';
import { girdlingWords, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { LengthField } from '../../../ui/LengthField';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label } from '../../../ui/type';
import { edgeMatters } from './draft';
import type { SeenSheetProps } from './seen';

const WIDEST_CM = 800;

export function GirdleSheet({ today, limb, marking, onChange, open, onClose }: SeenSheetProps) {
  const say = useSay();
  const [width, setWidth] = useState<number | null>(null);
  const fromMap = (Math.PI * diameterMmAt(limb, Math.min(marking.fromCm, limb.lengthCm))) / 10;
  const roundCm = marking.circumferenceCm ?? fromMap;
  const on = limb.kind === 'trunk' ? 'stem' : 'limb';
  const girdling = girdled(marking.widthsCm, roundCm, on, edgeMatters(marking.disorder));
  const add = () => {
    if (width === null || width <= 0) return;
    onChange({ ...marking, widthsCm: [...marking.widthsCm, width] });
    setWidth(null);
  };
  return (
    <Sheet title={say('round.girdling')} open={open} onClose={onClose} closeLabel={say('shared.done')}>
      <Body>{say('round.measureEachDeadPatchAcrossRoundThe')}</Body>
      <LengthField
        label={say('round.roundTheLimbHere')}
        cm={roundCm}
        leastCm={1}
        mostCm={WIDEST_CM}
        hint={
          marking.circumferenceCm === null ? say('round.fromTheLimbMapMeasureItIf') : say('round.asMeasured')
        }
        onChange={(circumferenceCm) => onChange({ ...marking, circumferenceCm })}
      />
      <View flexDirection="row" alignItems="flex-end" gap={12}>
        <LengthField
          key={marking.widthsCm.length}
          grow
          label={say('round.widthOfADeadPatch')}
          cm={width}
          leastCm={0}
          mostCm={WIDEST_CM}
          onChange={setWidth}
          onClear={() => setWidth(null)}
        />
        <Button onPress={add} disabled={width === null || marking.widthsCm.length >= 12}>
          {say('shared.add')}
        </Button>
      </View>
      {marking.widthsCm.map((cm, i) => (
        <View key={`${cm}-${i === 0 ? 'first' : i}`} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{tapeText(say, cm, today.units)}</Label>
          <Button
            kind="quiet"
            aria-label={say('round.remove3', { tape: tapeText(say, cm, today.units) })}
            onPress={() => onChange({ ...marking, widthsCm: marking.widthsCm.filter((_, j) => j !== i) })}
          >
            {say('shared.remove')}
          </Button>
        </View>
      ))}
      {girdling ? (
        <Notice
          kind={girdling.share >= 0.5 ? 'caution' : 'said'}
          title={say('round.ofTheCircumference', { share: Math.round(girdling.share * 100) })}
        >
          {say('round.thresholdsAreCommonPracticeNoSource', {
            girdling: girdlingWords(say, girdling.advice),
          })}
        </Notice>
      ) : null}
    </Sheet>
  );
}
