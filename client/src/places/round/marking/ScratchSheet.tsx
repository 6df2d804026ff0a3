// Scratch tests along the limb: where live wood ends, and where to scratch next.

import { liveBoundary, type Scratch, scratchReadings } from '@mortisect/core/diagnosis';
import { upperFirst } from '@mortisect/core/measure';
import type { Say } from '@mortisect/words';
import { tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
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
  const say = useSay();
  const found = liveBoundary(marking.scratches, limb.lengthCm);
  const [typed, setTyped] = useState<number | null>(null);
  const atCm = typed ?? found.nextCm ?? limb.lengthCm / 2;
  const text = (cm: number) => tapeText(say, cm, today.units);
  const add = (reads: Scratch['reads']) => {
    setTyped(null);
    const at = Math.round(atCm * 10) / 10;
    const others = marking.scratches.filter((scratch) => scratch.atCm !== at);
    onChange({ ...marking, scratches: [...others, { atCm: at, reads }].sort((a, b) => a.atCm - b.atCm) });
  };
  const pinned = !found.noneBrown || !found.noneGreen;
  return (
    <Sheet title={say('round.scratchTest')} open={open} onClose={onClose} closeLabel={say('shared.done')}>
      <Body>{say('round.liftASliverOfBarkGreenAnd')}</Body>
      {pinned ? (
        <Notice kind="said" title={boundaryWords(say, found, text)}>
          {found.nextCm === null
            ? say('round.thatIsAsFineAsTheTape')
            : say('round.scratchNextAtThatHalvesWhatIs', { text: text(found.nextCm) })}
        </Notice>
      ) : null}
      {found.contradictedBy.length > 0 ? (
        <Notice kind="caution" title={say('round.greenBeyondBrown')}>
          {say('round.greenAtFurtherOutThanBrownThe', {
            contradictedBy: found.contradictedBy.map(text).join(', '),
          })}
        </Notice>
      ) : null}
      <LengthField
        label={say('round.scratchAtFromTheBase')}
        cm={atCm}
        leastCm={0}
        mostCm={limb.lengthCm}
        onChange={setTyped}
      />
      <Choice label={say('round.reads')} options={READINGS} value={null} onChange={add} />
      {marking.scratches.map((scratch) => (
        <View key={scratch.atCm} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{text(scratch.atCm)}</Label>
          <Strong>{told(say, scratch.reads)}</Strong>
          <Button
            kind="quiet"
            aria-label={say('round.removeTheScratchAt', { text: text(scratch.atCm) })}
            onPress={() =>
              onChange({ ...marking, scratches: marking.scratches.filter((kept) => kept !== scratch) })
            }
          >
            {say('shared.remove')}
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
            {say('round.beginTheFindingAt', { text: text(found.liveToCm) })}
          </Button>
        </View>
      )}
      <Small>{say('round.deadWoodLiesTowardTheTipAn')}</Small>
    </Sheet>
  );
}

function boundaryWords(
  say: Say,
  found: ReturnType<typeof liveBoundary>,
  text: (cm: number) => string,
): string {
  if (found.noneBrown) return say('round.aliveAtLeastToNothingBrownYet', { text: text(found.liveToCm) });
  if (found.noneGreen) return say('round.deadFromOutPerhapsFromTheBase', { text: text(found.deadFromCm) });
  return say('round.liveWoodEndsBetweenAnd', { text: text(found.liveToCm), text2: text(found.deadFromCm) });
}
