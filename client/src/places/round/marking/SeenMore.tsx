// What else was seen of a finding, each behind one button that says how much is known: signs, scratches, girdling, photos, other people.

import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { AskSheet } from './AskSheet';
import { GirdleSheet } from './GirdleSheet';
import { PhotoSheet } from './PhotoSheet';
import { ScratchSheet } from './ScratchSheet';
import { SignsSheet } from './SignsSheet';
import type { SeenProps } from './seen';

type Part = 'signs' | 'scratches' | 'girdle' | 'photos' | 'ask';

export function SeenMore(props: SeenProps) {
  const say = useSay();
  const [part, setPart] = useState<Part | null>(null);
  const { marking } = props;
  const signs = Object.keys(marking.signs).length;
  const buttons: [Part, string][] = [
    ['signs', signs === 0 ? say('round.signsAndCauses') : say('round.causesSigns', { signs })],
    [
      'scratches',
      marking.scratches.length === 0
        ? say('round.scratchTest')
        : say('round.scratchTest2', { scratches: marking.scratches.length }),
    ],
    [
      'girdle',
      marking.widthsCm.length === 0
        ? say('round.girdling')
        : say('round.girdling2', { widthsCm: marking.widthsCm.length }),
    ],
    [
      'photos',
      marking.photoIds.length === 0
        ? say('round.photo')
        : say('round.photos3', { photoIds: marking.photoIds.length }),
    ],
    // Others are asked about what is on record
    ...(marking.baseRevision === null ? [] : ([['ask', say('round.askAnother')]] as [Part, string][])),
  ];
  const sheet = (name: Part) => ({ ...props, open: part === name, onClose: () => setPart(null) });
  return (
    <View flexDirection="row" flexWrap="wrap" gap={8}>
      {buttons.map(([name, label]) => (
        <Button key={name} onPress={() => setPart(name)}>
          {label}
        </Button>
      ))}
      <SignsSheet {...sheet('signs')} />
      <ScratchSheet {...sheet('scratches')} />
      <GirdleSheet {...sheet('girdle')} />
      <PhotoSheet {...sheet('photos')} />
      <AskSheet {...sheet('ask')} />
    </View>
  );
}
