// Scratch tests along the limb: where live wood ends, and where to scratch next.
import { liveBoundary, type Scratch, scratchReadings } from '@mortisect/core/diagnosis';
import { tapeText, upperFirst } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { LengthField } from '../../../ui/LengthField';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label, Small, Strong } from '../../../ui/type';
import { withSpan } from './draft';
import type { SeenSheetProps } from './seen';

const READINGS = scratchReadings.map((value) => ({ value, label: upperFirst(value) }));

export function ScratchSheet({ today, limb, marking, onChange, open, onClose }: SeenSheetProps) {
  const found = liveBoundary(marking.scratches, limb.lengthCm);
  const [typed, setTyped] = useState<number | null>(null);
  const atCm = typed ?? found.nextCm ?? limb.lengthCm / 2;
  const text = (cm: number) => tapeText(cm, today.units);
  const add = (reads: Scratch['reads']) => {
    setTyped(null);
    const at = Math.round(atCm * 10) / 10;
    const others = marking.scratches.filter((scratch) => scratch.atCm !== at);
    onChange({ ...marking, scratches: [...others, { atCm: at, reads }].sort((a, b) => a.atCm - b.atCm) });
  };
  const pinned = !found.noneBrown || !found.noneGreen;
  return (
    <Sheet title="Scratch test" open={open} onClose={onClose} closeLabel="Done">
      <Body>
        Lift a sliver of bark: green and moist is alive, brown and dry is dead. Wipe the knife between
        scratches.
      </Body>
      {pinned ? (
        <Notice kind="said" title={boundaryWords(found, text)}>
          {found.nextCm === null
            ? 'That is as fine as the tape asks for.'
            : `Scratch next at ${text(found.nextCm)}: that halves what is not known.`}
        </Notice>
      ) : null}
      {found.contradictedBy.length > 0 ? (
        <Notice kind="caution" title="Green beyond brown">
          {`Green at ${found.contradictedBy.map(text).join(', ')}, further out than brown: the wood is patchy or a reading is wrong. The brown nearest the trunk counts.`}
        </Notice>
      ) : null}
      <LengthField
        label="Scratch at, from the base"
        cm={atCm}
        leastCm={0}
        mostCm={limb.lengthCm}
        onChange={setTyped}
      />
      <Choice label="Reads" options={READINGS} value={null} onChange={add} />
      {marking.scratches.map((scratch) => (
        <View key={scratch.atCm} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{text(scratch.atCm)}</Label>
          <Strong>{scratch.reads}</Strong>
          <Button
            kind="quiet"
            aria-label={`Remove the scratch at ${text(scratch.atCm)}`}
            onPress={() =>
              onChange({ ...marking, scratches: marking.scratches.filter((kept) => kept !== scratch) })
            }
          >
            Remove
          </Button>
        </View>
      ))}
      {found.noneBrown || marking.fromCm === found.liveToCm ? null : (
        <View flexDirection="row">
          <Button
            onPress={() =>
              onChange(
                withSpan(marking, {
                  fromCm: found.liveToCm,
                  toCm: Math.max(marking.toCm, found.deadFromCm),
                }),
              )
            }
          >
            {`Begin the finding at ${text(found.liveToCm)}`}
          </Button>
        </View>
      )}
      <Small>Dead wood lies toward the tip. An unsure scratch is not made again at the same place.</Small>
    </Sheet>
  );
}

function boundaryWords(found: ReturnType<typeof liveBoundary>, text: (cm: number) => string): string {
  if (found.noneBrown) return `Alive at least to ${text(found.liveToCm)}; nothing brown yet`;
  if (found.noneGreen)
    return `Dead from ${text(found.deadFromCm)} out, perhaps from the base: nothing green yet`;
  return `Live wood ends between ${text(found.liveToCm)} and ${text(found.deadFromCm)}`;
}
