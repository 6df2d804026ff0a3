// How much of the bark round the limb is gone, from widths measured round it.
import { girdled } from '@mortisect/core/diagnosis';
import { tapeText } from '@mortisect/core/measure';
import { diameterMmAt } from '@mortisect/core/tree';
import { girdlingWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { LengthField } from '../../../ui/LengthField';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label } from '../../../ui/type';
import { edgeMatters } from './draft';
import type { SeenSheetProps } from './seen';

const WIDEST_CM = 800;

export function GirdleSheet({ today, limb, marking, onChange, open, onClose }: SeenSheetProps) {
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
    <Sheet title="Girdling" open={open} onClose={onClose} closeLabel="Done">
      <Body>Measure each dead patch across, round the limb, not along it: bark feeds only downward.</Body>
      <LengthField
        label="Round the limb here"
        cm={roundCm}
        leastCm={1}
        mostCm={WIDEST_CM}
        hint={marking.circumferenceCm === null ? 'From the limb map; measure it if you can.' : 'As measured.'}
        onChange={(circumferenceCm) => onChange({ ...marking, circumferenceCm })}
      />
      <View flexDirection="row" alignItems="flex-end" gap={12}>
        <LengthField
          key={marking.widthsCm.length}
          grow
          label="Width of a dead patch"
          cm={width}
          leastCm={0}
          mostCm={WIDEST_CM}
          onChange={setWidth}
          onClear={() => setWidth(null)}
        />
        <Button onPress={add} disabled={width === null || marking.widthsCm.length >= 12}>
          Add
        </Button>
      </View>
      {marking.widthsCm.map((cm, i) => (
        <View key={`${cm}-${i === 0 ? 'first' : i}`} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{tapeText(cm, today.units)}</Label>
          <Button
            kind="quiet"
            aria-label={`Remove ${tapeText(cm, today.units)}`}
            onPress={() => onChange({ ...marking, widthsCm: marking.widthsCm.filter((_, j) => j !== i) })}
          >
            Remove
          </Button>
        </View>
      ))}
      {girdling ? (
        <Notice
          kind={girdling.share >= 0.5 ? 'caution' : 'said'}
          title={`${Math.round(girdling.share * 100)} % of the circumference`}
        >
          {`${girdlingWords(girdling.advice)} Thresholds are common practice, no source.`}
        </Notice>
      ) : null}
    </Sheet>
  );
}
