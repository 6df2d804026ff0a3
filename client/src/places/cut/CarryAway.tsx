// Where the wood of one cut goes.

import { debrisOf } from '@mortisect/core/aftercare';
import { joined, massReading } from '@mortisect/core/measure';
import type { ActionOf } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { Body, Section, Small } from '../../ui/type';
import { codeWords, DEBRIS_WORDS, upperFirst } from '../words';
import type { RunHere } from './useRun';

export function CarryAway({ cut, here }: { cut: ActionOf<'cutMade'>; here: RunHere }) {
  const { site, units } = here.today;
  const debris = debrisOf(cut.disorders ?? [], cut.cut.diameterMm, site.debris);
  return (
    <View gap={4}>
      <Section>Carry away</Section>
      <Body>
        {`${upperFirst(debris.class)} wood${cut.cut.massKg ? `, about ${joined(massReading(cut.cut.massKg, units))}` : ''}: ${DEBRIS_WORDS[debris.route]}. ${codeWords(cut.disorders ?? [])}.`}
      </Body>
      {debris.because.map((line) => (
        <Small key={line}>{line}</Small>
      ))}
    </View>
  );
}
