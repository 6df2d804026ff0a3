// A tree whose limbs nobody has drawn takes a finding all the same: on its stem, or somewhere in its crown, to be placed later.
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
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

export const HOURS = Array.from({ length: 12 }, (_, i) => ({
  value: String(i === 0 ? 12 : i),
  label: `${i === 0 ? 12 : i} o’clock`,
}));
const REACHED_CM = 200;
const HIGHEST_CM = 3000;

export function WhereSheet({ treeId, open, onClose, onStem, onCrown }: WhereSheetProps) {
  const router = useRouter();
  const [hour, setHour] = useState('12');
  const [heightCm, setHeight] = useState(REACHED_CM);
  const then = (go: () => void) => () => {
    onClose();
    go();
  };
  return (
    <Sheet title="Where is it?" open={open} onClose={onClose}>
      <Body>Nobody has drawn the limbs of this tree yet.</Body>
      <Button kind="main" onPress={then(() => router.navigate(`/round/${treeId}/map`))}>
        Draw its limbs now
      </Button>
      <Button onPress={then(onStem)}>On the stem</Button>
      <Section>Somewhere in the crown</Section>
      <View flexDirection="row" gap={12}>
        <View flex={1} minWidth={0}>
          <Select label="Seen from above, at" value={hour} options={HOURS} onChange={setHour} />
        </View>
        <LengthField
          grow
          label="Above ground"
          cm={heightCm}
          leastCm={0}
          mostCm={HIGHEST_CM}
          onChange={setHeight}
        />
      </View>
      <Button onPress={then(() => onCrown({ hour: Number(hour), heightCm }))}>Mark it there</Button>
    </Sheet>
  );
}
