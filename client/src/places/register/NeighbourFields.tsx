// Trees that meet this one or shade it.

import type { TreeBody } from '@mortisect/core/records';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Label, Small } from '../../ui/type';

interface NeighbourFieldsProps {
  neighbours: TreeBody['neighbours'];
  codes: string[];
  onChange(neighbours: TreeBody['neighbours']): void;
}

const MOST = 8;

export function NeighbourFields({ neighbours, codes, onChange }: NeighbourFieldsProps) {
  const say = useSay();
  const [code, setCode] = useState('');
  const add = (how: 'meets' | 'shades') => {
    onChange([
      ...neighbours.filter((neighbour) => neighbour.code !== code.trim()),
      { code: code.trim(), how },
    ]);
    setCode('');
  };
  const ready = code.trim() !== '' && neighbours.length < MOST;
  return (
    <View gap={8}>
      <Small>{say('round.neighboursThatMeetOrShadeIt')}</Small>
      {neighbours.map((neighbour) => (
        <View key={neighbour.code} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{`${neighbour.code} ${told(say, neighbour.how)}`}</Label>
          <Button
            kind="quiet"
            aria-label={say('round.remove', { neighbour: neighbour.code })}
            onPress={() => onChange(neighbours.filter((other) => other !== neighbour))}
          >
            {say('shared.remove')}
          </Button>
        </View>
      ))}
      <View flexDirection="row" flexWrap="wrap" alignItems="flex-end" gap={8}>
        <View flexGrow={1} flexBasis={160}>
          <Field
            label={say('round.codeOfTheNeighbour')}
            value={code}
            list={codes.slice(0, 200)}
            onChangeText={setCode}
          />
        </View>
        <Button disabled={!ready} onPress={() => add('meets')}>
          {say('round.meetsIt')}
        </Button>
        <Button disabled={!ready} onPress={() => add('shades')}>
          {say('round.shadesIt')}
        </Button>
      </View>
    </View>
  );
}
