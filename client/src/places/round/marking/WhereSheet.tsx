// A tree whose limbs nobody has drawn takes a finding all the same: on its stem, or somewhere in its crown, to be placed later.

import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { LengthField } from '../../../ui/LengthField';
import { Select } from '../../../ui/Select';
import { Sheet } from '../../../ui/Sheet';
import { Body, Section } from '../../../ui/type';
import type { Somewhere } from './draft';

interface WhereSheetProps {
  treeId: string;
  open: boolean;
  onClose(): void;
  onStem(): void;
  onCrown(somewhere: Somewhere): void;
}

export const hoursIn = (say: Say) =>
  Array.from({ length: 12 }, (_, i) => {
    const hour = i === 0 ? 12 : i;
    return { value: String(hour), label: say('trade.clockHour', { hour }) };
  });
const REACHED_CM = 200;
const HIGHEST_CM = 3000;

export function WhereSheet({ treeId, open, onClose, onStem, onCrown }: WhereSheetProps) {
  const say = useSay();
  const router = useRouter();
  const [hour, setHour] = useState('12');
  const [heightCm, setHeight] = useState(REACHED_CM);
  const then = (go: () => void) => () => {
    onClose();
    go();
  };
  return (
    <Sheet title={say('round.whereIsIt')} open={open} onClose={onClose}>
      <Body>{say('round.nobodyHasDrawnTheLimbsOfThis')}</Body>
      <Button kind="main" onPress={then(() => router.navigate(`/round/${treeId}/map`))}>
        {say('round.drawItsLimbsNow')}
      </Button>
      <Button onPress={then(onStem)}>{say('round.onTheStem')}</Button>
      <Section>{say('round.somewhereInTheCrown')}</Section>
      <View flexDirection="row" gap={12}>
        <View flex={1} minWidth={0}>
          <Select
            label={say('round.seenFromAboveAt')}
            value={hour}
            options={hoursIn(say)}
            onChange={setHour}
          />
        </View>
        <LengthField
          grow
          label={say('round.aboveGround')}
          cm={heightCm}
          leastCm={0}
          mostCm={HIGHEST_CM}
          onChange={setHeight}
        />
      </View>
      <Button onPress={then(() => onCrown({ hour: Number(hour), heightCm }))}>
        {say('round.markItThere')}
      </Button>
    </Sheet>
  );
}
